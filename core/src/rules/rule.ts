import { fold, wordsOf } from '../text/words.js';

/** The rule of a clever drawer. One kind so far; a reader of rules switches on `kind`. */
export interface KeywordRule {
  readonly kind: 'keywords';
  /** Any of these words is enough. Never empty. */
  readonly words: readonly string[];
}
/** What fills a clever drawer. */
export type Rule = KeywordRule;

/** What a rule looks at. */
export interface Matchable {
  readonly name: string;
}

/** The words typed into a keyword field: parted by commas, semicolons or line ends; folded doubles and empty ones left out. */
export function keywordsOf(typed: string): string[] {
  const seen = new Set<string>();
  return typed
    .split(/[,;\n]+/)
    .map((word) => word.trim().replace(/\s+/g, ' '))
    .filter((word) => {
      const key = wordsOf(word).join(' ');
      if (key === '' || seen.has(key)) return false;
      seen.add(key);
      return true;
    });
}

/** A keyword rule of the typed words; null when they hold none. */
export function keywordRule(typed: string): Rule | null {
  const words = keywordsOf(typed);
  return words.length === 0 ? null : { kind: 'keywords', words };
}

/** A test made once per rule and asked per plugin: keyword "eq" fits "Copper EQ" and "EQ-Tilt", never "Sequencer". */
export function matcherOf(rule: Rule): (plugin: Matchable) => string | null {
  // "tape echo" as a keyword is two words next to each other, the last one maybe only begun.
  const wanted = rule.words.map((word) => ({ word, parts: partsOf(word) }));
  return (plugin) => {
    const words = wordsOfPlugin(plugin);
    const hit = wanted.find(({ parts }) => words.some((_, at) => standsAt(words, parts, at)));
    return hit?.word ?? null;
  };
}

// Many rules look at the same plugins again and again: each name is cut into words once.
const cutNames = new WeakMap<Matchable, readonly string[]>();

function wordsOfPlugin(plugin: Matchable): readonly string[] {
  let words = cutNames.get(plugin);
  if (words === undefined) cutNames.set(plugin, (words = wordsOf(plugin.name)));
  return words;
}

const partsOf = (word: string): string[] =>
  fold(word)
    .split(/[^\p{L}\p{N}]+/u)
    .filter((part) => part !== '');

const standsAt = (words: readonly string[], parts: readonly string[], at: number): boolean =>
  parts.every((part, index) => {
    const word = words[at + index];
    if (word === undefined) return false;
    return index === parts.length - 1 ? word.startsWith(part) : word === part;
  });

/** The rule in words, as it stands under a drawer's label: "eq or filter in the name". */
export function ruleInWords(rule: Rule): string {
  const words = [...rule.words];
  const last = words.pop() ?? '';
  return `${words.length === 0 ? last : `${words.join(', ')} or ${last}`} in the name`;
}
