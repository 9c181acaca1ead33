import fc from 'fast-check';
import { emptyArrangement, type Arrangement } from '../../src/chests/arrangement';
import { applyEdits, inverse } from '../../src/chests/edit';
import type { Intent } from '../../src/chests/intent';
import { planChange } from '../../src/chests/plan-change';
import { preferenceOf, withChoices } from '../../src/chests/with-choices';
import { STANDARD_PREFERENCE } from '../../src/catalogue/preference';
import { asId, type BuildId, type BuildKey, type ChestId, type DrawerId, type PluginId } from '../../src/ids';

const plugin = (text: string) => asId<PluginId>(text);
const buildId = (text: string) => asId<BuildId>(text);
const key = (text: string) => asId<BuildKey>(text);
const SPLIT = { id: buildId('b'), key: key('VST3 b'), pluginId: plugin('p') };
const NAMES = new Map<string, string>(['p', 'q', 'r'].map((name) => [plugin(name), name.toUpperCase()]));
const drawer = {
  id: asId<DrawerId>('d'),
  chestId: asId<ChestId>('c'),
  parentId: null,
  name: 'Space',
  order: 'a0',
  rule: null,
  sort: null,
  notInMenus: false,
};
const entry = (pluginId: string, order: string) => ({
  id: `d/${pluginId}`,
  drawerId: drawer.id,
  pluginId: plugin(pluginId),
  preset: null,
  order,
  name: null,
  build: null,
});
const START: Arrangement = {
  ...emptyArrangement(),
  chest: new Map([['c', { id: drawer.chestId, name: 'Everyday', order: 'a0', slots: null, selection: false }]]),
  drawer: new Map([['d', drawer]]),
  entry: new Map([entry('q', 'a1'), entry('r', 'a2')].map((one) => [one.id, one])),
  trayEntry: new Map([['1/q', { id: '1/q', tray: 1, pluginId: plugin('q'), preset: null, order: 'a0' }]]),
};
const plan = (state: Arrangement, intent: Intent) => planChange(state, intent, (id) => NAMES.get(id));
function after(intent: Intent, state = START): Arrangement {
  const planned = plan(state, intent);
  if (!planned.ok) throw new Error(planned.refusal);
  return applyEdits(state, planned.change.edits);
}

const VIEW = {
  id: plugin('p'),
  name: 'P',
  vendor: 'Lintel',
  role: null,
  roleGrade: 'unknown' as const,
  types: [],
  typeGrade: 'unknown' as const,
  builds: (['VST3', 'CLAP'] as const).map((format) => ({
    id: format,
    format,
    architectures: [],
    version: null,
    path: `/${format}`,
    found: true,
  })),
};

describe('what the producer puts right', () => {
  it('wins over what was worked out, for many at once, and can be taken back', () => {
    const state = after({
      kind: 'put-right',
      pluginIds: [plugin('p'), plugin('q')],
      right: { role: 'tool', types: ['tuner'] },
    });
    expect(withChoices([VIEW], state)[0]).toMatchObject({
      role: 'tool',
      roleGrade: 'chosen',
      types: ['tuner'],
      typeGrade: 'chosen',
      vendor: 'Lintel',
    });
    const back = after(
      { kind: 'put-right', pluginIds: [plugin('p'), plugin('q')], right: { role: null, types: null } },
      state,
    );
    expect(back.choice.size).toBe(0);
    expect(withChoices([VIEW], back)[0]).toMatchObject({ role: null, types: [] });
  });

  it('one field leaves the others as they were chosen before', () => {
    const state = after({ kind: 'put-right', pluginIds: [plugin('p')], right: { role: 'instrument' } });
    expect(
      after({ kind: 'put-right', pluginIds: [plugin('p')], right: { vendor: 'Tollgate' } }, state).choice.get('p'),
    ).toMatchObject({ role: 'instrument', vendor: 'Tollgate', types: null });
    expect(plan(state, { kind: 'put-right', pluginIds: [plugin('p')], right: { role: 'instrument' } })).toEqual({
      ok: false,
      refusal: 'Nothing to change.',
    });
  });

  it('a build that is preferred by hand stands first; one that is not found never does', () => {
    const state = after({ kind: 'prefer-build', pluginId: plugin('p'), buildId: buildId('CLAP') });
    expect(withChoices([VIEW], state)[0]?.builds.map((one) => one.id)).toEqual(['CLAP', 'VST3']);
    const gone = { ...VIEW, builds: VIEW.builds.map((one) => ({ ...one, found: one.id !== 'CLAP' })) };
    expect(withChoices([gone], state)[0]?.builds.map((one) => one.id)).toEqual(['VST3', 'CLAP']);
  });

  it('the general rule is the standard one until it is changed', () => {
    expect(preferenceOf(START)).toEqual(STANDARD_PREFERENCE);
    const state = after({ kind: 'prefer-builds', preference: { criteria: ['format'], formats: ['CLAP', 'VST3'] } });
    expect(withChoices([VIEW], state)[0]?.builds.map((one) => one.id)).toEqual(['CLAP', 'VST3']);
    expect(preferenceOf(after({ kind: 'prefer-builds', preference: null }, state))).toEqual(STANDARD_PREFERENCE);
  });

  it('a vendor is joined by its key, or kept apart from one that looks the same', () => {
    const joined = after({ kind: 'name-vendor', spellings: ['CH Audio'], name: 'Copperhat Ltd.', apart: false });
    expect(joined.vendorSpelling.get('CH Audio')).toEqual({ id: 'CH Audio', key: 'copperhat', name: 'Copperhat Ltd.' });
    const apart = after({ kind: 'name-vendor', spellings: ['Copperhat VST'], name: 'Copperhat', apart: true });
    expect(apart.vendorSpelling.get('Copperhat VST')?.key).not.toBe('copperhat');
    expect(plan(START, { kind: 'name-vendor', spellings: ['x'], name: '…', apart: false }).ok).toBe(false);
  });
});

