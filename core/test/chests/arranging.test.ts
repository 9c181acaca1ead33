import { applyEdits, firstConflict, inverse, markOf, upgradeEdit } from '../../src/chests/edit';
import { emptyArrangement, type Arrangement } from '../../src/chests/arrangement';
import { contentsOf } from '../../src/chests/drawer-contents';
import { linesIn } from '../../src/chests/file-into';
import type { Intent } from '../../src/chests/intent';
import { chestsOf, drawersIn, trayEntries, trayName } from '../../src/chests/look-up';
import { proposeStripLabel, tagsOf } from '../../src/chests/naming';
import { planChange } from '../../src/chests/plan-change';
import { DrawerProposer } from '../../src/chests/propose-drawers';
import { daysLeft, demosOf, narrowBuilds, otherBuilds } from '../../src/chests/set-aside';
import { withChoices } from '../../src/chests/with-choices';
import { planDrawers, type Sorted } from '../../src/chests/work-out-chest';
import type { DrawerPlan } from '../../src/chests/lay-out-drawers';
import { asId, type BuildId, type ChestId, type DrawerId, type PluginId } from '../../src/ids';

const p = (id: string): PluginId => asId<PluginId>(id);
const d = (id: string): DrawerId => asId<DrawerId>(id);
const c = (id: string): ChestId => asId<ChestId>(id);

const CATALOGUE = [
  { name: 'Plate 10', vendor: 'Tollgate', types: ['reverb'], loads: 1, arrivedAt: '2026-01-01' },
  { name: 'Plate 9', vendor: null, types: ['reverb'], loads: 0, arrivedAt: '2026-03-01' },
  { name: 'Echo', vendor: 'Lintel', types: ['delay'], loads: 7, arrivedAt: '2026-02-01' },
  { name: 'Comp', vendor: 'Lintel', types: ['compressor'], loads: 7, arrivedAt: '2026-02-02' },
].map((one) => ({ ...one, id: p(one.name), types: one.types as never[] }));
const byId = new Map(CATALOGUE.map((one) => [one.id, one]));
const nameOf = (id: PluginId): string | undefined => byId.get(id)?.name;
const all = CATALOGUE.map((one) => one.id);

function after(state: Arrangement, ...intents: Intent[]): Arrangement {
  return intents.reduce((now, intent) => {
    const plan = planChange(now, intent, nameOf);
    if (!plan.ok) throw new Error(plan.refusal);
    return applyEdits(now, plan.change.edits);
  }, state);
}
const said = (state: Arrangement, intent: Intent): string => {
  const plan = planChange(state, intent, nameOf);
  return plan.ok ? plan.change.label : plan.refusal;
};
const start = after(
  emptyArrangement(),
  { kind: 'make-chest', id: c('c'), name: 'Everyday', slots: null },
  { kind: 'make-drawer', id: d('S'), chestId: c('c'), parentId: null, name: 'Space', rule: null, pluginIds: all },
);
const lines = (state: Arrangement, drawer = 'S'): string[] =>
  linesIn(state, { id: d(drawer) }).map((line) => ('label' in line ? `– ${line.label}` : line.pluginId));
const shown = (state: Arrangement): string[] => {
  const drawer = state.drawer.get('S');
  return drawer === undefined
    ? []
    : contentsOf(state, byId, drawer).lines.map((line) => ('divider' in line ? `– ${line.divider.label}` : line.name));
};
const divided = after(start, { kind: 'add-divider', id: 'v', drawerId: d('S'), label: 'tails', before: 'S/Echo' });

