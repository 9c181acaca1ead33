import { execFileSync } from 'node:child_process';
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { DiskPlace } from '../src/disk-place';
import { presentFolders, usualFolders } from '../src/usual-folders';

const paths = (around: Parameters<typeof usualFolders>[0]): string[] =>
  usualFolders(around).map((folder) => folder.path);

describe('the usual plugin folders', () => {
  // The formats' documentation; the Windows places of VST2 and CLAP from memory.
  it('of Linux, with those that the environment names first', () => {
    const found = usualFolders({ system: 'linux', home: '/home/bench', env: { LV2_PATH: '/a:/b', CLAP_PATH: '' } });
    expect(found.slice(0, 3).map((folder) => folder.path)).toEqual(['/a', '/b', '/home/bench/.lv2']);
    const all = found.map((folder) => folder.path);
    for (const path of [
      '/usr/lib/lv2',
      '/usr/lib/vst3',
      '/home/bench/.vst3',
      '/home/bench/.clap',
      '/usr/lib/clap',
      '/usr/lib/vst',
      '/usr/lib/ladspa',
    ]) {
      expect(all).toContain(path);
    }
    expect(all).not.toContain('');
    expect(new Set(all).size).toBe(all.length);
  });

  it('of macOS, the own before those of everyone', () => {
    const found = paths({ system: 'mac', home: '/Users/bench', env: {} });
    expect(found.slice(0, 2)).toEqual([
      '/Users/bench/Library/Audio/Plug-Ins/Components',
      '/Library/Audio/Plug-Ins/Components',
    ]);
    expect(found).toHaveLength(12);
    expect(found.slice(-2)).toEqual(['/Users/bench/Library/Audio/Presets', '/Library/Audio/Presets']);
  });

  it('of Windows, by its variables, leaving out what is not set', () => {
    const found = paths({
      system: 'windows',
      home: '',
      env: { COMMONPROGRAMFILES: 'C:\\Program Files\\Common Files' },
    });
    expect(found).toEqual(['VST3', 'CLAP', 'VST2', 'LV2'].map((name) => `C:\\Program Files\\Common Files\\${name}`));
  });

  it('one folder of two formats is one proposal', () => {
    const found = usualFolders({ system: 'linux', home: '/h', env: { LV2_PATH: '/both', CLAP_PATH: '/both' } });
    expect(found.find((folder) => folder.path === '/both')?.formats).toEqual(['LV2', 'CLAP']);
  });

  it('only those that are there are proposed', () => {
    const around = { system: 'linux', home: '/h', env: {} } as const;
    expect(presentFolders(around, (path) => path === '/usr/lib/lv2')).toEqual([
      { path: '/usr/lib/lv2', formats: ['LV2'] },
    ]);
  });
});

describe('a place on disk', () => {
  let folder: string;
  beforeEach(async () => {
    folder = await mkdtemp(join(tmpdir(), 'clever-drawer-place-'));
    await writeFile(join(folder, 'text.txt'), '0123456789');
  });
  afterEach(() => rm(folder, { recursive: true, force: true }));

  it('reads parts and wholes, and tells what is absent', async () => {
    const place = new DiskPlace(folder, true);
    expect(await place.size('text.txt')).toBe(10);
    expect(await place.size('absent')).toBeNull();
    expect(await place.list('absent')).toEqual([]);
    const part = await place.part('text.txt', 8, 100);
    expect(part.ok && Buffer.from(part.value).toString()).toBe('89');
    expect(await place.part('text.txt', 50, 4)).toEqual({ ok: true, value: new Uint8Array(0) });
    expect(await place.whole('text.txt', 5)).toMatchObject({ ok: false, fault: { code: 'file-too-large' } });
    expect(await place.whole('absent', 5)).toMatchObject({
      ok: false,
      fault: { code: 'file-unreadable', detail: 'ENOENT' },
    });
  });

  it('never leaves its folder', async () => {
    const place = new DiskPlace(folder, true);
    for (const outside of ['../../etc/passwd', '../', 'a/../../x']) expect(await place.size(outside)).toBeNull();
    expect(await place.size('a/../text.txt')).toBe(10);
  });

  it('does not wait for a named pipe', async () => {
    execFileSync('mkfifo', [join(folder, 'pipe.vst3')]);
    const place = new DiskPlace(join(folder, 'pipe.vst3'), false);
    expect(await place.size('')).toBeNull();
    expect(await place.part('', 0, 16)).toMatchObject({ ok: false, fault: { code: 'file-unreadable' } });
  });
});
