/** Two computers of one studio: what each says and has, and what the other has of it. */
import { randomUUID } from 'node:crypto';
import { mkdir, rm, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import type {
  ArrangementView,
  CatalogueView,
  PluginDetail,
  ProblemDetails,
  SavedChange,
} from '@clever-drawer/contract/responses';
import {
  api,
  arrangement,
  catalogue,
  change,
  computer,
  ended,
  get,
  lv2,
  plugins,
  post,
  installPlugin,
  scan,
  useStudio,
} from './support/studio';

useStudio();

const EQ = 'tollgatesound/copper' + 'eq';
let wagon: string;
let wagonPlugins: string;
const at = <T>(path: string): Promise<T> => get<T>(`/computers/${wagon}${path}`);
const changeThere = (intent: object) =>
  post<SavedChange & ProblemDetails>(`/computers/${wagon}/changes`, { intents: [intent] });
const scanThere = async (wish: object = {}) =>
  ended((await post<{ id: string }>(`/computers/${wagon}/scans`, wish)).body.id);
const putThere = async (place: string, manifest: string): Promise<void> => {
  await mkdir(join(wagonPlugins, `${place}.lv2`), { recursive: true });
  await writeFile(join(wagonPlugins, `${place}.lv2`, 'manifest.ttl'), manifest);
};
const named = async (name: string) => (await catalogue()).plugins.find((plugin) => plugin.name === name);

beforeEach(async () => {
  await scan();
  wagon = (await post<{ id: string }>('/computers', { name: 'Puppet wagon', system: 'linux' })).body.id;
  wagonPlugins = join(api.folder, randomUUID());
  await mkdir(wagonPlugins);
  await post(`/computers/${wagon}/folders`, { path: wagonPlugins });
});

async function drawerWith(pluginIds: readonly string[]): Promise<string> {
  const [chestId, id] = [randomUUID(), randomUUID()];
  await change({ kind: 'make-chest', id: chestId, name: 'Everyday', slots: null });
  await change({ kind: 'make-drawer', id, chestId, parentId: null, name: 'Space', rule: null, pluginIds });
  return id;
}

it('a plugin whose vendor is known on one of them only is one, under the id that it had', async () => {
  await putThere('eq', lv2('Copper EQ', 'EQPlugin').replace(/ ; doap:maintainer \[[^\]]*\]/, ''));
  await putThere('drum', lv2('Barn Drum', 'InstrumentPlugin'));
  await scanThere();
  const there = await at<CatalogueView>('/catalogue');
  expect(there.plugins.map((plugin) => [plugin.name, plugin.vendor, plugin.builds.length])).toEqual([
    ['Barn Drum', 'Tollgate Sound', 1],
    ['Copper EQ', 'Tollgate Sound', 1],
    // The studio has these, and this computer lacks them.
    ['Toybox Piano', 'Tollgate Sound', 0],
    ['Vestry Plate', 'Tollgate Sound', 0],
  ]);
  expect((await named('Copper EQ'))?.id).toBe(EQ);
  expect((await named('Barn Drum'))?.builds).toEqual([]);
  const detail = await get<PluginDetail>(
    `/computers/${computer}/plugins/${encodeURIComponent('tollgatesound/barndrum')}`,
  );
  expect([detail.builds, detail.elsewhere, detail.role]).toEqual([[], ['Puppet wagon'], 'instrument']);
});

it('is found nowhere only what neither of them has', async () => {
  await putThere('eq', lv2('Copper EQ', 'EQPlugin'));
  await putThere('drum', lv2('Barn Drum', 'InstrumentPlugin'));
  await scanThere();
  const nowhere = () => get<string[]>(`/computers/${computer}/found-nowhere`);
  expect(await nowhere()).toEqual([]);
  for (const place of ['eq', 'drum']) await rm(join(wagonPlugins, `${place}.lv2`), { recursive: true });
  await scanThere();
  // The other computer still has its own Copper EQ.
  expect(await nowhere()).toEqual(['tollgatesound/barndrum']);
  expect(await at<string[]>('/found-nowhere')).toEqual(['tollgatesound/barndrum']);
});

it('what was said of a plugin that turns out to be another one goes along with its builds', async () => {
  await putThere('tilt', lv2('Copper Tilt (Mono)', 'EQPlugin'));
  await scanThere();
  const tilt = (await named('Copper Tilt (Mono)'))?.id ?? '';
  const drawer = await drawerWith([tilt]);
  await change({ kind: 'name-plugins', pluginIds: [tilt], naming: { nickname: 'the wagon’s', addTags: ['old'] } });
  await changeThere({ kind: 'tray-on', tray: 3, pluginIds: [tilt] });
  const build = (await at<CatalogueView>('/catalogue')).plugins.find((plugin) => plugin.id === tilt)?.builds[0]?.id;
  await changeThere({ kind: 'prefer-build', pluginId: tilt, buildId: build });
  const before = (await arrangement()).revision;
  // The maker corrects the name: it is the mono build of a plugin that the other computer has.
  const corrected = lv2('Copper Tilt (Mono)', 'EQPlugin').replace('"Copper Tilt (Mono)"', '"Copper EQ (Mono)"');
  await putThere('tilt', corrected);
  await scanThere({ again: true });
  const after = await arrangement();
  expect(after.entry).toEqual([expect.objectContaining({ drawerId: drawer, pluginId: EQ })]);
  expect(after.trayEntry).toEqual([expect.objectContaining({ tray: 3, pluginId: EQ })]);
  expect(after.naming).toEqual([expect.objectContaining({ id: EQ, nickname: 'the wagon’s', tags: ['old'] })]);
  expect((await at<ArrangementView>('/arrangement')).preferredBuild).toEqual([{ id: EQ, buildId: build }]);
  expect(after.revision).toBeGreaterThan(before);
  expect(await named('Copper Tilt (Mono)')).toBeUndefined();
  // Undo of what is no longer so says that it can't be done, and does nothing.
  expect((await post(`/computers/${computer}/undo`)).status).toBe(409);
});

