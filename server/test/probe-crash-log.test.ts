/** Which plugins were being asked when everything ended is known afterwards. */
import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { probeCrashLog } from '../src/jobs/probe-crash-log';

let folder: string;
beforeEach(async () => (folder = await mkdtemp(join(tmpdir(), 'clever-drawer-notes-'))));
afterEach(() => rm(folder, { recursive: true, force: true }));
const notes = (triesAgain = false) => probeCrashLog(folder, triesAgain);

it('a file is noted before it is asked; several that were asked are suspects, and the one that was alone is proven', async () => {
  const first = notes();
  for (const path of ['/a', '/b', '/c']) first.begin(path);
  first.end('/b');
  expect(JSON.parse(await readFile(join(folder, 'asking.json'), 'utf8'))).toMatchObject({ asking: ['/a', '/c'] });
  // All has ended, and begins again.
  const second = notes();
  expect(['/a', '/b', '/c'].map((path) => second.of(path))).toEqual(['suspect', null, 'suspect']);
  second.begin('/a');
  second.end('/a');
  second.begin('/c');
  const third = notes();
  expect(['/a', '/b', '/c'].map((path) => third.of(path))).toEqual([null, null, 'proven']);
  // It stays so, until the producer wants it tried again, and it does well.
  expect(notes().of('/c')).toBe('proven');
  const again = notes(true);
  expect(again.of('/c')).toBe('suspect');
  again.begin('/c');
  again.end('/c');
  expect(notes().of('/c')).toBeNull();
});

it.each(['', '{', 'null', '[]', '{"asking":7}', '{"asking":[1,{}],"proven":"x"}'])(
  'a file that says %j says nothing',
  async (text) => {
    await writeFile(join(folder, 'asking.json'), text);
    expect(notes().of('/a')).toBeNull();
  },
);

it('a folder that can not be written to costs the notes alone', () => {
  const none = probeCrashLog(join(folder, 'nowhere', 'at', 'all'), false);
  none.begin('/a');
  none.end('/a');
  expect(none.of('/a')).toBeNull();
});