describe('joining and splitting plugins', () => {
  const join: Intent = {
    kind: 'join-plugins',
    intoId: plugin('p'),
    pluginIds: [plugin('q'), plugin('r')],
    builds: [
      { id: buildId('b'), key: key('VST3 b'), pluginId: plugin('q') },
      { id: buildId('c'), key: key('VST3 c'), pluginId: plugin('r') },
    ],
  };

  it('the joined plugin takes the places of the others, once each, in their order', () => {
    const state = after(join);
    expect([...state.entry.values()].map((one) => [one.pluginId, one.order])).toEqual([['p', 'a1']]);
    expect([...state.trayEntry.keys()]).toEqual(['1/p']);
    expect([...state.heldBuild.values()]).toEqual([
      { id: 'VST3 b', pluginId: 'p', fromPluginId: 'q', whole: true },
      { id: 'VST3 c', pluginId: 'p', fromPluginId: 'r', whole: true },
    ]);
  });

  it('a split is named in words, needs builds, and can be released', () => {
    expect(
      plan(START, { kind: 'split-plugin', pluginId: plugin('p'), newId: plugin('new'), builds: [SPLIT] }),
    ).toMatchObject({ ok: true, change: { label: 'split a build off P' } });
    expect(plan(START, { kind: 'split-plugin', pluginId: plugin('p'), newId: plugin('new'), builds: [] }).ok).toBe(
      false,
    );
    expect(after({ kind: 'release-builds', keys: [key('VST3 b'), key('VST3 c')] }, after(join)).heldBuild.size).toBe(0);
    expect(plan(START, { kind: 'release-builds', keys: [key('VST3 b')] }).ok).toBe(false);
  });

  it('undoing any of it restores what was there (seeded)', () => {
    const ids = fc.subarray(['p', 'q', 'r'].map(plugin), { minLength: 1 });
    const intents: fc.Arbitrary<Intent> = fc.oneof(
      fc.record({
        kind: fc.constant('put-right' as const),
        pluginIds: ids,
        right: fc.record(
          { role: fc.constantFrom('tool' as const, null), vendor: fc.constantFrom('V', null) },
          { requiredKeys: [] },
        ),
      }),
      fc.record({
        kind: fc.constant('prefer-build' as const),
        pluginId: fc.constantFrom(...[...NAMES.keys()].map(plugin)),
        buildId: fc.option(fc.constant(buildId('b'))),
      }),
      fc.record({
        kind: fc.constant('name-vendor' as const),
        spellings: fc.constantFrom(['A'], ['A', 'B']),
        name: fc.option(fc.constantFrom('A Ltd.', 'B')),
        apart: fc.boolean(),
      }),
      ids.map((pluginIds) => ({ ...join, pluginIds })),
      fc.constant<Intent>({ kind: 'release-builds', keys: [key('VST3 b')] }),
    );
    fc.assert(
      fc.property(fc.array(intents, { maxLength: 8 }), (wishes) => {
        let state = START;
        for (const wish of wishes) {
          const planned = plan(state, wish);
          if (!planned.ok) continue;
          const next = applyEdits(state, planned.change.edits);
          expect(applyEdits(next, inverse(planned.change.edits))).toEqual(state);
          state = next;
        }
      }),
      { seed: 4310, numRuns: 200 },
    );
  });
});
