import { fold } from '../text/words.js';
import {
  commonness,
  COSTS,
  INITIALS,
  JOINED_SCORES,
  MORE_WORD,
  PLACE_BITS,
  PLACE_COSTS,
  PLACES,
  TOGETHER,
  WHOLE_NAME_WORD,
} from './costs.js';
import { IndexedWords } from './indexed-words.js';
import { withDigits, wordsForDigits } from './number-words.js';
import { rankItems } from './rank-items.js';
import type { SearchText } from './search-text.js';
import type { Candidate, Tier } from './vocabulary.js';

/** Below this many results, less certain ways of reading what was typed are tried too. */
const FEW = 5;

const NOT_MET = 255;
const PLACE_MASK = (1 << PLACE_BITS) - 1;
const SHORTEST_JOINED = 4;
const LONGEST_INSIDE_INITIALS = 4;

/** How far a typed word is read: as words that begin with it, as pieces of names too, or as beginnings of several words too. */
type Reach = 'begun' | 'inside' | 'parts';

/** A typed word, what it may stand for, and how many items it fits. */
interface Typed {
  readonly word: string;
  found: readonly Candidate[];
  reach: Reach;
  items?: number;
  /** What it costs for each item as it is read now; absent when it has just been read in another way. */
  prices?: Uint8Array | undefined;
  /** What it is pieces of, once that was looked for: an item and what it costs, in turn. */
  pieces?: readonly number[];
}

/**
 * Finds things by what people type: words in any order, beginnings of words, also of two words typed together, model numbers without punctuation,
 * initials of all or some words, slips of the hand, pieces from inside a word, and abbreviations of their own making. Made once, asked per keystroke;
 * results are numbers of the given texts, best first, equal ones in the given order.
 */
export class SearchIndex {
  private readonly known: IndexedWords;
  /** The prices that are being worked out. */
  private cost: Uint8Array;
  /** Whether names of folders are left out of them. */
  private skipsFolders = false;
  readonly total: Uint16Array;
  readonly met: Uint8Array;
  /** How many typed words are whole words of the name. */
  readonly whole: Uint8Array;
  readonly lengths: Uint8Array;

  constructor(texts: readonly SearchText[]) {
    this.known = new IndexedWords(texts);
    this.lengths = this.known.lengths;
    this.cost = new Uint8Array(texts.length);
    this.total = new Uint16Array(texts.length);
    this.met = new Uint8Array(texts.length);
    this.whole = new Uint8Array(texts.length);
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
    const digits = withDigits(wanted);
    const asTyped = this.findWords(wanted, sure || digits !== null);
    if (digits === null) return asTyped.found;
    // "eight band" is met as it was typed, or with the number as digits; only where neither is, less certain readings are tried.
    const asDigits = this.findWords(digits, true);
    if (asTyped.isMet && asDigits.isMet) return Uint32Array.from(new Set([...asTyped.found, ...asDigits.found]));
    if (asDigits.isMet) return asDigits.found;
    return (asTyped.isMet || sure ? asTyped : this.findWords(digits, false)).found;
  }

  /** See find. `isMet`: some items fit every word. */
  private findWords(wanted: readonly string[], sure: boolean): { found: Uint32Array; isMet: boolean } {
    const read = wanted.map((word): Typed => ({
      word,
      found: [
        ...this.known.words.begunBy(word),
        ...this.known.words.begunBySingularOf(word),
        ...wordsForDigits(word).flatMap((one) => this.known.words.begunBy(one).filter(({ tier }) => tier === 'whole')),
      ],
      reach: 'begun',
    }));
    let count = this.meet(read);
    if (count < FEW) count = this.widened(read, 'inside', (word) => this.known.words.holding(word));
    if (sure) return { found: rankItems(this, wanted.length, wanted.length), isMet: count > 0 };
    // What was typed right is not mixed with what might have been meant: less certain readings are tried when nothing else fits.
    if (count === 0) count = this.widened(read, 'parts', () => []);
    if (count === 0) count = this.widened(read, 'parts', (word) => this.known.words.near(word));
    if (count === 0)
      count = this.widened(read, 'parts', (word) => [...this.known.words.nearer(word), ...this.known.words.far(word)]);
    if (count > 0) return { found: rankItems(this, wanted.length, wanted.length), isMet: true };
    this.meet(
      read,
      read.map(({ items = 0 }) => commonness(items)),
    );
    return { found: this.withoutFolders(rankItems(this, this.mostMet(), wanted.length), read), isMet: false };
  }

