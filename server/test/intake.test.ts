import { randomUUID } from 'node:crypto';
import { mkdir, rename, rm, writeFile } from 'node:fs/promises';
import { homedir } from 'node:os';
import { dirname, join } from 'node:path';
import type {
  DirectoryView,
  FolderView,
  PluginDetail,
  ProblemDetails,
  ProblemsView,
  ScanStory,
  ScanView,
} from '@clever-drawer/contract/responses';
import {
  api,
  arrangement,
  catalogue,
  change,
  computer,
  ended,
  get,
  holdScans,
  lv2,
  plugins,
  post,
  installPlugin,
  scan,
  useStudio,
} from './support/studio';

useStudio();

describe('intake', () => {
  it('proposes folders, scans them, and tells what arrived', async () => {
    expect(await get(`/computers/${computer}/proposed-folders`)).toEqual([{ path: '/usr/lib/lv2', formats: ['LV2'] }]);
    expect(await scan()).toMatchObject({
      state: 'done',
      outcome: { plugins: 3, builds: 3, arrived: 3, changed: 0, vanished: 0 },
      problems: 0,
    });
    expect((await catalogue()).plugins.map((plugin) => [plugin.name, plugin.role])).toEqual([
      ['Copper EQ', 'audio-effect'],
      ['Toybox Piano', 'instrument'],
      ['Vestry Plate', 'audio-effect'],
    ]);
    expect(
      await get<PluginDetail>(
        `/computers/${computer}/plugins/${encodeURIComponent('tollgatesound/copperEq'.toLowerCase())}`,
      ),
    ).toMatchObject({ builds: [{ declaredTypes: ['EQPlugin'], sources: { name: 'manifest' } }] });
  });

  it('lists the folders in a folder by name, and nothing of files or of what the system makes up', async () => {
    const directories = (path?: string): Promise<{ status: number; body: DirectoryView & ProblemDetails }> =>
      api.call(
        'GET',
        `/computers/${computer}/directories${path === undefined ? '' : `?path=${encodeURIComponent(path)}`}`,
      );
    await writeFile(join(plugins, 'note.txt'), 'not a folder');
    expect((await directories(plugins)).body).toEqual({
      path: plugins,
      parent: dirname(plugins),
      isPartial: false,
      names: ['Copper EQ.lv2', 'Toybox Piano.lv2', 'Vestry Plate.lv2'],
      more: 0,
    });
    expect((await directories()).body.path).toBe(homedir());
    expect((await directories('/')).body.parent).toBeNull();
    for (const [path, status, words] of [
      [join(plugins, 'note.txt'), 422, 'is a file'],
      [join(plugins, 'nothing'), 422, 'There is no folder'],
      ['/proc/1', 422, 'belongs to the system'],
      ['plugins', 400, 'not a full path'],
    ] as const) {
      const refused = await directories(path);
      expect([path, refused.status, refused.body.detail]).toEqual([path, status, expect.stringContaining(words)]);
    }
  });

  it('keeps a vanished plugin and its places, marked as not found, until it is back at another path', async () => {
    await scan();
    const chestId = randomUUID();
    const id = randomUUID();
    await change({ kind: 'make-chest', id: chestId, name: 'Everyday', slots: null });
    await change({
      kind: 'make-drawer',
      id,
      chestId,
      parentId: null,
      name: 'Space',
      rule: null,
      pluginIds: ['tollgatesound/vestryplate'],
    });
    await rm(join(plugins, 'Vestry Plate.lv2'), { recursive: true });
    expect((await scan()).outcome).toMatchObject({ vanished: 1, plugins: 2 });
    expect((await catalogue()).plugins.find((plugin) => plugin.name === 'Vestry Plate')).toMatchObject({
      found: false,
    });
    expect((await arrangement()).entry).toHaveLength(1);
    await installPlugin('sub/Vestry Plate', 'ReverbPlugin');
    await writeFile(join(plugins, 'sub/Vestry Plate.lv2/manifest.ttl'), lv2('Vestry Plate', 'ReverbPlugin'));
    expect((await scan()).outcome).toMatchObject({ returned: 1, arrived: 0, plugins: 3 });
    expect((await arrangement()).entry.map((entry) => entry.pluginId)).toEqual(['tollgatesound/vestryplate']);
  });

  it('queues a second scan, keeps what was read on cancel, and does not begin one that was cancelled while it waited', async () => {
    let go = (): void => undefined;
    holdScans(new Promise((done) => (go = done)));
    const begin = async () => (await post<ScanView>(`/computers/${computer}/scans`)).body;
    const first = await begin();
    const [second, third] = [await begin(), await begin()];
    expect(await get(`/scans/${second.id}`)).toMatchObject({ state: 'waiting' });
    await post(`/scans/${third.id}/cancel`);
    expect(await get(`/scans/${third.id}`)).toMatchObject({ state: 'cancelled', outcome: null });
    await post(`/scans/${first.id}/cancel`);
    // The running scan learns of it when it next signs on.
    await new Promise((done) => setTimeout(done, 600));
    go();
    holdScans(null);
    expect((await ended(first.id)).state).toBe('cancelled');
    expect((await ended(second.id)).state).toBe('done');
    expect((await ended(third.id)).outcome).toBeNull();
  });

  it('a rescan reads only what has changed, and tells which facts of it did', async () => {
    await scan();
    expect((await scan()).outcome).toMatchObject({ unchanged: 3, changed: 0, arrived: 0 });
    await installPlugin('Copper EQ', 'CompressorPlugin');
    const again = await scan();
    expect(again.outcome).toMatchObject({ unchanged: 2, changed: 1 });
    expect(await get<ScanStory>(`/scans/${again.id}/story`)).toMatchObject([
      {
        kind: 'changed',
        name: 'Copper EQ',
        facts: [{ fact: 'declaredTypes', before: 'EQPlugin', after: 'CompressorPlugin' }],
      },
    ]);
    expect((await scan({ again: true })).outcome).toMatchObject({ unchanged: 0, changed: 0 });
  });

  it('problems stand until they are gone, whichever scan met them; failing and recovering is told once', async () => {
    await scan();
    const file = join(plugins, 'Copper EQ.lv2', 'manifest.ttl');
    await writeFile(file, 'this is no Turtle');
    const failed = await scan();
    expect(failed.outcome).toMatchObject({ failed: 1, vanished: 1 });
    expect((await scan()).outcome).toMatchObject({ failed: 0, unchanged: 3 });
    expect(await get<ProblemsView>(`/computers/${computer}/problems`)).toMatchObject({
      total: 1,
      list: [{ code: 'turtle-broken', path: file }],
    });
    await installPlugin('Copper EQ', 'EQPlugin');
    // "Try again" names the file that was at fault; its bundle is what is read.
    expect((await scan({ paths: [file], again: true })).outcome).toMatchObject({ recovered: 1, returned: 1 });
    expect(await get(`/computers/${computer}/problems`)).toEqual({ total: 0, list: [] });
  });

  it('scans a single place, and only below its folders', async () => {
    await scan();
    await installPlugin('Hall', 'ReverbPlugin');
    await installPlugin('Room', 'ReverbPlugin');
    const one = await scan({ paths: [join(plugins, 'Hall.lv2')] });
    expect(one.outcome).toMatchObject({ arrived: 1, builds: 4, vanished: 0 });
    expect((await post<ProblemDetails>(`/computers/${computer}/scans`, { paths: ['/etc'] })).body.detail).toContain(
      'in none of the plugin folders',
    );
    await rm(join(plugins, 'Hall.lv2'), { recursive: true });
    expect((await scan({ paths: [join(plugins, 'Hall.lv2')] })).outcome).toMatchObject({ vanished: 1, failed: 0 });
  });

  it('a folder that can not be read takes nothing with it; one taken off the list does with the next scan of everything', async () => {
    await scan();
    const other = join(api.folder, randomUUID());
    await mkdir(other);
    await post(`/computers/${computer}/folders`, { path: other });
    await rm(other, { recursive: true });
    expect((await scan()).outcome).toMatchObject({ failed: 1, vanished: 0 });
    const folders = await get<FolderView[]>(`/computers/${computer}/folders`);
    const path = folders.find((folder) => folder.path === plugins);
    await rename(plugins, `${plugins}-unplugged`);
    expect((await scan()).outcome).toMatchObject({ vanished: 0, failed: 1 });
    await rename(`${plugins}-unplugged`, plugins);
    await api.call('DELETE', `/computers/${computer}/folders/${path?.id ?? ''}`);
    expect((await scan()).outcome).toMatchObject({ vanished: 3, builds: 0 });
  });

  it('learns how facts were learnt, also where none has changed', async () => {
    await scan();
    await api.source.query(`UPDATE build SET facts = facts || '{"sources": {}}'::jsonb WHERE "computerId" = $1`, [
      computer,
    ]);
    await scan({ again: true });
    const [eq] = (await catalogue()).plugins;
    const detail = await get<PluginDetail>(`/computers/${computer}/plugins/${encodeURIComponent(eq?.id ?? '')}`);
    expect(detail.builds[0]?.sources).toMatchObject({ name: 'manifest', types: 'manifest' });
  });

  it('shows pictures and presets that were found on disk, and nothing else of the disk', async () => {
    const id = '00112233445566778899AABBCCDDEEFF';
    const bundle = join(plugins, 'Lamp.vst3', 'Contents');
    for (const folder of ['MacOS', 'Resources/Snapshots']) await mkdir(join(bundle, folder), { recursive: true });
    await writeFile(join(bundle, 'MacOS', 'Lamp'), Buffer.from('cffaedfe07000001030000000800000000000000', 'hex'));
    const info = { Classes: [{ CID: id, Category: 'Audio Module Class', Name: 'Lamp' }] };
    await writeFile(join(bundle, 'Resources', 'moduleinfo.json'), JSON.stringify(info));
    // The signature of a PNG file (W3C Portable Network Graphics, 5.2).
    const picture = Buffer.from('89504e470d0a1a0a', 'hex');
    await writeFile(join(bundle, 'Resources', 'Snapshots', `${id}_snapshot.png`), picture);
    await writeFile(join(plugins, 'Narrator.vstpreset'), `VST3\u0001\0\0\0${id}`);
    await writeFile(join(plugins, 'broken.vstpreset'), 'nothing');
    expect((await scan()).outcome).toMatchObject({ plugins: 4, failed: 1 });
    const lamp = (await catalogue()).plugins.find((plugin) => plugin.name === 'Lamp');
    const detail = await get<PluginDetail>(`/computers/${computer}/plugins/${encodeURIComponent(lamp?.id ?? '')}`);
    expect(detail.builds[0]).toMatchObject({
      presets: 1,
      presetList: [{ key: join(plugins, 'Narrator.vstpreset'), name: 'Narrator', bank: null }],
      sources: { presets: 'preset files', pictures: 'picture files' },
    });
    const address = `${api.url}/api/computers/${computer}/builds/${detail.builds[0]?.id ?? ''}/pictures`;
    const shown = await fetch(`${address}/0`);
    expect([shown.status, shown.headers.get('content-type')]).toEqual([200, 'image/png']);
    expect(Buffer.from(await shown.arrayBuffer())).toEqual(picture);
    for (const other of ['1', '-1', 'x', '..%2F..%2Fmanifest.ttl'])
      expect((await fetch(`${address}/${other}`)).status).toBe(404);
    await rm(join(bundle, 'Resources', 'Snapshots'), { recursive: true });
    expect((await fetch(`${address}/0`)).status).toBe(404);
  });

  it('a preset that arrives in another folder changes the build that it is for', async () => {
    await scan();
    const other = join(api.folder, randomUUID());
    await mkdir(join(other, 'presets.lv2'), { recursive: true });
    await writeFile(
      join(other, 'presets.lv2', 'manifest.ttl'),
      '@prefix lv2: <http://lv2plug.in/ns/lv2core#> . @prefix pset: <http://lv2plug.in/ns/ext/presets#> .\n<urn:p#Giant> a pset:Preset ; lv2:appliesTo <urn:Copper-EQ> .',
    );
    const { body } = await post<{ id: string }>(`/computers/${computer}/folders`, { path: other });
    const only = await scan({ folderIds: [body.id] });
    expect(only.outcome).toMatchObject({ changed: 1, vanished: 0, arrived: 0 });
    expect(await get<ScanStory>(`/scans/${only.id}/story`)).toMatchObject([
      { name: 'Copper EQ', facts: [{ fact: 'presets', before: '0', after: '1' }] },
    ]);
  });

  it('a folder that is put back keeps its switches off', async () => {
    const folders = () => get<FolderView[]>(`/computers/${computer}/folders`);
    const [folder] = await folders();
    await api.call('DELETE', `/computers/${computer}/folders/${folder?.id ?? ''}`);
    await post(`/computers/${computer}/folders`, { path: plugins, asks: false, watches: false });
    expect((await folders()).map(({ path, asks, watches }) => [path, asks, watches])).toEqual([
      [plugins, false, false],
    ]);
  });

  it('turns the switches of a folder', async () => {
    const [folder] = await get<FolderView[]>(`/computers/${computer}/folders`);
    expect(folder).toMatchObject({ asks: true, watches: true });
    const address = `/computers/${computer}/folders/${folder?.id ?? ''}`;
    expect((await api.call('PATCH', address, { asks: false })).status).toBe(200);
    expect(await get(`/computers/${computer}/folders`)).toMatchObject([{ asks: false, watches: true }]);
    expect((await api.call('PATCH', `/computers/${computer}/folders/${randomUUID()}`, {})).status).toBe(404);
  });

  it('adding, switching and removing a folder are steps of undo, with all that the folder holds', async () => {
    const folders = () => get<FolderView[]>(`/computers/${computer}/folders`);
    await scan();
    const address = `/computers/${computer}/folders/${(await folders())[0]?.id ?? ''}`;
    await api.call('PATCH', address, { asks: false });
    const before = await folders();
    expect(before).toMatchObject([{ asks: false, watches: true, builds: before[0]?.builds }]);
    expect(before[0]?.lastScannedAt).not.toBeNull();
    await api.call('DELETE', address, undefined);
    expect(await folders()).toEqual([]);
    expect(await post(`/computers/${computer}/undo`, {})).toMatchObject({
      body: { act: 'undone', label: `remove the folder ${before[0]?.path ?? ''}` },
    });
    expect(await folders()).toEqual(before);
    await post(`/computers/${computer}/undo`, {});
    expect(await folders()).toMatchObject([{ asks: true }]);
    await post(`/computers/${computer}/undo`, {});
    expect(await folders()).toEqual([]);
    for (const _ of [1, 2]) await post(`/computers/${computer}/redo`, {});
    expect(await folders()).toEqual(before);
  });

  it('a folder that is not there any more says that it is not watched', async () => {
    const path = join(api.folder, randomUUID());
    await mkdir(path);
    const { body } = await post<{ id: string }>(`/computers/${computer}/folders`, { path });
    const told = async () =>
      (await get<FolderView[]>(`/computers/${computer}/folders`)).find((one) => one.id === body.id)?.notWatched;
    expect(await told()).toBeNull();
    await rm(path, { recursive: true });
    const address = `/computers/${computer}/folders/${body.id}`;
    for (const watches of [false, true]) expect((await api.call('PATCH', address, { watches })).status).toBe(200);
    expect(await told()).toBe('missing');
  });

  it('a scan whose process was killed counts as interrupted, and the catalogue is as before', async () => {
    const id = randomUUID();
    await api.source.query(
      `INSERT INTO scan (id, "computerId", state, folders, progress, "heartbeatAt") VALUES ($1, $2, 'running', '[]', '{"found":9,"read":1,"current":null}', now() - interval '1 minute')`,
      [id, computer],
    );
    expect(await get<ScanView>(`/scans/${id}`)).toMatchObject({ state: 'interrupted', outcome: null });
    expect((await scan()).state).toBe('done');
  });
});
