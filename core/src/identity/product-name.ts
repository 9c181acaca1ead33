import { fold, joined } from '../text/words.js';
import { channelWord, withoutChannels, type ChannelCounts } from './channel-words.js';
import { FORMAT_WORDS, GENERAL_WORDS } from './vendor-name.js';

/** A plugin's name taken apart: what is shown, what is compared, and which channel variant a build is. */
export interface ProductName {
  /** Without decoration, format words, the maker's own name, tagline and channel words. */
  readonly shown: string;
  /** The same with the channel words: they stand in the list where no variant shares the name. */
  readonly withChannels: string;
  /** The same with the tagline behind a dash: it stands where another plugin of the maker would read the same. */
  readonly withTagline: string;
  /** With the tagline, and without channel words. */
  readonly wholeShown: string;
  readonly key: string;
  readonly channels: string | null;
}

const UNKNOWN: ChannelCounts = { audioInputs: null, audioOutputs: null };

const TECHNICAL =
  /^(?:x64|x86|x86[-_ ]?64|win64|win32|amd64|arm64|(?:64|32)[- ]?bits?|vst|vst2|vst3|au|clap|lv2|ladspa|aax|audiounit)$/;
// A last word in brackets, or set off by blank, dash or underscore: "Plate (VST3)", "Plate_x64".
const LAST_WORD = /^(.*?\S)(?:\s*[([]\s*([^()[\]]+?)\s*[)\]]|[\s_-]+([^\s_()[\]]+))$/u;
// A dash set off by blanks parts a name from a tagline; "x-over" and "Saw-VCO" are words.
const DASH = /\s+(?:-{1,3}|–|—)\s+/;
// "(by Ada Rook)", ", adapted by Bo Wren": a credit is set off; "invented by" within a name is a part of it.
const BY = /\s*(?:[([]\s*|,\s*)(?:\p{L}+\s+)?by\s+\p{Lu}[^)\]]*[)\]]?$/u;

/**
 * Takes a maker's name apart. Decoration ("::", "_"), format and bit words, the vendor's own name in front or behind, credits, and a tagline behind a dash go;
 * channel words go where the ports agree with them. Numbers and word order stay: "Plate 2" is not "Plate". Never empty: a name of such words alone stays whole.
 */
export function productName(name: string, vendor: string | null, ports: ChannelCounts = UNKNOWN): ProductName {
  const [head = '', ...tail] = segmentsOf(name, vendor);
  const plain = withoutVendor(withoutTechnical(head), vendor);
  const taglines = tail.filter((part) => channelWord(part, ports) === null);
  const channelTail = tail.filter((part) => !taglines.includes(part));
  const whole = withoutChannels([plain, ...taglines].join(' - '), ports);
  const channels = [whole.channels, ...channelTail.map((part) => channelWord(part, ports))].filter(
    (word) => word !== null,
  );
  return {
    shown: withoutChannels(plain, ports).base,
    withChannels: [plain, ...channelTail].join(' - '),
    withTagline: [plain, ...tail].join(' - '),
    wholeShown: whole.base,
    // The tagline counts: two plugins of a line differ in nothing else now and then.
    key: joined(whole.base) || joined(plain) || joined(head) || fold(name.trim()),
    channels: channels.length === 0 ? null : channels.join(' '),
  };
}

function segmentsOf(name: string, vendor: string | null): string[] {
  const plain = name
    .trim()
    // Underscores stand where a file name can have no blanks.
    .replace(/_+/g, ' ')
    .replace(/\s*::+\s*/g, ' - ')
    .replace(/\s+/g, ' ')
    .trim();
  const parts = plain
    .split(DASH)
    .map((part) => part.replace(/^[\s:;,=~|-]+|[\s:;,=~|-]+$/g, ''))
    .filter((part) => part !== '');
  const kept = parts.length > 1 && isMaker(parts[0] ?? '', vendor) ? parts.slice(1) : parts;
  const [head = name.trim(), ...rest] = kept;
  const credited = head.replace(BY, '');
  return [credited === '' ? head : credited, ...rest];
}

function isMaker(part: string, vendor: string | null): boolean {
  if (vendor === null) return false;
  return ownNames(vendor).some((own) => joined(own) === joined(part));
}

/** By what names a vendor calls itself: whole, and without the general words behind ("Copperhat Sound" → "Copperhat"). */
function ownNames(vendor: string): string[] {
  const words = vendor.split(' ');
  let length = words.length;
  while (length > 1 && isGeneral(words[length - 1] ?? '')) length--;
  const short = words.slice(0, length).join(' ');
  return short === vendor ? [vendor] : [vendor, short];
}
const isGeneral = (word: string): boolean => GENERAL_WORDS.has(fold(word)) || FORMAT_WORDS.has(fold(word));

function withoutTechnical(name: string): string {
  let shown = name;
  for (let match = LAST_WORD.exec(shown); match !== null; match = LAST_WORD.exec(shown)) {
    const before = (match[1] ?? '').replace(/[\s_-]+$/, '');
    const word = fold(match[2] ?? match[3] ?? '');
    // "64 bit" with a blank: the number goes with its word; "8 bit" is a sound, not a build.
    const bits = /^bits?$/.test(word) ? /^(.*\S)[\s_-]+(?:64|32)$/.exec(before)?.[1] : undefined;
    if (before === '' || (bits === undefined && !TECHNICAL.test(word))) break;
    shown = bits ?? before;
  }
  const [first = '', ...rest] = shown.split(' ');
  return rest.length > 0 && FORMAT_WORDS.has(fold(first)) && first === first.toUpperCase() ? rest.join(' ') : shown;
}

function withoutVendor(name: string, vendor: string | null): string {
  if (vendor === null) return name;
  const folded = fold(name);
  if (folded.length !== name.length) return name;
  for (const own of ownNames(vendor)) {
    const word = fold(own);
    const rest = name.slice(word.length);
    // The word must end where the vendor's does: "Lintel Plate" by Lintel, but not "Lintels" by Lintel.
    if (folded.startsWith(word) && /^[^\p{Ll}]/u.test(rest)) {
      const left = rest.replace(/^[\s_:'-]+/, '');
      if (isName(left)) return left;
    }
    const behind = new RegExp(`^(.*?\\S)[\\s_-]+(?:(?:by|von|de)\\s+)?${escaped(word)}$`, 'u').exec(folded);
    if (behind?.[1] !== undefined && isName(name.slice(0, behind[1].length))) return name.slice(0, behind[1].length);
  }
  return name;
}

/** A number alone, or a letter, is no name without the maker's: "Lintel 2" stays. */
const isName = (text: string): boolean => /\p{L}{2}/u.test(text) || /\p{L}\d|\d\p{L}/u.test(text);

const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
