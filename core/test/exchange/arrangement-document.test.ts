import { presetKey } from '../../src/catalogue/plugin-presets';
import { chainIdOf, partsOfChain } from '../../src/chests/chains';
import { itemId, itemNames } from '../../src/chests/item';
import { applyEdits } from '../../src/chests/edit';
import { emptyArrangement } from '../../src/chests/arrangement';
import { chestsOf, drawersIn, entriesIn, trayEntries } from '../../src/chests/look-up';
import type { PluginReference } from '../../src/exchange/arrangement-document';
import { exportArrangement } from '../../src/exchange/export-arrangement';
import { planImport } from '../../src/exchange/import-arrangement';
import { planChange } from '../../src/chests/plan-change';
import type { Intent } from '../../src/chests/intent';
import { asId, type ChestId, type DrawerId, type PluginId } from '../../src/ids';
import { fits, offerFor } from '../../src/menu/slot-menu';

const reference = (id: string, identifier: string | null): PluginReference => ({
  id: asId<PluginId>(id),
  name: id,
  vendor: null,
  builds: [{ format: 'VST3', identifier }],
});
const here = new Map(
  [reference('a/plate', 'P'), reference('a/echo', 'E'), reference('a/hall', null)].map((one) => [one.id, one]),
);
const HALL = itemId({
  pluginId: asId<PluginId>('a/plate'),
  preset: presetKey({ bank: 'Rooms', name: 'Vocal Hall' }),
});
const chestId = asId<ChestId>('c');
const drawerId = asId<DrawerId>('d');
const intents: Intent[] = [
  { kind: 'make-chest', id: chestId, name: 'Everyday', slots: null },
  {
    kind: 'make-drawer',
    id: drawerId,
    chestId,
    parentId: null,
    name: 'Space',
    rule: { kind: 'keywords', words: ['hall'] },
    pluginIds: [...here.keys()],
  },
  {
    kind: 'make-drawer',
    id: asId<DrawerId>('e'),
    chestId,
    parentId: drawerId,
    name: 'Inner',
    rule: null,
    pluginIds: [asId<PluginId>('a/echo')],
  },
  { kind: 'tray-on', tray: 1, pluginIds: [asId<PluginId>('a/plate')] },
  { kind: 'file', drawerIds: [drawerId], pluginIds: [HALL] },
  { kind: 'tray-on', tray: 2, pluginIds: [HALL] },
  { kind: 'name-plugins', pluginIds: [HALL], naming: { nickname: 'the cave' } },
];
const state = intents.reduce((now, intent) => {
  const plan = planChange(
    now,
    intent,
    itemNames((id) => here.get(id)?.name),
  );
  return plan.ok ? applyEdits(now, plan.change.edits) : now;
}, emptyArrangement());
const exported = exportArrangement(state, here, 'Music room', new Date(0));
let number = 0;
const newId = (): string => `new-${String(number++)}`;

