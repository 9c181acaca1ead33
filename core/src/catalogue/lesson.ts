import type { PluginId } from '../ids.js';
import { wordsOf } from '../text/words.js';
import { tradeWordsIn } from './trade-words.js';
import type { TypeId } from './type-tree.js';

/** A plugin as far as a correction of another may teach something about it. `corrected`: the producer has chosen its type already. */
export interface Pupil {
  readonly id: PluginId;
  readonly name: string;
  readonly vendor: string | null;
  readonly types: readonly TypeId[];
  readonly corrected: boolean;
}

/** What a correction teaches: the word that it contradicts, and the other plugins that the same would be true for. */
export interface Lesson {
  readonly word: string;
  readonly vendor: string | null;
  readonly pluginIds: readonly PluginId[];
}

const SHORTEST = 3;

/**
 * What a correction of a plugin's main type teaches about others: those of the same maker (of any, where that one has no more) that say the same word in
 * their name, were taken for the same wrong thing, and were not corrected yet. A trade word comes before others, since it is what misled; of several words
 * the one that most others say. Null where it teaches nothing.
 */
export function lessonOf(plugin: Pupil, type: TypeId, all: readonly Pupil[]): Lesson | null {
  const [wrong] = plugin.types;
  if (wrong === type) return null;
  const words = wordsOf(plugin.name).filter((word) => word.length >= SHORTEST && !/^\d+$/.test(word));
  const trade = new Set(tradeWordsIn(wordsOf(plugin.name)).map((met) => met.text));
  const pupils = all.filter((one) => one.id !== plugin.id && !one.corrected && one.types[0] === wrong);
  for (const vendor of plugin.vendor === null ? [null] : [plugin.vendor, null]) {
    const among = pupils.filter((one) => vendor === null || one.vendor === vendor);
    const lessons = words
      // Only a word of the trade tells anything about the plugins of another maker.
      .filter((word) => vendor !== null || trade.has(word))
      .map((word): Lesson => ({
        word,
        vendor,
        pluginIds: among.filter((one) => wordsOf(one.name).includes(word)).map((one) => one.id),
      }))
      .filter((lesson) => lesson.pluginIds.length > 0);
    const rank = (lesson: Lesson): number => (trade.has(lesson.word) ? all.length : 0) + lesson.pluginIds.length;
    const [best] = lessons.sort((a, b) => rank(b) - rank(a));
    if (best !== undefined) return best;
  }
  return null;
}
