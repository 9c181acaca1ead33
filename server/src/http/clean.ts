import { HttpError } from './http-error.js';

const MAX_DEPTH = 100;
const MAX_VALUES = 2_000_000;
/** No list of a request is longer: see MANY in the contract, which bounds those of each kind. */
const MAX_IN_LIST = 120_000;
const MAX_KEYS = 1000;
/** Names that mean something to the language itself. */
const NO_KEYS = new Set(['__proto__', 'constructor', 'prototype', 'toString', 'valueOf', 'toJSON']);

const refuse = (path: string, what: string): HttpError =>
  new HttpError('request-does-not-fit', `${path === '' ? 'The request' : `“${path}”`} ${what}.`, [
    { path, message: what },
  ]);

/**
 * The one place where what is sent is looked through before anything else is done with it: refuses texts that are none (zero characters, half surrogate pairs:
 * they would be stored otherwise than remembered), names that mean something to the language, and what is deeper, longer or more than any request. Takes
 * linear time, whatever comes.
 */
export function refuseUnclean(sent: unknown, at = ''): void {
  const waiting: { readonly value: unknown; readonly path: string; readonly depth: number }[] = [
    { value: sent, path: at, depth: 0 },
  ];
  let count = 0;
  for (let next = waiting.pop(); next !== undefined; next = waiting.pop()) {
    const { value, path, depth } = next;
    if (++count > MAX_VALUES) throw refuse('', 'holds more values than any request does');
    if (typeof value === 'string') refuseNoText(value, path);
    else if (typeof value === 'number' && !Number.isFinite(value)) throw refuse(path, 'is no finite number');
    if (typeof value !== 'object' || value === null) continue;
    if (depth > MAX_DEPTH) throw refuse(path.slice(0, 80), `lies more than ${String(MAX_DEPTH)} levels deep`);
    if (Array.isArray(value)) {
      if (value.length > MAX_IN_LIST) throw refuse(path, `has more than ${String(MAX_IN_LIST)} entries`);
      value.forEach((inner, index) => {
        // Most lists are of ids, and long: nothing is written down about a text that is one.
        if (typeof inner === 'string' && isText(inner)) count++;
        else waiting.push({ value: inner, path: `${path}[${String(index)}]`, depth: depth + 1 });
      });
      continue;
    }
    const entries = Object.entries(value);
    if (entries.length > MAX_KEYS) throw refuse(path, `has more than ${String(MAX_KEYS)} fields`);
    for (const [name, inner] of entries) {
      if (NO_KEYS.has(name)) throw refuse(path, `has a field of the name ${name}, which nothing has`);
      refuseNoText(name, path);
      waiting.push({
        value: inner,
        path: path === '' ? name.slice(0, 80) : `${path}.${name.slice(0, 80)}`,
        depth: depth + 1,
      });
    }
  }
}

const isText = (text: string): boolean => !text.includes('\0') && text.isWellFormed();

function refuseNoText(text: string, path: string): void {
  if (text.includes('\0')) throw refuse(path, 'holds a zero character, which is no text');
  if (!text.isWellFormed()) throw refuse(path, 'holds half a character (a surrogate without its other half)');
}
