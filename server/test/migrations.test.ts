import { chmod, mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { DataSource } from 'typeorm';
import { startCluster, type Cluster } from '../src/database/cluster';
import { openDatabase } from '../src/database/data-source';
import { MIGRATIONS } from '../src/database/migrations/migrations';

let folder: string;
let cluster: Cluster;

beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'clever-drawer-forms-'));
  // The database's own user must pass through it when the tests run as root.
  await chmod(folder, 0o755);
  cluster = await startCluster(join(folder, 'data'), { throwaway: true });
});
afterAll(async () => {
  await cluster.stop();
  await rm(folder, { recursive: true, force: true });
});

let databases = 0;

/** A new database in the form that it had before the migration of this name, filled by SQL, then brought up to date. */
async function broughtUpFrom(before: string, sql: readonly string[]): Promise<DataSource> {
  const at = MIGRATIONS.findIndex((migration) => migration.name.startsWith(before));
  expect(at).toBeGreaterThan(0);
  const url = new URL(cluster.url);
  const admin = await new DataSource({ type: 'postgres', url: url.href }).initialize();
  url.pathname = `/form_${String((databases += 1))}`;
  await admin.query(`CREATE DATABASE ${url.pathname.slice(1)}`);
  await admin.destroy();
  const old = new DataSource({ type: 'postgres', url: url.href, migrations: MIGRATIONS.slice(0, at) });
  await old.initialize();
  await old.runMigrations({ transaction: 'each' });
  for (const statement of sql) await old.query(statement);
  await old.destroy();
  return openDatabase(url.href);
}

it('presets that were kept by name have keys from the last scan, and places with presets are read anew', async () => {
  const computer = '11111111-1111-4111-8111-111111111111';
  const facts = (more: object) => JSON.stringify({ format: 'LV2', name: 'Plate', ...more });
  const reading = JSON.stringify({
    builds: [{ format: 'LV2', identifier: 'urn:p', name: 'Plate', presetNames: [] }],
    faults: [],
    presets: [
      { appliesTo: 'urn:p', key: 'urn:p#2', name: 'Stage' },
      { appliesTo: 'urn:p', key: 'urn:p#1', name: 'Gentle' },
      { appliesTo: 'urn:other', key: 'urn:o#1', name: 'Loud' },
    ],
  });
  const source = await broughtUpFrom('PresetsInBanks', [
    `INSERT INTO computer (id, name, system) VALUES ('${computer}', 'Music room', 'linux')`,
    `INSERT INTO plugin ("computerId", id, name, types) VALUES ('${computer}', 'p', 'Plate', '[]')`,
    `INSERT INTO build (id, "computerId", "pluginId", found, facts) VALUES
       (gen_random_uuid(), '${computer}', 'p', true, '${facts({ identifier: 'urn:p', presets: 2, presetNames: ['Gentle', 'Stage'] })}'),
       (gen_random_uuid(), '${computer}', 'p', true, '${facts({ identifier: null, presets: null, presetNames: [] })}')`,
    `INSERT INTO place ("computerId", path, stamp, reading) VALUES
       ('${computer}', '/a.lv2', '["1"]', '${reading}'),
       ('${computer}', '/b.lv2', '["1"]', '{"builds": [], "faults": []}'),
       ('${computer}', '/gone', '[]', '{"builds": [], "faults": []}')`,
  ]);
  const builds = await source.query<{ facts: { presetList: unknown; presetNames?: unknown } }[]>(
    `SELECT facts FROM build ORDER BY facts->>'identifier'`,
  );
  expect(builds.map(({ facts: { presetList, presetNames } }) => [presetList, presetNames])).toEqual([
    [
      [
        { key: 'urn:p#1', name: 'Gentle', bank: null },
        { key: 'urn:p#2', name: 'Stage', bank: null },
      ],
      undefined,
    ],
    [[], undefined],
  ]);
  const places = await source.query<
    { path: string; stamp: string[]; reading: { builds: object[]; presets?: object[] } }[]
  >('SELECT path, stamp, reading FROM place ORDER BY path');
  expect(places.map(({ path, stamp }) => [path, stamp])).toEqual([
    ['/a.lv2', ['presets have banks']],
    ['/b.lv2', ['1']],
    ['/gone', []],
  ]);
  expect(places[0]?.reading).toMatchObject({
    builds: [{ name: 'Plate', presetList: [] }],
    presets: [
      { key: 'urn:p#2', bank: null },
      { key: 'urn:p#1', bank: null },
      { key: 'urn:o#1', bank: null },
    ],
  });
  await source.destroy();
});

it('builds that were found by the first scan of their folder are known by their time of arrival', async () => {
  const [room, wagon] = ['11111111-1111-4111-8111-111111111111', '22222222-2222-4222-8222-222222222222'];
  const build = (computer: string, path: string, arrivedAt: string): string =>
    `INSERT INTO build (id, "computerId", "pluginId", found, facts, "arrivedAt")
     VALUES (gen_random_uuid(), '${computer}', 'p', true, '{"path": "${path}"}', '${arrivedAt}')`;
  const source = await broughtUpFrom('ArrivedWithFolder', [
    `INSERT INTO computer (id, name, system) VALUES ('${room}', 'Music room', 'linux'), ('${wagon}', 'Wagon', 'linux')`,
    `INSERT INTO folder (id, "computerId", path) VALUES (gen_random_uuid(), '${room}', '/one'), (gen_random_uuid(), '${room}', '/two')`,
    `INSERT INTO plugin (id, name, types) VALUES ('p', 'Plate', '[]')`,
    build(room, '/one/a.lv2', '2026-10-01'),
    build(room, '/one/b.lv2', '2026-10-03'),
    build(room, '/two/c.lv2', '2026-10-04'),
    build(room, '/two/d.lv2', '2026-10-05'),
    build(room, '/two-more/e.lv2', '2026-10-06'),
    build(wagon, '/one/f.lv2', '2026-11-01'),
    build(wagon, '/one/g.lv2', '2026-11-02'),
  ]);
  const rows = await source.query<{ path: string }[]>(
    `SELECT facts->>'path' AS path FROM build WHERE "arrivedWithFolder" ORDER BY 1`,
  );
  expect(rows.map(({ path }) => path)).toEqual(['/one/a.lv2', '/one/f.lv2', '/two/c.lv2']);
  await source.destroy();
});

it('plugin folders keep their switches and times when they become steps of undo', async () => {
  const room = '11111111-1111-4111-8111-111111111111';
  const source = await broughtUpFrom('UndoableFolders', [
    `INSERT INTO computer (id, name, system) VALUES ('${room}', 'Music room', 'linux')`,
    `INSERT INTO folder (id, "computerId", path, "addedAt", asks) VALUES ('33333333-3333-4333-8333-333333333333', '${room}', '/one', '2026-10-01T12:00:00.250Z', false)`,
  ]);
  expect(await source.query('SELECT * FROM folder')).toEqual([
    {
      id: '33333333-3333-4333-8333-333333333333',
      computerId: room,
      path: '/one',
      addedAt: '2026-10-01T12:00:00.250Z',
      asks: false,
      watches: true,
    },
  ]);
  await source.destroy();
});
