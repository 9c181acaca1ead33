import { goneInChest } from '../../src/chests/gone-in-chest';
import { chestsOf, drawersIn } from '../../src/chests/look-up';
import { termsOf } from '../../src/rules/condition';
import { conditionOf, type Rule } from '../../src/rules/rule';
import { p, d, c, all, after, said, lines, divided } from './support';

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

  it('what is gone is told drawer by drawer, also in inner ones, and of this chest alone', () => {
    expect(goneInChest(two, c('c'), new Set([p('Echo')])).map(({ drawerId }) => drawerId)).toContain(d('I'));
    expect(goneInChest(two, c('c'), new Set([p('Echo')])).flatMap(({ itemIds }) => itemIds)).toContain(p('Echo'));
    expect(goneInChest(two, c('c'), new Set([p('Nothing')]))).toEqual([]);
    expect(goneInChest(two, c('m'), new Set(all))).toEqual([]);
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

  it('a rule that looks at a drawer which is copied with it looks at the copy; at any other one as before', () => {
    const rule: Rule = { kind: 'written', text: '(plate OR NOT drawer:"#S") AND drawer:"#I" AND NOT drawer:"#F"' };
    const ruled = after(
      two,
      { kind: 'make-drawer', id: d('F'), chestId: c('m'), parentId: null, name: 'Far', rule: null, pluginIds: [] },
      { kind: 'make-drawer', id: d('R'), chestId: c('c'), parentId: null, name: 'Looks', rule, pluginIds: [] },
    );
    const copied = after(ruled, { kind: 'copy-chest', id: c('c'), newId: c('n'), name: 'Everyday (2)' });
    const looks = [...copied.drawer.values()].find((one) => one.chestId === 'n' && one.name === 'Looks');
    const condition = looks?.rule == null ? null : conditionOf(looks.rule);
    const asked = (condition === null ? [] : termsOf(condition)).flatMap((term) =>
      term.kind === 'drawer' ? (copied.drawer.get(term.id) ?? []) : [],
    );
    expect(asked.map(({ chestId, name }) => [chestId, name])).toEqual([
      ['n', ruled.drawer.get('S')?.name],
      ['n', 'Springs'],
      ['m', 'Far'],
    ]);
    expect(copied.drawer.get('R')?.rule).toEqual(rule);
    const alone = after(ruled, { kind: 'copy-drawer', id: d('R'), newId: d('Q'), chestId: c('m'), parentId: null });
    expect(alone.drawer.get('Q')?.rule).toEqual(rule);
  });
});