describe('order in a drawer', () => {
  it('plugins are placed between two others; those that stand there already move, the rest are filed', () => {
    const two = after(start, { kind: 'take-out', drawerId: d('S'), pluginIds: [p('Comp')] });
    const wish: Intent = {
      kind: 'place',
      drawerId: d('S'),
      pluginIds: [p('Echo'), p('Comp')],
      dividerIds: [],
      before: 'S/Plate 9',
    };
    expect(lines(after(two, wish))).toEqual(['Plate 10', 'Echo', 'Comp', 'Plate 9']);
    expect(said(two, wish)).toBe('file 2 plugins into Space');
    expect(said(start, wish)).toBe('move 2 plugins in Space');
  });

  it('dividers stand among the entries, with a label or without, and are moved as they are', () => {
    expect(lines(divided)).toEqual(['Plate 10', 'Plate 9', '– tails', 'Echo', 'Comp']);
    const moved = after(divided, { kind: 'place', drawerId: d('S'), pluginIds: [], dividerIds: ['v'], before: null });
    expect(lines(moved)).toEqual(['Plate 10', 'Plate 9', 'Echo', 'Comp', '– tails']);
    expect(lines(after(moved, { kind: 'remove-divider', id: 'v' }))).not.toContain('– tails');
  });

  it('a standing order sorts between the dividers, numbers as numbers, and leaves the order by hand underneath', () => {
    const sorted = (sort: 'name' | 'vendor' | 'type' | 'loads' | 'newest' | null) =>
      shown(after(divided, ...(sort === null ? [] : [{ kind: 'set-sort' as const, id: d('S'), sort }])));
    expect(sorted('name')).toEqual(['Plate 9', 'Plate 10', '– tails', 'Comp', 'Echo']);
    expect(sorted('vendor')).toEqual(['Plate 10', 'Plate 9', '– tails', 'Comp', 'Echo']);
    expect(sorted('type')).toEqual(['Plate 9', 'Plate 10', '– tails', 'Comp', 'Echo']);
    expect(sorted('loads')).toEqual(['Plate 10', 'Plate 9', '– tails', 'Comp', 'Echo']);
    expect(sorted('newest')).toEqual(['Plate 9', 'Plate 10', '– tails', 'Comp', 'Echo']);
    const back = after(
      divided,
      { kind: 'set-sort', id: d('S'), sort: 'name' },
      { kind: 'set-sort', id: d('S'), sort: null },
    );
    expect(shown(back)).toEqual(shown(divided));
  });

  it('sorting once writes the order; it is refused when the drawer is not as it was seen', () => {
    const ids = ['S/Plate 9', 'S/Plate 10', 'v', 'S/Comp', 'S/Echo'];
    const sorted = after(divided, { kind: 'arrange', drawerId: d('S'), ids, by: 'name' });
    expect(lines(sorted)).toEqual(['Plate 9', 'Plate 10', '– tails', 'Comp', 'Echo']);
    expect(said(divided, { kind: 'arrange', drawerId: d('S'), ids: ids.slice(1), by: 'name' })).toContain(
      'another window',
    );
  });

  it('a name in one drawer only', () => {
    const named = after(start, { kind: 'name-entry', drawerId: d('S'), pluginId: p('Echo'), name: 'Goose echo' });
    expect(shown(named)).toContain('Goose echo');
    expect(byId.get(p('Echo'))?.name).toBe('Echo');
  });
});

describe('drawers and chests with all they hold', () => {
  const inner = after(divided, {
    kind: 'make-drawer',
    id: d('I'),
    chestId: c('c'),
    parentId: d('S'),
    name: 'Springs',
    rule: null,
    pluginIds: [p('Echo')],
  });
  const two = after(inner, { kind: 'make-chest', id: c('m'), name: 'Mix day', slots: ['bus'] });

  it('move to another chest', () => {
    const moved = after(two, { kind: 'move-drawer', id: d('S'), chestId: c('m'), parentId: null, before: null });
    expect(drawersIn(moved, c('c'), null)).toEqual([]);
    expect(drawersIn(moved, c('m'), d('S')).map((one) => one.name)).toEqual(['Springs']);
    expect(lines(moved)).toEqual(lines(inner));
  });

  it('are copied, dividers and own names too, and stand apart from then on', () => {
    const copied = after(two, { kind: 'copy-drawer', id: d('S'), newId: d('T'), chestId: c('m'), parentId: null });
    expect(lines(copied, 'T')).toEqual(lines(copied));
    expect(drawersIn(copied, c('m'), d('T')).map((one) => one.name)).toEqual(['Springs']);
    const emptied = after(copied, { kind: 'take-out', drawerId: d('T'), pluginIds: all });
    expect(lines(emptied)).toEqual(lines(copied));
    expect(said(two, { kind: 'copy-drawer', id: d('S'), newId: d('T'), chestId: c('c'), parentId: d('I') })).toContain(
      'into itself',
    );
  });

  it('a chest is copied, ordered, and meant for slots', () => {
    const copied = after(
      two,
      { kind: 'copy-chest', id: c('c'), newId: c('n'), name: 'Everyday (2)' },
      { kind: 'move-chest', id: c('n'), before: c('c') },
    );
    expect(chestsOf(copied).map((one) => one.name)).toEqual(['Everyday (2)', 'Everyday', 'Mix day']);
    expect(copied.entry.size).toBe(two.entry.size * 2);
    expect(two.chest.get('m')?.slots).toEqual(['bus']);
  });
});

