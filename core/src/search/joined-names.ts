/** How a joined name begins with what was typed: it is all of it, ends where a word ends, stays within the first word, or ends inside a later word. */
export type JoinedMatch = 'whole' | 'words' | 'first word' | 'crossing';

const LINE_END = 10;
const MAX_REMEMBERED = 16;

/** All names as letters and digits only, in one long text: "TX-73 Reverb" is found by "tx73", "copperplate" and "perpla" find "Copper Plate". */
export class JoinedNames {
  private text = '\n';
  private readonly starts: number[] = [];
  private readonly items: number[] = [];
  private readonly wordStarts: number[] = [];
  private isWordStart: Uint8Array | null = null;
  private readonly lastHolding = new Map<string, readonly number[]>();
  private readonly lastBegun = new Map<string, readonly (readonly [item: number, match: JoinedMatch])[]>();

  /** Adds a name by its words, which are letters and digits only; an item may have several names. */
  add(words: readonly string[], item: number): void {
    if (words.length === 0) return;
    this.lastHolding.clear();
    this.lastBegun.clear();
    this.starts.push(this.text.length);
    this.items.push(item);
    let at = this.text.length;
    for (const word of words) {
      this.wordStarts.push(at);
      at += word.length;
    }
    this.text += `${words.join('')}\n`;
  }

  /** Tells each item that has a name beginning with the typed words written together, and how. Remembered as in `holding`. */
  begunBy(typed: readonly string[], tell: (item: number, match: JoinedMatch) => void): void {
    const key = typed.join(' ');
    let found = this.lastBegun.get(key);
    if (found === undefined) {
      if (this.lastBegun.size >= MAX_REMEMBERED) this.lastBegun.clear();
      const whole = typed.join('');
      const fresh: (readonly [number, JoinedMatch])[] = [];
      this.each(`\n${whole}`, (at) => fresh.push([this.itemAt(at + 1), this.matchAt(at + 1, typed, whole.length)]));
      this.lastBegun.set(key, (found = fresh));
    }
    for (const [item, match] of found) tell(item, match);
  }

  /** Tells each item that has a name with the letters anywhere in it. What was asked last is remembered: a search asks the same several times. */
  holding(typed: string, tell: (item: number) => void): void {
    let items = this.lastHolding.get(typed);
    if (items === undefined) {
      if (this.lastHolding.size >= MAX_REMEMBERED) this.lastHolding.clear();
      const found: number[] = [];
      this.each(typed, (at) => found.push(this.itemAt(at)));
      this.lastHolding.set(typed, (items = found));
    }
    for (const item of items) tell(item);
  }

  private matchAt(start: number, typed: readonly string[], length: number): JoinedMatch {
    const borders = this.borders();
    const end = start + length;
    if (this.text.charCodeAt(end) === LINE_END) return 'whole';
    if (borders[end] === 1) return 'words';
    // "copper pl" ends inside a word and crosses no border that was not typed as one.
    const typedEnds = new Set<number>();
    typed.reduce((at, word) => {
      typedEnds.add(at + word.length);
      return at + word.length;
    }, start);
    for (let at = start + 1; at < end; at++) if (borders[at] === 1 && !typedEnds.has(at)) return 'crossing';
    return typed.length === 1 ? 'first word' : 'words';
  }

  private borders(): Uint8Array {
    if (this.isWordStart === null || this.isWordStart.length < this.text.length) {
      this.isWordStart = new Uint8Array(this.text.length);
      for (const at of this.wordStarts) this.isWordStart[at] = 1;
    }
    return this.isWordStart;
  }

  private each(wanted: string, tell: (at: number) => void): void {
    for (let at = this.text.indexOf(wanted); at >= 0; at = this.text.indexOf(wanted, at + 1)) tell(at);
  }

  private itemAt(position: number): number {
    let [low, high] = [0, this.starts.length - 1];
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if ((this.starts[middle] ?? 0) <= position) low = middle;
      else high = middle - 1;
    }
    return this.items[low] ?? 0;
  }
}
