/** A data folder of two computers, as the form before had it, becomes one studio: every row of it is accounted for. */
import { chmod, mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { DataSource } from 'typeorm';
import type { UnionReport } from '@clever-drawer/contract/responses';
import { asId, type ComputerId } from '@clever-drawer/core/ids';
import { startCluster, type Cluster } from '../src/database/cluster';
import { openDatabase } from '../src/database/data-source';
import { unite } from '../src/database/migrations/one-studio/unite';
import type { OldComputer, OldRow } from '../src/database/migrations/one-studio/old-rows';
import { regroupOnce } from '../src/store/carry-over';
import { dumped, readForm, restore, type Form, type FormRow } from './support/forms';

let folder: string;
let cluster: Cluster;
let source: DataSource;
let old: Form;
let now: Form;
let report: UnionReport;
const rowsIn = (form: Form, table: string): readonly FormRow[] => form.tables[table] ?? [];
const idOf = (name: string): string => String(rowsIn(old, 'computer').find((row) => row.name === name)?.id);
const of = (name: string, table: string): FormRow[] =>
  rowsIn(old, table).filter((row) => row.computerId === idOf(name));
const INVENTED = [
  'preset',
  'most',
  'split',
  'width',
  'template',
  'bypass',
  'sidechain',
  'before',
  'keys',
  'clicks',
  'dividerBefore',
  'drawerSort',
  'selection',
  'sign',
  'innerSort',
  'notInMenus',
  'build',
  'loose',
  'file',
] as const;
/** A row as it is now, without what later forms invented and left empty. */
const found = (table: string, id: unknown): FormRow | undefined => {
  const row = rowsIn(now, table).find((one) => one.id === id);
  return row === undefined
    ? row
    : without(row, ...INVENTED.filter((field) => row[field] === null || row[field] === false));
};
/** The id of a plugin as the computer of this name had it. */
const pluginOf = (computer: string, name: string): unknown =>
  of(computer, 'plugin').find((row) => row.name === name)?.id;

beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'clever-drawer-studio-'));
  // The database's own user must pass through it when the tests run as root.
  await chmod(folder, 0o755);
  cluster = await startCluster(join(folder, 'data'), { throwaway: true });
  old = await readForm('PresetsInBanks1768000000000');
  await restore(cluster.url, old);
  source = await openDatabase(cluster.url);
  now = await dumped(source);
  report = rowsIn(now, 'studio')[0]?.union as UnionReport;
}, 60_000);
afterAll(async () => {
  await source.destroy();
  await cluster.stop();
  await rm(folder, { recursive: true, force: true });
});

const without = (row: FormRow | undefined, ...fields: string[]): FormRow =>
  Object.fromEntries(Object.entries(row ?? {}).filter(([name]) => !fields.includes(name)));

const MADE = ['chest', 'drawer', 'divider', 'entry', 'session', 'lane', 'slot'] as const;
const SINGLE = ['tray_name', 'naming', 'choice', 'vendor_spelling', 'aside', 'face'] as const;

/** Columns that were added since. */
const LATER: Readonly<Record<string, FormRow>> = { aside: { note: null } };

describe('the first computer', () => {
  it('keeps what it arranged, row by row', () => {
    for (const table of [...MADE, 'kept_search', 'tray_entry', 'tray_name', 'vendor_spelling', 'aside', 'face'])
      for (const row of of('Music room', table))
        expect([table, found(table, row.id)]).toEqual([table, { ...without(row, 'computerId'), ...LATER[table] }]);
    const held = of('Music room', 'held_build').map((row) => without(row, 'computerId', 'id'));
    expect(rowsIn(now, 'held_build').map((row) => without(row, 'id'))).toEqual(expect.arrayContaining(held));
    expect(held).toHaveLength(1);
    // A build is held by what names it on every computer.
    expect(rowsIn(now, 'held_build').map((row) => row.id)).toEqual(['LV2 urn:Lantern-Echo-Two']);
  });

  it('keeps its steps, which can be undone as before', () => {
    const before = of('Music room', 'change');
    expect(before.length).toBeGreaterThan(30);
    expect(rowsIn(now, 'change').map((row) => row.seq)).toEqual(before.map((row) => row.seq));
    const edits = rowsIn(now, 'change').flatMap(
      (row) => row.edits as { of: string; id: string; after: FormRow | null }[],
    );
    expect(edits.filter((edit) => edit.of === 'heldBuild').map((edit) => edit.id)).toEqual([
      'LV2 urn:Lantern-Echo-Two',
    ]);
    expect(edits.filter((edit) => edit.of === 'choice').map((edit) => Object.keys(edit.after ?? {}))).toEqual([
      ['id', 'role', 'types', 'vendor'],
    ]);
    expect(edits.filter((edit) => edit.of === 'preferredBuild')).toHaveLength(2);
  });
});

