import { fold } from '../text/words.js';

/** Main channels of a build, by which a channel word in its name is believed; null for unknown. */
export interface ChannelCounts {
  readonly audioInputs: number | null;
  readonly audioOutputs: number | null;
}

/** A name without the words for its channels and port rates, and these words in one spelling; null when it has none. */
export interface WithoutChannels {
  readonly base: string;
  readonly channels: string | null;
}

const SINGLE: Readonly<Record<string, string>> = {
  mono: 'mono',
  stereo: 'stereo',
  surround: 'surround',
  'left/right': 'left/right',
  leftright: 'left/right',
  'left right': 'left/right',
  midside: 'mid/side',
  'mid side': 'mid/side',
  'mid/side': 'mid/side',
  '5.1': '5.1',
  '7.1': '7.1',
};
// Single letters and pairs count in brackets only: "Plate (m)", "Plate (m>s)", but "Model M".
const BRACKETED: Readonly<Record<string, string>> = {
  m: 'mono',
  s: 'stereo',
  st: 'stereo',
  lr: 'left/right',
  'l/r': 'left/right',
  ms: 'mid/side',
  'm->s': 'mono to stereo',
  'm>s': 'mono to stereo',
  'm/s': 'mono to stereo',
  'mono/stereo': 'mono to stereo',
};
// "(mono in)", "(sum L+R in)", "(stereo inputs)".
const IN_WORDS = /^(?:(?:mono|stereo|sum|only|in|out|inputs?|outputs?|channels?|l\+r|l|r)\s*)+$/;
// "(FARA)", "(AC)": a letter for each port, and whether it takes audio or control; "(CR)", "(AR Controls)", "(Audio-Rate Inputs)", "(Freq:audio, Amp:control)".
const PORT_CODE = /^(?:[A-Z][AC]){1,4}$|^[AC]R$/;
const RATE_WORDS =
  /^(?:audio|control|ar|cr)(?:[\s-]*rates?)?(?:\s+(?:inputs?|controls?|threshold))?$|^(?:\w+:\s*(?:audio|control)(?:,\s*|$))+$/;

// "MS to Stereo", "Mono & Stereo" are names: the channel word belongs to what stands beside it.
const BINDS_BEFORE = /(?:^|[\s_-])(?:to|in|into|from|and|or|2|for|of|&|\+|->|→)[\s_-]+$/i;
const BINDS_BEHIND = /^[\s_-]+(?:to|and|or|from|2|in|into|&|\+|->|→)(?:\s|$)/i;

