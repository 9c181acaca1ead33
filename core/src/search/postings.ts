const FIRST_ROOM = 1024;

/** Which items each word stands in: noted in any order, and then put together word by word in one list, as a hundred thousand small arrays would take longer to make than all the rest. */
export class Postings {
  private words = new Int32Array(FIRST_ROOM);
  private values = new Int32Array(FIRST_ROOM);
  private count = 0;
  /** Where the values of each word begin, once they were put together. */
  private starts: Int32Array | null = null;

  /** Notes a value for a word; before anything is asked. */
  add(word: number, value: number): void {
    if (this.count === this.words.length) {
      this.words = larger(this.words);
      this.values = larger(this.values);
    }
    this.words[this.count] = word;
    this.values[this.count++] = value;
  }

  /** The values of a word in the order in which they were noted. */
  of(word: number): Int32Array {
    const starts = this.starts ?? this.putTogether();
    return word + 1 < starts.length ? this.values.subarray(starts[word], starts[word + 1]) : NONE;
  }

  private putTogether(): Int32Array {
    const words = this.words.subarray(0, this.count);
    const last = words.reduce((most, word) => Math.max(most, word), -1);
    const starts = new Int32Array(last + 2);
    for (const word of words) starts[word + 1] = (starts[word + 1] ?? 0) + 1;
    for (let word = 0; word <= last; word++) starts[word + 1] = (starts[word + 1] ?? 0) + (starts[word] ?? 0);
    const next = starts.slice();
    const values = new Int32Array(this.count);
    for (let at = 0; at < this.count; at++) {
      const word = words[at] ?? 0;
      const place = next[word] ?? 0;
      values[place] = this.values[at] ?? 0;
      next[word] = place + 1;
    }
    this.values = values;
    this.words = NONE;
    return (this.starts = starts);
  }
}

const NONE = new Int32Array(0);

function larger(list: Int32Array): Int32Array<ArrayBuffer> {
  const room = new Int32Array(list.length * 2);
  room.set(list);
  return room;
}
