import { SearchIndex } from './search-index.js';

/** A thing that can be found by typing: its name, and further words (vendor, nickname) that count a little less. */
export interface Findable {
  readonly name: string;
  /** Other names by which it may be called. */
  readonly names?: readonly string[];
  readonly more: string | readonly string[];
}

/** Finds among a fixed set of things by typed words; made once per set, then asked per keystroke. */
export class Finder<T extends Findable> {
  private readonly index: SearchIndex;

  constructor(private readonly items: readonly T[]) {
    this.index = new SearchIndex(
      items.map(({ name, names = [], more }) => ({
        names: [name, ...names],
        more: typeof more === 'string' ? [more] : more,
      })),
    );
  }

  /** The things that fit what is typed, best first, otherwise in the given order; all things for an empty text. `sure`: nothing that was maybe meant. */
  find(typed: string, sure = false): T[] {
    const found: T[] = [];
    for (const number of this.index.find(typed, sure)) {
      const item = this.items[number];
      if (item !== undefined) found.push(item);
    }
    return found;
  }
}
