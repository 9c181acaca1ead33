import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import { MAC_FOLDERS, WINDOWS_FOLDERS } from './lay-out-computers.js';

type Tell = (line: string) => void;
interface Plugin {
  readonly id: string;
  readonly name: string;
  readonly role: string | null;
}

/** Fills an empty demo database through the same interface that the pages use: computers, folders, scans, an arrangement, a session. Does nothing to one that is filled. */
export async function fillDemo(url: string, folder: string, tell: Tell): Promise<void> {
  const api = clientOf(url);
  if ((await api<unknown[]>('GET', '/computers')).length > 0) return;
  tell('Filling the demo …');
  const mac = await addComputer(
    api,
    'Music room',
    'mac',
    MAC_FOLDERS.map((name) => join(folder, name)),
    tell,
  );
  await addComputer(
    api,
    'Puppet wagon',
    'windows',
    WINDOWS_FOLDERS.map((name) => join(folder, name)),
    tell,
  );
  await arrange(api, mac);
}

type Api = <T>(method: string, path: string, body?: unknown) => Promise<T>;

const clientOf =
  (url: string): Api =>
  async <T>(method: string, path: string, body?: unknown): Promise<T> => {
    const response = await fetch(`${url}/api${path}`, {
      method,
      ...(body === undefined ? {} : { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
    });
    const text = await response.text();
    if (!response.ok) throw new Error(`${method} ${path}: ${text}`);
    return (text === '' ? undefined : JSON.parse(text)) as T;
  };

async function addComputer(
  api: Api,
  name: string,
  system: string,
  folders: readonly string[],
  tell: Tell,
): Promise<string> {
  const { id } = await api<{ id: string }>('POST', '/computers', { name, system });
  for (const path of folders) await api('POST', `/computers/${id}/folders`, { path });
  let scan = await api<{ id: string; state: string; outcome: { plugins: number } | null }>(
    'POST',
    `/computers/${id}/scans`,
    {},
  );
  while (scan.state === 'running' || scan.state === 'waiting') {
    await new Promise((done) => setTimeout(done, 100));
    scan = await api('GET', `/scans/${scan.id}`);
  }
  if (scan.outcome === null) throw new Error(`the scan of ${name} ended as ${scan.state}`);
  tell(`${name}: ${String(scan.outcome.plugins)} plugins`);
  return id;
}

/** Drawers of the made-up studio: a name, and words of the plugins that the music director has put in so far. */
const DRAWERS: readonly (readonly [string, readonly string[]])[] = [
  ['Everyday EQ', ['Shelf', 'Tilt']],
  ['Dynamics', ['Comp', 'Leveller', 'Glue']],
  ['Narration', ['De-Ess', 'Sibilance', 'Sluice']],
  ['Space', ['Hall', 'Plate', 'Room']],
  ['Movement', ['Chorus', 'Tremolo', 'Whirl', 'Swirl']],
  ['Keys & toys', ['Toy Piano', 'Harmonium', 'Tines', 'Upright']],
  ['Noises off', ['Thunder', 'Footsteps', 'Wind Machine', 'Clatter']],
  ['Last check', ['Loudness', 'Meter', 'Spectrum']],
];
const CLEVER: readonly (readonly [string, readonly string[]])[] = [
  ['Echoes', ['echo', 'delay', 'slap']],
  ['Colour', ['tape', 'warm', 'drive', 'fuzz']],
];
const LANES = [
  ['instrument', 'Accordion', 3],
  ['instrument', 'Toy piano', 3],
  ['audio', 'Narrator', 4],
  ['audio', 'Goose', 4],
  ['audio', 'Bowed saw', 4],
  ['audio', 'Thunder sheet', 3],
  ['bus', 'Voices', 3],
  ['master', 'Out', 3],
] as const;
const PER_DRAWER = 9;

async function arrange(api: Api, computer: string): Promise<void> {
  const { plugins } = await api<{ plugins: Plugin[] }>('GET', `/computers/${computer}/catalogue`);
  const change = (intent: Record<string, unknown>) => api('POST', `/computers/${computer}/changes`, { intent });
  const having = (words: readonly string[]): string[] =>
    plugins.filter((plugin) => words.some((word) => plugin.name.includes(word))).map((plugin) => plugin.id);
  const chestId = randomUUID();
  await change({ kind: 'make-chest', id: chestId, name: 'Everyday', slots: null });
  const drawer = async (
    name: string,
    words: readonly string[],
    rule: unknown,
    parentId: string | null = null,
  ): Promise<string> => {
    const id = randomUUID();
    const pluginIds = rule === null ? having(words).slice(0, PER_DRAWER) : [];
    await change({ kind: 'make-drawer', id, chestId, parentId, name, rule, pluginIds });
    return id;
  };
  const made = new Map<string, string>();
  for (const [name, words] of DRAWERS) made.set(name, await drawer(name, words, null));
  for (const [name, words] of CLEVER) await drawer(name, [], { kind: 'keywords', words });
  await drawer('Springs', ['Spring'], null, made.get('Space') ?? null);
  const favourites = [
    ...having(['Tilt EQ']).slice(0, 2),
    ...having(['Toy Piano']).slice(0, 2),
    ...having(['Plate']).slice(0, 2),
  ];
  await change({ kind: 'tray-on', tray: 1, pluginIds: favourites });
  const lanes = LANES.map(([kind, name, inserts]) => ({ id: randomUUID(), kind, name, inserts }));
  await change({ kind: 'make-session', id: randomUUID(), name: 'The Lamplighter’s Goose, scene 3', lanes });
  // A few slots are filled already, the way a scene stands after the first rehearsal.
  const load = (lane: string, slot: number, word: string, role: string) => {
    const plugin = plugins.find((one) => one.role === role && one.name.includes(word));
    const laneId = lanes.find((one) => one.name === lane)?.id;
    if (plugin === undefined || laneId === undefined) return Promise.resolve();
    return api('POST', `/computers/${computer}/loads`, {
      slotId: `${laneId}/${String(slot)}`,
      pluginId: plugin.id,
      way: 'list',
      milliseconds: 4200,
    });
  };
  await load('Accordion', 2, 'Harmonium', 'instrument');
  await load('Narrator', 1, 'Sibilance', 'audio-effect');
  await load('Goose', 1, 'Octaver', 'audio-effect');
  await load('Out', 1, 'Loudness', 'tool');
}
