// Drawers and filing over invented plugins.
import { against, load } from './measure.mjs';

const PLUGINS = 10_000;

export async function benchArranging() {
  await benchDrawers();
  await benchFiling();
}

async function inventedPlugins() {
  const { studioPlugins } = await load('demo/dist/studio.js');
  const made = studioPlugins();
  return Array.from({ length: PLUGINS }, (_, index) => {
    const one = made[index % made.length];
    return { id: `plugin-${index}`, name: `${one.name} ${Math.floor(index / made.length) + 1}`, more: one.vendor.name };
  });
}

async function benchDrawers() {
  const { contentsOfDrawers } = await load('core/dist/chests/drawer-contents.js');
  const { emptyArrangement } = await load('core/dist/chests/arrangement.js');
  const { ruledOf } = await load('core/dist/chests/ruled.js');
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
      sort: null,
      rule: { kind: 'keywords', words: [word] },
    },
  ]);
  const state = { ...emptyArrangement(), drawer: new Map(rows) };
  const byId = new Map(plugins.map((plugin) => [plugin.id, plugin]));
  await against(
    `contents of ${words.length} keyword drawers over ${PLUGINS} plugins`,
    'indexOf of the same words in the same names',
    // Another map each time: nothing is remembered of it.
    () => {
      const items = new Map(byId);
      const ruled = ruledOf({ state, items, traits: new Map(), presets: false, today: '2026-12-01' });
      return contentsOfDrawers(state, items, ruled);
    },
    () => words.map((word) => plugins.filter((plugin) => plugin.name.toLowerCase().indexOf(word) >= 0)),
  );
}

async function benchFiling() {
  const { planChange } = await load('core/dist/chests/plan-change.js');
  const { applyEdits, inverse } = await load('core/dist/chests/edit.js');
  const { emptyArrangement } = await load('core/dist/chests/arrangement.js');
  const plugins = (await inventedPlugins()).slice(0, 5000);
  const names = new Map(plugins.map((plugin) => [plugin.id, plugin.name]));
  const drawer = { id: 'd', chestId: 'c', parentId: null, name: 'All', order: 'a0', rule: null, sort: null };
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
