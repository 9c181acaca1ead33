import { existsSync } from 'node:fs';
import { mkdir, readdir, rename, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { presetKey } from '@clever-drawer/core/catalogue/plugin-presets';
import { itemId } from '@clever-drawer/core/chests/item';
import { asId, type PluginId } from '@clever-drawer/core/ids';
import { arrangeStudio } from './arrange-studio.js';
import { MAC_FOLDERS } from './lay-out-computers.js';
import { RACKS } from './other-files.js';
import type { Api } from './play-scenes.js';
import { reportOfWagon } from './report-of-wagon.js';

type Tell = (line: string) => void;
/** Where the demo is filled, and the key that it wants; null for none. */
interface Server {
  readonly url: string;
  readonly key: string | null;
}

interface Preset {
  readonly pluginId: string;
  readonly bank: string | null;
  readonly name: string;
}

const idOfPreset = ({ pluginId, bank, name }: Preset): string =>
  itemId({ pluginId: asId<PluginId>(pluginId), preset: presetKey({ bank, name }) });

/** Fills an empty demo database through the same interface that the pages use: computers, folders, scans, an arrangement, a session. Does nothing to one that is filled. */
export async function fillDemo(server: Server, folder: string, tell: Tell): Promise<void> {
  const api = clientOf(server);
  const macFolders = MAC_FOLDERS.map((name) => join(folder, name));
  const lateFolder = macFolders.at(-1) ?? '';
  if ((await api<unknown[]>('GET', '/computers')).length > 0) {
    // A first start that was interrupted leaves plugins held back: they arrive now.
    if (existsSync(heldBackIn(lateFolder))) await (await holdBack(lateFolder)).install();
    return;
  }
  tell('Filling the demo …');
  const late = await holdBack(lateFolder);
  const mac = await addComputer(api, 'Music room', 'mac', macFolders, tell);
  // The other computer comes in the way a real one does: as the report that was written on it.
  const { outcome } = await api<{ outcome: { plugins: number } }>('POST', '/reports', {
    report: await reportOfWagon(folder),
  });
  tell(`Puppet wagon: ${String(outcome.plugins)} plugins`);
  await arrangeStudio(api, mac, join(folder, RACKS));
  // What one folder holds is installed later, so that something has arrived since the drawers were filled.
  await late.install();
  tell(`Music room: ${String((await scanned(api, mac)).plugins)} plugins with those that arrived last`);
  await filePresets(api, mac);
  await bindMono(api, mac);
}

const heldBackIn = (folder: string): string => `${folder}.later`;

/** Takes what is in a folder away until it is installed: the folder stands empty so long. */
async function holdBack(folder: string): Promise<{ install: () => Promise<void> }> {
  const held = heldBackIn(folder);
  if (!existsSync(held)) await rename(folder, held);
  await mkdir(folder, { recursive: true });
  return {
    install: async () => {
      for (const name of await readdir(held)) await rename(join(held, name), join(folder, name));
      await rm(held, { recursive: true });
    },
  };
}

const clientOf =
  ({ url, key }: Server): Api =>
  async <T>(method: string, path: string, body?: unknown): Promise<T> => {
    const response = await fetch(`${url}/api${path}`, {
      method,
      headers: {
        'content-type': 'application/json',
        ...(key === null ? {} : { authorization: `Bearer ${key}` }),
      },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
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

/** One plugin of a drawer is loaded from there as mono, where it has builds for both. */
async function bindMono(api: Api, computer: string): Promise<void> {
  interface Build {
    readonly id: string;
    readonly key: string;
    readonly outputs: number | null;
  }
  const at = `/computers/${computer}`;
  const { plugins } = await api<{ plugins: { id: string; builds: Build[] }[] }>('GET', `${at}/catalogue`);
  const { entry } = await api<{ entry: { drawerId: string; pluginId: string; preset: string | null }[] }>(
    'GET',
    `${at}/arrangement`,
  );
  const byId = new Map(plugins.map(({ id, builds }) => [id, builds]));
  for (const { drawerId, pluginId, preset } of entry) {
    const builds = byId.get(pluginId) ?? [];
    const mono = builds.find((build) => build.outputs === 1);
    if (preset !== null || mono === undefined || !builds.some((build) => build.outputs === 2)) continue;
    const intent = { kind: 'bind-entry', drawerId, pluginId, build: { id: mono.id, key: mono.key, pluginId } };
    await api('POST', `${at}/changes`, { intents: [intent] });
    return;
  }
  throw new Error('no drawer holds a plugin that has builds for mono and for stereo');
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
