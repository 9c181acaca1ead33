import type { Changes } from '../src/arrangement/changes';
import type { Intent } from '@clever-drawer/core/chests/intent';
import type { Drawer } from '@clever-drawer/core/chests/rows/drawer';
import { NOTHING_RULED } from '@clever-drawer/core/chests/ruled';
import type { ItemId } from '@clever-drawer/core/ids';
import type { ListedLine } from '../src/parts/line';
import { drawerActions } from '../src/sort/drawer/drawer-actions';
import type { DrawerAsk } from '../src/sort/drawer/drawer-ask';
import { lineActionsOf } from '../src/sort/drawer/line-actions';
import { after, catalogueOf, CHEST, d, drawer, EMPTY, p, plugin } from './support';

const CATALOGUE = catalogueOf([
  plugin('Plate 10', { vendor: 'Tollgate', loads: 1 }),
  plugin('Plate 9', { vendor: null, loads: 4 }),
  plugin('Echo', { vendor: 'Lintel', types: ['delay'], loads: 7 }),
]);
const nameOf = (id: ItemId): string | undefined => CATALOGUE.byId.get(id)?.name;
const STATE = after(
  EMPTY,
  nameOf,
  { kind: 'make-chest', id: CHEST, name: 'Everyday', slots: null },
  drawer('Space', null, ['Plate 10', 'Echo', 'Plate 9']),
  drawer('Odds'),
  drawer('Ends'),
  drawer('Inner', 'Space'),
  { kind: 'add-divider', id: 'v', drawerId: d('Space'), label: 'tails', before: 'Space/Echo' },
);

const made: Intent[][] = [];
const asked: DrawerAsk[] = [];
let opened: readonly string[] = [];
const changes = {
  make: (...intents: readonly Intent[]) => {
    made.push([...intents]);
    return Promise.resolve(true);
  },
} as unknown as Changes;
const actionsIn = (state = STATE, selected: readonly string[] = []) =>
  drawerActions({
    state,
    catalogue: CATALOGUE,
    ruled: NOTHING_RULED,
    changes,
    open: ['Odds'],
    setOpen: (open) => (opened = open),
    ask: (box) => asked.push(box),
    list: () => undefined,
    selected: selected.map((id) => the(id, state)),
    select: () => false,
  });
const the = (id: string, state = STATE): Drawer => {
  const found = state.drawer.get(id);
  if (found === undefined) throw new Error(`no drawer ${id}`);
  return found;
};
const line = (name: string): ListedLine => {
  const one = CATALOGUE.byId.get(p(name));
  if (one === undefined) throw new Error(`no plugin ${name}`);
  return { id: `Space/${name}`, plugin: one, name, why: null };
};
const divider: ListedLine = { id: 'v', divider: 'tails' };

beforeEach(() => {
  made.length = 0;
  asked.length = 0;
});

describe('what is done with a drawer', () => {
  it('is pulled out, and pushed in again', () => {
    actionsIn().toggle(the('Space'));
    expect(opened).toEqual(['Odds', 'Space']);
    actionsIn().toggle(the('Odds'));
    expect(opened).toEqual([]);
  });

  it('moves among its neighbours, no further than the ends, and not at all where it stands there', () => {
    const beforeOf = (id: string, by: number): string | null | undefined => {
      made.length = 0;
      actionsIn().shift(the(id), by);
      const [intent] = made[0] ?? [];
      return intent?.kind === 'move-drawer' ? intent.before : undefined;
    };
    expect(beforeOf('Ends', -1)).toBe('Odds');
    expect(beforeOf('Ends', -Infinity)).toBe('Space');
    expect(beforeOf('Space', 1)).toBe('Ends');
    expect(beforeOf('Space', Infinity)).toBeNull();
    expect(beforeOf('Space', -1)).toBeUndefined();
    expect(beforeOf('Ends', 1)).toBeUndefined();
    expect(beforeOf('Inner', 1)).toBeUndefined();
  });

  it('sorted once: between its dividers, in one act of the hand', () => {
    actionsIn().sort(the('Space'), 'name', false);
    expect(made).toEqual([
      [{ kind: 'arrange', drawerId: 'Space', by: 'name', ids: ['Space/Plate 10', 'v', 'Space/Echo', 'Space/Plate 9'] }],
    ]);
    made.length = 0;
    const whole = after(STATE, nameOf, { kind: 'remove-divider', id: 'v' });
    // Numbers as numbers; what is loaded most, first; a vendor that is not known, last.
    for (const [by, ids] of [
      ['name', ['Echo', 'Plate 9', 'Plate 10']],
      ['loads', ['Echo', 'Plate 9', 'Plate 10']],
      ['vendor', ['Echo', 'Plate 10', 'Plate 9']],
    ] as const) {
      actionsIn(whole).sort(the('Space', whole), by, false);
      expect(made.pop()).toEqual([{ kind: 'arrange', drawerId: 'Space', by, ids: ids.map((id) => `Space/${id}`) }]);
    }
  });

  it('sorted for good, and by hand again', () => {
    actionsIn().sort(the('Space'), 'loads', true);
    actionsIn().unsort(the('Space'));
    expect(made.map(([intent]) => intent)).toEqual([
      { kind: 'set-sort', id: 'Space', sort: 'loads' },
      { kind: 'set-sort', id: 'Space', sort: null },
    ]);
  });
});

describe('what is done with its lines', () => {
  const about = { about: () => undefined, selected: () => undefined, more: () => [] };
  const needs = { changes, ask: (box: DrawerAsk) => asked.push(box) };
  const lines = lineActionsOf(the('Space'), needs, about);

  it('plugins and dividers are taken out in one act of the hand, which is one step of undo', () => {
    lines.remove([line('Echo'), divider, line('Plate 9')]);
    expect(made).toEqual([
      [
        { kind: 'remove-divider', id: 'v' },
        { kind: 'take-out', drawerId: 'Space', pluginIds: ['Echo', 'Plate 9'] },
      ],
    ]);
    lines.remove([]);
    expect(made).toHaveLength(1);
  });

  it('are placed in front of another line, which what a keyword put there is not', () => {
    lines.place([line('Echo'), divider], 'Space/Plate 10');
    lines.place([line('Echo')], 'rule Plate 10');
    expect(made.map(([intent]) => intent)).toEqual([
      { kind: 'place', drawerId: 'Space', pluginIds: ['Echo'], dividerIds: ['v'], before: 'Space/Plate 10' },
      { kind: 'place', drawerId: 'Space', pluginIds: ['Echo'], dividerIds: [], before: null },
    ]);
  });

  it('are not placed in a drawer that is kept sorted', () => {
    const sorted = lineActionsOf({ ...the('Space'), sort: 'name' }, needs, about);
    sorted.place([line('Echo')], null);
    expect(made).toEqual([]);
  });

  it('are named in a box', () => {
    lines.rename(divider);
    lines.rename(line('Echo'));
    lines.addDivider?.('Space/Echo');
    expect(asked.map((box) => box.kind)).toEqual(['label', 'own-name', 'divider']);
  });
});
