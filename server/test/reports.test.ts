import { mkdir, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { scanReport, type ScanReport } from '@clever-drawer/core/exchange/scan-report';
import { runScan } from '@clever-drawer/scan/run-scan';
import type {
  BroughtIn,
  CatalogueView,
  ComputerView,
  PluginDetail,
  ProblemDetails,
  ProblemsView,
  ScanView,
} from '@clever-drawer/contract/responses';
import type { Here } from '../src/here';
import { startApi, type Api } from './support/api';
import { lv2 } from './support/studio';

let api: Api;
let here: string | null = null;
const HERE: Here = {
  is: (id) => id === here,
  settle: (id) => {
    here = id;
    return Promise.resolve();
  },
};
const get = async <T>(path: string): Promise<T> => (await api.call('GET', path)).body;
const post = async <T>(path: string, body: unknown): Promise<{ status: number; body: T }> =>
  api.call('POST', path, body);
const bringIn = (report: unknown, computerId: string | null = null) =>
  post<BroughtIn & ProblemDetails>('/reports', { report, computerId });
const revisionOf = async (computer: string) => (await get<CatalogueView>(`/computers/${computer}/catalogue`)).revision;

let there: string;
const put = async (name: string): Promise<void> => {
  await mkdir(join(there, `${name}.lv2`), { recursive: true });
  await writeFile(join(there, `${name}.lv2`, 'manifest.ttl'), lv2(name, 'EQPlugin'));
};
/** What the command on the other computer would write of a folder. */
const reportOf = async (name = 'Puppet wagon'): Promise<ScanReport> =>
  JSON.parse(JSON.stringify(scanReport(await runScan([there]), { name, system: 'linux' }, new Date()))) as ScanReport;

beforeAll(async () => {
  api = await startApi(runScan, HERE);
  there = join(api.folder, 'plugins-there');
  await post('/computers', { name: 'Music room', system: 'linux' });
});
afterAll(() => api.stop());

it('the first computer is the one at hand; the folders of another one are not looked at', async () => {
  const { id: other } = (await post<{ id: string }>('/computers', { name: 'Laptop', system: 'linux' })).body;
  expect((await get<ComputerView[]>('/computers')).map((one) => [one.name, one.here])).toEqual([
    ['Music room', true],
    ['Laptop', false],
  ]);
  for (const [path, body] of [
    ['folders', { path: '/usr/lib/lv2' }],
    ['scans', {}],
  ] as const) {
    const refused = await post<ProblemDetails>(`/computers/${other}/${path}`, body);
    expect([refused.status, refused.body.type]).toEqual([409, 'urn:clever-drawer:problem:other-computer']);
    expect(refused.body.detail).toContain('Laptop is another computer');
    expect(refused.body.detail).toContain('npm run scan');
  }
  expect(await get(`/computers/${other}/proposed-folders`)).toEqual([]);
  expect(await get<ProblemDetails>(`/computers/${other}/directories`)).toMatchObject({
    type: 'urn:clever-drawer:problem:other-computer',
  });
});

it('a report adds its computer; the same again changes nothing; what is gone from its folders counts as not found', async () => {
  for (const name of ['Goose Gate', 'Wagon Wheel']) await put(name);
  await mkdir(join(there, 'broken.lv2'), { recursive: true });
  await writeFile(join(there, 'broken.lv2', 'manifest.ttl'), 'no turtle');
  const report = await reportOf();
  const { status, body } = await bringIn(report);
  expect([status, body.added, body.outcome.plugins, body.outcome.arrived, body.outcome.failed]).toEqual([
    200,
    true,
    2,
    2,
    1,
  ]);
  const { computerId } = body;
  const catalogue = () => get<CatalogueView>(`/computers/${computerId}/catalogue`);
  const before = await catalogue();
  expect(before.plugins.map((plugin) => [plugin.name, plugin.found])).toEqual([
    ['Goose Gate', true],
    ['Wagon Wheel', true],
  ]);
  expect(await get<ProblemsView>(`/computers/${computerId}/problems`)).toMatchObject({
    total: 1,
    list: [{ code: 'turtle-broken', path: join(there, 'broken.lv2', 'manifest.ttl') }],
  });

  const again = (await bringIn(report)).body;
  expect([again.added, again.computerId, again.outcome.arrived, again.outcome.changed]).toEqual([
    false,
    computerId,
    0,
    0,
  ]);
  expect(await catalogue()).toEqual(before);
  expect(await get<ScanView[]>(`/computers/${computerId}/scans`)).toHaveLength(2);

  const [gate] = report.plugins;
  const less = { ...report, plugins: report.plugins.filter((plugin) => plugin !== gate), problems: [] };
  expect((await bringIn(less, computerId)).body.outcome).toMatchObject({ vanished: 1, recovered: 1, plugins: 1 });
  expect((await catalogue()).plugins.map((plugin) => plugin.found)).toEqual([false, true]);
  expect(await get(`/computers/${computerId}/problems`)).toEqual({ total: 0, list: [] });
  // Of folders that were not scanned it says nothing.
  expect((await bringIn({ ...less, plugins: [], folders: ['/elsewhere'] }, computerId)).body.outcome.vanished).toBe(0);
  expect((await bringIn(report, computerId)).body.outcome.returned).toBe(1);
  expect((await catalogue()).plugins.map((plugin) => plugin.id)).toEqual(before.plugins.map((plugin) => plugin.id));
  // What its folders are first reported with is not new; what a later report adds is.
  await put('Late Lantern');
  await bringIn(await reportOf(), computerId);
  const isOld = (await catalogue()).plugins.map((plugin) => [plugin.name, plugin.arrivedWithFolder]);
  expect(isOld).toEqual(
    expect.arrayContaining([
      ['Goose Gate', true],
      ['Late Lantern', false],
    ]),
  );
});

it('no picture of this computer is shown because a report names its path', async () => {
  const report = await reportOf('Prying computer');
  const plugins = report.plugins.map((plugin) => ({
    ...plugin,
    builds: plugin.builds.map((build) => ({ ...build, pictures: ['/etc/hostname'] })),
  }));
  const { computerId } = (await bringIn({ ...report, plugins })).body;
  const [plugin] = (await get<CatalogueView>(`/computers/${computerId}/catalogue`)).plugins;
  const { builds } = await get<PluginDetail>(
    `/computers/${computerId}/plugins/${encodeURIComponent(plugin?.id ?? '')}`,
  );
  expect(builds[0]?.pictures).toEqual([]);
  expect(await api.raw(`/api/computers/${computerId}/builds/${builds[0]?.id ?? ''}/pictures/0`, {})).toBe(404);
});

it('a report of the computer at hand is refused, and so is what is none', async () => {
  const report = await reportOf('Music room');
  const own = await bringIn(report);
  expect([own.status, own.body.detail]).toEqual([422, expect.stringContaining('its own folders are scanned')]);
  const before = await revisionOf(here ?? '');
  const [plugin] = report.plugins;
  const [build] = plugin?.builds ?? [];
  const wrong = (facts: object) => ({ ...report, plugins: [{ ...plugin, builds: [{ ...build, ...facts }] }] });
  for (const [sent, words] of [
    [{ hello: 1 }, 'no scan report'],
    [{ ...report, schema: 'clever-drawer/scan-report/2' }, 'another version'],
    [{ ...report, folders: 7 }, 'folders must be array'],
    [wrong({ audioInputs: -1 }), 'plugins.0.builds.0.audioInputs must be >= 0'],
    [wrong({ name: 'x'.repeat(3000) }), 'plugins.0.builds.0.name must NOT have more than 2000'],
    [wrong({ secret: 1 }), 'must NOT have additional properties'],
  ] as const) {
    const { status, body } = await bringIn(sent);
    expect([status, body.detail]).toEqual([400, expect.stringContaining(words)]);
  }
  expect(await revisionOf(here ?? '')).toBe(before);
  expect((await bringIn(report, '11111111-1111-4111-8111-111111111111')).status).toBe(404);
});
