// First scans and rescans: LV2 against liblilv on the same folder, LADSPA asked, the demo computer.
import { execFileSync } from 'node:child_process';
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { has } from '../lib/run.mjs';
import { writeBundles } from './invented-lv2.mjs';
import { against, load, middle, tell } from './measure.mjs';

const BUNDLES = 8000;
const REAL_ROUNDS = 3;
const here = (name) => fileURLToPath(new URL(`./${name}`, import.meta.url));
const oneScan = (...folders) =>
  JSON.parse(execFileSync(process.execPath, [here('one-scan.mjs'), ...folders], { encoding: 'utf8' }));

export async function benchScans() {
  const folder = mkdtempSync(join(tmpdir(), 'clever-drawer-bench-'));
  try {
    writeBundles(join(folder, 'large'), BUNDLES);
    benchLv2(join(folder, 'large'), `${BUNDLES} invented LV2 bundles`, folder);
    if (existsSync('/usr/lib/lv2')) benchLv2('/usr/lib/lv2', 'the LV2 bundles of this machine', folder);
    writeBundles(join(folder, 'three'), 3000);
    writeBundles(join(folder, 'five'), 5000);
    benchRescan(join(folder, 'three'), '3000 LV2 builds');
    benchMemory(join(folder, 'five'));
    if (existsSync('/usr/lib/ladspa')) benchRescan('/usr/lib/ladspa', 'the LADSPA plugins of this machine, asked');
    await benchDemo(folder);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

function benchLv2(plugins, what, folder) {
  if (!has('gcc') || !existsSync('/usr/include/lilv-0/lilv/lilv.h')) {
    process.stderr.write('liblilv-dev or gcc is missing: no figure against liblilv. npm test installs both.\n');
    return;
  }
  const program = join(folder, 'time-liblilv');
  execFileSync('sh', [
    '-c',
    'gcc -O2 -o "$0" "$1" $(pkg-config --cflags --libs lilv-0)',
    program,
    here('time-liblilv.c'),
  ]);
  const [ours, theirs] = [[], []];
  for (let round = 0; round < REAL_ROUNDS; round++) {
    ours.push(oneScan(plugins).first);
    theirs.push(JSON.parse(execFileSync(program, { encoding: 'utf8', env: { ...process.env, LV2_PATH: plugins } })).ms);
  }
  tell(`first scan of ${what}`, middle(ours), "liblilv: every bundle, every plugin's data", middle(theirs));
}

function benchRescan(plugins, what) {
  const runs = Array.from({ length: REAL_ROUNDS }, () => oneScan(plugins));
  const of = (key) => middle(runs.map((run) => run[key]));
  tell(`rescan of ${what} without changes`, of('rescan'), 'the first scan of the same', of('first'));
}

function benchMemory(plugins) {
  const { megabytes, builds } = oneScan(plugins);
  tell(`most memory of a scan of ${builds} LV2 builds and its rescan`, megabytes, 'the limit', 600, 'MB');
}

async function benchDemo(folder) {
  const { layOutComputers } = await load('demo/dist/lay-out-computers.js');
  const { runScan } = await load('scan/dist/run-scan.js');
  await layOutComputers(join(folder, 'computers'));
  const mac = join(folder, 'computers/music-room-mac');
  const readAll = (path) => {
    for (const name of readdirSync(path)) {
      const inner = join(path, name);
      if (statSync(inner).isDirectory()) readAll(inner);
      else readFileSync(inner);
    }
  };
  await against(
    'scan of the demo Mac',
    'reading the same files whole, one after the other',
    () => runScan([mac]),
    () => readAll(mac),
  );
}
