import { applyEdits, mergeEdits, regroups, sameRow, upgradeEdit, type Edit } from '../../src/chests/edit';
import { emptyArrangement, ROW_KINDS, specOf, type RowKind } from '../../src/chests/arrangement';
import { ROW_FORM } from '../../src/chests/rows/row-kind';

describe('kinds of rows', () => {
  it.each(ROW_KINDS)('%s: what it names, indexes and documents are its own columns', (kind) => {
    const { columns, refersTo, indexes, documented, scope } = specOf(kind);
    const own = Object.keys(columns);
    expect(own).toContain('id');
    for (const [column, named] of Object.entries(refersTo)) {
      expect(own).toContain(column);
      expect(['plugin', ...ROW_KINDS]).toContain(named);
    }
    for (const column of [...indexes.flatMap((index) => index.columns), ...documented]) expect(own).toContain(column);
    expect(['studio', 'computer']).toContain(scope);
  });

  it('each has a table of its own, and stands in the empty arrangement', () => {
    expect(new Set(ROW_KINDS.map((kind) => specOf(kind).table)).size).toBe(ROW_KINDS.length);
    expect(Object.entries(emptyArrangement()).map(([kind, rows]) => [kind, rows.size])).toEqual(
      ROW_KINDS.map((kind) => [kind, 0]),
    );
  });
});

describe('rows of older forms', () => {
  const CHEST_OF_7 = { selection: false, drawerSort: null, dividerBefore: null };
  const OLD: readonly [RowKind, object, object][] = [
    ['chest', { id: 'c', name: 'Everyday', order: 'a0' }, { slots: null, ...CHEST_OF_7 }],
    [
      'drawer',
      { id: 'S', chestId: 'c', parentId: null, name: 'Space', order: 'a0', rule: null },
      {
        sort: null,
        most: null,
        split: null,
        sign: null,
        notInMenus: false,
        innerSort: null,
        dividerBefore: null,
        loose: false,
      },
    ],
    ['entry', { id: 'S/p', drawerId: 'S', pluginId: 'p', order: 'a0' }, { name: null, preset: null, build: null }],
    ['trayEntry', { id: '1/p', tray: 1, pluginId: 'p', order: 'a0' }, { preset: null }],
    ['session', { id: 's', name: 'Scene 3', order: 'a0' }, { template: false }],
    ['lane', { id: 'l', sessionId: 's', kind: 'audio', name: 'Goose', order: 'a0' }, { width: null }],
    [
      'slot',
      { id: 'l/1', laneId: 'l', kind: 'insert', order: 'a0', pluginId: null, buildId: null },
      { preset: null, bypass: false, sidechain: false },
    ],
    ['trayName', { id: '2', name: 'Vocals' }, { sign: null, notInMenus: false }],
    ['aside', { id: 'p', pluginId: 'p', buildId: null, reason: 'demo', until: null }, { note: null }],
    ['ownEntry', { id: 'own:1', name: 'Stage Reverb' }, { file: null }],
  ];
  it('a chest for buses was one for the master as well', () => {
    const chest = (slots: readonly string[] | null): unknown =>
      upgradeEdit({ of: 'chest', id: 'c', before: { id: 'c', slots }, after: null } as unknown as Edit, 6).before;
    expect(chest(['insert', 'bus'])).toMatchObject({ slots: ['insert', 'bus', 'master'] });
    expect(chest(['instrument'])).toMatchObject({ slots: ['instrument'] });
    expect(chest(null)).toMatchObject({ slots: null });
  });

  it.each(OLD)('%s of form 1', (of, row, invented) => {
    const edit = { of, id: 'x', before: row, after: null } as unknown as Edit;
    expect(upgradeEdit(edit, 1)).toEqual({ of, id: 'x', before: { ...row, ...invented }, after: null });
    // What has the field already, keeps it; what is of today stays as it is.
    const today = upgradeEdit(edit, 1);
    expect(upgradeEdit(today, 1)).toEqual(today);
    expect(upgradeEdit(edit, ROW_FORM)).toEqual(edit);
  });

  it('each upgrade has a case here, and leads to a form that there is', () => {
    const upgraded = ROW_KINDS.filter((kind) => specOf(kind).upgrades.length > 0);
    expect(upgraded).toEqual(OLD.map(([kind]) => kind));
    for (const kind of upgraded)
      for (const { to } of specOf(kind).upgrades) {
        expect(to).toBeGreaterThan(1);
        expect(to).toBeLessThanOrEqual(ROW_FORM);
      }
  });
});

describe('edits', () => {
  const row = (id: string, name: string) => ({ id, name, slots: null, order: 'a0' });
  const edit = (id: string, before: string | null, after: string | null): Edit =>
    ({
      of: 'chest',
      id,
      before: before === null ? null : row(id, before),
      after: after === null ? null : row(id, after),
    }) as Edit;

  it('of one wish are merged: what comes to nothing is no edit', () => {
    expect(mergeEdits([edit('a', null, 'A'), edit('b', 'B', 'C'), edit('a', 'A', 'Z')])).toEqual([
      edit('a', null, 'Z'),
      edit('b', 'B', 'C'),
    ]);
    expect(mergeEdits([edit('a', null, 'A'), edit('a', 'A', null)])).toEqual([]);
    expect(mergeEdits([edit('b', 'B', 'C'), edit('b', 'C', 'B')])).toEqual([]);
  });

  it('leave every other kind of row the very same object', () => {
    const state = emptyArrangement();
    const next = applyEdits(state, [edit('a', null, 'A')]);
    expect(ROW_KINDS.filter((kind) => next[kind] !== state[kind])).toEqual(['chest']);
  });

  it('rows are the same whatever the order of their fields', () => {
    expect(sameRow({ a: 1, b: ['x'] }, { b: ['x'], a: 1 })).toBe(true);
    expect(sameRow({ a: 1, b: ['x'] }, { b: ['y'], a: 1 })).toBe(false);
    expect(sameRow(null, null)).toBe(true);
    expect(sameRow(null, { a: 1 })).toBe(false);
  });

  it('group the catalogue anew when builds are held elsewhere or vendors are joined, and for nothing else', () => {
    const of = (kind: RowKind) => [{ of: kind, id: 'x', before: null, after: null } as unknown as Edit];
    expect(ROW_KINDS.filter((kind) => regroups(of(kind)))).toEqual(['heldBuild', 'vendorSpelling']);
  });
});
