import type { PlistValue } from 'plist';
import { DOMParser } from '@xmldom/xmldom';
import { parse } from 'plist';
import type { Fault, Outcome } from './fault.js';
import { bad, good } from './fault.js';
import type { Place } from './place.js';
import { decodeText } from './place.js';
import { tooMuchInBinaryPlist } from './plist-bounds.js';

/** A property list larger than this is not one of a plugin: those have some kilobytes (common practice), and XML is slow to read. */
const MAX_PLIST_BYTES = 512 * 1024;
/** Elements of XML; the library takes half a second for so many. */
const MAX_ELEMENTS = 20_000;

function tooMuchInXml(bytes: Uint8Array): string | null {
  let elements = 0;
  for (const byte of bytes) if (byte === OPENS) elements++;
  return elements > 2 * MAX_ELEMENTS ? `it holds more than ${String(MAX_ELEMENTS)} elements` : null;
}
const OPENS = '<'.charCodeAt(0);

/** A property list's top dictionary. */
export type PlistDictionary = Readonly<Record<string, PlistValue>>;

/** Parses an XML or binary property list whose top is a dictionary. Apple PropertyList-1.0 DTD; the binary form by the library. */
export function parsePlist(bytes: Uint8Array, path: string): Outcome<PlistDictionary> {
  const wrong = (detail: string): Outcome<never> => bad({ code: 'plist-broken', path, detail });
  const tooMuch = isBinary(bytes) ? tooMuchInBinaryPlist(bytes) : tooMuchInXml(bytes);
  if (tooMuch !== null) return wrong(tooMuch);
  const source = isBinary(bytes) ? bytes : decodeText(bytes);
  const xmlFault = typeof source === 'string' ? faultOfXml(source, path) : null;
  if (xmlFault !== null) return bad(xmlFault);
  try {
    const value = parse(source);
    return isDictionary(value) ? good(value) : wrong('its top is not a dictionary');
  } catch (error) {
    return wrong(error instanceof Error ? (error.message.split('\n')[0] ?? '').slice(0, 160) : String(error));
  }
}

/** What is wrong with XML, and in which line. Asked first, because the property list library talks to the console about it. */
function faultOfXml(text: string, path: string): Fault | null {
  let fault: Fault | null = null;
  const onError = (level: string, message: string, context: { locator?: { lineNumber?: number } }): void => {
    if (level === 'warning' || fault !== null) return;
    const line = context.locator?.lineNumber;
    fault = { code: 'plist-broken', path, detail: message, ...(line ? { line } : {}) };
  };
  try {
    new DOMParser({ onError }).parseFromString(text, 'text/xml');
  } catch (error) {
    // It stops at a fatal error, of which onError has been told.
    fault ??= { code: 'plist-broken', path, detail: String(error) };
  }
  return fault;
}

const isBinary = (bytes: Uint8Array): boolean => String.fromCharCode(...bytes.subarray(0, 6)) === 'bplist';

const isDictionary = (value: PlistValue): value is Record<string, PlistValue> =>
  typeof value === 'object' &&
  value !== null &&
  !Array.isArray(value) &&
  !(value instanceof Date) &&
  !(value instanceof Uint8Array);

/** Text of a key, trimmed; null when absent, empty or not text. */
export function plistText(dictionary: PlistDictionary, key: string): string | null {
  const value = dictionary[key];
  return typeof value === 'string' && value.trim() !== '' ? value.trim() : null;
}

/** The dictionaries of an array; empty when the key holds none. */
export function plistDictionaries(dictionary: PlistDictionary, key: string): PlistDictionary[] {
  const value = dictionary[key];
  return Array.isArray(value) ? value.filter(isDictionary) : [];
}

/** A bundle's Contents/Info.plist: the dictionary, null when there is none, or what is wrong with it. */
export async function bundlePlist(place: Place): Promise<{ plist: PlistDictionary | null; faults: Fault[] }> {
  const inside = 'Contents/Info.plist';
  if ((await place.size(inside)) === null) return { plist: null, faults: [] };
  const bytes = await place.whole(inside, MAX_PLIST_BYTES);
  if (!bytes.ok) return { plist: null, faults: [bytes.fault] };
  const parsed = parsePlist(bytes.value, `${place.path}/${inside}`);
  return parsed.ok ? { plist: parsed.value, faults: [] } : { plist: null, faults: [parsed.fault] };
}
