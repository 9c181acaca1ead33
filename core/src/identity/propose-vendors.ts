import { appendToGroup } from '../lists-by-key.js';
import { runToCompletion, eachStepwise, type Stepwise } from '../stepwise.js';
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

/** Of vendors that begin alike so many pairs are looked at for a slip of the hand: those of a thousand. Among more, one letter apart says little. */
const MAX_PAIRS = 500_000;

/** Vendors that may be one: the name of one and a general word, the same address, the same surname and initial, or one slip of the hand. Each vendor is proposed once. */
export const proposeVendors = (vendors: readonly ListedVendor[]): VendorProposal[] =>
  runToCompletion(proposeVendorsStepwise(vendors));

/** The same step by step. */
export function* proposeVendorsStepwise(vendors: readonly ListedVendor[]): Stepwise<VendorProposal[]> {
  const open = vendors.filter((one) => !one.byHand);
  const found = new Map<string, VendorProposal>();
  const propose = (a: ListedVendor, b: ListedVendor, reason: string): void => {
    if (a.name === b.name || found.has(a.name) || found.has(b.name)) return;
    const [less, more] = a.plugins < b.plugins || (a.plugins === b.plugins && a.name > b.name) ? [a, b] : [b, a];
    found.set(less.name, { name: less.name, of: more.name, reason });
  };
  const sharing = function* (keysOf: (one: ListedVendor) => readonly string[]) {
    return together(yield* grouped(open, keysOf));
  };
  for (const [address, [a, b]] of yield* sharing((one) => addressesIn(one.written)))
    propose(a, b, `both give ${address}`);
  for (const [, [a, b]] of yield* sharing((one) => [vendorKey(withoutGeneral(one.name)) ?? '']))
    propose(a, b, `they differ in “${differing(a.name, b.name)}” alone`);
  for (const [, [a, b]] of yield* sharing((one) => surnameAndInitial(one.name)))
    propose(a, b, 'the same surname, and first names that begin alike');
  yield* proposeSlips(open, (a, b) => propose(a, b, 'one letter apart'));
  return [...found.values()].sort((a, b) => (a.name < b.name ? -1 : 1));
}

function* proposeSlips(
  vendors: readonly ListedVendor[],
  propose: (a: ListedVendor, b: ListedVendor) => void,
): Stepwise<void> {
  for (const [, own] of yield* grouped(vendors, (one) => [fold(one.name).slice(0, 2)])) {
    let pairs = 0;
    const keys: string[] = [];
    yield* eachStepwise(own, (one) => keys.push(vendorKey(one.name) ?? ''));
    for (const [at, one] of own.entries()) {
      for (let next = at + 1; next < own.length && pairs < MAX_PAIRS; next++, pairs++)
        if (isSlip(keys[at] ?? '', keys[next] ?? '')) propose(one, own[next] as ListedVendor);
      yield;
    }
  }
}

function* grouped(
  vendors: readonly ListedVendor[],
  keysOf: (one: ListedVendor) => readonly string[],
): Stepwise<Map<string, ListedVendor[]>> {
  const groups = new Map<string, ListedVendor[]>();
  yield* eachStepwise(vendors, (one) => {
    for (const key of new Set(keysOf(one))) if (key !== '') appendToGroup(groups, key, one);
  });
  return groups;
}

/** Keys that exactly two vendors share: what many share tells nothing of two. */
const together = (groups: ReadonlyMap<string, ListedVendor[]>): [string, [ListedVendor, ListedVendor]][] =>
  [...groups].flatMap(([key, [a, b, more]]): [string, [ListedVendor, ListedVendor]][] =>
    a !== undefined && b !== undefined && more === undefined ? [[key, [a, b]]] : [],
  );

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

/** Of the keys of two vendors; their lengths are looked at first, as most differ in them. */
const isSlip = (one: string, other: string): boolean =>
  Math.abs(one.length - other.length) <= 1 &&
  Math.min(one.length, other.length) >= SHORTEST_FOR_SLIP &&
  one !== other &&
  (slipOf(one, other) === 'whole' || slipOf(other, one) === 'whole');
