import { fold } from '../text/words.js';

// Legal forms and format words that vendors write behind their name in one file and leave out in the next. Common practice.
const DROPPED = new Set(
  (
    'ltd limited inc incorporated llc llp corp corporation co company gmbh mbh ag kg ug ohg ab as aps oy oyj bv nv sa sas sarl srl spa sro doo ' +
    'pty plc kk eu vst vst2 vst3 au clap lv2 ladspa aax audiounit audiounits'
  ).split(' '),
);

const ADDRESS = /<[^>]*>|\S+@\S+|\b(?:https?:\/\/|www\.)\S+/gi;

/** A vendor as it is shown: without mail and web addresses; null when nothing is left. */
export function shownVendor(text: string): string | null {
  const shown = text
    .replace(ADDRESS, ' ')
    .replace(/\s+/g, ' ')
    .replace(/^[\s,;:()-]+|[\s,;:(-]+$/g, '');
  return shown === '' ? null : shown;
}

/** What spellings of one vendor have in common: "Copperhat VST", "COPPERHAT Ltd." → "copperhat"; null when nothing is left. */
export function vendorKey(text: string): string | null {
  const shown = shownVendor(text);
  if (shown === null) return null;
  // "e.K.", "S.r.l.": points inside a legal form are not word ends.
  // "Söhne" and "Soehne" are one spelling in German, and a vendor uses both.
  const plain = shown.normalize('NFC').replace(/[äöü]/gi, (vowel) => `${fold(vowel)}e`);
  const words = fold(plain.replace(/\b(\p{L})\.(?=\p{L}\b)/gu, '$1'))
    .split(/[^\p{L}\p{N}]+/u)
    .filter((word) => word !== '');
  const kept = words.filter((word, index) => index === 0 || !DROPPED.has(word));
  return kept.join('') || null;
}