it('plugins that become one by the name of a vendor take their places along, and undo parts them under their own ids', async () => {
  await installPlugin('mono', 'EQPlugin');
  await writeFile(
    join(plugins, 'mono.lv2', 'manifest.ttl'),
    lv2('Copper EQ (Mono)', 'EQPlugin').replace('Tollgate Sound', 'Rook Works'),
  );
  await scan();
  const rook = (await catalogue()).plugins.find((plugin) => plugin.vendor === 'Rook Works')?.id ?? '';
  expect(rook).toBe('rookworks/copper' + 'eq');
  await drawerWith([rook]);
  const places = async () => (await arrangement()).entry.map((entry) => entry.pluginId);
  await change({ kind: 'name-vendor', spellings: ['Rook Works'], name: 'Tollgate Sound', apart: false });
  expect(await places()).toEqual([EQ]);
  expect((await named('Copper EQ'))?.builds).toHaveLength(2);
  await post(`/computers/${computer}/undo`);
  expect(await places()).toEqual([rook]);
  expect((await catalogue()).plugins.find((plugin) => plugin.id === rook)?.builds).toHaveLength(1);
  await post(`/computers/${computer}/redo`);
  expect(await places()).toEqual([EQ]);
  expect((await named('Copper EQ'))?.builds).toHaveLength(2);
});

it('undo takes back the last step of its own computer, and says which step elsewhere is in the way', async () => {
  const drawer = await drawerWith([]);
  const rename = (name: string) => ({ kind: 'rename-drawer', id: drawer, name });
  await change(rename('Room'));
  const { steps } = (await changeThere({ kind: 'name-tray', tray: 2, name: 'Goose' })).body;
  expect([steps.undo?.label, steps.redo]).toEqual(['name tray 2 Goose', null]);
  // Its own step is undone, and not the newer one of the other computer.
  expect((await post<SavedChange>(`/computers/${computer}/undo`)).body.label).toContain('Room');
  await post(`/computers/${computer}/redo`);
  await changeThere(rename('Cave'));
  const refused = await post<ProblemDetails>(`/computers/${computer}/undo`);
  expect([refused.status, refused.body.detail]).toEqual([
    409,
    expect.stringMatching(/because what it touched has been changed since: “.*Cave.*” at Puppet wagon\.$/),
  ]);
  // A drawer is not taken away under what the other computer filed into it.
  await post(`/computers/${wagon}/undo`);
  await post(`/computers/${computer}/undo`);
  await changeThere({ kind: 'file', drawerIds: [drawer], pluginIds: [EQ] });
  const kept = await post<ProblemDetails>(`/computers/${computer}/undo`);
  expect([kept.status, kept.body.detail]).toEqual([409, expect.stringContaining('at Puppet wagon')]);
  const { entries } = await get<{ entries: { computer: string }[] }>(`/computers/${computer}/journal`);
  expect(entries[0]?.computer).toBe('Puppet wagon');
});

it('there is nothing to tell of where one arrangement was all there was', async () => {
  expect(await get('/union')).toEqual({ report: null });
});

it('each has its own rule, last look, preferred builds and counts of loads', async () => {
  await change({ kind: 'prefer-builds', preference: { criteria: ['format'], formats: ['LV2'] } });
  await change({ kind: 'look', at: '2026-11-01T10:00:00.000Z' });
  const there = await at<ArrangementView>('/arrangement');
  expect([there.preference, there.look, there.preferredBuild]).toEqual([[], [], []]);
  await changeThere({ kind: 'look', at: '2026-11-02T10:00:00.000Z' });
  expect((await arrangement()).look).toEqual([{ id: 'last', at: '2026-11-01T10:00:00.000Z' }]);
  const lane = randomUUID();
  await change({
    kind: 'make-session',
    id: randomUUID(),
    name: 'Scene',
    lanes: [{ id: lane, kind: 'audio', name: 'Goose', inserts: 1 }],
  });
  await post(`/computers/${computer}/loads`, { slotId: `${lane}/1`, pluginId: EQ, way: 'typing', milliseconds: 900 });
  expect((await named('Copper EQ'))?.loads).toBe(1);
  expect((await at<CatalogueView>('/catalogue')).plugins.find((plugin) => plugin.id === EQ)?.loads).toBe(0);
  expect((await at<ArrangementView>('/arrangement')).slot.map((slot) => slot.pluginId)).toEqual([EQ]);
});
