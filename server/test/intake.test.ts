import { randomUUID } from 'node:crypto';
import { rename, rm, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import type {
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
  put,
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

  it('keeps a vanished plugin and its places, marked as not found, until it is back at another path', async () => {
    await scan();
    const chestId = randomUUID();
    const id = randomUUID();
    await change({ kind: 'make-chest', id: chestId, name: 'Everyday' });
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
    await put('sub/Vestry Plate', 'ReverbPlugin');
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
    await put('Copper EQ', 'CompressorPlugin');
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
    expect(await get<ProblemsView>(`/computers/${computer}/problems`)).toMatchObject([
      { code: 'turtle-broken', path: file },
    ]);
    await put('Copper EQ', 'EQPlugin');
    // "Try again" names the file that was at fault; its bundle is what is read.
    expect((await scan({ paths: [file], again: true })).outcome).toMatchObject({ recovered: 1, returned: 1 });
    expect(await get(`/computers/${computer}/problems`)).toEqual([]);
  });

  it('scans a single place, and only below its folders', async () => {
    await scan();
    await put('Hall', 'ReverbPlugin');
    await put('Room', 'ReverbPlugin');
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
    await post(`/computers/${computer}/folders`, { path: other });
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
    await scan();
    const [eq] = (await catalogue()).plugins;
    const detail = await get<PluginDetail>(`/computers/${computer}/plugins/${encodeURIComponent(eq?.id ?? '')}`);
    expect(detail.builds[0]?.sources).toMatchObject({ name: 'manifest', types: 'manifest', ports: 'manifest' });
  });

  it('turns the switches of a folder', async () => {
    const [folder] = await get<FolderView[]>(`/computers/${computer}/folders`);
    expect(folder).toMatchObject({ asks: true, watches: true });
    const address = `/computers/${computer}/folders/${folder?.id ?? ''}`;
    expect((await api.call('PATCH', address, { asks: false })).status).toBe(204);
    expect(await get(`/computers/${computer}/folders`)).toMatchObject([{ asks: false, watches: true }]);
    expect((await api.call('PATCH', `/computers/${computer}/folders/${randomUUID()}`, {})).status).toBe(404);
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
