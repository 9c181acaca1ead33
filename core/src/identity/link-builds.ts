import type { BuildFacts } from '../facts/build-facts.js';
import { utf8Length } from '../text/utf8-length.js';
import { appendToGroup } from '../lists-by-key.js';
import { fold, joined, wordsOf } from '../text/words.js';
import { UNIQUE_IDENTIFIERS } from './build-key.js';
import type { Known } from './known-build.js';
import { compare } from './most-frequent.js';

/** Names are cut to fit a field: VST2's effect name and VST3's class name, less the closing zero. Interface headers (VST2 from memory). */
const CUT_AT = new Set([31, 63]);
// A character takes one to four bytes, and one or two units of text.
const SHORTEST_CUT = 8;
const LONGEST_CUT = 63;

/** Whether a name fills such a field, so that it may have been longer. */
export const isCut = (name: string): boolean =>
  name.length >= SHORTEST_CUT && name.length <= LONGEST_CUT && CUT_AT.has(utf8Length(name));

/**
 * Builds by the key of their plugin. Keys that belong together are one: the same identifier, an identifier that another build says it replaces (over
 * formats too), a name that was cut short, a vendor's initials in front of the name.
 */
export function linked<B extends BuildFacts>(
  known: readonly Known<B>[],
  keyOf: (one: Known, nameKey: string) => string,
): Map<string, Known<B>[]> {
  const nameKeys = new Map<Known, string>(known.map((one) => [one, one.name.key]));
  takeVendorPrefixesOff(known, nameKeys);
  const keys = known.map((one) => keyOf(one, nameKeys.get(one) ?? one.name.key));
  const sets = new Sets();
  for (const key of keys) sets.add(key);
  joinByIdentifier(known, keys, sets);
  joinOverFormats(known, keys, sets);
  joinBrands(known, keys, sets);
  const groups = new Map<string, Known<B>[]>();
  known.forEach((one, index) => {
    const key = sets.find(keys[index] ?? '');
    appendToGroup(groups, key, one);
  });
  return groups;
}

/** Disjoint sets of keys; the representative is the key that comes first in order, so that it never hangs on the order of the files. */
class Sets {
  private readonly parent = new Map<string, string>();

  add(key: string): void {
    if (!this.parent.has(key)) this.parent.set(key, key);
  }

  find(key: string): string {
    let root = key;
    for (let up = this.parent.get(root); up !== undefined && up !== root; up = this.parent.get(root)) root = up;
    return root;
  }

  join(a: string, b: string): void {
    const [first = '', second = ''] = [this.find(a), this.find(b)].sort();
    this.parent.set(second, first);
  }
}

function joinByIdentifier(known: readonly Known[], keys: readonly string[], sets: Sets): void {
  const byIdentifier = new Map<string, string>();
  known.forEach(({ build }, index) => {
    if (build.identifier === null || !UNIQUE_IDENTIFIERS.has(build.format)) return;
    const id = `${build.format} ${build.identifier}`;
    const key = keys[index] ?? '';
    const other = byIdentifier.get(id);
    if (other === undefined) byIdentifier.set(id, key);
    else sets.join(other, key);
  });
  known.forEach(({ build }, index) => {
    for (const old of build.replaces) {
      const other = byIdentifier.get(`${build.format} ${old}`);
      if (other !== undefined) sets.join(other, keys[index] ?? '');
    }
  });
}

/**
 * One build names a brand and the person behind it, another of the same name the person alone: they are one plugin. Only for a name that both have: a
 * person may stand behind several brands.
 */
function joinBrands(known: readonly Known[], keys: readonly string[], sets: Sets): void {
  const ofPerson = new Map<string, string>();
  known.forEach(({ vendorKey: own, name }, index) => {
    if (own !== null) ofPerson.set(`${own} ${name.key}`, keys[index] ?? '');
  });
  known.forEach(({ persons, name, given }, index) => {
    for (const person of persons) {
      // Under the person's name the brand is a part of the plugin's.
      const other = ofPerson.get(`${person} ${name.key}`) ?? ofPerson.get(`${person} ${joined(given)}`);
      if (other !== undefined) sets.join(other, keys[index] ?? '');
    }
  });
}

