import type { BuildFacts } from '../facts/build-facts.js';
import type { PluginId } from '../ids.js';
import { asId } from '../ids.js';
import { ITEM_MARK } from './item-mark.js';
import type { Known } from './known-build.js';
import { linked } from './links.js';
import { productName } from './product-name.js';
import { shownVendor, vendorKey } from './vendor-name.js';

/** Builds that are one plugin, under an id made of vendor and name alone: a path is never part of it. */
export interface BuildGroup<B extends BuildFacts = BuildFacts> {
  readonly id: PluginId;
  readonly name: string;
  readonly vendor: string | null;
  readonly builds: readonly B[];
}

/** By spelling (as shown): which vendor the producer says that is, whatever its letters. */
export type VendorCorrections = ReadonlyMap<string, { readonly key: string; readonly name: string }>;

const NO_VENDOR = '?';

/**
 * Groups builds over formats, bits, versions and channel variants. A build without vendor joins the one vendor that has its name.
 * Two builds of one format and channel count with different identifiers are two plugins, unless one says it replaces the other.
 */
export function groupBuilds<B extends BuildFacts>(
  builds: readonly B[],
  corrections: VendorCorrections = new Map(),
): BuildGroup<B>[] {
  const known = builds.map((build): Known<B> => {
    const spelling = build.vendor === null ? null : shownVendor(build.vendor);
    const corrected = spelling === null ? undefined : corrections.get(spelling);
    const vendor = corrected?.name ?? spelling;
    return {
      build,
      vendor,
      vendorKey: corrected?.key ?? (vendor === null ? null : vendorKey(vendor)),
      name: productName(build.name, vendor),
    };
  });
  const vendors = vendorNames(known, corrections);
  return [...linked(known, withVendor(known))].flatMap(([id, members]) => splitDifferent(id, members, vendors));
}

/** The key of a build's plugin: vendor and name; without a vendor, the one vendor that has a plugin of the name. */
function withVendor(known: readonly Known[]): (one: Known, nameKey: string) => string {
  const vendorsOfName = new Map<string, Set<string>>();
  for (const one of known) {
    if (one.vendorKey === null) continue;
    const vendors = vendorsOfName.get(one.name.key);
    if (vendors === undefined) vendorsOfName.set(one.name.key, new Set([one.vendorKey]));
    else vendors.add(one.vendorKey);
  }
  return (one, nameKey) => {
    const vendors = vendorsOfName.get(nameKey);
    const only = vendors?.size === 1 ? [...vendors][0] : undefined;
    return `${one.vendorKey ?? only ?? NO_VENDOR}/${nameKey}`;
  };
}

/** One spelling for each vendor over the whole catalogue, by its key; a name given by hand wins. */
function vendorNames(known: readonly Known[], corrections: VendorCorrections): ReadonlyMap<string, string> {
  const spellings = new Map<string, string[]>();
  for (const { vendor, vendorKey: key } of known) {
    if (vendor === null || key === null) continue;
    const own = spellings.get(key);
    if (own === undefined) spellings.set(key, [vendor]);
    else own.push(vendor);
  }
  const names = new Map([...spellings].map(([key, own]) => [key, mostFrequent(own, plainest) ?? key]));
  for (const { key, name } of corrections.values()) if (names.has(key)) names.set(key, name);
  return names;
}

/** Keeps different plugins of one format and channel count apart, in an order that does not hang on the order of the files. */
function splitDifferent<B extends BuildFacts>(
  id: string,
  members: readonly Known<B>[],
  vendors: ReadonlyMap<string, string>,
): BuildGroup<B>[] {
  const parts: Known<B>[][] = [];
  const sorted = [...members].sort((a, b) => compare(a.build.identifier ?? '~', b.build.identifier ?? '~'));
  for (const one of sorted) {
    const part = parts.find((others) => others.every((other) => canBeOne(one, other)));
    if (part === undefined) parts.push([one]);
    else part.push(one);
  }
  return parts.map((part, index) => {
    const suffix = index === 0 ? '' : `~${(part[0]?.build.identifier ?? String(index)).replaceAll(ITEM_MARK, '_')}`;
    const names = part.map((one) => one.name.shown);
    const keys = part.map((one) => one.vendorKey);
    return {
      id: asId<PluginId>(id + suffix),
      name: mostFrequent(names, parted) ?? id,
      vendor: vendors.get(mostFrequent(keys, compare) ?? '') ?? null,
      builds: part.map((one) => one.build),
    };
  });
}

function canBeOne(one: Known, other: Known): boolean {
  const [a, b] = [one.build, other.build];
  if (a.format !== b.format || a.identifier === null || b.identifier === null) return true;
  if (a.identifier === b.identifier) return true;
  if (a.replaces.includes(b.identifier) || b.replaces.includes(a.identifier)) return true;
  return variant(one) !== variant(other);
}

const variant = ({ build, name }: Known): string =>
  name.channels ?? `${String(build.audioInputs)}>${String(build.audioOutputs)}`;

const compare = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

/** Of two spellings of a name, the one with blanks between its words reads as written by hand: "Copper Plate" before "CopperPlate". */
const parted = (a: string, b: string): number => b.split(' ').length - a.split(' ').length;

/** Of two spellings of a vendor, the one without additions and capitals: "Copperhat" before "COPPERHAT Ltd.". */
const plainest = (a: string, b: string): number => a.length - b.length || capitals(a) - capitals(b);
const capitals = (text: string): number => text.replace(/[^\p{Lu}]/gu, '').length;

/** The most frequent value; of equals the better one, then the first in order, so that it never hangs on the order of the files. */
function mostFrequent(values: readonly (string | null)[], better: (a: string, b: string) => number): string | null {
  const counts = new Map<string, number>();
  for (const value of values) if (value !== null) counts.set(value, (counts.get(value) ?? 0) + 1);
  const ranked = [...counts].sort((a, b) => b[1] - a[1] || better(a[0], b[0]) || compare(a[0], b[0]));
  return ranked[0]?.[0] ?? null;
}
