import { mkdir, rm, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import type {
  FileFoldersView,
  FilesHereView,
  FoundFiles,
  Picked,
  SavedChange,
} from '@clever-drawer/contract/responses';
import { entryOfFile } from '@clever-drawer/core/chests/other-files';
import { startApi, type Api } from './support/api';

let api: Api;
let at = '';
let racks = '';
beforeAll(async () => {
  api = await startApi();
}, 60_000);
afterAll(() => api.stop());
beforeEach(async () => {
  await api.empty();
  const made = await api.call('POST', '/computers', { name: 'Music room', system: 'linux' });
  at = `/computers/${(made.body as { id: string }).id}`;
  racks = join(api.folder, 'Racks');
  await rm(racks, { recursive: true, force: true });
  await put('Bass/Deep bellows.rack', 'Bass/Init.rack', 'Voices/Init.rack', 'Voices/Größe.rack', 'notes.txt');
});

const put = async (...paths: string[]): Promise<void> => {
  for (const path of paths) {
    await mkdir(dirname(join(racks, path)), { recursive: true });
    await writeFile(join(racks, path), '');
  }
};
const send = async <T = SavedChange>(method: string, path: string, body?: unknown): Promise<T> => {
  const answer = await api.call(method, `${at}${path}`, body);
  if (answer.status >= 300) throw new Error(`${String(answer.status)} ${JSON.stringify(answer.body)}`);
  return answer.body;
};
async function whenRead(): Promise<FileFoldersView> {
  for (;;) {
    const view = await send<FileFoldersView>('GET', '/file-folders');
    if (view.reading === null) return view;
    await new Promise((done) => setTimeout(done, 20));
  }
}
const addRacks = async (): Promise<string> => {
  const fields = { endings: ['rack'], program: 'Marquee Desk', role: 'instrument' };
  const { id } = await send<{ id: string }>('POST', '/file-folders', { path: racks, ...fields });
  await whenRead();
  return id;
};
const find = async (words: string): Promise<string[]> =>
  (await send<FoundFiles>('GET', `/files?words=${encodeURIComponent(words)}`)).files.map((one) => one.file);
const takeIn = async (words: string) => {
  const { files } = await send<FoundFiles>('GET', `/files?words=${words}`);
  const entries = files.map((file) => entryOfFile(file, '2026-12-01T12:00:00.000Z'));
  await send('POST', '/changes', { intents: [{ kind: 'take-in-files', entries }] });
  return entries;
};

it('reads a folder when it is added, and finds its files by words and beginnings of words', async () => {
  await addRacks();
  expect((await whenRead()).folders).toMatchObject([{ path: racks, endings: ['rack'], files: 4, problem: null }]);
  expect(await find('deep')).toEqual(['Racks/Bass/Deep bellows.rack']);
  expect(await find('init bass')).toEqual(['Racks/Bass/Init.rack']);
  expect(await find('grosse')).toEqual(['Racks/Voices/Größe.rack']);
  expect(await find('racks')).toHaveLength(4);
  expect(await find('nit')).toEqual([]);
  expect(await find("&|!:* '")).toEqual([]);
});

it('sees what came and went when it reads again, and keeps what it knew of a folder that is missing', async () => {
  await addRacks();
  await put('New.rack');
  await rm(join(racks, 'Bass'), { recursive: true });
  await send('POST', '/file-readings');
  await whenRead();
  expect(await find('')).toEqual(['Racks/New.rack', 'Racks/Voices/Größe.rack', 'Racks/Voices/Init.rack']);
  await rm(racks, { recursive: true });
  await send('POST', '/file-readings');
  expect((await whenRead()).folders).toMatchObject([{ problem: 'missing', files: 3 }]);
  expect(await find('')).toHaveLength(3);
});

it('is a step: undo forgets the folder, redo knows its files again', async () => {
  const id = await addRacks();
  await send('PATCH', `/file-folders/${id}`, { endings: ['txt'] });
  await whenRead();
  expect(await find('')).toEqual(['Racks/notes.txt']);
  await send('POST', '/undo', {});
  await whenRead();
  expect(await find('')).toHaveLength(4);
  await send('POST', '/undo', {});
  expect(await find('')).toEqual([]);
  await send('POST', '/redo', {});
  await whenRead();
  expect(await find('')).toHaveLength(4);
});

it('hands a file over with its path, and says where it is', async () => {
  await addRacks();
  const [entry] = await takeIn('deep');
  const path = join(racks, 'Bass/Deep bellows.rack');
  expect((await send<FilesHereView>('GET', '/files/here')).files).toEqual([{ id: entry?.id, path }]);
  const pick = { pluginId: entry?.id, slot: 'instrument', session: 'Scene', way: 'typing', milliseconds: 900 };
  expect(await send<Picked>('POST', '/picks', pick)).toMatchObject({ name: 'Deep bellows', path });
  await rm(path);
  await send('POST', '/file-readings');
  await whenRead();
  expect((await send<FilesHereView>('GET', '/files/here')).files).toEqual([{ id: entry?.id, path: null }]);
  const gone = await api.call('POST', `${at}/picks`, pick);
  expect([gone.status, gone.body]).toMatchObject([422, { detail: expect.stringContaining('not on this computer') }]);
});

it('takes names of any kind', async () => {
  await put(
    `${'語'.repeat(80)}.rack`,
    '  blanks  .rack',
    "it's \\ 100% & more.rack",
    '🪗 organ.rack',
    `${'x'.repeat(250)}.rack`,
  );
  await addRacks();
  expect((await whenRead()).folders).toMatchObject([{ files: 9, leftOut: 0, problem: null }]);
  expect(await find('語')).toHaveLength(1);
  expect(await find('100 more')).toHaveLength(1);
  expect(await find('organ')).toHaveLength(1);
  expect(await takeIn('rack')).toHaveLength(9);
});

it('makes entries only of files that were found', async () => {
  await addRacks();
  const { files } = await send<FoundFiles>('GET', '/files?words=deep');
  const [entry] = files.map((file) => entryOfFile(file, '2026-12-01T12:00:00.000Z'));
  const invented = { ...entry, file: 'Racks/Elsewhere.rack' };
  const refused = await api.call('POST', `${at}/changes`, {
    intents: [{ kind: 'take-in-files', entries: [invented] }],
  });
  expect([refused.status, refused.body]).toMatchObject([
    422,
    { detail: expect.stringContaining('no file that was found') },
  ]);
});

it.each([
  ['no such folder', { path: '/no/such/folder' }, 422],
  ['a whole disk', { path: '/' }, 422],
  ['an ending with a dot', { path: '/tmp', endings: ['.rack'] }, 400],
  ['no ending', { path: '/tmp', endings: [] }, 400],
])('refuses %s', async (_, fields, status) => {
  const answer = await api.call('POST', `${at}/file-folders`, { endings: ['rack'], program: 'Desk', ...fields });
  expect(answer.status).toBe(status);
});