  /** Of what fits some of the words: what fits one of them elsewhere than in the name of a folder. */
  private withoutFolders(found: Uint32Array, read: readonly Typed[]): Uint32Array {
    this.skipsFolders = true;
    const prices = read.map((one) => this.pricesOf(one, read.length > 1));
    this.skipsFolders = false;
    return found.filter((item) => prices.some((of) => of[item] !== NOT_MET));
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
      one.prices = undefined;
    };
    lost.forEach(widen);
    const count = lost.length > 0 ? this.meet(typed) : 0;
    // As long as a word fits nothing, reading the others in a less certain way can't bring what fits all.
    if (count > 0 || lost.some((one) => one.items === 0)) return count;
    for (const one of typed) if (!lost.includes(one)) widen(one);
    return this.meet(typed);
  }

  /** Adds up what each item costs; returns how many items every word fits. `further`: what each word costs besides; with it all are added up, also where a word fits nothing. */
  private meet(typed: readonly Typed[], further: readonly number[] | null = null): number {
    const { total, met, whole } = this;
    total.fill(0);
    met.fill(0);
    whole.fill(0);
    for (const one of typed) this.priceWord(one, typed.length > 1);
    // Where a word fits nothing, nothing fits all: then only the joined names are left.
    const hasWordWithoutItems = further === null && typed.some((one) => one.items === 0);
    for (const [at, { prices }] of hasWordWithoutItems ? [] : typed.entries()) {
      const besides = further?.[at] ?? 0;
      for (let item = 0; item < this.size; item++) {
        const price = prices?.[item] ?? NOT_MET;
        if (price === NOT_MET) continue;
        met[item] = (met[item] ?? 0) + 1;
        total[item] = (total[item] ?? 0) + price + besides;
        if (price <= WHOLE_NAME_WORD) whole[item] = (whole[item] ?? 0) + 1;
      }
    }
    this.meetJoined(
      typed.map((one) => one.word),
      typed.some((one) => one.reach !== 'begun'),
    );
    let count = 0;
    for (let item = 0; item < met.length; item++) if (met[item] === typed.length) count++;
    return count;
  }

  /** Works out what a typed word costs and how many items it fits, unless that is known. `isOneOfSeveral`: whether other words were typed beside it. */
  private priceWord(one: Typed, isOneOfSeveral: boolean): void {
    if (one.prices !== undefined) return;
    one.prices = this.pricesOf(one, isOneOfSeveral);
    one.items = 0;
    for (const price of one.prices) if (price !== NOT_MET) one.items++;
  }

  /** What a typed word costs for each item. `isOneOfSeveral`: whether other words were typed beside it. */
  private pricesOf(one: Typed, isOneOfSeveral: boolean): Uint8Array {
    const { word, found, reach } = one;
    this.cost = new Uint8Array(this.size).fill(NOT_MET);
    for (const { word: number, tier } of found) this.price(number, tier, reach);
    if (word.length > 1) this.priceInitials(word);
    if (reach !== 'begun' && isOneOfSeveral) this.priceTogether(word);
    if (reach === 'parts') this.pricePieces(one);
    return this.cost;
  }

  private lower(item: number, price: number): void {
    if (price < (this.cost[item] ?? NOT_MET)) this.cost[item] = price;
  }

  /** One word among others that is several words of a name, written together; or the initials of some of them. */
  private priceTogether(word: string): void {
    if (word.length >= SHORTEST_JOINED) {
      this.known.names.begunBy([word], (item) => this.lower(item, TOGETHER.begun));
      this.known.names.holding(word, (item) => this.lower(item, TOGETHER.inside));
    }
    if (word.length > 1 && word.length <= LONGEST_INSIDE_INITIALS)
      this.known.allInitials.holding(word, (item) => this.lower(item, INITIALS.inside));
  }

  /** The beginnings of words of vendor and name, typed together: "copla" for Copper Plate. */
  private pricePieces(typed: Typed): void {
    const { word } = typed;
    if (typed.pieces === undefined) {
      const found: number[] = [];
      this.known.pieces.matching(word, (item, pieces) => {
        found.push(item, TOGETHER.pieces + TOGETHER.piece * (pieces - 2));
      });
      typed.pieces = found;
    }
    for (let at = 0; at < typed.pieces.length; at += 2) this.lower(typed.pieces[at] ?? 0, typed.pieces[at + 1] ?? 0);
  }

  private price(word: number, tier: Tier, reach: Reach): void {
    const { cost } = this;
    const base = COSTS[tier];
    const isWhole = tier === 'whole' || tier === 'plural';
    for (const posting of this.known.wordItems.of(word)) {
      const place = posting & PLACE_MASK;
      if (this.skipsFolders && place === PLACES.folder) continue;
      if (place >= PLACES.alias && reach === 'begun' && (place >= PLACES.far || !isWhole)) continue;
      const item = posting >> PLACE_BITS;
      const price = base + (PLACE_COSTS[place] ?? MORE_WORD);
      if (price < (cost[item] ?? NOT_MET)) cost[item] = price;
    }
  }

  private priceInitials(typed: string): void {
    const { cost } = this;
    for (const { word, tier } of this.known.initials.begunBy(typed)) {
      const price = tier === 'whole' ? INITIALS.whole : INITIALS.beginning;
      for (const item of this.known.initialItems.of(word)) if (price < (cost[item] ?? NOT_MET)) cost[item] = price;
    }
  }

  /** What was typed, without its blanks, as one piece of a name; from inside a name only where little else was found. */
  private meetJoined(wanted: readonly string[], alsoInside: boolean): void {
    const { total, met } = this;
    const score = (item: number, value: number): void => {
      if (met[item] === wanted.length && (total[item] ?? 0) <= value) return;
      met[item] = wanted.length;
      total[item] = value;
    };
    const joinedTyped = wanted.join('');
    if (alsoInside && joinedTyped.length >= SHORTEST_JOINED)
      this.known.names.holding(joinedTyped, (item) => score(item, JOINED_SCORES.inside));
    this.known.names.begunBy(wanted, (item, match) => score(item, JOINED_SCORES[match]));
  }
}
