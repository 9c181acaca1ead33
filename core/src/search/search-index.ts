import { fold, foldedChunks, joined, wordsOf } from '../text/words.js';
import { COSTS, INITIALS, MORE_WORD, PLACE_COSTS, PLACES, TOGETHER } from './costs.js';
import { JoinedNames } from './joined-names.js';
import { Postings } from './postings.js';
import type { Candidate } from './vocabulary.js';
import { Vocabulary } from './vocabulary.js';

/** What one thing can be found by: its names (the shown one first), and further words that count a little less. */
export interface SearchText {
  readonly names: readonly string[];
  /** Vendor, type, tags. */
  readonly more: readonly string[];
}

/** Below this many results, less certain ways of reading what was typed are tried too. */
const FEW = 5;

const NOT_MET = 255;
const SCORES = 4096;
const INSIDE_SCORE = 24;
const WHOLE_SCORE = 0;
const BEGUN_SCORE = 1;
const LONGEST_INITIALS = 8;
const SHORTEST_JOINED = 4;
const SHORTEST_PART = 2;
const LONGEST_PARTS = 12;
const LONGEST_INSIDE_INITIALS = 4;

/** How far a typed word is read: as words that begin with it, as pieces of names too, or as beginnings of several words too. */
type Reach = 'begun' | 'inside' | 'parts';

/** A typed word, what it may stand for, and how many items it fits. */
interface Typed {
  readonly word: string;
  found: readonly Candidate[];
  reach: Reach;
  items?: number;
}

/**
 * Finds things by what people type: words in any order, beginnings of words, also of two words typed together, model numbers without punctuation,
 * initials of all or some words, slips of the hand, pieces from inside a word, and abbreviations of their own making. Made once, asked per keystroke;
 * results are numbers of the given texts, best first, equal ones in the given order.
 */
export class SearchIndex {
  private readonly words = new Vocabulary();
  private readonly initials = new Vocabulary();
  private readonly wordItems = new Postings();
  private readonly initialItems = new Postings();
  private readonly names = new JoinedNames();
  private readonly allInitials = new JoinedNames();
  private readonly lengths: Uint8Array;
  private readonly cost: Uint8Array;
  private readonly total: Uint16Array;
  private readonly met: Uint8Array;
  private readonly marks: Uint8Array;

  constructor(texts: readonly SearchText[]) {
    const moreWords = new Map<string, readonly number[]>();
    this.lengths = new Uint8Array(texts.length);
    this.cost = new Uint8Array(texts.length);
    this.total = new Uint16Array(texts.length);
    this.met = new Uint8Array(texts.length);
    this.marks = new Uint8Array(texts.length);
    texts.forEach(({ names, more }, item) => {
      for (const name of names) this.addName(name, item);
      for (const text of more) {
        let numbers = moreWords.get(text);
        if (numbers === undefined) moreWords.set(text, (numbers = this.numbersOf(text)));
        for (const number of numbers) this.wordItems.add(number, (item << 2) | PLACES.more);
      }
    });
    this.words.close();
    this.initials.close();
  }

  get size(): number {
    return this.lengths.length;
  }

  /**
   * The numbers of what fits, best first; all of them, in order, for a text without letters and digits. `sure` leaves out what was maybe meant:
   * for boxes in which Enter acts on the first result. Never throws.
   */
  find(typed: string, sure = false): Uint32Array {
    const wanted = fold(typed)
      .split(/[^\p{L}\p{N}]+/u)
      .filter((word) => word !== '')
      .slice(0, 12);
    if (wanted.length === 0) return Uint32Array.from({ length: this.size }, (_, item) => item);
    this.total.fill(0);
    this.met.fill(0);
    const read = wanted.map((word): Typed => ({ word, found: this.words.begunBy(word), reach: 'begun' }));
    let count = this.meet(read);
    if (count < FEW) count = this.widened(read, 'inside', (word) => this.words.holding(word));
    if (sure) return this.ranked(wanted.length, wanted.length);
    // What was typed right is not mixed with what might have been meant: less certain readings are tried when nothing else fits.
    if (count === 0) count = this.widened(read, 'parts', () => []);
    if (count === 0) count = this.widened(read, 'parts', (word) => this.words.near(word));
    if (count === 0)
      count = this.widened(read, 'parts', (word) => [...this.words.nearer(word), ...this.words.far(word)]);
    return this.ranked(count > 0 ? wanted.length : this.mostMet(), wanted.length);
  }

