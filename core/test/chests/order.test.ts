import fc from 'fast-check';
import { emptyArrangement } from '../../src/chests/arrangement';
import { byOrder } from '../../src/chests/look-up';
import { applyEdits, firstConflict, inverse, sameRow, type Edit } from '../../src/chests/edit';
import { firstKeysStepwise, keysBefore } from '../../src/chests/order-keys';
import { layOutDrawers } from '../../src/chests/lay-out-drawers';
import { runToCompletion } from '../../src/stepwise';
import { asId, type ChestId, type DrawerId, type PluginId } from '../../src/ids';

interface Row {
  readonly id: string;
  readonly order: string;
}

describe('order keys', () => {
  it('equal the plain list that they stand for, whatever is put where', () => {
    const step = fc.record({ at: fc.nat({ max: 30 }), count: fc.integer({ min: 1, max: 4 }) });
    fc.assert(
      fc.property(fc.array(step, { maxLength: 40 }), (steps) => {
        const plain: string[] = [];
        const rows: Row[] = [];
        let made = 0;
        for (const { at, count } of steps) {
          const before = plain[at] ?? null;
          const ids = Array.from({ length: count }, () => `row ${String(made++)}`);
          keysBefore(rows, before, count).forEach((order, index) => rows.push({ id: ids[index] ?? '', order }));
          plain.splice(before === null ? plain.length : at, 0, ...ids);
          expect([...rows].sort(byOrder).map((row) => row.id)).toEqual(plain);
        }
      }),
      { seed: 20261124, numRuns: 150 },
    );
  });

  it('a neighbour that is gone means the end, and no rows need no keys', () => {
    const rows = [{ id: 'a', order: 'a0', slots: null }];
    const [order = ''] = keysBefore(rows, 'gone', 1);
    expect(order > 'a0').toBe(true);
    expect(keysBefore(rows, null, 0)).toEqual([]);
  });
});

describe('edits', () => {
  const chest = (name: string) => ({ id: asId<ChestId>('c'), name, order: 'a0', slots: null, selection: false });
  const edit = (before: string | null, after: string | null): Edit => ({
    of: 'chest',
    id: 'c',
    before: before === null ? null : chest(before),
    after: after === null ? null : chest(after),
  });

  it('make, change and remove a row, and their inverse takes it back', () => {
    const edits = [edit(null, 'One'), edit('One', 'Two')];
    const state = applyEdits(emptyArrangement(), edits);
    expect(state.chest.get('c')?.name).toBe('Two');
    expect(applyEdits(state, inverse(edits))).toEqual(emptyArrangement());
  });

  it('a row that is not as expected is a conflict', () => {
    const state = applyEdits(emptyArrangement(), [edit(null, 'One')]);
    expect(firstConflict(state, [edit('One', 'Two')])).toBeUndefined();
    expect(firstConflict(state, [edit('Other', 'Two')])).toBeDefined();
    expect(firstConflict(state, [edit(null, 'Two')])).toBeDefined();
    expect(firstConflict(emptyArrangement(), [edit('One', null)])).toBeDefined();
  });

  it('rows are equal whatever the order of their fields', () => {
    expect(sameRow({ a: 1, b: null }, { b: null, a: 1 })).toBe(true);
    expect(sameRow({ a: 1 }, { a: 2 })).toBe(false);
    expect(sameRow(null, null)).toBe(true);
  });
});

describe('laying out drawers', () => {
  it('makes outer before inner, in order, and a plugin named twice once', () => {
    let number = 0;
    const plan = { rule: null, sort: null, inner: [], lines: [] };
    const lines = ['p', 'q', 'p'].map((id) => ({ pluginId: asId<PluginId>(id), preset: null, name: null }));
    const edits = layOutDrawers(
      [
        { ...plan, name: 'A', lines, inner: [{ ...plan, name: 'A1' }] },
        { ...plan, name: 'B' },
      ],
      asId<ChestId>('c'),
      null,
      () => asId<DrawerId>(`d${String(number++)}`),
    );
    const state = applyEdits(emptyArrangement(), edits);
    expect([...state.drawer.values()].map((drawer) => [drawer.name, drawer.parentId])).toEqual([
      ['A', null],
      ['A1', 'd0'],
      ['B', null],
    ]);
    expect([...state.entry.values()].sort(byOrder).map((entry) => entry.pluginId)).toEqual(['p', 'q']);
  });
});

it('keys that are made step by step are those that are made at once', () => {
  for (const count of [0, 1, 2, 499, 500, 501, 3000])
    expect(runToCompletion(firstKeysStepwise(count))).toEqual(keysBefore([], null, count));
});
