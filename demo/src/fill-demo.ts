import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import { presetKey } from '@clever-drawer/core/catalogue/plugin-presets';
import { itemId } from '@clever-drawer/core/chests/item';
import { asId, type PluginId } from '@clever-drawer/core/ids';
import { MAC_FOLDERS } from './lay-out-computers.js';
import { reportOfWagon } from './report-of-wagon.js';

type Tell = (line: string) => void;
interface Preset {
  readonly pluginId: string;
  readonly bank: string | null;
  readonly name: string;
}

const idOfPreset = ({ pluginId, bank, name }: Preset): string =>
  itemId({ pluginId: asId<PluginId>(pluginId), preset: presetKey({ bank, name }) });

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
  const macFolders = MAC_FOLDERS.map((name) => join(folder, name));
  const mac = await addComputer(api, 'Music room', 'mac', macFolders.slice(0, -1), tell);
  // The other computer comes in the way a real one does: as the report that was written on it.
  const { outcome } = await api<{ outcome: { plugins: number } }>('POST', '/reports', {
    report: await reportOfWagon(folder),
  });
  tell(`Puppet wagon: ${String(outcome.plugins)} plugins`);
  await arrange(api, mac);
  // One folder is found later, so that something has arrived since the drawers were filled.
  await addFolders(api, mac, macFolders.slice(-1));
  tell(`Music room: ${String((await scanned(api, mac)).plugins)} plugins with those that arrived last`);
  await filePresets(api, mac);
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
  await addFolders(api, id, folders);
  tell(`${name}: ${String((await scanned(api, id)).plugins)} plugins`);
  return id;
}

/** A favourite is often a plugin with settings, and not the bare plugin: some presets stand in a drawer. */
async function filePresets(api: Api, computer: string): Promise<void> {
  const at = `/computers/${computer}`;
  const { drawer } = await api<{ drawer: { id: string; name: string }[] }>('GET', `${at}/arrangement`);
  const { presets } = await api<{ presets: Preset[] }>('GET', `${at}/presets`);
  const drawerIds = drawer.filter((one) => one.name === 'Springs').map((one) => one.id);
  const { plugins } = await api<{ plugins: { id: string; types: string[] }[] }>('GET', `${at}/catalogue`);
  const spaces = new Set(
    plugins.filter(({ types }) => ['reverb', 'delay'].includes(types[0] ?? '')).map(({ id }) => id),
  );
  const pluginIds = presets.filter(({ bank, pluginId }) => bank !== null && spaces.has(pluginId)).map(idOfPreset);
  await api('POST', `${at}/changes`, { intents: [{ kind: 'file', drawerIds, pluginIds: pluginIds.slice(0, 3) }] });
}

async function addFolders(api: Api, computer: string, folders: readonly string[]): Promise<void> {
  for (const path of folders) await api('POST', `/computers/${computer}/folders`, { path });
}

async function scanned(api: Api, computer: string): Promise<{ plugins: number }> {
  let scan = await api<{ id: string; state: string; outcome: { plugins: number } | null }>(
    'POST',
    `/computers/${computer}/scans`,
    {},
  );
  while (scan.state === 'running' || scan.state === 'waiting') {
    await new Promise((done) => setTimeout(done, 100));
    scan = await api('GET', `/scans/${scan.id}`);
  }
  if (scan.outcome === null) throw new Error(`a scan ended as ${scan.state}`);
  return scan.outcome;
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
const DEMO_DAYS = 5;

type Change = (intent: Record<string, unknown>) => Promise<unknown>;
type Having = (words: readonly string[]) => string[];

/** What the music director has said of plugins: dividers, nicknames, tags, set aside, a search that is kept. */
async function putInWords(change: Change, having: Having, made: ReadonlyMap<string, string>): Promise<void> {
  const space = made.get('Space') ?? '';
  const halls = having(['Hall', 'Plate', 'Room']).slice(0, PER_DRAWER);
  const before = `${space}/${halls[4] ?? ''}`;
  await change({ kind: 'add-divider', id: randomUUID(), drawerId: space, label: 'long tails', before });
  await change({ kind: 'set-sort', id: made.get('Keys & toys') ?? '', sort: 'name' });
  const call = (word: string, naming: Record<string, unknown>): Promise<unknown> =>
    change({ kind: 'name-plugins', pluginIds: having([word]).slice(0, 1), naming });
  await call('Plate', { nickname: 'the big plate', addTags: ['dark'], note: 'for the cave in scene 3' });
  await call('Sluice', { nickname: 'narrator’s gate', stripLabel: 'NARR GATE' });
  await change({ kind: 'name-plugins', pluginIds: having(['Tape']).slice(0, 4), naming: { addTags: ['dark', 'old'] } });
  const until = new Date(Date.now() + DEMO_DAYS * 86_400_000).toISOString().slice(0, 10);
  const aside = (word: string, reason: string, end: string | null): Promise<unknown> =>
    change({ kind: 'set-aside', pluginIds: having([word]).slice(0, 2), builds: [], reason, until: end });
  await aside('Fuzz', 'demo', until);
  await aside('Wobble', 'not-for-me', null);
  await change({ kind: 'keep-search', id: randomUUID(), name: 'Dark ones', query: 'tag=dark' });
}

/** A chest for the buses alone. */
async function secondChest(change: Change, having: Having): Promise<void> {
  const chestId = randomUUID();
  await change({ kind: 'make-chest', id: chestId, name: 'Mix day', slots: ['bus'] });
  for (const [name, words] of [
    ['Glue', ['Glue', 'Leveller']],
    ['Width', ['Width', 'MS to Stereo']],
    ['Last word', ['Limiter', 'Ceiling', 'Loudness']],
  ] as const)
    await change({
      kind: 'make-drawer',
      id: randomUUID(),
      chestId,
      parentId: null,
      name,
      rule: null,
      pluginIds: having(words).slice(0, PER_DRAWER),
    });
}

async function arrange(api: Api, computer: string): Promise<void> {
  const { plugins } = await api<{ plugins: Plugin[] }>('GET', `/computers/${computer}/catalogue`);
  const change: Change = (intent) => api('POST', `/computers/${computer}/changes`, { intents: [intent] });
  const having: Having = (words) =>
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
  await change({ kind: 'tray-on', tray: 2, pluginIds: having(['Octaver', 'Harmonium', 'Wobble']).slice(0, 4) });
  await change({ kind: 'name-tray', tray: 2, name: 'Goose' });
  await putInWords(change, having, made);
  await secondChest(change, having);
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
