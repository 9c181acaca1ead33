import { foldedChunks, foldedWords, joined, wordsOf } from '../text/words.js';
import { PLACE_BITS, PLACES } from './costs.js';
import { JoinedNames } from './joined-names.js';
import { startsWithDigit } from './number-words.js';
import { Postings } from './postings.js';
import type { SearchText } from './search-text.js';
import { Vocabulary } from './vocabulary.js';
import { WordPieces } from './word-pieces.js';

const LONGEST_INITIALS = 8;
const SHORTEST_FAR = 2;
const LONGEST_COUNTED_NAME = 15;

/** The words of all texts with the items that they stand in, and where: an inverted index. Made once. */
export class IndexedWords {
  readonly words = new Vocabulary();
  readonly initials = new Vocabulary();
  readonly wordItems = new Postings();
  readonly initialItems = new Postings();
  readonly names = new JoinedNames();
  readonly allInitials = new JoinedNames();
  readonly pieces = new WordPieces();
  /** How many words the name of each item has; 15 for more. */
  readonly lengths: Uint8Array;

  constructor(texts: readonly SearchText[]) {
    const [moreWords, otherWords] = [new Map<string, readonly number[]>(), new Map<string, readonly number[]>()];
    this.lengths = new Uint8Array(texts.length);
    const post = (
      texts: readonly string[],
      known: Map<string, readonly number[]>,
      numbersOf: (text: string) => readonly number[],
      posting: number,
    ): void => {
      for (const text of texts) {
        let numbers = known.get(text);
        if (numbers === undefined) known.set(text, (numbers = numbersOf(text)));
        for (const number of numbers) this.wordItems.add(number, posting);
      }
    };
    texts.forEach(({ names, more, vendor = null, aliases = [], far = [], folders = [] }, item) => {
      for (const name of names) this.addName(name, item);
      this.pieces.add([...(vendor === null ? [] : wordsOf(vendor)), ...wordsOf(names[0] ?? '')]);
      post(more, moreWords, (text) => this.numbersOf(text), (item << PLACE_BITS) | PLACES.more);
      post(aliases, otherWords, (text) => this.plainNumbersOf(text), (item << PLACE_BITS) | PLACES.alias);
      post(far, otherWords, (text) => this.plainNumbersOf(text), (item << PLACE_BITS) | PLACES.far);
      post(folders, otherWords, (text) => this.plainNumbersOf(text), (item << PLACE_BITS) | PLACES.folder);
    });
    this.words.close();
    this.initials.close();
  }

  private addName(name: string, item: number): void {
    const words = wordsOf(name);
    let [initials, before] = ['', ''];
    for (const word of words) {
      this.post(word, (item << PLACE_BITS) | (before === '' ? PLACES.first : PLACES.later));
      // "tx73" is a word for whoever types it: a model number is written with and without its dash.
      if (before !== '' && startsWithDigit(word) !== startsWithDigit(before))
        this.post(before + word, (item << PLACE_BITS) | PLACES.later);
      // "x16" and "jx10" are known by their number alone, too.
      const [number] = /\d+/.exec(word) ?? [];
      if (number !== undefined && number !== word) this.post(number, (item << PLACE_BITS) | PLACES.later);
      if (initials.length < LONGEST_INITIALS) initials += word[0] ?? '';
      before = word;
    }
    // "EchoBox" is one word for whoever types it.
    for (const chunk of foldedChunks(name))
      if (!words.includes(chunk)) this.post(chunk, (item << PLACE_BITS) | PLACES.later);
    this.names.add(words, item);
    if (words.length > 1) this.addInitials(initials, item);
    if (words.length > 2) this.allInitials.add([initials], item);
    if (this.lengths[item] === 0) this.lengths[item] = Math.min(LONGEST_COUNTED_NAME, words.length);
  }

  private post(word: string, posting: number): void {
    this.wordItems.add(this.words.add(word), posting);
  }

  private addInitials(initials: string, item: number): void {
    this.initialItems.add(this.initials.add(initials), item);
  }

  private numbersOf(text: string): readonly number[] {
    const words = wordsOf(text);
    // "ch" for Copper Hat: a vendor's initials are a word of its own.
    const all = words.length > 1 ? [...words, words.map((word) => word[0] ?? '').join(''), joined(text)] : words;
    return [...new Set(all)].map((word) => this.words.add(word));
  }

  /** The words of a synonym, a file or a description. */
  private plainNumbersOf(text: string): readonly number[] {
    return [...new Set(foldedWords(text))]
      .filter((word) => word.length >= SHORTEST_FAR)
      .map((word) => this.words.add(word));
  }
}
