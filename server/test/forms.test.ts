/** Every form of the database leaves one behind: a studio of two computers, as a server of that form had written it. */
import { writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { openDatabase } from '../src/database/data-source';
import { MIGRATIONS } from '../src/database/migrations/migrations';
import { startApi, type Api } from './support/api';
import { dumped, FORMS, readForm, recorded, restore } from './support/forms';
import { fillTwoComputers } from './support/two-computers';

// The first form of which one was kept.
const FIRST = 'PresetsInBanks1768000000000';

let api: Api;
beforeAll(async () => {
  api = await startApi();
}, 60_000);
afterAll(() => api.stop());

it('something of everything is arranged on two computers', async () => {
  await fillTwoComputers(api);
  const form = await dumped(api.source);
  const empty = Object.entries(form.tables).filter(([, rows]) => rows.length === 0);
  expect(empty).toEqual([]);
  // `LEAVE_FORM=1 npm run jest -- server/test/forms` leaves it behind for later versions.
  if (process.env.LEAVE_FORM !== undefined)
    await writeFile(join(FORMS, `${form.form}.json`), `${JSON.stringify(form, null, 1)}\n`);
});

it('a database of each form is brought up to today’s, with what was arranged in it', async () => {
  for (const name of await recorded()) {
    await api.source.query(`CREATE DATABASE "${name}"`);
    const url = new URL(api.databaseUrl);
    url.pathname = `/${name}`;
    const form = await readForm(name);
    await restore(url.href, form);
    const source = await openDatabase(url.href);
    const now = await dumped(source);
    await source.destroy();
    expect(now.form).toBe(MIGRATIONS.at(-1)?.name);
    for (const table of ['chest', 'drawer', 'entry', 'divider', 'build', 'picture'])
      expect([name, table, now.tables[table]?.length]).toEqual([name, table, form.tables[table]?.length]);
  }
});

it('a database of each form is on record', async () => {
  const names = MIGRATIONS.map((migration) => migration.name);
  expect(await recorded()).toEqual(names.slice(names.indexOf(FIRST)).sort());
});