const ARROW = /\b(mono|stereo)\s*(?:=>|->|→)\s*(mono|stereo)?(?=$|[\s)\]])/i;
const WORD = /(?<![\p{L}\p{N}])(mono|stereo|left\/right|leftright|mid\/side|midside|5\.1|7\.1)(?![\p{L}\p{N}.])/giu;
const TIMES = /(?<=[\p{L}\p{N}]|\s)[xX](\d{1,2})(?=$|\s)/gu;
const PAIR = /(?<=^|\s)(\d{1,2})x(\d{1,2})(?=$|\s)/gu;
const SHORT = /(?:\s(?:st|ST)|(?<=\p{Ll})ST|(?<=[\p{L}\p{N}])[_-](?:st|ST|LR|MS))$/u;
/** Most names have none of it, and need no closer look. */
const MAY_HAVE = /[([>]|mono|stereo|left|right|mid|side|\d|st$|LR$|MS$/i;
const BRACKET = /\s*[([]\s*([^()[\]]*?)\s*[)\]]/gu;

/**
 * Takes the words for channels and port rates out of a name, wherever they stand, where the ports agree with them; of ports that are not known a
 * word at the end or in brackets is believed. Never empties a name. Common practice.
 */
export function withoutChannels(name: string, ports: ChannelCounts): WithoutChannels {
  if (!MAY_HAVE.test(name)) return { base: name, channels: null };
  const found: string[] = [];
  let base = name;
  const drop = (pattern: RegExp, channelOf: (match: RegExpExecArray) => string | null): void => {
    // From the end: what stands before keeps its place.
    const matches = [
      ...base.matchAll(pattern.flags.includes('g') ? pattern : new RegExp(pattern, `${pattern.flags}g`)),
    ];
    for (const match of matches.reverse()) {
      const channel = channelOf(match);
      if (channel === null) continue;
      const rest = tidied(base.slice(0, match.index), base.slice(match.index + match[0].length));
      if (!/\p{L}{2}|\p{L}\d|\d\p{L}/u.test(rest) && !/\p{L}/u.test(rest)) continue;
      base = rest;
      found.unshift(channel);
    }
  };
  drop(BRACKET, (match) => channelWord(match[1] ?? '', ports));
  drop(ARROW, (match) => fold(`${match[1] ?? ''} to ${match[2] ?? 'stereo'}`));
  drop(WORD, (match) => {
    const [before, behind] = [base.slice(0, match.index), base.slice(match.index + match[0].length)];
    if (BINDS_BEFORE.test(before) || BINDS_BEHIND.test(behind)) return null;
    const channel = SINGLE[fold(match[0])] ?? null;
    return channel !== null && agrees(channel, ports, behind.trim() === '') ? channel : null;
  });
  drop(PAIR, (match) => {
    const [into, out] = [Number(match[1]), Number(match[2])];
    const fits = ports.audioInputs === into && ports.audioOutputs === out;
    return fits ? `${String(into)} in, ${String(out)} out` : null;
  });
  drop(TIMES, (match) => (grow(Number(match[1]), ports) ? `x${match[1] ?? ''}` : null));
  drop(SHORT, (match) => {
    const word = fold(match[0].replace(/[\s_-]/g, ''));
    const channel = BRACKETED[word] ?? null;
    return channel !== null && hasTwo(ports) ? channel : null;
  });
  return { base, channels: found.length === 0 ? null : [...new Set(found)].join(' ') };
}

const tidied = (before: string, behind: string): string =>
  `${before.replace(/[\s_,-]+$/, '')} ${behind.replace(/^[\s_,-]+/, '')}`.trim();

/** What stands in brackets, or alone behind a dash, as a word for channels or port rates; null when it is none. */
export function channelWord(content: string, ports: ChannelCounts): string | null {
  const word = fold(content);
  const single = SINGLE[word] ?? BRACKETED[word.replace(/\s/g, '')] ?? SINGLE[word.replace(/[\s/-]/g, '')];
  if (single !== undefined) return single;
  const arrow = /^(mono|stereo)\s*(?:to|=>|->|→|>|\/)\s*(mono|stereo)$/.exec(word);
  if (arrow !== null) return `${arrow[1] ?? ''} to ${arrow[2] ?? ''}`;
  const pair = /^(\d{1,2})x(\d{1,2})$/.exec(word);
  if (pair !== null)
    return pair[1] === pair[2] ? (pair[1] === '1' ? 'mono' : pair[1] === '2' ? 'stereo' : word) : 'mono to stereo';
  const many = /^(\d{1,2}) channels?$/.exec(word);
  if (many !== null) return grow(Number(many[1]), ports) ? `x${many[1] ?? ''}` : null;
  if (word !== '' && IN_WORDS.test(word) && /mono|stereo|sum/.test(word)) return word;
  return PORT_CODE.test(content) || RATE_WORDS.test(word) ? word : null;
}

const hasTwo = ({ audioInputs, audioOutputs }: ChannelCounts): boolean => audioInputs === 2 || audioOutputs === 2;

/** Whether as many channels go in or out: "x8" of bands is no word for channels. */
function grow(count: number, { audioInputs, audioOutputs }: ChannelCounts): boolean {
  if (audioInputs === null || audioOutputs === null) return false;
  if (count <= 2) return audioInputs === count || audioOutputs === count;
  return audioInputs >= count || audioOutputs >= count;
}

function agrees(channel: string, ports: ChannelCounts, atEnd: boolean): boolean {
  const { audioInputs: into, audioOutputs: out } = ports;
  if (into === null || out === null) return atEnd;
  if (channel === 'mono') return into === 1 || out === 1;
  if (channel === 'surround' || channel === '5.1') return out >= 5 || into >= 5;
  if (channel === '7.1') return out >= 7 || into >= 7;
  // A mono input beside a sidechain, or four of two stereo pairs, still is what its word says.
  return into === 2 || out === 2 || into === 4;
}
