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

/** A database in the form that it had before the migration of this name, filled by SQL, then brought up to date. */
async function broughtUpFrom(before: string, sql: readonly string[]): Promise<DataSource> {
  const at = MIGRATIONS.findIndex((migration) => migration.name.startsWith(before));
  expect(at).toBeGreaterThan(0);
  const old = new DataSource({ type: 'postgres', url: cluster.url, migrations: MIGRATIONS.slice(0, at) });
  await old.initialize();
  await old.runMigrations({ transaction: 'each' });
  for (const statement of sql) await old.query(statement);
  await old.destroy();
  return openDatabase(cluster.url);
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
