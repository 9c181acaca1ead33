import { execFileSync } from 'node:child_process';
import { chmod, mkdir, mkdtemp, rm, symlink, truncate, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { describeFault } from '@clever-drawer/core/facts/fault-texts';
import { runScan } from '../src/run-scan';
import { copyOfPackage } from './support';

const PREFIXES =
  '@prefix lv2: <http://lv2plug.in/ns/lv2core#> .\n@prefix rdfs: <http://www.w3.org/2000/01/rdf-schema#> .\n@prefix doap: <http://usefulinc.com/ns/doap#> .\n@prefix pset: <http://lv2plug.in/ns/ext/presets#> .\n';
const lv2 = (uri: string, name: string): string =>
  `${PREFIXES}<${uri}> a lv2:Plugin ; doap:name ${JSON.stringify(name)} .`;

let folder: string;
const put = async (path: string, content: string | Uint8Array): Promise<string> => {
  const file = join(folder, path);
  await mkdir(dirname(file), { recursive: true });
  await writeFile(file, content);
  return file;
};
const scan = async () => {
  const result = await runScan([folder]);
  return { ...result, codes: result.faults.map((fault) => fault.code) };
};

beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'clever-drawer-scan-'));
  // The plugin that each scan must still find, whatever else is broken.
  await put('good.lv2/manifest.ttl', lv2('urn:good', 'Good'));
});
afterEach(async () => {
  await chmod(join(folder, 'closed'), 0o755).catch(() => undefined);
  await rm(folder, { recursive: true, force: true });
});

describe('broken places are faults with a remedy, and the rest of the scan goes on', () => {
  it.each([
    ['a bundle without manifest', 'half.lv2/plugin.ttl', '', 'bundle-without-manifest'],
    ['truncated Turtle', 'truncated.lv2/manifest.ttl', lv2('urn:x', 'X').slice(0, -9), 'turtle-broken'],
    ['a 0-byte binary', 'empty.vst3', '', 'binary-empty'],
    ['a 0-byte library', 'empty.dll', '', 'binary-empty'],
    ['a text in the place of a program', 'text.clap', 'this is no program, only a text', 'binary-unrecognised'],
    ['a broken property list', 'broken.component/Contents/Info.plist', '<plist><dict><key>', 'plist-broken'],
  ])('%s', async (_what, path, content, code) => {
    await put(path, content);
    const result = await scan();
    expect(result.codes).toContain(code);
    expect(result.builds.map((build) => build.name)).toEqual(['Good']);
    for (const fault of result.faults) {
      expect(fault.path.startsWith(folder)).toBe(true);
      expect(describeFault(fault).remedy).not.toBe('');
    }
  });

  it('a folder that is not there', async () => {
    const result = await runScan([join(folder, 'nowhere'), folder]);
    expect(result.faults).toEqual([{ code: 'folder-missing', path: join(folder, 'nowhere') }]);
    expect(result.builds).toHaveLength(1);
  });

  it('a folder that may not be read', async () => {
    await chmod(folder, 0o755);
    await mkdir(join(folder, 'closed'), { mode: 0o000 });
    const root = process.getuid?.() === 0;
    // Root reads everything: the scan is done as nobody.
    if (root) process.seteuid?.(65534);
    try {
      const result = await scan();
      expect(result.faults).toEqual([{ code: 'folder-unreadable', path: join(folder, 'closed'), detail: 'EACCES' }]);
      expect(result.builds).toHaveLength(1);
    } finally {
      if (root) process.seteuid?.(0);
    }
  });

  it('a link to a folder above it, and a link to itself', async () => {
    await mkdir(join(folder, 'inner'));
    await symlink(folder, join(folder, 'inner', 'up'));
    await symlink('round', join(folder, 'round'));
    const result = await scan();
    expect(result.faults).toEqual([
      { code: 'link-loop', path: join(folder, 'inner', 'up') },
      { code: 'link-loop', path: join(folder, 'round') },
    ]);
    expect(result.builds).toHaveLength(1);
  });

  it('one gigabyte of junk, as a binary and as a description', async () => {
    await truncate(await put('junk.vst3', 'junk'), 1_000_000_000);
    await truncate(await put('huge.vst3/Contents/Resources/moduleinfo.json', '{'), 1_000_000_000);
    const before = process.memoryUsage().rss;
    const result = await scan();
    expect(result.codes.sort()).toEqual(['binary-missing', 'binary-unrecognised', 'file-too-large']);
    expect(process.memoryUsage().rss - before).toBeLessThan(200_000_000);
    expect(result.builds).toHaveLength(1);
  });
});

