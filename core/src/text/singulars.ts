/** English plurals, as people type them. */
const PLURAL_ENDINGS: readonly (readonly [ending: string, singular: string])[] = [
  ['ies', 'y'],
  ['sses', 'ss'],
  ['ches', 'ch'],
  ['shes', 'sh'],
  ['xes', 'x'],
  ['oes', 'o'],
  ['s', ''],
];
const SHORTEST_SINGULAR = 2;

/** What a word may be the plural of: "delays" of "delay", "eqs" of "eq". None where it is no plural. Folded words. */
export function singularsOf(word: string): readonly string[] {
  if (word.endsWith('ss') || word.endsWith('us') || word.endsWith('is'))
    return word.endsWith('choruses') ? ['chorus'] : [];
  const found: string[] = [];
  for (const [ending, singular] of PLURAL_ENDINGS) {
    if (!word.endsWith(ending)) continue;
    const stem = word.slice(0, -ending.length) + singular;
    if (stem.length >= SHORTEST_SINGULAR) found.push(stem);
    if (ending !== 's' && ending !== 'oes') break;
  }
  if (word.endsWith('uses')) found.push(word.slice(0, -2));
  return found;
}
