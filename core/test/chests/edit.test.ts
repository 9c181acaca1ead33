import { firstConflict, inverse, markOf, ofStudio, upgradeEdit, type Edit } from '../../src/chests/edit';
import { type Arrangement } from '../../src/chests/arrangement';
import type { Intent } from '../../src/chests/intent';
import { planChange } from '../../src/chests/plan-change';
import { c, d, nameOf, all, after, start } from './support';

describe('changes as data', () => {
  it('a row of before a field was invented is the same row', () => {
    const { sort: _later, ...row } = start.drawer.get('S') ?? { sort: null };
    const old = { of: 'drawer', id: 'S', before: null, after: row } as never;
    const empty = after(start, { kind: 'take-out', drawerId: d('S'), pluginIds: all });
    expect(firstConflict(empty, inverse([upgradeEdit(old, 1)]))).toBeUndefined();
    expect(upgradeEdit(old, 1)).toMatchObject({ after: { sort: null } });
  });
  it('a step is not taken back where something else hangs on what it made, whichever way', () => {
    const make: Intent = {
      kind: 'make-drawer',
      id: d('T'),
      chestId: c('c'),
      parentId: null,
      name: 'Tails',
      rule: null,
      pluginIds: [],
    };
    const plan = planChange(start, make, nameOf);
    const back = inverse(plan.ok ? plan.change.edits : []);
    const made = after(start, make);
    expect(firstConflict(made, back)).toBeUndefined();
    const filed = after(made, { kind: 'file', drawerIds: [d('T')], pluginIds: all.slice(0, 1) });
    expect(firstConflict(filed, back)).toEqual({ of: 'entry', id: `T/${all[0] ?? ''}` });
    // The other way round: what a step would put back has nowhere to go any more.
    const inside: Intent = { ...make, id: d('U'), parentId: d('T') };
    const planned = planChange(made, inside, nameOf);
    const again = planned.ok ? planned.change.edits : [];
    expect(firstConflict(made, again)).toBeUndefined();
    expect(firstConflict(start, again)).toMatchObject({ of: 'drawer', id: 'U' });
  });

  it('another computer is told of what is the studio’s, and of nothing else', () => {
    const edits: Edit[] = [
      { of: 'look', id: 'last', before: null, after: { id: 'last', at: '2026-11-01T10:00:00.000Z' } },
      { of: 'trayName', id: '2', before: null, after: { id: '2', name: 'Goose', sign: null, notInMenus: false } },
    ];
    expect(ofStudio(edits).map((edit) => edit.of)).toEqual(['trayName']);
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
