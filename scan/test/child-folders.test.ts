import { mkdir, mkdtemp, rm, symlink, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { childFolders, FolderTimeout } from '../src/child-folders';

let folder: string;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'clever-drawer-folders-'));
  for (const name of ['Set 10', 'Set 2', '.hidden', 'Ärmel']) await mkdir(join(folder, name));
  await writeFile(join(folder, 'a file'), '');
  await symlink(join(folder, 'Set 2'), join(folder, 'link to a folder'));
  await symlink(join(folder, 'a file'), join(folder, 'link to a file'));
  await symlink(join(folder, 'nothing'), join(folder, 'broken link'));
});
afterAll(() => rm(folder, { recursive: true, force: true }));

it('lists folders and links to folders in natural order, hidden ones last', async () => {
  expect(await childFolders(folder)).toEqual({
    names: ['Ärmel', 'link to a folder', 'Set 2', 'Set 10', '.hidden'],
    more: 0,
    isPartial: false,
  });
});

it('looks at so many entries at most', async () => {
  const { names, isPartial } = await childFolders(folder, { entries: 3 });
  expect(isPartial).toBe(true);
  expect(names.length).toBeLessThanOrEqual(3);
});

it('gives up on a disk that does not answer', async () => {
  await expect(childFolders(folder, { milliseconds: 10 }, () => new Promise(() => undefined))).rejects.toBeInstanceOf(
    FolderTimeout,
  );
});

it('counts what is beyond the limit', async () => {
  expect(await childFolders(folder, { names: 2 })).toEqual({
    names: ['Ärmel', 'link to a folder'],
    more: 3,
    isPartial: false,
  });
});

it('rejects for what is no folder', async () => {
  await expect(childFolders(join(folder, 'a file'))).rejects.toMatchObject({ code: 'ENOTDIR' });
  await expect(childFolders(join(folder, 'nothing'))).rejects.toMatchObject({ code: 'ENOENT' });
});
