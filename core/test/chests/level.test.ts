import { applyEdits, inverse } from '../../src/chests/edit';
import { isInMenus, levelOf, onlyShown, shownDrawers, type MeasureOf } from '../../src/chests/level';
import { measureDrawers } from '../../src/chests/measure-drawers';
import type { Arrangement } from '../../src/chests/arrangement';
import type { Intent } from '../../src/chests/intent';
import { drawersIn, entriesIn } from '../../src/chests/look-up';
import { planChange } from '../../src/chests/plan-change';
import { NOTHING_RULED } from '../../src/chests/ruled';
import { asId, type PluginId } from '../../src/ids';
import * as support from './support';
import { after, chest, d, drawer, nameOf, refusal, start } from './planned';

const NOTHING: MeasureOf = () => ({ size: 0, loads: 0, type: null });
const shown = (state: Arrangement, parent: string | null = null, measureOf = NOTHING): string[] =>
  levelOf(state, chest, parent === null ? null : d(parent), measureOf).flatMap(({ drawer: one, divider }) => [
    ...(divider === null ? [] : [`– ${divider}`]),
    one.name,
  ]);
const divide = (id: string, label: string | null): Intent => ({ kind: 'divide-drawers', id: d(id), label });
const sortBy = (sort: 'name' | 'size' | 'loads' | 'type' | null): Intent => ({
  kind: 'set-level-sort',
  chestId: chest,
  parentId: null,
  sort,
});

describe('dividers between drawers', () => {
  const divided = after(start, divide('B', 'mixing'));

  it('stand in front of a drawer, are labelled anew and taken away, each in one step', () => {
    expect(shown(divided)).toEqual(['A', '– mixing', 'B', 'C']);
    expect(refusal(divided, divide('B', 'mixing'))).toBe('Nothing to change.');
    expect(shown(after(divided, divide('B', '')))).toEqual(['A', '– ', 'B', 'C']);
    expect(shown(after(divided, divide('B', null)))).toEqual(['A', 'B', 'C']);
    expect(refusal(start, divide('B', 'x'))).toBe('divider in front of B');
    expect(refusal(divided, divide('B', null))).toBe('take the divider in front of B away');
    expect(refusal(start, divide('gone', 'x'))).toContain('not there any more');
  });

  it('stay where the first drawer of a section is moved, deleted or merged away', () => {
    const moved = after(divided, { kind: 'move-drawer', id: d('B'), chestId: chest, parentId: null, before: d('A') });
    expect(shown(moved)).toEqual(['B', 'A', '– mixing', 'C']);
    expect(shown(after(divided, { kind: 'delete-drawer', id: d('B') }))).toEqual(['A', '– mixing', 'C']);
    expect(shown(after(divided, { kind: 'merge-drawers', intoId: d('A'), ids: [d('B')] }))).toEqual([
      'A',
      '– mixing',
      'C',
    ]);
  });

  it('go with the only drawer of their section', () => {
    const last = after(start, divide('C', 'end'));
    expect(shown(after(last, { kind: 'delete-drawer', id: d('C') }))).toEqual(['A', 'B']);
    expect(
      shown(after(last, { kind: 'move-drawer', id: d('C'), chestId: chest, parentId: null, before: d('A') })),
    ).toEqual(['– end', 'C', 'A', 'B']);
  });

  it('wait for what is shown behind them, and go where nothing is', () => {
    const list = shownDrawers(divided, chest, NOTHING);
    const without = (...names: string[]) =>
      onlyShown(list, ({ drawer: one }) => !names.includes(one.name)).map((one) => [one.drawer.name, one.divider]);
    expect(without()).toEqual([
      ['A', null],
      ['A1', null],
      ['B', 'mixing'],
      ['C', null],
    ]);
    expect(without('B')).toEqual([
      ['A', null],
      ['A1', null],
      ['C', 'mixing'],
    ]);
    expect(without('B', 'C')).toEqual([
      ['A', null],
      ['A1', null],
    ]);
  });
});