const LADSPA_URN = /^urn:ladspa:(\d+)$/;

/**
 * An LV2 plugin that says it replaces a LADSPA one by its number ("urn:ladspa:1234", LV2 convention) is that plugin. The number is copied wrongly now and
 * then, and LADSPA numbers are given twice: it counts where it is one to one both ways, and the names share a word that counts.
 */
function joinOverFormats(known: readonly Known[], keys: readonly string[], sets: Sets): void {
  const claims = new Map<string, Set<string>>();
  const holders = new Map<string, Set<string>>();
  const wordsOfKey = new Map<string, Set<string>>();
  const note = (map: Map<string, Set<string>>, at: string, value: string): void =>
    void map.set(at, (map.get(at) ?? new Set()).add(value));
  known.forEach(({ build, given }, index) => {
    const key = sets.find(keys[index] ?? '');
    const numbers =
      build.format === 'LADSPA'
        ? [build.identifier?.split('/')[0] ?? '']
        : build.replaces.map((old) => LADSPA_URN.exec(old)?.[1] ?? '');
    for (const number of numbers.filter((one) => one !== '')) {
      note(build.format === 'LADSPA' ? holders : claims, number, key);
      for (const word of wordsOf(given)) if (word.length >= COUNTING_LETTERS) note(wordsOfKey, key, word);
    }
  });
  const claimsOf = new Map<string, number>();
  for (const keysOfNumber of claims.values())
    for (const key of keysOfNumber) claimsOf.set(key, (claimsOf.get(key) ?? 0) + 1);
  for (const [number, own] of claims) {
    const [claim, holder] = [[...own][0] ?? '', [...(holders.get(number) ?? [])][0]];
    if (own.size !== 1 || holders.get(number)?.size !== 1 || holder === undefined || claimsOf.get(claim) !== 1)
      continue;
    const words = wordsOfKey.get(holder);
    if ([...(wordsOfKey.get(claim) ?? [])].some((word) => words?.has(word))) sets.join(claim, holder);
  }
}
const COUNTING_LETTERS = 3;

/**
 * "Copper Plate for the Travelling " (cut) is the one longer name of its vendor that begins so. Where several do and they are variants of one plugin, it is
 * one of these, whichever.
 */
export function completedNames<B extends BuildFacts>(known: readonly Known<B>[]): Known<B>[] {
  const cut = known.filter(({ given }) => isCut(given) || isCut(`${given} `));
  if (cut.length === 0) return [...known];
  const byVendor = new Map<string, Named<B>[]>();
  for (const of of known) appendToGroup(byVendor, of.vendorKey ?? '', { text: joined(of.name.withTagline), of });
  const all = inOrder([...byVendor.values()].flat());
  for (const [vendor, own] of byVendor) byVendor.set(vendor, inOrder(own));
  const kinOf = (vendor: string | null): (readonly Named<B>[])[] =>
    vendor === null ? [all] : [byVendor.get(vendor) ?? [], byVendor.get('') ?? []];
  const remembered = new Map<string, Completion<B> | null>();
  const completed = new Map(
    cut.map((one) => {
      const start = joined(one.name.withTagline);
      // A cut behind a word leaves a blank at the end, which is trimmed away.
      const goesOn = isCut(one.given) ? '' : `${fold(one.name.withTagline)} `;
      const key = JSON.stringify([one.vendorKey, start, goesOn]);
      let completion = remembered.get(key);
      if (completion === undefined)
        remembered.set(key, (completion = completionOf(longerNames(kinOf(one.vendorKey), start, goesOn))));
      return [one, completion === null ? one : completedBy(one, completion)];
    }),
  );
  return known.map((one) => completed.get(one) ?? one);
}

/** A build, and its name as it is compared. */
interface Named<B extends BuildFacts> {
  readonly text: string;
  readonly of: Known<B>;
}

const inOrder = <B extends BuildFacts>(list: readonly Named<B>[]): Named<B>[] =>
  [...list].sort((a, b) => compare(a.text, b.text));

