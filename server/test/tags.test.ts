/** An answer that is another one has another tag (RFC 9110, 8.8.3): tried with each request that changes something, and with each table. */
import { jest } from '@jest/globals';
import { API } from '@clever-drawer/contract/api';
import { partsOfKey, type EndpointKey } from '@clever-drawer/contract/api-types';
import type { CatalogueView, DrawerView } from '@clever-drawer/contract/responses';
import { renewEpoch } from '../src/store/studio-store';
import { startApi, type Api } from './support/api';
import { fillTwoComputers } from './support/two-computers';

let api: Api;
beforeAll(async () => {
  api = await startApi();
}, 60_000);
afterAll(() => api.stop());
afterEach(() => jest.useRealTimers());

interface Answer {
  readonly tag: string;
  readonly text: string;
}

const fetched = async (path: string): Promise<Answer & { status: number }> => {
  const response = await fetch(`${api.url}/api${path}`);
  return { status: response.status, tag: response.headers.get('etag') ?? '', text: await response.text() };
};
const json = async <T>(path: string): Promise<T> => JSON.parse((await fetched(path)).text) as T;

/** The addresses of all answers with tags, of the first computer. */
async function taggedPaths(): Promise<string[]> {
  const [computer] = await json<{ id: string }[]>('/computers');
  if (computer === undefined) return [];
  const at = `/computers/${computer.id}`;
  const [drawers, { plugins }] = [
    await json<DrawerView[]>(`${at}/drawers`),
    await json<CatalogueView>(`${at}/catalogue`),
  ];
  const values: Readonly<Record<string, readonly string[]>> = {
    '{computer}': [computer.id],
    '{drawer}': drawers.map(({ id }) => id),
    '{plugin}': plugins.map(({ id }) => encodeURIComponent(id)),
  };
  const tagged = (Object.keys(API) as EndpointKey[]).filter((key) => 'tagged' in API[key] && API[key].tagged);
  return tagged.flatMap((key) => {
    let paths = [partsOfKey(key).path];
    for (const [name, all] of Object.entries(values))
      paths = paths.flatMap((path) => (path.includes(name) ? all.map((value) => path.replace(name, value)) : [path]));
    return key.includes('/journal') ? [...paths, ...paths.map((path) => `${path}?edits=yes`)] : paths;
  });
}

/** All of them, worked out anew and not taken from what the server remembers. */
async function allAnswers(): Promise<Map<string, Answer>> {
  const answers = new Map<string, Answer>();
  api.forget();
  for (const path of await taggedPaths()) {
    api.forget();
    const { status, ...answer } = await fetched(path);
    if (status === 200) answers.set(path, answer);
  }
  return answers;
}

/** The addresses that answer otherwise under the same tag. */
const staleAmong = (before: ReadonlyMap<string, Answer>, now: ReadonlyMap<string, Answer>): string[] =>
  [...now].flatMap(([path, { tag, text }]) => {
    const old = before.get(path);
    return old?.tag === tag && old.text !== text ? [path] : [];
  });

/** What each table holds, as a hash. */
async function tableHashes(): Promise<Map<string, string>> {
  const tables = await api.source.query<{ name: string }[]>(
    `SELECT relname AS name FROM pg_class WHERE relkind = 'r' AND relnamespace = 'public'::regnamespace AND relname <> 'migrations'`,
  );
  const hashes = new Map<string, string>();
  for (const { name } of tables) {
    const [row] = await api.source.query<{ hash: string }[]>(
      `SELECT md5(coalesce(string_agg(t::text, '\n' ORDER BY t::text), '')) AS hash FROM "${name}" t`,
    );
    hashes.set(name, row?.hash ?? '');
  }
  return hashes;
}

it('after each request of a studio that is filled with something of everything, and after each table has changed', async () => {
  const changed = new Set<string>();
  let [answers, hashes] = [await allAnswers(), await tableHashes()];
  const check = async (what: string): Promise<void> => {
    const [now, tables] = [await allAnswers(), await tableHashes()];
    expect([what, staleAmong(answers, now)]).toEqual([what, []]);
    for (const [name, hash] of tables) if (hashes.get(name) !== hash) changed.add(name);
    [answers, hashes] = [now, tables];
  };
  const call: Api['call'] = async (method, path, body) => {
    const answer = await api.call(method, path, body);
    if (method !== 'GET' && !path.endsWith('/scans')) await check(`${method} ${path}`);
    return answer;
  };
  const [first, second] = await fillTwoComputers({ ...api, call });
  await check('the last scan');
  await call('PATCH', `/computers/${first}`, { name: 'Renamed room' });
  await call('PATCH', `/computers/${second}`, { name: 'Renamed wagon' });
  await call('POST', `/computers/${first}/undo`, {});
  expect([...hashes.keys()].filter((name) => !changed.has(name))).toEqual([]);
}, 240_000);

it('on another day, which rules ask for', async () => {
  const before = await allAnswers();
  const now = Date.now() + 10 * 86_400_000;
  jest.useFakeTimers({
    now,
    doNotFake: [
      ...(['setTimeout', 'clearTimeout', 'setInterval', 'clearInterval', 'setImmediate', 'clearImmediate'] as const),
      ...(['nextTick', 'queueMicrotask', 'hrtime', 'performance'] as const),
    ],
  });
  const after = await allAnswers();
  expect(staleAmong(before, after)).toEqual([]);
  expect([...after].filter(([path, { tag }]) => before.get(path)?.tag === tag)).toEqual([]);
});

it('in another epoch', async () => {
  const before = await allAnswers();
  await api.source.transaction(renewEpoch);
  const after = await allAnswers();
  expect([...after].filter(([path, { tag }]) => before.get(path)?.tag === tag)).toEqual([]);
});
