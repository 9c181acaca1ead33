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

const SHORTEST_SPLIT = 26;
const LONGEST_SECOND_LINE = 15;

/** A name for two lines: the first may be cut, the second holds the last words, or the last letters of a long word. An empty second line: the name may wrap as it is. */
export function linesToCut(name: string): readonly [first: string, second: string] {
  if (Array.from(name).length < SHORTEST_SPLIT) return [name, ''];
  const words = name.split(' ');
  let second = '';
  for (let word = words.pop(); word !== undefined && words.length > 0; word = words.pop()) {
    const longer = second === '' ? word : `${word} ${second}`;
    if (Array.from(longer).length > LONGEST_SECOND_LINE) break;
    second = longer;
  }
  if (second === '') second = Array.from(name).slice(-LONGEST_SECOND_LINE).join('');
  return [name.slice(0, name.length - second.length).trimEnd(), second];
}
