import { fold } from '../text/words.js';

// Legal forms and format words that vendors write behind their name in one file and leave out in the next. Common practice.
const DROPPED = new Set(
  (
    'ltd limited inc incorporated llc llp corp corporation co company gmbh mbh ag kg ug ohg ab as aps oy oyj bv nv sa sas sarl srl spa sro doo ' +
    'pty plc kk eu vst vst2 vst3 au clap lv2 ladspa aax audiounit audiounits'
  ).split(' '),
);
// "Rook & Daughters" and "Rook and Daughters", "by Rook".
const BINDING = new Set(['and', 'und', 'et', 'y', 'by']);

const ADDRESS =
  /<[^>]*>|\S+\s*(?:@|[([]\s*at\s*[)\]])\s*\S+(?:\s*(?:\bdot\b|[([]\s*dot\s*[)\]])\s*\S+)*|\b(?:https?:\/\/|www\.)\S+|\b[\p{L}\p{N}-]+\.(?:com|org|net|io|dev|audio)\b(?:\/\S*)?/giu;

/** A vendor as it is shown: without mail and web addresses; null when nothing is left. */
export function shownVendor(text: string): string | null {
  const shown = text
    .replace(ADDRESS, ' ')
    .replace(/\(\s*\)/g, ' ')
    .replace(/\s+/g, ' ')
    .replace(/\s+([,;])/g, '$1')
    .replace(/^[\s,;:()-]+|[\s,;:(-]+$/g, '');
  if (shown !== '') return shown;
  // A web address is all there is: its name is better than none ("www.copperhat.example" → copperhat.example). A mail address is a person's own.
  if (text.includes('@')) return null;
  const bare = text.replace(/^[\s<(]*(?:mailto:|https?:\/\/)?(?:www\.)?/i, '').replace(/[/\s>)].*$/, '');
  return bare === '' ? null : bare;
}

/**
 * What spellings of one vendor have in common: "Copperhat VST", "COPPERHAT Ltd." → "copperhat"; null when nothing is left.
 * Several people are the same in any order: "Ada Rook, Bo Wren" and "Bo Wren & Ada Rook".
 */
export function vendorKey(text: string): string | null {
  const shown = shownVendor(text);
  if (shown === null) return null;
  // "e.K.", "S.r.l.": points inside a legal form are not word ends.
  // "Söhne" and "Soehne" are one spelling in German, and a vendor uses both.
  const plain = shown.normalize('NFC').replace(/[äöü]/gi, (vowel) => `${fold(vowel)}e`);
  const parts = fold(plain.replace(/\b(\p{L})\.(?=\p{L}\b)/gu, '$1'))
    .split(/[,;/&+]|\s(?:and|und|et|y)\s/)
    .map(keyOfPart)
    .filter((part) => part !== '');
  // "Copperhat, Inc.": the legal form behind a comma is no second person.
  const people = parts.filter((part) => !DROPPED.has(part));
  return (people.length > 0 ? people : parts).sort().join('') || null;
}

function keyOfPart(text: string): string {
  const words = text.split(/[^\p{L}\p{N}]+/u).filter((word) => word !== '' && !BINDING.has(word));
  const kept = words.filter((word) => !DROPPED.has(word));
  // A name of nothing but such words stays as it is.
  return (kept.length > 0 ? kept : words.slice(0, 1)).join('');
}
