import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { NtExecutable, NtExecutableResource } from 'pe-library';
import { Resource } from 'resedit';
import { readBinary } from '@clever-drawer/core/facts/binary/read-binary';
import { catalogueOf } from '@clever-drawer/core/catalogue/plugin';
import { runScan, type ScanResult } from '../../scan/src/run-scan';
import { peFile } from '../src/files/pe';
import { machOFile } from '../src/files/mach-o';
import { layOutComputers, MAC_FOLDERS, WINDOWS_FOLDERS } from '../src/lay-out-computers';

const at = (bytes: Uint8Array) => (offset: number, length: number) =>
  Promise.resolve(bytes.subarray(offset, offset + length));

describe('Windows libraries', () => {
  it.each([
    ['x86-64', 'GetPluginFactory'],
    ['x86', 'main'],
    ['arm64', 'clap_entry'],
  ] as const)(
    '%s with %s reads back, with the version resource as pe-library and resedit read it',
    async (machine, entry) => {
      const version = { CompanyName: 'Zinnober & Söhne', ProductName: 'Kettle 蓋', ProductVersion: '1.2.3' };
      const file = peFile({ machine, exports: ['Another', entry], version });
      const read = await readBinary(at(file));
      expect(read).toMatchObject({ kind: 'pe', architectures: [machine], versionStrings: version });
      expect([...(read?.exports ?? [])].sort()).toEqual(['Another', entry].sort());
      // The same file by the reference library's whole reading.
      const [info] = Resource.VersionInfo.fromEntries(NtExecutableResource.from(NtExecutable.from(file)).entries);
      expect(info?.getStringValues({ lang: 1033, codepage: 1200 })).toMatchObject(read?.versionStrings ?? {});
    },
  );

  it('a header that is cut off anywhere never throws', async () => {
    const file = peFile({ machine: 'x86-64', exports: ['main'], version: { ProductName: 'X' } });
    for (let length = 0; length < file.length; length += 37)
      await expect(readBinary(at(file.subarray(0, length)))).resolves.toBeDefined();
  });
});

describe('macOS programs', () => {
  it.each([[['x86-64']], [['arm64']], [['x86']], [['x86-64', 'arm64']]] as const)('%j', async (processors) => {
    expect(await readBinary(at(machOFile(processors)))).toMatchObject({ kind: 'mach-o', architectures: processors });
  });
});

describe('the made-up computers', () => {
  let folder: string;
  let mac: ScanResult;
  let windows: ScanResult;

  beforeAll(async () => {
    folder = await mkdtemp(join(tmpdir(), 'clever-drawer-demo-'));
    await layOutComputers(join(folder, 'computers'));
    const below = (names: readonly string[]) => names.map((name) => join(folder, 'computers', name));
    [mac, windows] = [await runScan(below(MAC_FOLDERS)), await runScan(below(WINDOWS_FOLDERS))];
  });
  afterAll(() => rm(folder, { recursive: true, force: true }));

  it('hold at least 320 plugins of 28 vendors in 520 builds over five formats', () => {
    const plugins = catalogueOf(mac.builds);
    expect(plugins.length).toBeGreaterThanOrEqual(320);
    expect(mac.builds.length).toBeGreaterThanOrEqual(520);
    expect(
      new Set(plugins.map((plugin) => plugin.vendor).filter((vendor) => vendor !== null)).size,
    ).toBeGreaterThanOrEqual(28);
    expect([...new Set(mac.builds.map((build) => build.format))].sort()).toEqual(['AU', 'CLAP', 'LV2', 'VST2', 'VST3']);
  });

  it('hold the messes of real life', () => {
    const plugins = catalogueOf(mac.builds);
    const architectures = new Set(mac.builds.map((build) => build.architectures.join('+')));
    expect(architectures).toEqual(new Set(['x86-64', 'arm64', 'x86-64+arm64', 'x86']));
    expect(plugins.some((plugin) => new Set(plugin.builds.map((build) => build.format)).size >= 3)).toBe(true);
    expect(plugins.some((plugin) => plugin.builds.some((build) => build.name.endsWith('(Mono)')))).toBe(true);
    expect(plugins.filter((plugin) => plugin.name.endsWith('Demo'))).toHaveLength(2);
    expect(plugins.some((plugin) => plugin.role === null)).toBe(true);
    expect(mac.builds.some((build) => (build.presets ?? 0) >= 3)).toBe(true);
    expect(mac.faults.map((fault) => fault.code).sort()).toEqual(['binary-empty', 'turtle-broken']);
    expect(windows.faults.map((fault) => fault.code)).toEqual(['binary-empty']);
    expect(windows.builds.some((build) => build.architectures.includes('x86'))).toBe(true);
    expect(windows.builds.some((build) => build.path.includes('helpers'))).toBe(false);
  });

  it('share a part of their plugins, which keep their identity', () => {
    const there = new Set(catalogueOf(mac.builds).map((plugin) => plugin.id));
    const both = catalogueOf(windows.builds).filter((plugin) => there.has(plugin.id));
    expect(both.length).toBeGreaterThan(80);
    expect(both.length).toBeLessThan(there.size);
  });
});
