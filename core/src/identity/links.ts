import type { BuildFacts } from '../facts/build-facts.js';
import { utf8Length } from '../text/utf8-length.js';
import { fold, joined } from '../text/words.js';
import { UNIQUE_IDENTIFIERS } from './build-key.js';
import type { Known } from './known-build.js';

/** Names are cut to fit a field: VST2's effect name and VST3's class name, less the closing zero. Interface headers (VST2 from memory). */
const CUT_AT = new Set([31, 63]);

/**
 * Builds by the key of their plugin. Keys that belong together are one: the same identifier, an identifier that another build says it replaces,
 * a name that was cut short, a vendor's initials in front of the name.
 */
export function linked<B extends BuildFacts>(
  known: readonly Known<B>[],
  keyOf: (one: Known, nameKey: string) => string,
): Map<string, Known<B>[]> {
  const nameKeys = new Map<Known, string>(known.map((one) => [one, one.name.key]));
  takeVendorPrefixesOff(known, nameKeys);
  completeCutNames(known, nameKeys);
  const keys = known.map((one) => keyOf(one, nameKeys.get(one) ?? one.name.key));
  const sets = new Sets();
  for (const key of keys) sets.add(key);
  joinByIdentifier(known, keys, sets);
  const groups = new Map<string, Known<B>[]>();
  known.forEach((one, index) => {
    const key = sets.find(keys[index] ?? '');
    const group = groups.get(key);
    if (group === undefined) groups.set(key, [one]);
    else group.push(one);
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

/** "Copper Plate for the Travelling " (cut) takes the key of the one longer name of its vendor that begins so. */
function completeCutNames(known: readonly Known[], nameKeys: Map<Known, string>): void {
  for (const one of known) {
    const cut = one.build.name;
    if (!CUT_AT.has(utf8Length(cut))) continue;
    const start = joined(cut);
    const longer = new Set(
      known
        .filter((other) => other.vendorKey === one.vendorKey || one.vendorKey === null || other.vendorKey === null)
        .map((other) => nameKeys.get(other) ?? '')
        .filter((key) => key.length > start.length && key.startsWith(start)),
    );
    const [only] = longer;
    if (longer.size === 1 && only !== undefined) nameKeys.set(one, only);
  }
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