describe('trays', () => {
  const on = after(
    start,
    { kind: 'tray-on', tray: 1, pluginIds: [p('Echo'), p('Comp')] },
    { kind: 'tray-on', tray: 3, pluginIds: [p('Echo'), p('Plate 9')] },
    { kind: 'name-tray', tray: 3, name: 'Goose' },
  );
  const tray = (state: Arrangement, number: number) => trayEntries(state, number).map((entry) => entry.pluginId);

  it('have an order, and names; tray 1 is Favourites', () => {
    expect([1, 2, 3].map((one) => trayName(on, one))).toEqual(['Favourites', 'Tray 2', 'Goose']);
    expect(tray(after(on, { kind: 'place-on-tray', tray: 1, pluginIds: [p('Comp')], before: p('Echo') }), 1)).toEqual([
      'Comp',
      'Echo',
    ]);
  });
  it('are changed about with what is on them, a plugin on both too', () => {
    const swapped = after(on, { kind: 'swap-trays', tray: 1, with: 3 });
    expect([tray(swapped, 1), tray(swapped, 3), trayName(swapped, 1)]).toEqual([
      ['Echo', 'Plate 9'],
      ['Echo', 'Comp'],
      'Goose',
    ]);
    expect(said(on, { kind: 'swap-trays', tray: 4, with: 5 })).toContain('empty');
  });
  it('one or all are cleared, for some plugins or whole', () => {
    expect(after(on, { kind: 'clear-trays', trays: [1, 3], pluginIds: [p('Echo')] }).trayEntry.size).toBe(2);
    expect(after(on, { kind: 'clear-trays', trays: [3], pluginIds: null }).trayEntry.size).toBe(2);
  });
});

describe('names', () => {
  it.each([
    ['Copper EQ', 'Copper EQ'],
    ['The Vestry Plate', 'Vestry Plate'],
    ['Bellowsmantle Panner', 'Bello Panner'],
    ['Turniptuck Electric Piano', 'Tur El Piano'],
    ['Candlereed Octaver TX-81', 'C Octa TX-81'],
    ['Superlongwordalone', 'Superlongwor'],
    ['Equaliser 31', 'Equaliser 31'],
  ])('a strip label for %s has 12 characters at most', (name, label) => {
    const proposed = proposeStripLabel(name);
    expect(Array.from(proposed).length).toBeLessThanOrEqual(12);
    expect(proposed).not.toBe('');
    expect(proposed).toBe(label);
  });

  it('a nickname is shown and the given name kept; tags are added and taken off for many at once', () => {
    const state = after(
      start,
      { kind: 'name-plugins', pluginIds: [p('Echo')], naming: { nickname: 'slap thing', addTags: ['dark'] } },
      { kind: 'name-plugins', pluginIds: all, naming: { addTags: ['Dark', 'goose'] } },
    );
    const plugin = { ...VIEW, id: p('Echo'), name: 'Echo' };
    expect(withChoices([plugin], state)[0]).toMatchObject({ name: 'slap thing', givenName: 'Echo' });
    expect(state.naming.get('Echo')?.tags).toEqual(['dark', 'goose']);
    const off = after(state, {
      kind: 'name-plugins',
      pluginIds: all,
      naming: { nickname: null, removeTags: ['DARK', 'goose'] },
    });
    expect(off.naming.size).toBe(0);
  });

  it('tags as typed', () => expect(tagsOf('dark,  Dark ; for the goose,, –')).toEqual(['dark', 'for the goose']));
});

