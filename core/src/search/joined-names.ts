/** All names as letters and digits only, in one long text: "TX-73 Reverb" is found by "tx73", "copperplate" and "perpla" find "Copper Plate". */
export class JoinedNames {
  private text = '\n';
  private readonly starts: number[] = [];
  private readonly items: number[] = [];

  /** A name that is letters and digits only; an item may have several. */
  add(name: string, item: number): void {
    if (name === '') return;
    this.starts.push(this.text.length);
    this.items.push(item);
    this.text += `${name}\n`;
  }

  /** Tells each item that has a name beginning with the letters, and whether they are all of it. */
  begunBy(typed: string, tell: (item: number, isWhole: boolean) => void): void {
    this.each(`\n${typed}`, (at) => {
      tell(this.itemAt(at + 1), this.text.charCodeAt(at + 1 + typed.length) === 10);
    });
  }

  /** Tells each item that has a name with the letters anywhere in it. */
  holding(typed: string, tell: (item: number) => void): void {
    this.each(typed, (at) => tell(this.itemAt(at)));
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
