// Plugins of the bench: invented, and the same in every run.
import { load } from './measure.mjs';

/** Numbers from 0 to 1 that are the same in every run (Park and Miller, 1988). */
export function numbers(seed) {
  let state = seed % 2147483647;
  return () => (state = (state * 48271) % 2147483647) / 2147483647;
}

/** Names of two or three words, many with a model number, no two alike; one in twenty has a nickname. */
export async function inventPlugins(random, count) {
  const { FIRST_HALVES, SECOND_HALVES, KIND_WORDS } = await load('demo/dist/names.js');
  const { VENDORS } = await load('demo/dist/vendors.js');
  const pick = (list) => list[Math.floor(random() * list.length)];
  const types = Object.keys(KIND_WORDS);
  const seconds = ['Old', 'Bright', 'Wooden', 'Silver', 'Lantern', 'Harbour', 'Puppet', 'Thunder', 'Goose', 'Mill'];
  const vendors = [
    ...VENDORS.map((vendor) => vendor.name),
    ...Array.from(
      { length: 300 },
      () => `${pick(FIRST_HALVES)}${pick(SECOND_HALVES)} ${pick(['Sound', 'Audio', 'Works', 'Tools'])}`,
    ),
  ];
  const taken = new Set();
  const plugins = [];
  while (plugins.length < count) {
    const invented = `${pick(FIRST_HALVES)}${pick(SECOND_HALVES)}`;
    const middleWord = random() < 0.5 ? ` ${pick(seconds)}` : '';
    const model = random() < 0.4 ? ` ${letters(random, 2)}-${Math.floor(random() * 990) + 10}` : '';
    const type = pick(types);
    const name = `${invented}${middleWord} ${pick(KIND_WORDS[type]) || 'One'}${model}`;
    if (taken.has(name)) continue;
    taken.add(name);
    const nickname = random() < 0.05 ? `the ${pick(seconds).toLowerCase()} ${letters(random, 5).toLowerCase()}` : null;
    plugins.push({ name, nickname, vendor: pick(vendors), type, model: model.trim() });
  }
  return plugins.sort((a, b) => (a.name < b.name ? -1 : 1));
}

const letters = (random, count) =>
  Array.from({ length: count }, () => String.fromCharCode(65 + Math.floor(random() * 26))).join('');
