import { pluginOfItem } from '@clever-drawer/core/chests/item';
import { wordsOf } from '@clever-drawer/core/text/words';
import type { ChosenItem } from './chosen-catalogue';
import type { Found } from './use-search';

/** A preset or chain that was found, and its rank among all that was found. */
export interface RankedItem {
  readonly item: ChosenItem;
  readonly rank: number;
}

/** Places of the plugins that were found, best first, and the presets and chains with their ranks; `ranks`: those of the plugins, by place. */
export interface PartedFound {
  readonly plugins: Uint32Array;
  readonly presets: readonly RankedItem[];
  readonly ranks: Uint32Array;
}

/**
 * What was found among plugins, and among presets and chains. A preset is told of where all that was typed names it, and not where its plugin is found by the same
 * words: presets called alike are many, and would hide what a guess at a plugin has found.
 */
export function partedFound(
  items: readonly ChosenItem[],
  { numbers, typed }: Pick<Found, 'numbers' | 'typed'>,
): PartedFound {
  const plugins = numbers.filter((number) => items[number]?.preset === null && items[number].chain === undefined);
  // Often nothing but plugins was found, tens of thousands of them.
  if (plugins.length === numbers.length) return { plugins, presets: [], ranks: NO_RANKS };
  const isNamed = findReferences(typed);
  const found = new Set(Array.from(plugins, (number) => items[number]?.id));
  const presets: RankedItem[] = [];
  const ranks = new Uint32Array(items.length);
  numbers.forEach((number, rank) => {
    ranks[number] = rank;
    const item = items[number];
    if (item === undefined) return;
    const isPreset = item.preset !== null && !found.has(pluginOfItem(item.id)) && isNamed(item);
    if (item.chain !== undefined || isPreset) presets.push({ item, rank });
  });
  return { plugins, presets, ranks };
}

/** The ranks of nothing that was found. */
export const NO_RANKS = new Uint32Array();

/** Plugins, presets and chains in one order, by their ranks. `plugins`: some of the places that were found, in order. */
export function mergeByRank(
  plugins: Uint32Array,
  items: readonly ChosenItem[],
  { presets, ranks }: Pick<PartedFound, 'presets' | 'ranks'>,
): ChosenItem[] {
  const merged: ChosenItem[] = [];
  let next = 0;
  for (const number of plugins) {
    for (let one = presets[next]; one !== undefined && one.rank < (ranks[number] ?? 0); one = presets[++next])
      merged.push(one.item);
    const item = items[number];
    if (item !== undefined) merged.push(item);
  }
  return [...merged, ...presets.slice(next).map((one) => one.item)];
}

/** Whether each typed word begins a word of a preset, its bank, its plugin or vendor, or is the initials of one of them. */
function findReferences(typed: string): (item: ChosenItem) => boolean {
  const wanted = wordsOf(typed);
  return ({ name, givenName, vendor, preset, naming }) => {
    const texts = [name, givenName, vendor ?? '', preset?.bank ?? '', ...(naming?.tags ?? [])].map(wordsOf);
    const initials = [preset?.plugin ?? '', preset?.name ?? '', vendor ?? ''].map((text) =>
      wordsOf(text)
        .map((word) => word[0] ?? '')
        .join(''),
    );
    return wanted.every((one) => [...texts.flat(), ...initials].some((word) => word.startsWith(one)));
  };
}