/** The names in some lists, each in order, that are longer than a beginning, by name. They stand together: nothing else is looked at, however many there are. */
function longerNames<B extends BuildFacts>(
  lists: readonly (readonly Named<B>[])[],
  start: string,
  goesOn: string,
): ReadonlyMap<string, Known<B>> {
  const longer = new Map<string, Known<B>>();
  for (const list of lists)
    for (let at = placeOf(start, list); list[at]?.text.startsWith(start) === true; at++) {
      const { text, of } = list[at] as Named<B>;
      if (text.length > start.length && fold(of.name.withTagline).startsWith(goesOn)) longer.set(text, of);
    }
  return longer;
}

/** Where the first of a list in order stands that does not come before a text. */
function placeOf<B extends BuildFacts>(text: string, list: readonly Named<B>[]): number {
  let [from, to] = [0, list.length];
  while (from < to) {
    const middle = (from + to) >> 1;
    if (compare((list[middle] as Named<B>).text, text) < 0) from = middle + 1;
    else to = middle;
  }
  return from;
}

/** What completes a name that was cut. */
interface Completion<B extends BuildFacts> {
  readonly by: Known<B>;
  /** One of several variants of one plugin, whichever. */
  readonly isVariant: boolean;
}

/** Null where there is nothing longer, or several plugins are. */
function completionOf<B extends BuildFacts>(longer: ReadonlyMap<string, Known<B>>): Completion<B> | null {
  const [first] = [...longer].sort(([a], [b]) => compare(a, b)).map(([, other]) => other);
  if (first === undefined) return null;
  const isOnePlugin = [...longer.values()].every((other) => other.name.key === first.name.key);
  return isOnePlugin || longer.size === 1 ? { by: first, isVariant: longer.size > 1 } : null;
}

function completedBy<B extends BuildFacts>(one: Known<B>, { by, isVariant }: Completion<B>): Known<B> {
  const { given, name } = by;
  return { ...one, given, name: isVariant ? { ...name, channels: `? ${one.build.identifier ?? ''}` } : name };
}

const PREFIX = /^([\p{Lu}\p{N}]{2,4})[\s_:-]+(\S.*)$/u;
// Short words that name the kind of thing, and stand in front of names for that reason.
const TRADE_WORDS = new Set('eq fx ms lr vu dj hp lp bp dc ac am fm mb gr tx rx ir xl 3d 2d'.split(' '));
const SHARED_BY = 3;

/** "CH Plate" by Copper Hat is its "Plate": the vendor's initials, or letters of it that stand before three names or before one that it has elsewhere. */
function takeVendorPrefixesOff(known: readonly Known[], nameKeys: Map<Known, string>): void {
  const candidates = known.flatMap((one) => {
    const match = PREFIX.exec(one.name.shown);
    const letters = fold(match?.[1] ?? '');
    if (match === null || one.vendor === null || one.vendorKey === null || TRADE_WORDS.has(letters)) return [];
    if (!isAbbreviation(letters, one.vendorKey)) return [];
    return [{ one, letters, rest: joined(match[2] ?? ''), vendor: one.vendor, group: `${one.vendorKey} ${letters}` }];
  });
  const names = new Set(known.map((one) => `${one.vendorKey ?? ''} ${one.name.key}`));
  const namesWithPrefix = new Map<string, Set<string>>();
  for (const { group, rest } of candidates)
    namesWithPrefix.set(group, (namesWithPrefix.get(group) ?? new Set()).add(rest));
  for (const { one, letters, rest, vendor, group } of candidates) {
    const shared = (namesWithPrefix.get(group)?.size ?? 0) >= SHARED_BY;
    const hasTwin = names.has(`${one.vendorKey ?? ''} ${rest}`);
    if (rest !== '' && (shared || hasTwin || letters === initials(vendor))) nameKeys.set(one, rest);
  }
}

const initials = (vendor: string): string =>
  fold(vendor)
    .split(/[^\p{L}\p{N}]+/u)
    .map((word) => word[0] ?? '')
    .join('');

/** Whether the letters stand in the vendor's name in their order, the first one first: "ch" in "copperhat". */
function isAbbreviation(letters: string, vendor: string): boolean {
  if (letters[0] !== vendor[0]) return false;
  let at = 0;
  for (const letter of letters) {
    at = vendor.indexOf(letter, at) + 1;
    if (at === 0) return false;
  }
  return true;
}
