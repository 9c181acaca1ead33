// npm run bench: one JSON line per figure, each with the baseline it was measured against in the same run. Machines are shared: read the ratios.
import { mkdtempSync, readdirSync, readFileSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { checkNode, needBuild, needPackages } from './lib/prepare.mjs';
import { endWith, ROOT } from './lib/run.mjs';

const load = (path) => import(pathToFileURL(join(ROOT, path)).href);
const PLUGINS = 10_000;
const ROUNDS = 5;

try {
  checkNode();
  await needPackages();
  await needBuild({ web: false });
  await needBuild();
  await benchScan();
  await benchFind();
  await benchDrawers();
  await benchFiling();
} catch (error) {
  endWith(error);
}

/** The middle of several runs in milliseconds; work and baseline take turns, so that a busy moment meets both. */
async function against(figure, what, work, baseline) {
  const times = { work: [], baseline: [] };
  for (let round = 0; round < ROUNDS; round++) {
    for (const [name, run] of [
      ['work', work],
      ['baseline', baseline],
    ]) {
      const start = performance.now();
      await run();
      times[name].push(performance.now() - start);
    }
  }
  tell(figure, middle(times.work), what, middle(times.baseline));
}

function tell(figure, value, what, baseline) {
  const round = (number) => Number(number.toPrecision(4));
  const line = {
    figure,
    value: round(value),
    unit: 'ms',
    baseline: { what, value: round(baseline) },
    ratio: round(value / baseline),
  };
  process.stdout.write(`${JSON.stringify(line)}\n`);
}

function middle(values) {
  return [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)];
}

async function benchScan() {
  const { layOutComputers } = await load('demo/dist/lay-out-computers.js');
  const { runScan } = await load('scan/dist/run-scan.js');
  const folder = mkdtempSync(join(tmpdir(), 'clever-drawer-bench-'));
  try {
    await layOutComputers(join(folder, 'computers'));
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
      () => runScan([join(folder, 'computers/music-room-mac')]),
      () => readAll(join(folder, 'computers/music-room-mac')),
    );
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

async function inventedPlugins() {
  const { studioPlugins } = await load('demo/dist/studio.js');
  const made = studioPlugins();
  return Array.from({ length: PLUGINS }, (_, index) => {
    const one = made[index % made.length];
    return { id: `plugin-${index}`, name: `${one.name} ${Math.floor(index / made.length) + 1}`, more: one.vendor.name };
  });
}

async function benchFind() {
  const { Finder } = await load('core/dist/search/find-plugins.js');
  const plugins = await inventedPlugins();
  const finder = new Finder(plugins);
  const queries = ['p', 'pl', 'plate', 'tape echo', 'copperhat pl', 'tx73', 'bowed saw', 'zzz'];
  const slowest = (find) => {
    const times = queries.map((query) => {
      const start = performance.now();
      find(query);
      return performance.now() - start;
    });
    return Math.max(...times);
  };
  const [ours, bare] = [[], []];
  for (let round = 0; round < ROUNDS; round++) {
    ours.push(slowest((query) => finder.find(query)));
    bare.push(slowest((query) => plugins.filter((plugin) => plugin.name.toLowerCase().indexOf(query) >= 0)));
  }
  tell(
    `slowest of ${queries.length} searches in ${PLUGINS} plugins`,
    middle(ours),
    'a bare indexOf pass over the same names',
    middle(bare),
  );
}

async function benchDrawers() {
  const { contentsOfDrawers } = await load('core/dist/chests/drawer-contents.js');
  const { emptyArrangement } = await load('core/dist/chests/arrangement.js');
  const plugins = await inventedPlugins();
  const words = [
    'eq',
    'comp',
    'echo',
    'plate',
    'hall',
    'tape',
    'synth',
    'organ',
    'drum',
    'gate',
    'meter',
    'choir',
    'wind',
    'vocoder',
    'chorus',
    'fuzz',
    'gain',
    'width',
    'scope',
    'tune',
  ];
  const rows = words.map((word, index) => [
    word,
    {
      id: word,
      chestId: 'c',
      parentId: null,
      name: word,
      order: `a${index}`,
      rule: { kind: 'keywords', words: [word] },
    },
  ]);
  const state = { ...emptyArrangement(), drawer: new Map(rows) };
  const byId = new Map(plugins.map((plugin) => [plugin.id, plugin]));
  await against(
    `contents of ${words.length} keyword drawers over ${PLUGINS} plugins`,
    'indexOf of the same words in the same names',
    () => contentsOfDrawers(state, byId),
    () => words.map((word) => plugins.filter((plugin) => plugin.name.toLowerCase().indexOf(word) >= 0)),
  );
}

async function benchFiling() {
  const { planChange } = await load('core/dist/chests/plan-change.js');
  const { applyEdits, inverse } = await load('core/dist/chests/edit.js');
  const { emptyArrangement } = await load('core/dist/chests/arrangement.js');
  const plugins = (await inventedPlugins()).slice(0, 5000);
  const names = new Map(plugins.map((plugin) => [plugin.id, plugin.name]));
  const drawer = { id: 'd', chestId: 'c', parentId: null, name: 'All', order: 'a0', rule: null };
  const state = {
    ...emptyArrangement(),
    chest: new Map([['c', { id: 'c', name: 'C', order: 'a0' }]]),
    drawer: new Map([['d', drawer]]),
  };
  const intent = { kind: 'file', drawerIds: ['d'], pluginIds: plugins.map((plugin) => plugin.id) };
  await against(
    'planning, applying and undoing the filing of 5000 plugins',
    'copying the same rows as JSON once',
    () => {
      const { change } = planChange(state, intent, (id) => names.get(id));
      const filed = applyEdits(state, change.edits);
      applyEdits(filed, inverse(change.edits));
    },
    () =>
      JSON.parse(
        JSON.stringify(plugins.map((plugin) => ({ id: plugin.id, drawerId: 'd', pluginId: plugin.id, order: 'a0' }))),
      ),
  );
}
