import { mkdir, mkdtemp, rm, symlink, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { answered, readFiles } from '../src/read-files';

let folder = '';
const put = async (...paths: string[]): Promise<void> => {
  for (const path of paths) {
    await mkdir(dirname(join(folder, path)), { recursive: true });
    await writeFile(join(folder, path), '');
  }
};
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'clever-drawer-files-'));
});
afterEach(() => rm(folder, { recursive: true, force: true }));
const read = (...endings: string[]) => readFiles(folder, { endings });

it('finds files by their endings, whatever the capitals, folder by folder', async () => {
  await put('b.rack', 'A/deep.RACK', 'A/notes.txt', 'A/B/far.preset', 'rack', '.hidden.rack', '.git/x.rack');
  expect(await read('rack')).toEqual({ files: ['b.rack', 'A/deep.RACK'], leftOut: 0, problem: null });
  expect((await read('rack', 'preset')).files).toEqual(['b.rack', 'A/deep.RACK', 'A/B/far.preset']);
});

it('takes a folder with such an ending for one file', async () => {
  await put('Choir.rack/inside.rack', 'Choir.rack/Samples/goose.wav');
  expect((await read('rack', 'wav')).files).toEqual(['Choir.rack']);
});

it('follows links, walks each folder once, and leaves out links that lead nowhere', async () => {
  await put('A/goose.rack');
  await symlink(join(folder, 'A'), join(folder, 'Z'));
  await symlink(folder, join(folder, 'A', 'round'));
  await symlink(join(folder, 'gone.rack'), join(folder, 'lost.rack'));
  await symlink(join(folder, 'A', 'goose.rack'), join(folder, 'king.rack'));
  expect((await read('rack')).files).toEqual(['king.rack', 'A/goose.rack']);
});

it('says how many are more than it keeps', async () => {
  await put('a.rack', 'b.rack', 'c.rack', `${'long/'.repeat(150)}d.rack`);
  expect(await readFiles(folder, { endings: ['rack'], most: 2 })).toEqual({
    files: ['a.rack', 'b.rack'],
    leftOut: 2,
    problem: null,
  });
});

it('says why there is nothing', async () => {
  expect(await readFiles(join(folder, 'none'), { endings: ['rack'] })).toMatchObject({ files: [], problem: 'missing' });
  await put('file');
  expect(await readFiles(join(folder, 'file'), { endings: ['rack'] })).toMatchObject({ problem: 'unreadable' });
  expect(await readFiles('/', { endings: ['rack'] })).toMatchObject({ problem: 'refused' });
});

it('ends when it is told to', async () => {
  await put('a.rack');
  const cancel = new AbortController();
  cancel.abort();
  await expect(readFiles(folder, { endings: ['rack'], signal: cancel.signal })).rejects.toThrow('aborted');
});

it('gives up a disk that does not answer, and one that nobody waits for any more', async () => {
  const never = new Promise<string>(() => undefined);
  await expect(answered(never, 5)).rejects.toThrow('does not answer');
  const cancel = new AbortController();
  const waiting = answered(never, 60_000, cancel.signal);
  cancel.abort();
  await expect(waiting).rejects.toThrow('does not answer');
  await expect(answered(Promise.resolve('here'), 5)).resolves.toBe('here');
});