describe('export and import', () => {
  it('import after export is the same', () => {
    const plan = planImport(emptyArrangement(), exported, here, newId);
    const fresh = applyEdits(emptyArrangement(), plan.change.edits);
    expect([plan.matched.length, plan.missing]).toEqual([3, []]);
    const again = exportArrangement(fresh, here, 'Music room', new Date(0));
    expect(again.chests).toEqual(exported.chests);
    expect(trayEntries(fresh, 1)).toHaveLength(1);
    // A preset goes along by bank and name.
    expect(again.trays[1]?.items).toEqual([{ plugin: 'a/plate', preset: { bank: 'Rooms', name: 'Vocal Hall' } }]);
    expect([fresh.naming.get(HALL)?.nickname, fresh.trayEntry.has(`2/${HALL}`)]).toEqual(['the cave', true]);
  });

  it('rules go along with the drawers that they name, and what they never take', () => {
    const clever: Intent[] = [
      {
        kind: 'make-drawer',
        id: asId<DrawerId>('r'),
        chestId,
        parentId: null,
        name: 'By rule',
        rule: { kind: 'written', text: 'plate OR drawer:"#e"' },
        pluginIds: [],
      },
      { kind: 'never-in', drawerId: asId<DrawerId>('r'), pluginIds: [asId<PluginId>('a/plate')] },
    ];
    const ruled = clever.reduce((now, intent) => {
      const plan = planChange(now, intent, (id) => here.get(id as PluginId)?.name);
      return plan.ok ? applyEdits(now, plan.change.edits) : now;
    }, state);
    const document = exportArrangement(ruled, here, 'Music room', new Date(0));
    const [, drawer] = document.chests[0]?.drawers ?? [];
    expect(drawer?.rule).toEqual({ kind: 'written', text: 'plate OR drawer:"Inner"' });
    expect(drawer?.never).toEqual([{ plugin: 'a/plate', preset: null }]);
    const fresh = applyEdits(emptyArrangement(), planImport(emptyArrangement(), document, here, newId).change.edits);
    const inner = [...fresh.drawer.values()].find((one) => one.name === 'Inner');
    const rule = [...fresh.drawer.values()].find((one) => one.name === 'By rule')?.rule;
    expect(rule).toEqual({ kind: 'written', text: `plate OR drawer:"#${inner?.id ?? ''}"` });
    expect([...fresh.neverIn.values()].map((row) => row.pluginId)).toEqual(['a/plate']);
    expect(planImport(ruled, document, here, newId).change.edits).toEqual([]);
    const again = exportArrangement(fresh, here, 'Music room', new Date(0));
    expect(again.chests).toEqual(document.chests);
  });

  it('a second import comes to nothing, and one into a chest of the same name adds what it lacks and replaces nothing', () => {
    expect(planImport(state, exported, here, newId).change.edits).toEqual([]);
    // One drawer is gone, another lacks an entry and has one of its own, with a name of its own.
    const [outer] = drawersIn(state, chestId, null);
    const ids = entriesIn(state, outer?.id ?? drawerId).map((entry) => entry.pluginId);
    const changed: Intent[] = [
      { kind: 'delete-drawer', id: asId<DrawerId>('e') },
      { kind: 'take-out', drawerId, pluginIds: [asId<PluginId>('a/echo')] },
      { kind: 'rename-chest', id: chestId, name: 'EVERYDAY' },
    ];
    const poorer = changed.reduce((now, intent) => {
      const plan = planChange(now, intent, (id) => here.get(id as PluginId)?.name);
      return plan.ok ? applyEdits(now, plan.change.edits) : now;
    }, state);
    const { edits } = planImport(poorer, exported, here, newId).change;
    const filled = applyEdits(poorer, edits);
    expect(edits.every((edit) => edit.before === null)).toBe(true);
    expect(chestsOf(filled).map((chest) => chest.name)).toEqual(['EVERYDAY']);
    expect(entriesIn(filled, drawerId).map((entry) => entry.pluginId)).toEqual([
      ...ids.filter((id) => id !== 'a/echo'),
      'a/echo',
    ]);
    expect(drawersIn(filled, chestId, drawerId).map((drawer) => drawer.name)).toEqual(['Inner']);
    expect(planImport(filled, exported, here, newId).change.edits).toEqual([]);
  });

  it('knows a plugin again by the identifier of a build when its name differs', () => {
    const elsewhere = new Map(
      [['b/gilded-plate', reference('b/gilded-plate', 'P')]].map(([, one]) => [
        (one as PluginReference).id,
        one as PluginReference,
      ]),
    );
    const plan = planImport(emptyArrangement(), exported, elsewhere, newId);
    const there = applyEdits(emptyArrangement(), plan.change.edits);
    const [drawer] = drawersIn(there, chestsOf(there)[0]?.id ?? chestId, null);
    expect(entriesIn(there, drawer?.id ?? drawerId).map((entry) => entry.pluginId)).toEqual([
      'b/gilded-plate',
      'a/echo',
      'a/hall',
      // A preset of it.
      'b/gilded-plate',
    ]);
    expect(plan.missing.map((one) => one.id).sort()).toEqual(['a/echo', 'a/hall']);
  });
});

describe('what a slot is offered', () => {
  it('instruments in an instrument slot, effects and meters in inserts, MIDI effects before the instrument', () => {
    expect(fits('instrument', 'instrument')).toBe(true);
    expect(fits('instrument', 'audio-effect')).toBe(false);
    expect(fits('insert', 'audio-effect')).toBe(true);
    expect(fits('insert', 'tool')).toBe(true);
    expect(fits('insert', 'midi-effect')).toBe(false);
    expect(fits('midi-effect', 'midi-effect')).toBe(true);
    expect(offerFor('insert', [{ role: null }, { role: 'tool' as const }])).toEqual({
      fitting: [{ role: 'tool' }],
      roleUnknown: [{ role: null }],
    });
  });
});

describe('chains in a document', () => {
  it('come back with their parts, names and places; the same document a second time comes to nothing', () => {
    const id = chainIdOf('11111111-0000-4000-8000-000000000000');
    const part = (at: number, pluginId: string) => ({
      id: `${id}/${String(at)}`,
      chainId: id,
      order: `a${String(at)}`,
      pluginId: asId<PluginId>(pluginId),
      preset: null,
      bypass: at === 2,
    });
    const kept = applyEdits(state, [
      { of: 'chain', id, before: null, after: { id, name: 'Cave' } },
      ...[part(1, 'a/plate'), part(2, 'a/echo')].map((row) => ({
        of: 'chainPart' as const,
        id: row.id,
        before: null,
        after: row,
      })),
    ]);
    const filing = planChange(kept, { kind: 'file', drawerIds: [drawerId], pluginIds: [id] }, () => 'Cave');
    if (!filing.ok) throw new Error(filing.refusal);
    const filed = applyEdits(kept, filing.change.edits);
    const document = exportArrangement(filed, here, 'Music room', new Date(0));
    expect(document.chains.map((one) => [one.name, one.parts.map((own) => [own.plugin, own.bypass])])).toEqual([
      [
        'Cave',
        [
          ['a/plate', false],
          ['a/echo', true],
        ],
      ],
    ]);
    let number = 0;
    const newId = (): string => `new ${String(++number)}`;
    const there = applyEdits(emptyArrangement(), planImport(emptyArrangement(), document, here, newId).change.edits);
    const [chain] = [...there.chain.values()];
    if (chain === undefined) throw new Error('no chain');
    expect(partsOfChain(there, chain.id).map((own) => [own.pluginId, own.bypass])).toEqual([
      ['a/plate', false],
      ['a/echo', true],
    ]);
    expect([...there.entry.values()].filter((entry) => (entry.pluginId as string) === chain.id)).toHaveLength(1);
    expect(planImport(there, document, here, newId).change.edits).toEqual([]);
  });
});
