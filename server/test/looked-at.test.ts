/** What scans looked at and left out is listed; a build that links lead to belongs to several folders. */
import { mkdir, rm, symlink, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { FolderView, LeftOutView, ScanView } from '@clever-drawer/contract/responses';
import { api, catalogue, computer, ended, get, plugins, post, scan, useStudio } from './support/studio';

useStudio();

const folders = () => get<FolderView[]>(`/computers/${computer}/folders`);
const leftOut = () => get<LeftOutView>(`/computers/${computer}/left-out`);

/** A second folder with links to what is in the first. */
async function linkedFolder(): Promise<string> {
  const linked = join(api.folder, 'linked');
  await rm(linked, { recursive: true, force: true });
  await mkdir(linked);
  for (const name of ['Copper EQ', 'Toybox Piano', 'Vestry Plate'])
    await symlink(join(plugins, `${name}.lv2`), join(linked, `${name}.lv2`));
  await post(`/computers/${computer}/folders`, { path: linked });
  return linked;
}
async function scanOnly(path: string) {
  const folder = (await folders()).find((one) => one.path === path);
  const { body } = await post<ScanView>(`/computers/${computer}/scans`, { folderIds: [folder?.id ?? ''] });
  return (await ended(body.id)).outcome;
}

it('scanning a linked folder, the other, or all tells the same, and the folder list tells what they share', async () => {
  await scan();
  const linked = await linkedFolder();
  const nothing = { arrived: 0, changed: 0, vanished: 0, returned: 0 };
  expect(await scanOnly(linked)).toMatchObject({ ...nothing, builds: 3 });
  expect(await scanOnly(plugins)).toMatchObject({ ...nothing, builds: 3 });
  expect((await scan()).outcome).toMatchObject({ ...nothing, builds: 3, unchanged: 3 });
  expect((await folders()).map(({ path, builds, also }) => ({ path, builds, also }))).toEqual([
    { path: plugins, builds: 3, also: [{ path: linked, builds: 3 }] },
    { path: linked, builds: 3, also: [{ path: plugins, builds: 3 }] },
  ]);
  expect(await leftOut()).toMatchObject({ lookedAt: 6, counts: [{ reason: 'double', count: 3 }] });
});

it('when the first folder is taken off, its builds stand in the other, and none is new or gone', async () => {
  await scan();
  const linked = await linkedFolder();
  await scan();
  const first = (await folders()).find((one) => one.path === plugins);
  await api.call('DELETE', `/computers/${computer}/folders/${first?.id ?? ''}`);
  expect((await scan()).outcome).toMatchObject({ arrived: 0, vanished: 0, changed: 3, builds: 3 });
  expect((await folders()).map(({ path, builds, also }) => ({ path, builds, also }))).toEqual([
    { path: linked, builds: 3, also: [] },
  ]);
  expect((await catalogue()).plugins.every((plugin) => plugin.found)).toBe(true);
});

it('libraries that are no plugins are listed with their reason, and go when they are gone', async () => {
  const words = join(plugins, 'words.lv2');
  await mkdir(words);
  await writeFile(join(words, 'manifest.ttl'), '');
  await writeFile(join(plugins, '._Plate.so'), '');
  await scan();
  expect(await leftOut()).toEqual({
    lookedAt: 5,
    counts: [
      { reason: 'data-only', count: 1 },
      { reason: 'side-file', count: 1 },
    ],
    list: [
      { path: join(plugins, '._Plate.so'), reason: 'side-file', of: null },
      { path: words, reason: 'data-only', of: null },
    ],
  });
  await rm(words, { recursive: true });
  await rm(join(plugins, '._Plate.so'));
  expect((await scan()).outcome).toMatchObject({ unchanged: 3, vanished: 0 });
  expect(await leftOut()).toEqual({ lookedAt: 3, counts: [], list: [] });
});

it('a folder that is not there, and a file, are told when they are added', async () => {
  const missing = join(api.folder, 'nowhere');
  const file = join(plugins, 'Copper EQ.lv2', 'manifest.ttl');
  expect(await api.call('POST', `/computers/${computer}/folders`, { path: missing })).toMatchObject({
    status: 422,
    body: {
      detail: `There is no folder ${missing} on this computer. Check the spelling, or connect the disk that it is on first.`,
    },
  });
  expect(await api.call('POST', `/computers/${computer}/folders`, { path: file })).toMatchObject({
    status: 422,
    body: { detail: `${file} is a file. Add the folder that holds it.` },
  });
});
