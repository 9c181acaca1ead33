import { chestsOf, drawersIn } from '../../src/chests/look-up';
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