describe('a further computer', () => {
  it('brings what it made, behind what is there, under names of its own', () => {
    for (const table of MADE)
      for (const row of of('Puppet wagon', table)) {
        expect([table, without(found(table, row.id), 'name', 'order')]).toEqual([
          table,
          without(row, 'computerId', 'name', 'order'),
        ]);
      }
    const named = (table: string) =>
      rowsIn(now, table)
        .map((row) => row.name)
        .sort();
    expect(named('chest')).toEqual(['Everyday', 'Everyday (Puppet wagon)', 'Mixing', 'Puppets']);
    expect(named('session')).toEqual(['Rehearsal', 'Rehearsal (Puppet wagon)']);
    // The same words under the same name are the same search.
    expect(
      rowsIn(now, 'kept_search')
        .map((row) => [row.name, row.query])
        .sort(),
    ).toEqual([
      ['Echoes', 'q=echo'],
      ['Wide (Puppet wagon)', 'q=stage'],
      ['Wide', 'q=wide'],
    ]);
    const [first, further] = ['Music room', 'Puppet wagon'].map((name) =>
      of(name, 'chest').map((row) => found('chest', row.id)?.order as string),
    );
    expect(Math.max(...(first ?? []).map((order) => (further ?? []).filter((one) => one <= order).length))).toBe(0);
    expect(report.computers[0]?.renamed.map((one) => one.is).sort()).toEqual([
      'Everyday (Puppet wagon)',
      'Rehearsal (Puppet wagon)',
      'Wide (Puppet wagon)',
    ]);
  });

  it('adds to the trays behind what stands there, once each', () => {
    for (const row of of('Puppet wagon', 'tray_entry')) expect(found('tray_entry', row.id)).toBeDefined();
    const inOrder = [...rowsIn(now, 'tray_entry')].sort((a, b) => (String(a.order) < String(b.order) ? -1 : 1));
    const ids = inOrder.map((row) => row.pluginId);
    expect(new Set(ids).size).toBe(ids.length);
    const first = of('Music room', 'tray_entry').length;
    expect(ids.slice(0, first).sort()).toEqual(
      of('Music room', 'tray_entry')
        .map((row) => row.pluginId)
        .sort(),
    );
  });

  it('keeps what it has of its own: rule, last look, preferred builds, builds, scans, places, loads', () => {
    for (const computer of ['Music room', 'Puppet wagon']) {
      for (const table of ['preference', 'look', 'place'])
        for (const row of of(computer, table)) expect(rowsIn(now, table)).toContainEqual(row);
      // When a folder was last scanned is read from the scans.
      for (const row of of(computer, 'folder'))
        expect(rowsIn(now, 'folder')).toContainEqual({
          ...without(row, 'lastScannedAt'),
          addedAt: new Date(String(row.addedAt)).toISOString(),
        });
      // Of the problems of a scan their number is kept; which stand is known of the places.
      for (const row of of(computer, 'scan'))
        expect(rowsIn(now, 'scan')).toContainEqual({
          ...without(row, 'faults'),
          problems: (row.faults as readonly unknown[]).length,
        });
      for (const row of of(computer, 'build')) {
        const arrived = of(computer, 'plugin').find((plugin) => plugin.id === row.pluginId)?.arrivedAt;
        expect(found('build', row.id)).toEqual({ ...row, arrivedAt: arrived, arrivedWithFolder: expect.any(Boolean) });
      }
      const chosen = of(computer, 'choice').filter((row) => row.buildId !== null);
      expect(chosen.length).toBeGreaterThan(0);
      for (const { id, buildId, computerId } of chosen)
        expect(rowsIn(now, 'preferred_build')).toContainEqual({ id, buildId, computerId });
      for (const row of of(computer, 'load')) {
        const kept = computer === 'Music room' ? row : { ...row, change: null };
        // Loads of before are told the place that their slots still tell.
        const { slotKind, laneKind, lane, session, ...loaded } = found('load', row.id) ?? {};
        expect(loaded).toEqual(kept);
        expect([slotKind, laneKind, lane, session].every((word) => typeof word === 'string')).toBe(true);
      }
    }
  });

  it('has its words where there were none, and where it said otherwise that is in the report', () => {
    const plate = found('naming', pluginOf('Music room', 'Vestry Plate'));
    expect(plate).toMatchObject({ nickname: 'Church', stripLabel: 'Vstry', note: 'short for voices' });
    expect(plate?.tags).toEqual(['wide', 'Old', 'stage']);
    expect(found('naming', pluginOf('Puppet wagon', 'Hatch Gate'))).toMatchObject({ note: 'only here' });
    const differing = report.differing.map((one) => [one.what, one.of, one.kept, one.other]);
    expect(report.differing.every((one) => one.computer === 'Puppet wagon')).toBe(true);
    expect(differing).toEqual(
      expect.arrayContaining([
        ['name of a tray', 'tray 2', 'Vocals', 'Puppets'],
        ['nickname', 'Vestry Plate', 'Church', 'Barn'],
        ['note', 'Vestry Plate', 'short for voices', 'long for choirs'],
        ['reason for setting aside', 'Toybox Piano', 'demo', 'faulty'],
        ['vendor that a spelling stands for', 'TOLLGATE SOUND Ltd.', 'Tollgate', 'Gate'],
      ]),
    );
    // Every row that stands once and that the first computer has otherwise is told of.
    for (const table of SINGLE)
      for (const row of of('Puppet wagon', table)) {
        const kept = found(table, row.id);
        const texts = Object.entries(without(row, 'id', 'computerId', 'tags', 'key', 'buildId', 'until')).flatMap(
          ([field, value]) => (value === null ? [] : [[field, value] as const]),
        );
        for (const [field, value] of texts)
          if (JSON.stringify(kept?.[field]) !== JSON.stringify(value))
            expect([
              table,
              field,
              report.differing.some((one) => one.other === JSON.stringify(value).replaceAll('"', '')),
            ]).toEqual([table, field, true]);
      }
  });

  it('is counted kind by kind, and so are its steps, which can not be undone any more', () => {
    const [wagon] = report.computers;
    const told = new Map(wagon?.rows.map((row) => [row.what, row]));
    const counted = (table: string, what: string): void =>
      expect([what, told.get(what)?.rows]).toEqual([what, of('Puppet wagon', table).length]);
    counted('chest', 'chests');
    counted('drawer', 'drawers');
    counted('entry', 'places in drawers');
    counted('tray_entry', 'places on trays');
    counted('naming', 'nicknames, notes and tags');
    counted('choice', 'roles, types and vendors by hand');
    counted('aside', 'set aside');
    counted('face', 'pictures by hand');
    for (const { what, rows, brought, alike, differing } of wagon?.rows ?? [])
      expect([what, brought + alike + differing]).toEqual([what, rows]);
    expect(wagon?.steps).toBe(of('Puppet wagon', 'change').length);
  });
});

