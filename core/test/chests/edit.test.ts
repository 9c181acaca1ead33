import { firstConflict, inverse, markOf, upgradeEdit } from '../../src/chests/edit';
import { type Arrangement } from '../../src/chests/arrangement';
import type { Intent } from '../../src/chests/intent';
import { planChange } from '../../src/chests/plan-change';
import { d, nameOf, all, after, start } from './support';

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
