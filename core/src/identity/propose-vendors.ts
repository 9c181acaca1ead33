import { slipOf } from '../text/one-edit.js';
import { fold } from '../text/words.js';
import { GENERAL_WORDS, vendorKey, withoutAddresses } from './vendor-name.js';

/** A vendor as the catalogue has it: its name, how many plugins are under it, and all that its builds wrote. */
export interface ListedVendor {
  readonly name: string;
  readonly plugins: number;
  readonly written: readonly string[];
  /** The producer said by hand what its spellings are: nothing is proposed any more. */
  readonly byHand: boolean;
}

/** Two vendors that may be one, and why. */
export interface VendorProposal {
  /** The one whose name would go. */
  readonly name: string;
  /** The one that it may be: the one with more plugins. */
  readonly of: string;
  readonly reason: string;
}

const SHORTEST_FOR_SLIP = 6;

/** Vendors that may be one: the name of one and a general word, the same address, the same surname and initial, or one slip of the hand. Each vendor is proposed once. */
export function proposeVendors(vendors: readonly ListedVendor[]): VendorProposal[] {
  const open = vendors.filter((one) => !one.byHand);
  const found = new Map<string, VendorProposal>();
  const propose = (a: ListedVendor, b: ListedVendor, reason: string): void => {
    if (a.name === b.name || found.has(a.name) || found.has(b.name)) return;
    const [less, more] = a.plugins < b.plugins || (a.plugins === b.plugins && a.name > b.name) ? [a, b] : [b, a];
    found.set(less.name, { name: less.name, of: more.name, reason });
  };
  together(open, (one) => addressesIn(one.written)).forEach(([address, [a, b]]) =>
    propose(a, b, `both give ${address}`),
  );
  together(open, (one) => [vendorKey(withoutGeneral(one.name)) ?? '']).forEach(([, [a, b]]) =>
    propose(a, b, `they differ in “${differing(a.name, b.name)}” alone`),
  );
  together(open, (one) => surnameAndInitial(one.name)).forEach(([, [a, b]]) =>
    propose(a, b, 'the same surname, and first names that begin alike'),
  );
  for (const [, own] of grouped(open, (one) => [fold(one.name).slice(0, 2)]))
    own.forEach((one, at) => {
      for (const other of own.slice(at + 1)) if (isSlip(one.name, other.name)) propose(one, other, 'one letter apart');
    });
  return [...found.values()].sort((a, b) => (a.name < b.name ? -1 : 1));
}

function grouped(vendors: readonly ListedVendor[], keysOf: (one: ListedVendor) => readonly string[]) {
  const groups = new Map<string, ListedVendor[]>();
  for (const one of vendors)
    for (const key of new Set(keysOf(one))) if (key !== '') groups.set(key, [...(groups.get(key) ?? []), one]);
  return groups;
}

/** Keys that exactly two vendors share: what many share tells nothing of two. */
function together(
  vendors: readonly ListedVendor[],
  keysOf: (one: ListedVendor) => readonly string[],
): [string, [ListedVendor, ListedVendor]][] {
  return [...grouped(vendors, keysOf)].flatMap(([key, [a, b, more]]): [string, [ListedVendor, ListedVendor]][] =>
    a !== undefined && b !== undefined && more === undefined ? [[key, [a, b]]] : [],
  );
}

const ADDRESSES = /[\w.+-]+@[\w-]+(?:\.[\w-]+)+|\b(?:https?:\/\/|www\.)[^\s<>()]+/giu;
/** Addresses of the vendor itself: one that stands beside several persons, or in a credit, may be anybody's. */
const addressesIn = (written: readonly string[]): string[] =>
  written
    .filter(
      (text) => vendorKey(text) === vendorKey(withoutAddresses(text).replace(/[,;&(].*$/, '')) && !/[,;&]/.test(text),
    )
    .flatMap((text) => text.match(ADDRESSES) ?? [])
    .map((address) => fold(address).replace(/[/.]+$/, ''));

const wordsIn = (name: string): string[] => name.split(/\s+/).filter((word) => word !== '');
const withoutGeneral = (name: string): string => {
  const kept = wordsIn(name).filter((word) => !GENERAL_WORDS.has(fold(word)));
  return kept.length === 0 ? name : kept.join(' ');
};
function differing(a: string, b: string): string {
  const [own, other] = [wordsIn(a), wordsIn(b)];
  const foreign = [...own.filter((word) => !other.includes(word)), ...other.filter((word) => !own.includes(word))];
  return foreign.join(', ') || a;
}

/** "Dave Rook" and "David Rook"; a single word is a firm or a pseudonym. */
function surnameAndInitial(name: string): string[] {
  const parts = wordsIn(name);
  const [first = '', last = ''] = [parts[0], parts[parts.length - 1]];
  if (parts.length < 2 || parts.some((word) => GENERAL_WORDS.has(fold(word)))) return [];
  return [`${fold(first).slice(0, 2)} ${fold(last)}`];
}

const isSlip = (a: string, b: string): boolean => {
  const [one, other] = [vendorKey(a) ?? '', vendorKey(b) ?? ''];
  if (one === other || Math.min(one.length, other.length) < SHORTEST_FOR_SLIP) return false;
  return slipOf(one, other) === 'whole' || slipOf(other, one) === 'whole';
};