it('every plugin and picture of either computer is there', () => {
  for (const table of ['plugin', 'picture'])
    for (const row of rowsIn(old, table)) expect([table, found(table, row.id) !== undefined]).toEqual([table, true]);
  expect(rowsIn(now, 'picture')).toHaveLength(2);
});

it('the plugin whose vendor only one computer knew is one now, with the places that it had on each', async () => {
  const [known, unknown] = [pluginOf('Music room', 'Copper EQ'), pluginOf('Puppet wagon', 'Copper EQ')];
  expect(known).not.toBe(unknown);
  await source.transaction((db) => regroupOnce(db, asId<ComputerId>(idOf('Music room'))));
  const after = await dumped(source);
  expect(rowsIn(after, 'build').filter((row) => row.pluginId === known)).toHaveLength(2);
  expect(rowsIn(after, 'build').filter((row) => row.pluginId === unknown)).toEqual([]);
  for (const table of ['entry', 'tray_entry', 'slot'])
    expect([table, rowsIn(after, table).filter((row) => row.pluginId === unknown)]).toEqual([table, []]);
  const drawers = rowsIn(after, 'entry')
    .filter((row) => row.pluginId === known)
    .map((row) => row.drawerId);
  expect(drawers.sort()).toEqual(
    rowsIn(old, 'drawer')
      .filter((row) => row.name === 'Space')
      .map((row) => row.id)
      .sort(),
  );
  // Role and vendor put right on the second computer: what the first left open is filled, what differs stays with the old id.
  expect(rowsIn(after, 'choice').find((row) => row.id === known)).toMatchObject({
    role: 'audio-effect',
    vendor: 'Rookery',
  });
  expect(rowsIn(after, 'studio')[0]).toMatchObject({ regroups: false });
});

it('ids that clash are made anew, and everything that names them follows', () => {
  const rows = (more: Record<string, OldRow[]>): OldComputer['tables'] => more;
  const drawer = { id: 'd', chestId: 'c', parentId: null, name: 'Space', order: 'a0', rule: null, sort: null };
  const tables = rows({
    chest: [{ id: 'c', name: 'Everyday', order: 'a0', slots: null }],
    drawer: [{ ...drawer, id: 'inner', parentId: 'd' }, drawer],
    entry: [{ id: 'd/p', drawerId: 'd', pluginId: 'p', order: 'a0', name: null }],
    divider: [{ id: 'line', drawerId: 'inner', label: '', order: 'a0' }],
  });
  let made = 0;
  const { united } = unite(
    [
      { id: '1', name: 'One', tables },
      { id: '2', name: 'Two', tables },
    ],
    { pluginName: (id) => id, buildKey: () => undefined },
    () => `new${String(++made)}`,
  );
  const { chest = [], drawer: drawers = [], entry = [], divider = [] } = united.studio;
  expect(chest.map((row) => [row.id, row.name])).toEqual([
    ['c', 'Everyday'],
    ['new1', 'Everyday (Two)'],
  ]);
  expect(drawers.map((row) => [row.id, row.chestId, row.parentId])).toEqual([
    ['d', 'c', null],
    ['inner', 'c', 'd'],
    ['new2', 'new1', null],
    ['new3', 'new1', 'new2'],
  ]);
  expect(entry.map((row) => [row.id, row.drawerId])).toEqual([
    ['d/p', 'd'],
    ['new2/p', 'new2'],
  ]);
  expect(divider.map((row) => row.drawerId)).toEqual(['inner', 'new3']);
});
