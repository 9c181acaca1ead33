/** Which items each word stands in, as chains in flat lists: a hundred thousand small arrays would take longer to make than all the rest. */
export class Postings {
  private readonly heads: number[] = [];
  private readonly values: number[] = [];
  private readonly next: number[] = [];

  /** Notes a value for a word. */
  add(word: number, value: number): void {
    while (this.heads.length <= word) this.heads.push(-1);
    this.next.push(this.heads[word] ?? -1);
    this.heads[word] = this.values.length;
    this.values.push(value);
  }

  /** Tells each value of a word, the last one first. */
  each(word: number, tell: (value: number) => void): void {
    for (let at = this.heads[word] ?? -1; at >= 0; at = this.next[at] ?? -1) tell(this.values[at] ?? 0);
  }
}
