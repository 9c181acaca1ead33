/** A computer with three plugins in a folder, on the application and a real, throwaway PostgreSQL; anew for each test. */
import { randomUUID } from 'node:crypto';
import { mkdir, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import type {
  ArrangementView,
  CatalogueView,
  ProblemDetails,
  SavedChange,
  ScanView,
} from '@clever-drawer/contract/responses';
import { runScan, type ScanResult } from '@clever-drawer/scan/run-scan';
import { startApi, type Api } from './api';

const PREFIXES =
  '@prefix lv2: <http://lv2plug.in/ns/lv2core#> .\n@prefix doap: <http://usefulinc.com/ns/doap#> .\n@prefix foaf: <http://xmlns.com/foaf/0.1/> .\n';
export const lv2 = (name: string, kind: string): string =>
  `${PREFIXES}<urn:${name.replace(/ /g, '-')}> a lv2:Plugin , lv2:${kind} ; doap:name ${JSON.stringify(name)} ; doap:maintainer [ foaf:name "Tollgate Sound" ] .`;

export let api: Api;
let hold: Promise<void> | null = null;
let spoil: (result: ScanResult) => ScanResult = (result) => result;
/** Does something to what each scan of a test brings, before it is written down. */
export const spoilScans = (by: (result: ScanResult) => ScanResult): void => void (spoil = by);
/** Holds every scan that begins until the promise is kept; null lets them go. */
export const holdScans = (until: Promise<void> | null): void => void (hold = until);
export let computer: string;
export let plugins: string;

export const installPlugin = (name: string, kind: string): Promise<void> => installPluginIn(plugins, name, kind);
export const installPluginIn = async (folder: string, name: string, kind: string): Promise<void> => {
  const file = join(folder, `${name}.lv2`, 'manifest.ttl');
  await mkdir(dirname(file), { recursive: true });
  await writeFile(file, lv2(name, kind));
};
export const get = async <T>(path: string): Promise<T> => (await api.call('GET', path)).body;
export const post = <T>(path: string, body: unknown = {}): Promise<{ status: number; body: T }> =>
  api.call('POST', path, body);
export const change = (intent: Record<string, unknown>) =>
  post<SavedChange & ProblemDetails>(`/computers/${computer}/changes`, { intents: [intent] });
export const arrangement = () => get<ArrangementView>(`/computers/${computer}/arrangement`);
export const catalogue = () => get<CatalogueView>(`/computers/${computer}/catalogue`);

export async function scan(wish: object = {}): Promise<ScanView> {
  return ended((await post<ScanView>(`/computers/${computer}/scans`, wish)).body.id);
}

export async function ended(id: string): Promise<ScanView> {
  for (;;) {
    const now = await get<ScanView>(`/scans/${id}`);
    if (now.state !== 'running' && now.state !== 'waiting') return now;
    await new Promise((done) => setTimeout(done, 20));
  }
}

/** Sets the studio up for the tests of a file. */
export function useStudio(): void {
  beforeAll(async () => {
    api = await startApi(async (folders, options) => {
      await hold;
      return spoil(await runScan(folders, options));
    });
  }, 60_000);
  afterAll(() => api.stop());

  beforeEach(async () => {
    spoil = (result) => result;
    await api.empty();
    computer = (await post<{ id: string }>('/computers', { name: 'Music room', system: 'linux' })).body.id;
    plugins = join(api.folder, randomUUID());
    await mkdir(plugins);
    for (const [name, kind] of [
      ['Vestry Plate', 'ReverbPlugin'],
      ['Copper EQ', 'EQPlugin'],
      ['Toybox Piano', 'InstrumentPlugin'],
    ] as const)
      await installPlugin(name, kind);
    await post(`/computers/${computer}/folders`, { path: plugins });
  });
}
