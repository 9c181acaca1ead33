import { fold, joined, wordsOf } from '../text/words.js';

/** A thing that can be found by typing: its name, and further words (vendor, nickname) that count a little less. */
export interface Findable {
  readonly name: string;
  readonly more: string;
}

interface Indexed<T> {
  readonly item: T;
  readonly words: readonly string[];
  readonly moreWords: readonly string[];
  readonly whole: string;
}

/** Finds among a fixed set of things by typed words; made once per set, then asked per keystroke. */
export class Finder<T extends Findable> {
  private readonly indexed: readonly Indexed<T>[];

  constructor(items: readonly T[]) {
    this.indexed = items.map((item) => ({
      item,
      words: wordsOf(item.name),
      moreWords: wordsOf(item.more),
      whole: joined(item.name),
    }));
  }

  /**
   * The things that every typed word fits, best first, otherwise in the given order: a word fits a whole word or the beginning of one,
   * or, joined, the name's letters and digits from their start ("tx73" finds "TX-73"). All things for an empty text.
   */
  find(typed: string): T[] {
    const wanted = fold(typed)
      .split(/[^\p{L}\p{N}]+/u)
      .filter((word) => word !== '');
    if (wanted.length === 0) return this.indexed.map((one) => one.item);
    const whole = wanted.join('');
    const ranked: { item: T; rank: number }[] = [];
    for (const one of this.indexed) {
      const rank = rankOf(one, wanted, whole);
      if (rank !== null) ranked.push({ item: one.item, rank });
    }
    return ranked.sort((a, b) => a.rank - b.rank).map((one) => one.item);
  }
}

/** 0 is best; null when a word fits nowhere. */
function rankOf(one: Indexed<Findable>, wanted: readonly string[], whole: string): number | null {
  if (one.whole === whole) return 0;
  if (one.whole.startsWith(whole)) return 1;
  let rank = 2;
  for (const word of wanted) {
    if (one.words[0]?.startsWith(word)) continue;
    if (one.words.some((candidate) => candidate.startsWith(word))) rank += 1;
    else if (one.moreWords.some((candidate) => candidate.startsWith(word))) rank += 3;
    else return null;
  }
  return rank;
}
