import uFuzzy from '@leeoniya/ufuzzy';
import { singularsOf } from '../text/singulars.js';
import { slipOf } from '../text/one-edit.js';
import { isWithinTwoEdits } from '../text/two-edits.js';

/** How a typed word met a word of the vocabulary, best first. */
export const TIERS = [
  'whole',
  'plural',
  'beginning',
  'begun plural',
  'inside',
  'slip',
  'begun slip',
  'two slips',
  'loose',
] as const;
/** How a word was met, the surest first. */
export type Tier = (typeof TIERS)[number];

/** A word of the vocabulary that may be meant, and how it was met. */
export interface Candidate {
  readonly word: number;
  readonly tier: Tier;
}

// Letters left out are people's own abbreviations ("cmprssr"): up to two after each letter that was typed.
const LEFT_OUT = 2;
const SHORTEST_INSIDE = 3;
const SHORTEST_SLIP = 4;
const SHORTEST_TWO_SLIPS = 8;

/** The distinct words of everything that can be found, and which of them a typed word may stand for. */
export class Vocabulary {
  private readonly numbers = new Map<string, number>();
  private readonly words: string[] = [];
  private sorted: Int32Array = new Int32Array(0);
  private readonly loose = new uFuzzy({ intraIns: LEFT_OUT });

  /** The number of a word; it is added when it is new. */
  add(word: string): number {
    const known = this.numbers.get(word);
    if (known !== undefined) return known;
    const number = this.words.length;
    this.words.push(word);
    this.numbers.set(word, number);
    return number;
  }

  get size(): number {
    return this.words.length;
  }

  /** The number of a word; undefined when it is none of the vocabulary. */
  numberOf(word: string): number | undefined {
    return this.numbers.get(word);
  }

  /** To be called once after the last word. */
  close(): void {
    // Without a comparer words are sorted as plain text, which is what is wanted, and several times as fast.
    this.sorted = Int32Array.from([...this.words].sort(), (word) => this.numbers.get(word) ?? 0);
  }

  /** The word itself and those that begin with it. */
  begunBy(typed: string): Candidate[] {
    const found: Candidate[] = [];
    for (let at = this.firstFrom(typed); at < this.sorted.length; at++) {
      const word = this.sorted[at] ?? 0;
      const text = this.words[word] ?? '';
      if (!text.startsWith(typed)) break;
      found.push({ word, tier: text.length === typed.length ? 'whole' : 'beginning' });
    }
    return found;
  }

  /** What a plural may stand for: the singular itself and the words that begin with it. */
  begunBySingularOf(typed: string): Candidate[] {
    return singularsOf(typed).flatMap((singular) =>
      this.begunBy(singular).map(({ word, tier }): Candidate => ({
        word,
        tier: tier === 'whole' ? 'plural' : 'begun plural',
      })),
    );
  }

  /** Words that hold it further inside. */
  holding(typed: string): Candidate[] {
    const found: Candidate[] = [];
    if (typed.length < SHORTEST_INSIDE) return found;
    this.words.forEach((text, word) => {
      if (text.indexOf(typed, 1) > 0) found.push({ word, tier: 'inside' });
    });
    return found;
  }

  /** Words, or beginnings of words, that it is one slip of the hand away from. */
  near(typed: string): Candidate[] {
    const found: Candidate[] = [];
    if (typed.length < SHORTEST_SLIP) return found;
    this.words.forEach((text, word) => {
      const slip = text.length + 1 < typed.length ? null : slipOf(typed, text);
      if (slip !== null) found.push({ word, tier: slip === 'whole' ? 'slip' : 'begun slip' });
    });
    return found;
  }

  /** Words that a long one is two slips of the hand away from. */
  nearer(typed: string): Candidate[] {
    const found: Candidate[] = [];
    if (typed.length < SHORTEST_TWO_SLIPS) return found;
    this.words.forEach((text, word) => {
      if (Math.abs(text.length - typed.length) <= 2 && isWithinTwoEdits(typed, text))
        found.push({ word, tier: 'two slips' });
    });
    return found;
  }

  /** Words that it may stand for when nothing nearer was found: its letters in their order, few left out between them. */
  far(typed: string): Candidate[] {
    if (typed.length < SHORTEST_INSIDE) return [];
    return (this.loose.filter(this.words, typed) ?? []).map((word) => ({ word, tier: 'loose' }));
  }

  private firstFrom(typed: string): number {
    let [low, high] = [0, this.sorted.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (compare(this.words[this.sorted[middle] ?? 0] ?? '', typed) < 0) low = middle + 1;
      else high = middle;
    }
    return low;
  }
}

const compare = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);
