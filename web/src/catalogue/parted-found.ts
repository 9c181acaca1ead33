import { pluginOfItem } from '@clever-drawer/core/chests/item';
import { wordsOf } from '@clever-drawer/core/text/words';
import type { ChosenItem } from './chosen-catalogue';
import type { Found } from './use-search';

/** Places of the plugins that were found, and the presets and chains. */
export interface PartedFound {
  readonly plugins: Uint32Array;
  readonly presets: readonly ChosenItem[];
}

/**
 * What was found among plugins, and presets and chains behind them. A preset is told of where all that was typed names it, and not where its plugin is found by the same
 * words: presets called alike are many, and would hide what a guess at a plugin has found.
 */
export function partedFound(
  items: readonly ChosenItem[],
  { numbers, typed }: Pick<Found, 'numbers' | 'typed'>,
): PartedFound {
  const plugins = numbers.filter((number) => items[number]?.preset === null && items[number].chain === undefined);
  // Often nothing but plugins was found, tens of thousands of them.
  if (plugins.length === numbers.length) return { plugins, presets: [] };
  const isNamed = namedBy(typed);
  const found = new Set(Array.from(plugins, (number) => items[number]?.id));
  const presets = Array.from(numbers, (number) => items[number]).filter(
    (item) =>
      item !== undefined &&
      (item.chain !== undefined || (item.preset !== null && !found.has(pluginOfItem(item.id)) && isNamed(item))),
  );
  return { plugins, presets: presets as ChosenItem[] };
}

/** Whether each typed word begins a word of a preset, its bank, its plugin or vendor, or is the initials of one of them. */
function namedBy(typed: string): (item: ChosenItem) => boolean {
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