describe('a sorted level', () => {
  const mixed = after(start, { kind: 'rename-drawer', id: d('A'), name: 'Zither' }, drawer('D'));

  it('is sorted for good between its dividers, and goes back to the order by hand', () => {
    const sorted = after(mixed, sortBy('name'));
    expect(shown(sorted)).toEqual(['B', 'C', 'D', 'Zither']);
    expect(shown(after(sorted, divide('C', 'x')))).toEqual(['B', 'Zither', '– x', 'C', 'D']);
    expect(shown(after(sorted, sortBy(null)))).toEqual(['Zither', 'B', 'C', 'D']);
    expect(drawersIn(sorted, chest, null).map((one) => one.name)).toEqual(['Zither', 'B', 'C', 'D']);
    expect(refusal(sorted, sortBy('name'))).toBe('Nothing to change.');
    expect(refusal(mixed, sortBy('size'))).toBe('keep the drawers of Everyday in order: largest first');
  });

  it('can be one inside a drawer', () => {
    const inner = after(start, drawer('A0', 'A'), {
      kind: 'set-level-sort',
      chestId: chest,
      parentId: d('A'),
      sort: 'name',
    });
    expect(shown(inner, 'A')).toEqual(['A0', 'A1']);
    expect(shown(inner)).toEqual(['A', 'B', 'C']);
  });

  it('is sorted once, with its dividers where they were', () => {
    const divided = after(mixed, divide('C', 'x'));
    const once = after(divided, {
      kind: 'arrange-drawers',
      chestId: chest,
      parentId: null,
      ids: [d('B'), d('A'), d('D'), d('C')],
      by: 'name',
    });
    expect(shown(once)).toEqual(['B', 'Zither', '– x', 'D', 'C']);
    expect(
      refusal(once, { kind: 'arrange-drawers', chestId: chest, parentId: null, ids: [d('B'), d('A')], by: 'name' }),
    ).toBe('Nothing to change.');
  });

  it('goes by what its drawers hold together with their inner ones, each plugin once', () => {
    const { c, d: id, all, byId } = support;
    const filed = support.after(
      support.start,
      { kind: 'make-drawer', id: id('E'), chestId: c('c'), parentId: null, name: 'Echoes', rule: null, pluginIds: [] },
      {
        kind: 'make-drawer',
        id: id('I'),
        chestId: c('c'),
        parentId: id('E'),
        name: 'Inner',
        rule: null,
        pluginIds: [all[2] as PluginId],
      },
      { kind: 'file', drawerIds: [id('E')], pluginIds: [all[2] as PluginId] },
    );
    const measureOf = measureDrawers(filed, byId, NOTHING_RULED);
    const measureNamed = (name: string) => measureOf(filed.drawer.get(name) as never);
    expect(measureNamed('E')).toEqual({ size: 1, loads: 7, type: 'delay' });
    expect(measureNamed('S')).toEqual({ size: 4, loads: 15, type: 'reverb' });
  });

  it.each([
    ['size', ['big', 'loud', 'little']],
    ['loads', ['loud', 'big', 'little']],
    ['type', ['little', 'big', 'loud']],
  ] as const)('by %s', (sort, expected) => {
    const named = after(
      start,
      ...['A', 'B', 'C'].map((id, at): Intent => ({
        kind: 'rename-drawer',
        id: d(id),
        name: ['little', 'big', 'loud'][at] ?? '',
      })),
      sortBy(sort),
    );
    const measures = {
      little: { size: 1, loads: 0, type: 'compressor' },
      big: { size: 9, loads: 3, type: 'reverb' },
      loud: { size: 4, loads: 8, type: null },
    } as const;
    expect(shown(named, null, ({ name }) => measures[name as keyof typeof measures])).toEqual(expected);
  });
});

describe('signs and menus', () => {
  it('a drawer bears a sign and is left out of menus with its inner drawers', () => {
    const signed = after(start, { kind: 'set-sign', id: d('A'), sign: 'wave' });
    expect(signed.drawer.get('A')).toMatchObject({ sign: 'wave' });
    const left = after(signed, { kind: 'show-in-menus', id: d('A'), shown: false });
    const inMenus = [...left.drawer.values()].filter((one) => isInMenus(left, one)).map((one) => one.name);
    expect(inMenus).toEqual(['B', 'C']);
    expect(refusal(left, { kind: 'show-in-menus', id: d('A'), shown: true })).toBe('show A in menus');
    expect(refusal(left, { kind: 'show-in-menus', id: d('A'), shown: false })).toBe('Nothing to change.');
    expect(refusal(start, { kind: 'set-sign', id: d('A'), sign: null })).toBe('Nothing to change.');
  });
});

