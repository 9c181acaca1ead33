/** Reads a stretch of a binary: at most `length` bytes from `offset`, shorter at the end of the file. */
export type ReadAt = (offset: number, length: number) => Promise<Uint8Array>;

/** Little- or big-endian view of bytes that answers 0 outside of them, so that a cut-off header never throws. */
export class Fields {
  private readonly view: DataView;

  constructor(
    bytes: Uint8Array,
    private readonly little = true,
  ) {
    this.view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  }

  get length(): number {
    return this.view.byteLength;
  }

  u16(at: number): number {
    return this.has(at, 2) ? this.view.getUint16(at, this.little) : 0;
  }

  u32(at: number): number {
    return this.has(at, 4) ? this.view.getUint32(at, this.little) : 0;
  }

  /** 64 bits as a number; exact up to 2^53, which no file offset exceeds. */
  u64(at: number): number {
    return this.has(at, 8) ? Number(this.view.getBigUint64(at, this.little)) : 0;
  }

  private has(at: number, size: number): boolean {
    return at >= 0 && at + size <= this.view.byteLength;
  }
}

/** Longer than the name of any entry; what is looked for has less than twenty. */
export const MAX_NAME_BYTES = 64;

/** The text up to the next zero byte, cut after MAX_NAME_BYTES, or null when it starts outside or does not end inside the bytes. */
export function zeroEnded(bytes: Uint8Array, at: number): string | null {
  if (at < 0 || at >= bytes.length) return null;
  // No further than a name goes: one without an end would be looked through to the end of the file, again and again.
  const name = bytes.subarray(at, at + MAX_NAME_BYTES);
  const end = name.indexOf(0);
  if (end < 0) return name.length < MAX_NAME_BYTES ? null : String.fromCharCode(...name);
  return String.fromCharCode(...name.subarray(0, end));
}
