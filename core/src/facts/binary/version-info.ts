import { Fields } from './bytes.js';

const ROOT = 'VS_VERSION_INFO';
const STRINGS = 'StringFileInfo';
/** Length, length of the value, kind: three words before the key. */
const HEAD = 6;
/** More than this is no version resource. */
const MAX_BYTES = 65_536;
const MAX_STRINGS = 256;

/** A block of the resource: its key, its value, and what stands behind that. All bounds are those of the block itself. */
interface Block {
  readonly key: string;
  readonly valueAt: number;
  readonly valueLength: number;
  readonly childrenAt: number;
  readonly end: number;
}

/** The next whole double word. */
const aligned = (at: number): number => (at + 3) & ~3;

/** The text up to a zero or an end, as UTF-16. */
function textAt(fields: Fields, at: number, end: number): { text: string; next: number } {
  let text = '';
  let here = at;
  for (; here + 2 <= end; here += 2) {
    const unit = fields.u16(here);
    if (unit === 0) break;
    text += String.fromCharCode(unit);
  }
  return { text, next: here + 2 };
}

/** The block that begins somewhere, within what surrounds it; null when it can be none. */
function blockAt(fields: Fields, at: number, limit: number): Block | null {
  const length = fields.u16(at);
  // A block that claims less than its head would be met again and again.
  if (length < HEAD || at + HEAD > limit) return null;
  const end = Math.min(at + length, limit);
  const isText = fields.u16(at + 4) === 1;
  const { text: key, next } = textAt(fields, at + HEAD, end);
  const valueAt = aligned(next);
  // The length of a text is told in characters, that of anything else in bytes.
  const valueLength = Math.max(0, Math.min(fields.u16(at + 2) * (isText ? 2 : 1), end - valueAt));
  return { key, valueAt, valueLength, childrenAt: aligned(valueAt + valueLength), end };
}

function* childrenOf(fields: Fields, { childrenAt, end }: Block): Generator<Block> {
  for (let at = childrenAt; at + HEAD <= end;) {
    const child = blockAt(fields, at, end);
    if (child === null) return;
    yield child;
    at = aligned(child.end);
  }
}

/**
 * The texts of a version resource (VS_VERSIONINFO: StringFileInfo, StringTable, String), by their names; of several languages the first that has one. Each block
 * lies within the one around it and is longer than its head, so that whatever the bytes are, each is looked at a few times at most. What is damaged is left
 * out. Microsoft, "VS_VERSIONINFO structure" and the structures that it refers to.
 */
export function versionTexts(bytes: Uint8Array): Record<string, string> {
  const found = new Map<string, string>();
  const fields = new Fields(bytes.subarray(0, MAX_BYTES));
  const root = blockAt(fields, 0, fields.length);
  if (root?.key !== ROOT) return {};
  for (const part of childrenOf(fields, root)) {
    if (part.key !== STRINGS) continue;
    for (const table of childrenOf(fields, { ...part, childrenAt: part.valueAt })) {
      for (const { key, valueAt, end } of childrenOf(fields, { ...table, childrenAt: table.valueAt })) {
        // The told length of a text is often wrong (common practice): it ends with its zero, or with its block.
        const text = textAt(fields, valueAt, end).text.trim();
        if (text !== '' && key !== '' && !found.has(key)) found.set(key, text);
        if (found.size >= MAX_STRINGS) return Object.fromEntries(found);
      }
    }
  }
  return Object.fromEntries(found);
}