describe('merging drawers', () => {
  const ids = (...names: string[]): PluginId[] => names.map((name) => asId<PluginId>(name));
  const filed = after(
    start,
    { kind: 'file', drawerIds: [d('A')], pluginIds: ids('Copper EQ') },
    { kind: 'file', drawerIds: [d('B')], pluginIds: ids('Copper EQ', 'Vestry Plate') },
    { kind: 'file', drawerIds: [d('C')], pluginIds: ids('Twice Told') },
    { kind: 'name-entry', drawerId: d('C'), pluginId: asId<PluginId>('Twice Told'), name: 'Double' },
    { kind: 'file', drawerIds: [d('A1')], pluginIds: ids('Slapboard') },
  );
  const merge = (into: string, ...names: string[]): Intent => ({
    kind: 'merge-drawers',
    intoId: d(into),
    ids: names.map((name) => d(name)),
  });
  const held = (state: Arrangement, name: string) =>
    entriesIn(state, d(name)).map((entry) => entry.name ?? entry.pluginId);

  it('puts what they hold, each once and with its name, and their inner drawers into one, and undoes it as one step', () => {
    const merged = after(filed, merge('B', 'A', 'C'));
    expect(shown(merged)).toEqual(['B']);
    expect(held(merged, 'B')).toEqual(['Copper EQ', 'Vestry Plate', 'Double']);
    expect(shown(merged, 'B')).toEqual(['A1']);
    expect(held(merged, 'A1')).toEqual(['Slapboard']);
    const plan = planChange(filed, merge('B', 'A', 'C'), nameOf);
    if (!plan.ok) throw new Error(plan.refusal);
    expect(plan.change.label).toBe('merge 2 drawers into B');
    const back = applyEdits(merged, inverse(plan.change.edits));
    expect([back.drawer, back.entry].map((rows) => [...rows.values()].length)).toEqual([4, 5]);
    expect(held(back, 'C')).toEqual(['Double']);
  });

  it('keeps dividers, lets rules look at where it all is now, and ends what the rule was told never to take', () => {
    const looks = (id: string, at: string): Intent => ({
      kind: 'set-rule',
      id: d(id),
      rule: { kind: 'written', text: `drawer:#${at}` },
    });
    const divided = after(
      filed,
      { kind: 'add-divider', id: 'v', drawerId: d('B'), label: 'tails', before: 'B/Vestry Plate' },
      drawer('Both'),
      looks('Both', 'B'),
      looks('A1', 'B'),
    );
    const merged = after(divided, merge('A', 'B'));
    expect(merged.divider.get('v')).toMatchObject({ drawerId: 'A', label: 'tails' });
    expect(merged.drawer.get('Both')?.rule).toEqual({ kind: 'written', text: 'drawer:"#A"' });
    // An inner drawer that is handed on as well.
    expect(after(divided, merge('C', 'A', 'B')).drawer.get('A1')).toMatchObject({
      parentId: 'C',
      rule: { text: 'drawer:"#C"' },
    });
    expect(refusal(after(divided, looks('A', 'B')), merge('A', 'B'))).toContain('go in a circle');
    const clever = after(divided, drawer('Plates', null, ['plate']), {
      kind: 'never-in',
      drawerId: d('Plates'),
      pluginIds: ids('Vestry Plate'),
    });
    expect(after(clever, merge('Plates', 'B')).neverIn.size).toBe(0);
  });

  it('merges an inner drawer into the one around it, and says why the other way round can’t be', () => {
    expect(held(after(filed, merge('A', 'A1')), 'A')).toEqual(['Copper EQ', 'Slapboard']);
    expect(refusal(filed, merge('A1', 'A'))).toBe('A1 is inside A. Move it out first, or merge the other way round.');
    expect(refusal(filed, merge('A', 'A'))).toContain('Select two or more');
    const clever = after(filed, drawer('EQs', null, ['eq']));
    expect(refusal(clever, merge('A', 'EQs'))).toContain('EQs fills itself by a rule');
  });
});

describe('chests', () => {
  it('can be a selection, be divided, and be copied without what they hold', () => {
    const filed = after(start, divide('B', 'mixing'), {
      kind: 'file',
      drawerIds: [d('A')],
      pluginIds: [asId<PluginId>('Copper EQ')],
    });
    const chosen = after(filed, { kind: 'set-chest-selection', id: chest, selection: true });
    expect(chosen.chest.get(chest)).toMatchObject({ selection: true });
    expect(refusal(filed, { kind: 'set-chest-selection', id: chest, selection: false })).toBe('Nothing to change.');
    expect(after(filed, { kind: 'divide-chests', id: chest, label: 'mine' }).chest.get(chest)?.dividerBefore).toBe(
      'mine',
    );
    const copied = after(filed, {
      kind: 'copy-chest',
      id: chest,
      newId: asId('copy'),
      name: 'Empty',
      filled: false,
    });
    expect(levelOf(copied, asId('copy'), null, NOTHING).map((one) => [one.drawer.name, one.divider])).toEqual([
      ['A', null],
      ['B', 'mixing'],
      ['C', null],
    ]);
    expect(copied.entry.size).toBe(1);
  });
});
