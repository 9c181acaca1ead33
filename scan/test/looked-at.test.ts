/** Nothing vanishes: what was looked at is found, or a problem, or left out with a reason; and one tree tells the same however it is laid out. */
import { execFileSync } from 'node:child_process';
import { readdirSync, readFileSync, realpathSync, statSync, writeFileSync } from 'node:fs';
import { cp, mkdir, mkdtemp, rename, rm, symlink, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { basename, join } from 'node:path';
import { runScan, type ScanOptions } from '../src/run-scan';
import { buildToy, copyOfPackage, inside } from './support';

let folder: string;
let at: (name: string) => string;
beforeEach(async () => {
  folder = realpathSync(await mkdtemp(join(tmpdir(), 'clever-drawer-looked-')));
  at = inside(folder);
});
afterEach(() => rm(folder, { recursive: true, force: true }));

const scan = (paths: readonly string[], options: ScanOptions = {}) =>
  runScan(paths, { mayAsk: () => true, ...options });
const plugins = (result: Awaited<ReturnType<typeof scan>>): string[] =>
  [...new Set(result.builds.map((build) => `${build.format} ${build.identifier ?? ''} ${build.name}`))].sort();
const reasons = (result: Awaited<ReturnType<typeof scan>>): string[] =>
  result.lookedAt.leftOut.map(({ path, reason, of }) =>
    [path.slice(folder.length + 1), reason, of?.slice(folder.length + 1)].filter(Boolean).join(' '),
  );

/** A tree of real plugins of Debian's packages, and toys of the formats that these lack. */
async function tree(name: string): Promise<string> {
  copyOfPackage('lv2-examples', at(`${name}/lv2`));
  copyOfPackage('ladspa-sdk', at(`${name}/ladspa`));
  await buildToy(at(`${name}/clap/lantern.clap`), 'CLAP');
  await buildToy(at(`${name}/vst/weathercock.so`), 'VST2');
  await buildToy(at(`${name}/vst/older.so`), 'VST2 OLDER');
  await buildToy(
    at(`${name}/vst3/Lamp.vst3/Contents/${process.arch === 'arm64' ? 'aarch64' : 'x86_64'}-linux/Lamp.so`),
    'VST3',
  );
  return at(name);
}

describe('mutants of one real tree hold the same plugins', () => {
  let real: string;
  let wanted: string[];
  beforeEach(async () => {
    real = await tree('real');
    wanted = plugins(await scan([real]));
    expect(wanted.length).toBeGreaterThan(12);
  });
  const libraries = (top: string): string[] =>
    readdirSync(top, { recursive: true, encoding: 'utf8' })
      .map((path) => join(top, path))
      .filter((path) => statSync(path).isFile() && readFileSync(path).subarray(0, 4).toString('latin1') === '\x7fELF');

  it('renamed: LV2 bundles without their ending (LV2 specification: any folder with a manifest), libraries of any name', async () => {
    for (const bundle of readdirSync(join(real, 'lv2')))
      await rename(join(real, 'lv2', bundle), join(real, 'lv2', bundle.replace('.lv2', ' of mine')));
    for (const kind of ['ladspa', 'vst'])
      for (const [number, file] of readdirSync(join(real, kind)).entries())
        await rename(join(real, kind, file), join(real, kind, `Ärger ${String(number)}.so`));
    expect(plugins(await scan([real]))).toEqual(wanted);
  });

  it('nested: in folders that are called like bundles and are none', async () => {
    const into = at('outer.vst/mine.component/all.lv2/more.vst3/odd.clap');
    await mkdir(join(into, '..'), { recursive: true });
    await rename(real, into);
    const result = await scan([folder]);
    expect(plugins(result)).toEqual(wanted);
    expect(result.faults).toEqual([]);
  });

  it('linked: each file and bundle by a link, and the folder by a link to it', async () => {
    for (const kind of readdirSync(real)) {
      await mkdir(at(`links/${kind}`), { recursive: true });
      for (const one of readdirSync(join(real, kind))) await symlink(join(real, kind, one), at(`links/${kind}/${one}`));
    }
    await symlink(at('links'), at('again'));
    for (const top of ['links', 'again']) {
      const result = await scan([at(top)]);
      expect(plugins(result)).toEqual(wanted);
      expect(reasons(result).filter((one) => one.includes('double'))).toEqual([]);
    }
  });

  it('stripped of all but what the loader needs, and of the section headers too (System V ABI, chapter 5)', async () => {
    for (const path of libraries(real)) {
      execFileSync('strip', [path]);
      const bytes = readFileSync(path);
      // e_shoff, e_shnum and e_shstrndx of an ELF file of 64 bits.
      bytes.fill(0, 40, 48);
      bytes.fill(0, 60, 64);
      writeFileSync(path, bytes);
    }
    expect(plugins(await scan([real]))).toEqual(wanted);
  });
});

describe('VST2 by its older entry', () => {
  it('is asked, and is a plugin when it answers as one; another library with a "main" is told as none', async () => {
    await buildToy(at('older.so'), 'VST2 OLDER');
    execFileSync('gcc', ['-shared', '-fPIC', '-o', at('other.so'), '-x', 'c', '-'], {
      input: 'void *main(void *host) { return 0; }',
    });
    const result = await scan([folder]);
    expect(result.builds).toMatchObject([{ format: 'VST2', name: 'Weathercock', asked: 'asked' }]);
    expect([result.faults, reasons(result)]).toEqual([[], ['other.so no-plugin']]);
  });

  it('unasked, it is listed under its file name in a folder for VST2, and told as not asked elsewhere', async () => {
    await buildToy(at('.vst/older.so'), 'VST2 OLDER');
    await buildToy(at('lib/older.so'), 'VST2 OLDER');
    const result = await scan([folder], { mayAsk: () => false });
    expect(result.builds).toMatchObject([{ name: 'older', path: at('.vst/older.so'), asked: 'switched-off' }]);
    expect(reasons(result)).toEqual(['lib/older.so unasked']);
    const known = new Map(result.places.map((place) => [place.path, place]));
    expect((await scan([folder], { known })).builds.map((build) => build.name)).toEqual(['Weathercock', 'Weathercock']);
  });
});

describe('what is left out is told', () => {
  it('found, problems and left out make up all that was looked at, by a count of its own', async () => {
    const real = await tree('real');
    await buildToy(join(real, 'vst/helper.so'), '');
    await writeFile(join(real, 'vst/._weathercock.so'), 'finder');
    await writeFile(join(real, 'vst/broken.dll'), '');
    await writeFile(join(real, 'vst/readme.txt'), 'is no candidate');
    await mkdir(join(real, 'lv2/half.lv2'));
    await mkdir(join(real, 'lv2/words.lv2'));
    await writeFile(join(real, 'lv2/words.lv2/manifest.ttl'), '');
    await symlink(join(real, 'clap/lantern.clap'), join(real, 'clap/lamp.clap'));
    await writeFile(
      join(real, 'vst/mac.dylib'),
      new Uint8Array([0xcf, 0xfa, 0xed, 0xfe, 7, 0, 0, 1, ...new Array<number>(24).fill(0)]),
    );
    const result = await scan([real]);
    const { found, problems, leftOut } = result.lookedAt;
    // Counted by names alone: what ends like a plugin, and is not inside of a bundle.
    const candidates = readdirSync(real, { recursive: true, encoding: 'utf8' }).filter(
      (path) => /\.(lv2|vst3|clap|so|dll|dylib)$/.test(path) && !/\.(lv2|vst3)\//.test(path),
    );
    expect(found + problems + leftOut.length).toBe(candidates.length);
    expect(found).toBe(new Set(result.builds.map((build) => build.path)).size);
    expect(problems).toBe(2);
    expect(reasons(result)).toEqual([
      'real/clap/lamp.clap double real/clap/lantern.clap',
      'real/lv2/words.lv2 data-only',
      'real/vst/._weathercock.so side-file',
      'real/vst/helper.so no-plugin',
      'real/vst/mac.dylib other-system',
    ]);
  });
});

describe('links between folders of the list', () => {
  it('scanning one folder, the other, or both tells the same, in any order', async () => {
    const a = await tree('a');
    await mkdir(at('b'));
    await symlink(join(a, 'clap'), at('b/clap'));
    await symlink(join(a, 'vst/weathercock.so'), at('b/cock.so'));
    await symlink(a, at('c'));
    const added = [at('c'), at('b'), a];
    const standing = async (paths: readonly string[], known = new Map<string, never>()) => {
      const result = await scan(paths, { added, known });
      return {
        places: result.places.map((place) => place.path),
        doubles: reasons(result).filter((one) => one.includes('double')),
        result,
      };
    };
    const all = await standing(added);
    const alone = await Promise.all(added.map((path) => standing([path])));
    expect(all.places.filter((path) => !path.startsWith(a))).toEqual([]);
    expect([...new Set(alone.flatMap((one) => one.places))].sort()).toEqual(all.places);
    expect(alone.flatMap((one) => one.doubles).sort()).toEqual(all.doubles);
    expect((await standing([...added].reverse())).places).toEqual(all.places);
    expect(alone[1]?.doubles).toEqual([
      'b/clap/lantern.clap double a/clap/lantern.clap',
      'b/cock.so double a/vst/weathercock.so',
    ]);
  });

  it('a link out of all folders: the first path that found it stays, whichever folder is scanned next', async () => {
    const far = await buildToy(at('far/lantern.clap'), 'CLAP');
    for (const name of ['b', 'c']) {
      await mkdir(at(name));
      await symlink(far, at(`${name}/${basename(far)}`));
    }
    const added = [at('b'), at('c')];
    const first = await scan([at('c')], { added });
    expect(first.places.map((place) => place.path)).toEqual([at('c/lantern.clap')]);
    const known = new Map(first.places.map((place) => [place.path, place]));
    const second = await scan(added, { added, known });
    expect([second.places.map((place) => place.path), second.unchanged]).toEqual([[at('c/lantern.clap')], 1]);
    expect(reasons(second)).toEqual(['b/lantern.clap double c/lantern.clap']);
  });

  it('many links to one another end, and are told', async () => {
    for (const name of 'pqrstuv') {
      await mkdir(at(`ring/${name}`), { recursive: true });
      for (const other of 'pqrstuv') await symlink(at(`ring/${other}`), at(`ring/${name}/to-${other}`));
    }
    await cp(await buildToy(at('lantern.clap'), 'CLAP'), at('ring/p/lantern.clap'));
    const result = await scan([at('ring')]);
    expect(result.builds).toHaveLength(1);
    expect(result.lookedAt.leftOut.length + result.faults.length).toBe(49);
  });
});
