/** Presets of plugins, filed, named and loaded through the interface. */
import { randomUUID } from 'node:crypto';
import { mkdir, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import type {
  ArrangedPluginView,
  DrawerContentsView,
  PresetsView,
  ProblemDetails,
} from '@clever-drawer/contract/responses';
import {
  api,
  arrangement,
  catalogue,
  change,
  computer,
  get,
  lv2,
  plugins,
  post,
  scan,
  useStudio,
} from './support/studio';

useStudio();

const PLATE = 'tollgatesound/vestryplate';
const HALL = `${PLATE}¶/Vocal Hall`;
// LV2 presets extension: a preset is a resource of its own in some bundle, and says to which plugin it applies.
const withPresets = (...names: readonly string[]): string =>
  `@prefix pset: <http://lv2plug.in/ns/ext/presets#> .\n@prefix rdfs: <http://www.w3.org/2000/01/rdf-schema#> .\n${lv2('Vestry Plate', 'ReverbPlugin')}\n${names
    .map(
      (name, at) =>
        `<urn:preset:${String(at)}> a pset:Preset ; lv2:appliesTo <urn:Vestry-Plate> ; rdfs:label ${JSON.stringify(name)} .`,
    )
    .join('\n')}`;
const presets = async (): Promise<(string | null)[][]> =>
  (await get<PresetsView>(`/computers/${computer}/presets`)).presets.map(({ pluginId, bank, name }) => [
    pluginId,
    bank,
    name,
  ]);
const lane = randomUUID();
const load = (pluginId: string) =>
  post<ProblemDetails>(`/computers/${computer}/loads`, {
    slotId: `${lane}/1`,
    pluginId,
    way: 'typing',
    milliseconds: 900,
  });

let drawerId: string;
beforeEach(async () => {
  await mkdir(join(plugins, 'Vestry Plate.lv2'), { recursive: true });
  await writeFile(join(plugins, 'Vestry Plate.lv2', 'manifest.ttl'), withPresets('Vocal Hall', 'Small Room'));
  await scan();
  const chestId = randomUUID();
  drawerId = randomUUID();
  await change({ kind: 'make-chest', id: chestId, name: 'Everyday', slots: null });
  await change({
    kind: 'make-drawer',
    id: drawerId,
    chestId,
    parentId: null,
    name: 'Space',
    rule: null,
    pluginIds: [HALL],
  });
  const lanes = [{ id: lane, kind: 'audio', name: 'Goose', inserts: 1 }];
  await change({ kind: 'make-session', id: randomUUID(), name: 'Scene', lanes });
});

it('are listed for a computer, and stand in drawers under their own names', async () => {
  expect(await presets()).toEqual([
    [PLATE, null, 'Small Room'],
    [PLATE, null, 'Vocal Hall'],
  ]);
  await change({ kind: 'tray-on', tray: 4, pluginIds: [HALL] });
  await change({ kind: 'name-plugins', pluginIds: [HALL], naming: { nickname: 'the cave' } });
  const { lines } = await get<DrawerContentsView>(`/computers/${computer}/drawers/${drawerId}`);
  const preset = { bank: null, name: 'Vocal Hall' };
  expect(lines).toEqual([{ pluginId: PLATE, preset, name: 'the cave', by: 'hand', why: null, found: true }]);
  const plate = (await get<ArrangedPluginView[]>(`/computers/${computer}/plugins`)).find((one) => one.id === PLATE);
  expect(plate?.places).toEqual({ drawers: [], trays: [] });
  expect(plate?.presets).toMatchObject([{ ...preset, title: 'the cave', found: true, places: { trays: [4] } }]);
});

it('keep their places on a computer that lacks them, and when they are gone', async () => {
  const wagon = (await post<{ id: string }>('/computers', { name: 'Puppet wagon', system: 'linux' })).body.id;
  const there = await get<DrawerContentsView>(`/computers/${wagon}/drawers/${drawerId}`);
  expect(there.lines).toMatchObject([{ name: 'Vestry Plate: Vocal Hall', found: false }]);
  await writeFile(join(plugins, 'Vestry Plate.lv2', 'manifest.ttl'), withPresets('Small Room'));
  await scan({ again: true });
  const here = await get<DrawerContentsView>(`/computers/${computer}/drawers/${drawerId}`);
  expect(here.lines).toMatchObject([{ name: 'Vestry Plate: Vocal Hall', found: false }]);
  expect((await arrangement()).entry).toMatchObject([{ pluginId: PLATE, preset: '/Vocal Hall' }]);
});

it('are loaded into slots and counted for their plugins; one that is not there is refused with a remedy', async () => {
  expect((await load(HALL)).status).toBe(201);
  expect((await arrangement()).slot).toMatchObject([{ pluginId: PLATE, preset: '/Vocal Hall' }]);
  expect((await catalogue()).plugins.find((plugin) => plugin.id === PLATE)?.loads).toBe(1);
  expect(await api.source.query('SELECT "pluginId", preset FROM load')).toEqual([
    { pluginId: PLATE, preset: '/Vocal Hall' },
  ]);
  const refused = await load(`${PLATE}¶/No such`);
  expect([refused.status, refused.body.detail]).toEqual([
    422,
    'Vestry Plate: No such was not found by the last scan. Scan its folder in Intake, or load Vestry Plate without it.',
  ]);
  expect((await load('nobody/nothing¶/x')).status).toBe(404);
});

it('more presets than a page can hold are counted', async () => {
  const many = JSON.stringify(
    Array.from({ length: 9000 }, (_, at) => ({ key: `k${String(at)}`, name: `n${String(at)}`, bank: null })),
  );
  await api.source.query(`UPDATE build SET facts = jsonb_set(facts, '{presetList}', $1::jsonb)`, [many]);
  const view = await get<PresetsView>(`/computers/${computer}/presets`);
  expect([view.presets.length, view.leftOut]).toEqual([27_000, 0]);
  const { loadPresets } = await import('../src/store/preset-store');
  const capped = await loadPresets(api.source.manager, computer as never, 1000);
  expect([capped.presets.length, capped.leftOut]).toEqual([1000, 26_000]);
});

it('names as long as they are kept, in any script, find room in a drawer; longer ids are refused in words', async () => {
  const long = `${PLATE}¶${'聲'.repeat(200)}/${'館'.repeat(200)}`;
  expect((await change({ kind: 'file', drawerIds: [drawerId], pluginIds: [long] })).status).toBe(200);
  expect((await change({ kind: 'tray-on', tray: 5, pluginIds: [long] })).status).toBe(200);
  const tooLong = await change({ kind: 'file', drawerIds: [drawerId], pluginIds: [`${PLATE}¶/${'館'.repeat(900)}`] });
  expect([tooLong.status, tooLong.body.detail]).toEqual([400, expect.stringContaining('too long to be kept')]);
});
