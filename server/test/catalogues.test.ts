/** The catalogue is worked out once for each of its revisions, and never shown as it was. */
import { rm } from 'node:fs/promises';
import { join } from 'node:path';
import { asId, type ComputerId } from '@clever-drawer/core/ids';
import { Catalogues } from '../src/jobs/catalogues';
import { eraseLoads } from '../src/store/load-store';
import { workedCatalogue } from '../src/store/worked-catalogue';
import { api, computer, plugins, installPlugin, scan, useStudio } from './support/studio';

useStudio();

let catalogues: Catalogues;
let times: number;
let fails: Error | null;
beforeEach(async () => {
  times = 0;
  fails = null;
  catalogues = new Catalogues((db, id) => {
    times++;
    const failure = fails;
    fails = null;
    return failure === null ? workedCatalogue(db, id) : Promise.reject(failure);
  });
  await scan();
});
afterEach(() => catalogues.close());

const names = async () =>
  (await catalogues.of(api.source.manager, asId<ComputerId>(computer))).plugins
    .filter((plugin) => plugin.found)
    .map((plugin) => plugin.name);

it('is worked out once however many ask at a time, and anew after a scan that found something', async () => {
  const [first, second] = await Promise.all([names(), names()]);
  expect(first).toEqual(['Copper EQ', 'Toybox Piano', 'Vestry Plate']);
  expect(second).toEqual(first);
  await names();
  expect(times).toBe(1);
  await installPlugin('Ash Delay', 'DelayPlugin');
  await rm(join(plugins, 'Copper EQ.lv2'), { recursive: true });
  await scan();
  expect(await names()).toEqual(['Ash Delay', 'Toybox Piano', 'Vestry Plate']);
});

it('a plugin that nobody has is in it as long as something refers to it, though the catalogue stays as it was', async () => {
  const all = async () =>
    (await catalogues.of(api.source.manager, asId<ComputerId>(computer))).plugins.map((plugin) => plugin.name);
  await api.source.query(`INSERT INTO plugin (id, name, types) VALUES ('nowhere', 'Nowhere Plate', '[]')`);
  expect(await all()).not.toContain('Nowhere Plate');
  await api.source.query(`INSERT INTO tray_entry (id, "pluginId", tray, "order") VALUES ('t', 'nowhere', 1, 'a0')`);
  expect(await all()).toContain('Nowhere Plate');
  await api.source.query(`DELETE FROM tray_entry`);
  expect(await all()).not.toContain('Nowhere Plate');
  expect(times).toBe(1);
});

it('how often each was loaded is as it is now, also after erasing and where a load was taken back', async () => {
  const loads = async () =>
    (await catalogues.of(api.source.manager, asId<ComputerId>(computer))).plugins.map((plugin) => plugin.loads);
  expect(await loads()).toEqual([0, 0, 0]);
  const [{ id }] = await api.source.query<[{ id: string }]>(`SELECT id FROM plugin WHERE name = 'Copper EQ'`);
  await api.source.query(
    `INSERT INTO load (id, "computerId", "pluginId", "slotId", way, milliseconds) VALUES (gen_random_uuid(), $1, $2, 's', 'typing', 1)`,
    [computer, id],
  );
  expect(await loads()).toEqual([1, 0, 0]);
  expect(await loads()).toEqual([1, 0, 0]);
  await api.source.query('UPDATE load SET undone = true');
  // Whatever takes a load back is a step.
  await api.source.query('UPDATE studio SET "arrangementRevision" = "arrangementRevision" + 1');
  expect(await loads()).toEqual([0, 0, 0]);
  await api.source.query('UPDATE load SET undone = false');
  await api.source.query('UPDATE studio SET "arrangementRevision" = "arrangementRevision" + 1');
  expect(await loads()).toEqual([1, 0, 0]);
  await eraseLoads(api.source.manager, null);
  expect(await loads()).toEqual([0, 0, 0]);
});

it('many that ask in transactions do not wait for one that waits for a connection', async () => {
  const asked = Array.from({ length: 40 }, (_, at) =>
    at % 4 === 0 ? names() : api.source.transaction((db) => catalogues.of(db, asId<ComputerId>(computer))),
  );
  await Promise.all(asked);
  expect(await names()).toHaveLength(3);
});

it('a look that failed is not remembered', async () => {
  fails = new Error('the connection was lost');
  await expect(names()).rejects.toThrow('the connection was lost');
  expect(await names()).toHaveLength(3);
});

it('tells names from what is remembered as the database does, and asks that where nothing is', async () => {
  const id = asId<ComputerId>(computer);
  const { plugins: all } = await catalogues.of(api.source.manager, id);
  const named = () => catalogues.namesOf(api.source.manager, id, () => all.map((plugin) => plugin.id));
  const expected = new Map(all.map((plugin) => [plugin.id, plugin.name]));
  expect(new Map([...(await named())].sort())).toEqual(new Map([...expected].sort()));
  // A name that only the table has tells which of both was asked.
  await api.source.query(`UPDATE plugin SET name = 'Another' WHERE id = $1`, [all[0]?.id]);
  expect((await named()).get(all[0]?.id as never)).toBe(all[0]?.name);
  catalogues.close();
  expect((await named()).get(all[0]?.id as never)).toBe('Another');
  await api.source.query('UPDATE studio SET "catalogueRevision" = "catalogueRevision" + 1');
  await catalogues.of(api.source.manager, id);
  expect((await named()).get(all[0]?.id as never)).toBe('Another');
});
