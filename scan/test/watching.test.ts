import { mkdir, mkdtemp, rename, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { watchApart } from '../src/watch-apart';
import { placeOf, watchFolders, type FolderWatch } from '../src/watch-folders';

let folder: string;
let watch: FolderWatch;
let own: FolderWatch | null = null;
const told: string[] = [];
const until = async (what: string): Promise<void> => {
  const end = Date.now() + 15_000;
  while (!told.includes(what) && Date.now() < end) await new Promise((done) => setTimeout(done, 50));
  expect(told).toContain(what);
};
const bundle = async (name: string): Promise<string> => {
  const path = join(folder, name);
  await mkdir(join(path, 'inner'), { recursive: true });
  await writeFile(join(path, 'manifest.ttl'), '');
  await writeFile(join(path, 'inner', 'p.so'), '');
  return path;
};

beforeEach(async () => {
  told.length = 0;
  folder = await mkdtemp(join(tmpdir(), 'clever-drawer-watch-'));
  await bundle('before.lv2');
  watch = watchFolders((place, kind) => told.push(`${kind} ${place}`));
  await watch.folders([folder]);
  // The watch begins by itself a moment later.
  await new Promise((done) => setTimeout(done, 500));
});
afterEach(async () => {
  await watch.close();
  await own?.close();
  await rm(folder, { recursive: true, force: true });
});

it('tells of a bundle that arrives, once, and of one that goes; what was there before is not told', async () => {
  const path = await bundle('vendor/plate.lv2');
  await writeFile(join(folder, 'readme.txt'), 'no plugin');
  await until(`arrived ${path}`);
  await rename(join(folder, 'before.lv2'), join(tmpdir(), `before-${String(process.pid)}.lv2`));
  await until(`vanished ${join(folder, 'before.lv2')}`);
  await rm(join(tmpdir(), `before-${String(process.pid)}.lv2`), { recursive: true });
  expect(told).toHaveLength(2);
});

it('a folder that is not watched any more tells nothing', async () => {
  await watch.folders([]);
  await bundle('late.lv2');
  await new Promise((done) => setTimeout(done, 2500));
  expect(told).toEqual([]);
});

it('a folder that is gone is told of, and is watched again when it is named again', async () => {
  const givenUp: string[] = [];
  own = watchApart((place, kind) => told.push(`${kind} ${place}`), {
    ownData: null,
    most: 1000,
    onGivenUp: (path, why) => givenUp.push(`${path} ${why}`),
  });
  const root = join(folder, 'disk');
  await mkdir(root);
  await own.folders([root]);
  await new Promise((done) => setTimeout(done, 500));
  await rm(root, { recursive: true });
  const end = Date.now() + 15_000;
  while (givenUp.length === 0 && Date.now() < end) await new Promise((done) => setTimeout(done, 50));
  expect(givenUp).toEqual([`${root} missing`]);
  await mkdir(root);
  await own.folders([root]);
  await new Promise((done) => setTimeout(done, 500));
  const path = await bundle('disk/plate.lv2');
  await until(`arrived ${path}`);
}, 40_000);

it('of a folder that holds too much none is watched, and that is told', async () => {
  const givenUp: string[] = [];
  const small = watchFolders((place) => told.push(place), {
    ownData: null,
    most: 3,
    onGivenUp: (path, why) => givenUp.push(`${path} ${why}`),
  });
  for (const name of ['a', 'b', 'c', 'd']) await writeFile(join(folder, `${name}.so`), '');
  await small.folders([folder]);
  const end = Date.now() + 15_000;
  while (givenUp.length === 0 && Date.now() < end) await new Promise((done) => setTimeout(done, 50));
  expect(givenUp).toEqual([`${folder} too-large`]);
  await small.close();
});

it.each([
  ['/f/Plate.lv2/plate.ttl', false, '/f/Plate.lv2'],
  ['/f/v/Plate.vst3/Contents/x86_64-linux/Plate.so', false, '/f/v/Plate.vst3'],
  ['/f/plate.so', false, '/f/plate.so'],
  ['/f/notes.txt', false, null],
  ['/f/vendor', true, null],
])('%s belongs to %s', (path, isFolder, place) => expect(placeOf(path, isFolder, '/f')).toBe(place));
