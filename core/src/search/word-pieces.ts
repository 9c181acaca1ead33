/** What is shorter or longer is not taken for pieces of words. */
const TYPED_LENGTH = { min: 3, max: 48 };
const MAX_PIECES = 10;
/** Words that begin alike can be cut in a great many ways: so many are tried for an item. */
const MAX_TRIES = 300;

/** The words of vendor and name of each item in order, for what is typed as beginnings of them written together: "quillrev", "mgphaser", "copla". */
export class WordPieces {
  private readonly starts: number[] = [0];
  private readonly words: string[] = [];
  /** How many more ways are tried for the item at hand. */
  private triesLeft = 0;
  /** The first letter of each word, side by side: most items are passed over by these alone. */
  private firstLetters: Uint16Array | null = null;

  /** Adds the next item. */
  add(words: readonly string[]): void {
    for (const word of words) this.words.push(word);
    this.starts.push(this.words.length);
  }

  /** Tells each item whose words begin with pieces that make up what was typed, two at least, and with how few pieces. */
  matching(typed: string, tell: (item: number, pieces: number) => void): void {
    if (typed.length < TYPED_LENGTH.min || typed.length > TYPED_LENGTH.max) return;
    const letters = (this.firstLetters ??= Uint16Array.from(this.words, (word) => word.charCodeAt(0)));
    const first = typed.charCodeAt(0);
    let item = 0;
    for (let at = letters.indexOf(first); at >= 0; at = letters.indexOf(first, at + 1)) {
      // Items follow each other, and so do their words.
      while ((this.starts[item + 1] ?? Infinity) <= at) item++;
      const end = this.starts[item + 1] ?? 0;
      let best = MAX_PIECES + 1;
      this.triesLeft = MAX_TRIES;
      for (; at < end; at++)
        if (letters[at] === first && at < end - 1)
          best = Math.min(best, this.piecesFrom(letters, typed, 0, at, end, best - 1));
      at = end - 1;
      if (best >= 2 && best <= MAX_PIECES) tell(item, best);
    }
  }

  /** The fewest pieces for the rest of what was typed, the first of them from this word; more than allowed when there are none. */
  private piecesFrom(
    letters: Uint16Array,
    typed: string,
    position: number,
    at: number,
    end: number,
    allowed: number,
  ): number {
    if (allowed < 1 || --this.triesLeft < 0) return allowed + 1;
    const word = this.words[at] ?? '';
    const longest = Math.min(word.length, typed.length - position);
    let common = 0;
    while (common < longest && word.charCodeAt(common) === typed.charCodeAt(position + common)) common++;
    if (position + common === typed.length) return 1;
    let best = allowed + 1;
    for (let length = common; length > 0; length--) {
      const next = typed.charCodeAt(position + length);
      for (let other = at + 1; other < end; other++) {
        if (letters[other] !== next) continue;
        best = Math.min(best, 1 + this.piecesFrom(letters, typed, position + length, other, end, best - 2));
      }
    }
    return best;
  }
}