describe('a scan', () => {
  it('takes a file that two paths lead to as one build', async () => {
    await symlink(join(folder, 'good.lv2'), join(folder, 'again.lv2'));
    const result = await runScan([folder, join(folder, 'good.lv2'), folder]);
    expect(result.builds).toHaveLength(1);
    expect(result.faults).toEqual([]);
  });

  it('reads names with emoji and right-to-left script, in text and path', async () => {
    await put('صدى الكهف.lv2/manifest.ttl', lv2('urn:cave', 'صدى الكهف'));
    await put('🐛.lv2/manifest.ttl', lv2('urn:worm', 'Glowworm 🐛'));
    expect((await scan()).builds.map((build) => build.name).sort()).toEqual(
      ['Glowworm 🐛', 'Good', 'صدى الكهف'].sort(),
    );
  });

  it('reads JSON with comments', async () => {
    await put(
      'a.vst3/Contents/moduleinfo.json',
      '{ /* c */ "Classes": [{ "CID": "00000000000000000000000000000001", "Category": "Audio Module Class", "Name": "A", }], // end\n }',
    );
    await put(
      'a.vst3/Contents/MacOS/a',
      new Uint8Array([0xcf, 0xfa, 0xed, 0xfe, 12, 0, 0, 1, ...new Array<number>(24).fill(0)]),
    );
    expect((await scan()).builds).toEqual(
      expect.arrayContaining([expect.objectContaining({ name: 'A', architectures: ['arm64'] })]),
    );
  });

  it('counts presets of other bundles with the plugin they are for', async () => {
    await put(
      'presets.lv2/manifest.ttl',
      `${PREFIXES}<urn:p1> a pset:Preset ; lv2:appliesTo <urn:good> .\n<urn:p2> a pset:Preset ; lv2:appliesTo <urn:other> .`,
    );
    expect((await scan()).builds).toMatchObject([{ name: 'Good', presets: 1 }]);
  });

  it('takes the maker of a project that another bundle describes, and a brand before the person behind it', async () => {
    const foaf = '@prefix foaf: <http://xmlns.com/foaf/0.1/> .\n@prefix host: <urn:some-host#> .\n';
    await put(
      'good.lv2/manifest.ttl',
      `${PREFIXES}${foaf}<urn:good> a lv2:Plugin ; doap:name "Good" ; lv2:project <urn:wagon> .`,
    );
    await put(
      'branded.lv2/manifest.ttl',
      `${PREFIXES}${foaf}<urn:b> a lv2:Plugin ; doap:name "Branded" ; host:brand "Copperhat" ; doap:maintainer [ foaf:name "Ada Rook" ] .`,
    );
    await put('words.lv2/manifest.ttl', `${PREFIXES}${foaf}<urn:wagon> a doap:Project ; rdfs:seeAlso <meta.ttl> .`);
    await put('words.lv2/meta.ttl', `${PREFIXES}${foaf}<urn:wagon> doap:maintainer [ foaf:name "Puppet Wagon" ] .`);
    const { builds } = await scan();
    expect(builds.map(({ name, vendor, others }) => [name, vendor, others])).toEqual([
      ['Branded', 'Copperhat', [{ fact: 'vendor', source: 'manifest', value: 'Ada Rook' }]],
      ['Good', 'Puppet Wagon', []],
    ]);
  });

  it('takes the tagline of a name for the description where there is none', async () => {
    await put('eq.lv2/manifest.ttl', lv2('urn:eq', 'Eq10 - Ten bands for the road'));
    await put('saw.lv2/manifest.ttl', lv2('urn:saw', 'Saw-VCO'));
    expect(
      (await scan()).builds.map(({ name, description, sources }) => [name, description, sources.description]),
    ).toEqual([
      ['Eq10 - Ten bands for the road', 'Ten bands for the road', 'manifest'],
      ['Good', null, undefined],
      ['Saw-VCO', null, undefined],
    ]);
  });

  it('tells how far it is, and keeps what it has read when it is cancelled', async () => {
    for (let index = 0; index < 60; index++)
      await put(`p${String(index)}.lv2/manifest.ttl`, lv2(`urn:${String(index)}`, 'P'));
    const cancel = new AbortController();
    const told: number[] = [];
    const result = await runScan([folder], {
      signal: cancel.signal,
      onProgress: ({ read }) => {
        told.push(read);
        if (read >= 10) cancel.abort();
      },
    });
    expect(result.cancelled).toBe(true);
    expect(result.builds.length).toBeGreaterThanOrEqual(10);
    expect(result.builds.length).toBeLessThan(61);
    expect(told).toEqual([...told].sort((a, b) => a - b));
  });

  it("knows the examples of Debian's ladspa-sdk by the entry they export (System V ABI dynamic symbols)", async () => {
    // Every library that nm finds the entry in is a LADSPA build, and no other is.
    const own = copyOfPackage('ladspa-sdk', join(folder, 'sdk'));
    const look =
      'for f in "$0"/*.so; do nm -D --defined-only "$f" | grep -qE " ladspa_descriptor(@.*)?$" && echo "$f"; done; true';
    const files = execFileSync('sh', ['-c', look, own], { encoding: 'utf8' });
    const result = await runScan([own]);
    expect(result.builds.map((build) => build.path).sort()).toEqual(files.trim().split('\n').sort());
    expect(new Set(result.builds.map((build) => `${build.format} ${build.architectures.join()}`)).size).toBe(1);
  });
});
