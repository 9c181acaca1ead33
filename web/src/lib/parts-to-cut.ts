const SHORTEST_CUT = 16;
const LONGEST_LAST_WORD = 10;
const TAIL = 6;

/** A name as what may be cut and what must stay: names that begin alike are told apart by their end. An empty end: nothing is cut. */
export function partsToCut(name: string): readonly [head: string, tail: string] {
  const letters = Array.from(name);
  if (letters.length <= SHORTEST_CUT) return [name, ''];
  const [lastWord = ''] = /\s\S+$/u.exec(name) ?? [];
  const tail =
    lastWord.length > 1 && Array.from(lastWord).length <= LONGEST_LAST_WORD ? lastWord : letters.slice(-TAIL).join('');
  return [name.slice(0, name.length - tail.length), tail];
}