  /** Words that fit nothing at all ("the big plate") do not hide what the others fit. */
  private mostMet(): number {
    return Math.max(
      1,
      this.met.reduce((best, count) => Math.max(best, count), 0),
    );
  }

  /**
   * Reads words in a less certain way: first those alone that nothing was found for, so that a slip in one word does not make the others vague; then, when
   * that brings nothing, all of them.
   */
  private widened(typed: Typed[], reach: Reach, more: (word: string) => readonly Candidate[]): number {
    const lost = typed.filter((one) => one.items === 0);
    const widen = (one: Typed): void => {
      const known = new Set(one.found.map((candidate) => candidate.word));
      one.found = [...one.found, ...more(one.word).filter((candidate) => !known.has(candidate.word))];
      one.reach = reach;
    };
    lost.forEach(widen);
    const count = lost.length > 0 ? this.meet(typed) : 0;
    if (count > 0 || lost.length === typed.length) return count;
    for (const one of typed) if (!lost.includes(one)) widen(one);
    return this.meet(typed);
  }

  private addName(name: string, item: number): void {
    const words = wordsOf(name);
    let [initials, whole, before] = ['', '', ''];
    for (const word of words) {
      this.post(word, (item << 2) | (before === '' ? PLACES.first : PLACES.later));
      // "tx73" is a word for whoever types it: a model number is written with and without its dash.
      if (before !== '' && startsWithDigit(word) !== startsWithDigit(before))
        this.post(before + word, (item << 2) | PLACES.later);
      if (initials.length < LONGEST_INITIALS) initials += word[0] ?? '';
      whole += word;
      before = word;
    }
    // "EchoBox" is one word for whoever types it.
    for (const chunk of foldedChunks(name)) if (!words.includes(chunk)) this.post(chunk, (item << 2) | PLACES.later);
    this.names.add(whole, item);
    if (words.length > 1) this.addInitials(initials, item);
    if (words.length > 2) this.allInitials.add(initials, item);
    if (this.lengths[item] === 0) this.lengths[item] = Math.min(15, words.length);
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

  /** Adds up what each item costs; returns how many items every word fits. */
  private meet(typed: readonly Typed[]): number {
    const { total, met, cost } = this;
    total.fill(0);
    met.fill(0);
    for (const one of typed) {
      const { word, found, reach } = one;
      cost.fill(NOT_MET);
      for (const { word: number, tier } of found) this.price(number, COSTS[tier]);
      if (word.length > 1) this.priceInitials(word);
      if (reach !== 'begun' && typed.length > 1) this.priceTogether(word);
      if (reach === 'parts') this.priceBeginnings(word);
      one.items = 0;
      for (let item = 0; item < cost.length; item++) {
        const price = cost[item] ?? NOT_MET;
        if (price === NOT_MET) continue;
        one.items++;
        met[item] = (met[item] ?? 0) + 1;
        total[item] = (total[item] ?? 0) + price;
      }
    }
    this.meetJoined(typed.map((one) => one.word));
    let count = 0;
    for (let item = 0; item < met.length; item++) if (met[item] === typed.length) count++;
    return count;
  }

  private lower(item: number, price: number): void {
    if (price < (this.cost[item] ?? NOT_MET)) this.cost[item] = price;
  }

  /** One word among others that is several words of a name, written together; or the initials of some of them. */
  private priceTogether(word: string): void {
    if (word.length >= SHORTEST_JOINED) {
      this.names.begunBy(word, (item) => this.lower(item, TOGETHER.begun));
      this.names.holding(word, (item) => this.lower(item, TOGETHER.inside));
    }
    if (word.length > 1 && word.length <= LONGEST_INSIDE_INITIALS)
      this.allInitials.holding(word, (item) => this.lower(item, INITIALS.inside));
  }

  /** The beginnings of two words of one name, typed together: "copla" for Copper Plate. */
  private priceBeginnings(word: string): void {
    if (word.length < 2 * SHORTEST_PART || word.length > LONGEST_PARTS) return;
    for (let at = SHORTEST_PART; at <= word.length - SHORTEST_PART; at++) {
      const second = this.words.begunBy(word.slice(at));
      if (second.length === 0) continue;
      const { marks } = this;
      marks.fill(0);
      for (const { word: number } of this.words.begunBy(word.slice(0, at)))
        for (const posting of this.wordItems.of(number)) if ((posting & 3) !== PLACES.more) marks[posting >> 2] = 1;
      for (const { word: number } of second)
        for (const posting of this.wordItems.of(number))
          if ((posting & 3) === PLACES.later && marks[posting >> 2] === 1)
            this.lower(posting >> 2, TOGETHER.beginnings);
    }
  }

  private price(word: number, base: number): void {
    const { cost } = this;
    for (const posting of this.wordItems.of(word)) {
      const item = posting >> 2;
      const price = base + (PLACE_COSTS[posting & 3] ?? MORE_WORD);
      if (price < (cost[item] ?? NOT_MET)) cost[item] = price;
    }
  }

  private priceInitials(typed: string): void {
    const { cost } = this;
    for (const { word, tier } of this.initials.begunBy(typed)) {
      const price = tier === 'whole' ? INITIALS.whole : INITIALS.beginning;
      for (const item of this.initialItems.of(word)) if (price < (cost[item] ?? NOT_MET)) cost[item] = price;
    }
  }

  /** What was typed, without its blanks, as one piece of a name. */
  private meetJoined(wanted: readonly string[]): void {
    const { total, met } = this;
    const whole = wanted.join('');
    const score = (item: number, value: number): void => {
      if (met[item] === wanted.length && (total[item] ?? 0) <= value) return;
      met[item] = wanted.length;
      total[item] = value;
    };
    if (whole.length >= SHORTEST_JOINED) this.names.holding(whole, (item) => score(item, INSIDE_SCORE));
    this.names.begunBy(whole, (item, isWhole) => {
      met[item] = wanted.length;
      total[item] = isWhole ? WHOLE_SCORE : BEGUN_SCORE;
    });
  }

  /** Items that enough words fit, by their cost; of equal ones shorter names first, then the given order. */
  private ranked(enough: number, all: number): Uint32Array {
    const { met, total, lengths } = this;
    const counts = new Uint32Array(SCORES + 1);
    const scoreOf = (item: number): number => {
      const missing = (all - (met[item] ?? 0)) * 1024;
      return Math.min(
        SCORES - 1,
        missing + Math.min(255, total[item] ?? 0) * 4 + Math.min(3, (lengths[item] ?? 0) >> 1),
      );
    };
    let count = 0;
    for (let item = 0; item < met.length; item++) {
      if ((met[item] ?? 0) < enough) continue;
      count++;
      const slot = scoreOf(item) + 1;
      counts[slot] = (counts[slot] ?? 0) + 1;
    }
    for (let score = 1; score <= SCORES; score++) counts[score] = (counts[score] ?? 0) + (counts[score - 1] ?? 0);
    const result = new Uint32Array(count);
    for (let item = 0; item < met.length; item++) {
      if ((met[item] ?? 0) < enough) continue;
      const score = scoreOf(item);
      const at = counts[score] ?? 0;
      result[at] = item;
      counts[score] = at + 1;
    }
    return result;
  }
}

function startsWithDigit(word: string): boolean {
  const code = word.charCodeAt(0);
  return code >= 48 && code <= 57;
}