const build = (id: string, architectures: readonly string[], found = true) => ({
  id: asId<BuildId>(id),
  format: 'VST3' as const,
  architectures: architectures as never[],
  version: null,
  path: `/plugins/${id}.vst3`,
  found,
});
const VIEW = {
  id: p('Plate 9'),
  name: 'Plate 9',
  vendor: 'Tollgate',
  role: null,
  roleGrade: 'unknown' as const,
  types: [],
  typeGrade: 'unknown' as const,
  builds: [build('wide', ['x86-64']), build('narrow', ['x86'])],
};

describe('set aside', () => {
  it('rules of thumb: 32-bit builds where there is another, builds that are not preferred, demos of a vendor', () => {
    const only32 = { ...VIEW, id: p('Echo'), builds: [build('alone', ['x86'])] };
    expect(narrowBuilds([VIEW, only32]).builds.map((one) => one.id)).toEqual(['narrow']);
    expect(
      otherBuilds([{ ...VIEW, builds: [build('gone', [], false), build('there', [])] }]).builds.map((one) => one.id),
    ).toEqual(['gone']);
    const demo = { ...VIEW, id: p('Comp'), name: 'Comp Demo' };
    expect(demosOf([VIEW, demo], 'Tollgate', false).pluginIds).toEqual(['Comp']);
    expect(demosOf([VIEW, demo], 'Tollgate', true).pluginIds).toHaveLength(2);
  });

  it('a plugin is out of the menus when it is set aside, or when all its builds that are there are', () => {
    const asideBuilds = (...ids: string[]): Arrangement =>
      after(start, {
        kind: 'set-aside',
        pluginIds: [],
        builds: ids.map((id) => ({ id: asId<BuildId>(id), pluginId: VIEW.id })),
        reason: 'older-build',
        until: null,
      });
    const one = withChoices([VIEW], asideBuilds('wide'))[0];
    expect([one?.aside, one?.builds[0]?.id]).toEqual([null, 'narrow']);
    expect(withChoices([VIEW], asideBuilds('wide', 'narrow'))[0]?.aside?.reason).toBe('older-build');
    const whole = after(start, {
      kind: 'set-aside',
      pluginIds: [VIEW.id],
      builds: [],
      reason: 'demo',
      until: '2026-12-01',
    });
    expect(withChoices([VIEW], whole)[0]?.aside).toMatchObject({ reason: 'demo', until: '2026-12-01' });
    const back = after(whole, { kind: 'bring-back', pluginIds: [VIEW.id], builds: [] });
    expect(withChoices([VIEW], back)[0]?.aside).toBeNull();
  });

  it('what nothing new was said of stays the very same object', () => {
    const [before] = withChoices([VIEW], start);
    expect(withChoices([VIEW], after(start, { kind: 'name-tray', tray: 2, name: 'x' }))[0]).toBe(before);
  });

  it.each([
    ['2026-11-24', 0],
    ['2026-12-01', 7],
    ['2026-11-20', -4],
  ])('a demo until %s has %i days left on 24 November', (until, days) =>
    expect(daysLeft({ until }, new Date(2026, 10, 24, 23, 59))).toBe(days),
  );
});

