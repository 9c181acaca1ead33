import { fold, joined } from '../text/words.js';

/** For which channels a build of a product is, as its name says. */
export type Channels = 'mono' | 'stereo' | 'mono to stereo' | '5.1' | '7.1';

/** A plugin's name taken apart: what is shown, what is compared, and which channel variant a build is. */
export interface ProductName {
  readonly shown: string;
  readonly key: string;
  readonly channels: Channels | null;
}

/** Channel words as makers write them behind a name. Common practice. */
const CHANNELS: Readonly<Record<string, Channels>> = {
  mono: 'mono',
  stereo: 'stereo',
  '5.1': '5.1',
  '7.1': '7.1',
};
// Single letters and pairs count in brackets only: "Plate (m)", "Plate (m>s)", but "Model M".
const BRACKETED: Readonly<Record<string, Channels>> = {
  m: 'mono',
  s: 'stereo',
  'm->s': 'mono to stereo',
  'm>s': 'mono to stereo',
  'm/s': 'mono to stereo',
  'mono->stereo': 'mono to stereo',
  'mono/stereo': 'mono to stereo',
  surround: '5.1',
  '1x1': 'mono',
  '1x2': 'mono to stereo',
  '2x2': 'stereo',
};
const TECHNICAL =
  /^(?:x64|x86|x86[-_ ]?64|win64|win32|amd64|arm64|(?:64|32)[- ]?bits?|vst|vst2|vst3|au|clap|lv2|ladspa|aax|audiounit)$/;

// A last word in brackets, or set off by blank, dash or underscore: "Plate (Stereo)", "Plate_x64", "Plate - Mono".
const LAST_WORD = /^(.*?\S)(?:\s*[([]\s*([^()[\]]+?)\s*[)\]]|[\s_-]+([^\s_()[\]]+))$/u;

// "MS to Stereo" and "Mono & Stereo" are names: the channel word belongs to what stands before it.
const BINDS = /(?:^|[\s_-])(?:to|in|into|from|and|or|2|for|&|\+|->|→)$/i;

/**
 * Takes format, bit and channel words off the end of a name, and the vendor's name off its beginning.
 * Numbers and word order stay: "Plate 2" is not "Plate". Never empty: a name of such words alone stays whole.
 */
export function productName(name: string, vendor: string | null): ProductName {
  let shown = name.trim().replace(/\s+/g, ' ');
  let channels: ProductName['channels'] = null;
  for (let match = LAST_WORD.exec(shown); match !== null; match = LAST_WORD.exec(shown)) {
    const before = (match[1] ?? '').replace(/[\s_-]+$/, '');
    const word = fold(match[2] ?? match[3] ?? '');
    // "64 bit" with a blank: the number goes with its word; "8 bit" is a sound, not a build.
    const bits = /^bits?$/.test(word) ? /^(.*\S)[\s_-]+(?:64|32)$/.exec(before)?.[1] : undefined;
    if (before === '' || BINDS.test(before)) break;
    const found = CHANNELS[word] ?? (match[2] === undefined ? undefined : BRACKETED[word.replace(/\s/g, '')]);
    if (found !== undefined) channels ??= found;
    else if (bits === undefined && !TECHNICAL.test(word)) break;
    shown = bits ?? before;
  }
  const key = joined(withoutVendor(shown, vendor)) || joined(shown) || fold(shown);
  return { shown, key, channels };
}

function withoutVendor(name: string, vendor: string | null): string {
  if (vendor === null) return name;
  const folded = fold(name);
  const prefix = fold(vendor);
  if (folded.length === name.length && folded.startsWith(prefix)) {
    const rest = name.slice(prefix.length).replace(/^[\s_:-]+/, '');
    // The word must end where the vendor's does: "Lintel Plate" by Lintel, but not "Lintels" by Lintel.
    if (rest !== '' && /^[^\p{Ll}]/u.test(name.slice(prefix.length))) return rest;
  }
  return name;
}
