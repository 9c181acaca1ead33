import { type Arrangement } from '../../src/chests/arrangement';
import { contentsOf } from '../../src/chests/drawer-contents';
import { NOTHING_RULED } from '../../src/chests/ruled';
import type { Intent } from '../../src/chests/intent';
import { p, d, byId, after, said, start, lines, divided } from './support';

const shown = (state: Arrangement): string[] => {
  const drawer = state.drawer.get('S');
  return drawer === undefined
    ? []
    : contentsOf(state, byId, drawer, NOTHING_RULED).lines.map((line) =>
        'divider' in line ? `– ${line.divider.label}` : line.name,
      );
};

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