describe('a worked-out chest', () => {
  const many: Sorted[] = Array.from({ length: 40 }, (_, at) => ({
    id: p(`x${String(at)}`),
    name: `${'ABCD'[at % 4] ?? ''}${String(at)} Plate`,
    vendor: at % 2 === 0 ? 'Lintel' : 'Tollgate',
    types: (at % 4 === 0 ? ['delay'] : ['reverb']) as never[],
    role: at % 5 === 0 ? null : 'audio-effect',
    formats: ['VST3'],
  }));
  const sizes = (plans: readonly DrawerPlan[]): number[] =>
    plans.flatMap((plan) => [plan.lines.length, ...sizes(plan.inner)]);
  const filed = (plans: readonly DrawerPlan[]): string[] =>
    plans.flatMap((plan) => [
      ...plan.lines.flatMap((line) => ('pluginId' in line ? [line.pluginId] : [])),
      ...filed(plan.inner),
    ]);

  it.each(['type', 'vendor', 'format', 'role-and-type'] as const)(
    'by %s, no drawer above its limit and none lost',
    (by) => {
      for (const inner of ['type', 'vendor', 'letters'] as const) {
        const plans = planDrawers(many, { by, most: 6, inner });
        expect(Math.max(...sizes(plans))).toBeLessThanOrEqual(6);
        expect(new Set(filed(plans)).size).toBe(40);
      }
    },
  );
  it('by letters, each stretch is named after its ends', () => {
    const [drawer] = planDrawers(many, { by: 'format', most: 10, inner: 'letters' });
    expect(drawer?.inner.map((one) => one.name)).toEqual(
      ['A0–A3', 'B1–B3', 'C2–C3', 'D3–D3'].map(
        (name) => expect.stringMatching(new RegExp(`^${name[0] ?? ''}.+–${name[0] ?? ''}`)) as string,
      ),
    );
  });
  it('by role and type: what has a role and no type stands in the role’s own drawer', () => {
    const plans = planDrawers(
      [{ ...many[1], types: [] } as Sorted, many[2] as Sorted, { ...many[0], role: null } as Sorted],
      { by: 'role-and-type', most: null, inner: 'letters' },
    );
    expect(plans.map((plan) => [plan.name, plan.lines.length, plan.inner.map((one) => one.name)])).toEqual([
      ['audio effect', 1, ['reverb']],
      ['role not known', 1, []],
    ]);
  });
});

describe('proposed drawers', () => {
  const state = after(
    emptyArrangement(),
    { kind: 'make-chest', id: c('c'), name: 'Everyday', slots: null },
    ...(['Echoes and delays', 'Lintel', 'Rooms', 'Odds'] as const).map((name): Intent => ({
      kind: 'make-drawer',
      id: d(name),
      chestId: c('c'),
      parentId: null,
      name,
      rule: null,
      pluginIds: [],
    })),
    { kind: 'file', drawerIds: [d('Rooms')], pluginIds: [p('Plate 9'), p('Plate 10')] },
  );
  const proposer = new DrawerProposer(state, c('c'), byId);
  const names = (id: string) => {
    const plugin = byId.get(p(id));
    return plugin === undefined ? [] : proposer.propose(plugin).map((one) => one.drawerId);
  };

  it('named after the type before named after the vendor', () =>
    expect(names('Echo')).toEqual(['Echoes and delays', 'Lintel']));
  it('where its like stand, with the reason', () => {
    expect(proposer.propose({ id: p('new'), vendor: null, types: ['reverb'] })).toEqual([
      { drawerId: 'Rooms', because: 'holds 2 of the type reverb' },
    ]);
  });
  it('none where it stands already, none for what is not known', () => {
    expect(names('Plate 9')).toEqual([]);
    expect(proposer.propose({ id: p('new'), vendor: null, types: [] })).toEqual([]);
  });
});

describe('changes as data', () => {
  it('a row of before a field was invented is the same row', () => {
    const { sort: _later, ...row } = start.drawer.get('S') ?? { sort: null };
    const old = { of: 'drawer', id: 'S', before: null, after: row } as never;
    expect(firstConflict(start, inverse([upgradeEdit(old, 1)]))).toBeUndefined();
    expect(upgradeEdit(old, 1)).toMatchObject({ after: { sort: null } });
  });
  it('the mark tells whether what a change touches is as it was seen', () => {
    const wish: Intent = { kind: 'rename-drawer', id: d('S'), name: 'Rooms' };
    const mark = (state: Arrangement): string => {
      const plan = planChange(state, wish, nameOf);
      return plan.ok ? markOf(plan.change.edits) : '';
    };
    expect(mark(start)).toBe(mark(after(start, { kind: 'tray-on', tray: 1, pluginIds: all })));
    expect(mark(start)).not.toBe(mark(after(start, { kind: 'set-sort', id: d('S'), sort: 'name' })));
  });
});
