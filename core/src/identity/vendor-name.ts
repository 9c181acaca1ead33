import { fold } from '../text/words.js';

const words = (text: string): ReadonlySet<string> => new Set(text.split(' '));

// Legal forms that vendors write behind their name in one file and leave out in the next. Common practice.
const LEGAL = words(
  'ltd limited inc incorporated llc llp corp corporation co company gmbh mbh ag kg ug ohg ab as aps oy oyj bv nv sa sas sarl srl spa sro doo ' +
    'pty plc kk eu',
);
/** Words for formats, which name no vendor. */
export const FORMAT_WORDS = words('vst vst2 vst3 au clap lv2 ladspa aax audiounit audiounits');
/** Words that many vendors have behind a name of their own. Common practice. */
export const GENERAL_WORDS = words(
  'audio sound sounds studio studios gear dsp music instruments instrument lab labs plugin plugins plug-ins plug records works team project community software effects',
);
// "Rook & Daughters" and "Rook and Daughters", "by Rook".
const BINDING = words('and und et y by');

const ADDRESS =
  /<[^>]*>|\S+\s*(?:@|[([]\s*at\s*[)\]])\s*\S+(?:\s*(?:\bdot\b|[([]\s*dot\s*[)\]])\s*\S+)*|\b(?:https?:\/\/|www\.)\S+|\b[\p{L}\p{N}-]+\.(?:com|org|net|io|dev|audio)\b(?:\/\S*)?/giu;
// "Ada at Copper Hat dot com": an address that is written out. Whose it is stands between the two.
const WRITTEN_ADDRESS = /^\s*\S+\s+at\s+(\S.*?)\s+dot\s+(?:com|org|net|io|dev|audio)\b.*$/iu;
// "(plugin by Ada Rook)", "[ported by …]", "(LV2 example plugins)": who else had a hand in it, and what it is an example of.
const ASIDE = /[([][^)\]]*(?:\bby\b|\bplugins?\b)[^)\]]*[)\]]/giu;
// "…, adapted by Bo Wren".
const CREDIT = /[,;]\s*\S+(?:\s+\S+)?\s+by\s.*$/iu;
// "cuckoo aka. Ada Rook": the name that comes first is the one on the door.
const ALSO = /\s+(?:aka|a\.k\.a|alias)\.?\s.*$/iu;

/** A vendor as it is shown: without mail and web addresses, credits, format words and further persons; null when nothing is left. */
export function shownVendor(text: string): string | null {
  const bare = text.replace(WRITTEN_ADDRESS, '$1').replace(ASIDE, ' ');
  const shown = firstPerson(tidied(tidied(bare.replace(ADDRESS, ' ')).replace(CREDIT, '').replace(ALSO, '')));
  if (shown !== '') return withoutFormatWords(shown);
  // A web address is all there is: its name is better than none ("www.copperhat.example" → copperhat.example). A mail address is a person's own.
  if (text.includes('@')) return null;
  const address = text.replace(/^[\s<(]*(?:mailto:|https?:\/\/)?(?:www\.)?/i, '').replace(/[/\s>)].*$/, '');
  return address === '' ? null : address;
}

/** A vendor as it was written, less addresses: by this spelling corrections of before were kept. */
export const withoutAddresses = (text: string): string => tidied(text.replace(ADDRESS, ' '));

const tidied = (text: string): string =>
  text
    .replace(/\(\s*\)/g, ' ')
    .replace(/\s+/g, ' ')
    .replace(/\s+([,;])/g, '$1')
    .replace(/^[\s,;:()-]+|[\s,;:(-]+$/g, '');

/** Of several persons the first, whose plugin it is thought of as. A firm of two names is one vendor: a person has a name of two words, or stands in a list. */
function firstPerson(text: string): string {
  const [first = text, ...rest] = text.split(/\s*[,;]\s*/);
  // "Copperhat, Inc.": a legal form behind a comma is no second person.
  const others = rest.filter((part) => keyOfPart(part) !== '' && !LEGAL.has(keyOfPart(part)));
  if (others.length > 0) return firstPerson(first);
  const pair = /^(.+?)\s+(?:and|und|et|y|&|\+)\s+(.+)$/iu.exec(rest.length > 0 ? first : text);
  const isPerson = (name: string): boolean => /^\p{Lu}\S*(?:\s+\S+)+$/u.test(name);
  if (pair?.[1] !== undefined && pair[2] !== undefined && isPerson(pair[1]) && isPerson(pair[2])) return pair[1];
  return text;
}

function withoutFormatWords(text: string): string {
  const kept = text.split(' ').filter((word) => !FORMAT_WORDS.has(fold(word)));
  return kept.length > 0 ? kept.join(' ') : text;
}

/** What spellings of one vendor have in common: "Copperhat VST", "COPPERHAT Ltd." → "copperhat"; null when nothing is left. */
export function vendorKey(text: string): string | null {
  const shown = shownVendor(text);
  if (shown === null) return null;
  // "e.K.", "S.r.l.": points inside a legal form are not word ends.
  // "Söhne" and "Soehne" are one spelling in German, and a vendor uses both.
  const plain = shown.normalize('NFC').replace(/[äöü]/gi, (vowel) => `${fold(vowel)}e`);
  return keyOfPart(plain) || null;
}

function keyOfPart(text: string): string {
  const all = fold(text.replace(/\b(\p{L})\.(?=\p{L}\b)/gu, '$1'))
    .split(/[^\p{L}\p{N}]+/u)
    .filter((word) => word !== '' && !BINDING.has(word));
  const kept = all.filter((word) => !LEGAL.has(word) && !FORMAT_WORDS.has(word));
  // A name of nothing but such words stays as it is.
  return (kept.length > 0 ? kept : all.slice(0, 1)).join('');
}
