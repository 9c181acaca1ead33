import type { BuildFacts } from '../facts/build-facts.js';
import type { PluginId } from '../ids.js';
import { asId } from '../ids.js';
import type { ProductName } from './product-name.js';
import { productName } from './product-name.js';
import { shownVendor, vendorKey } from './vendor-name.js';

/** Builds that are one plugin, under an id made of vendor and name alone: a path is never part of it. */
export interface BuildGroup<B extends BuildFacts = BuildFacts> {
  readonly id: PluginId;
  readonly name: string;
  readonly vendor: string | null;
  readonly builds: readonly B[];
}

interface Known<B> {
  readonly build: B;
  readonly vendor: string | null;
  readonly vendorKey: string | null;
  readonly name: ProductName;
}

const NO_VENDOR = '?';

/**
 * Groups builds over formats, bits, versions and channel variants. A build without vendor joins the one vendor that has its name.
 * Two builds of one format and channel count with different identifiers are two plugins, unless one says it replaces the other.
 */
export function groupBuilds<B extends BuildFacts>(builds: readonly B[]): BuildGroup<B>[] {
  const known = builds.map((build): Known<B> => {
    const vendor = build.vendor === null ? null : shownVendor(build.vendor);
    return {
      build,
      vendor,
      vendorKey: vendor === null ? null : vendorKey(vendor),
      name: productName(build.name, vendor),
    };
  });
  const vendorsOfName = new Map<string, Set<string>>();
  for (const one of known) {
    if (one.vendorKey === null) continue;
    const vendors = vendorsOfName.get(one.name.key);
    if (vendors === undefined) vendorsOfName.set(one.name.key, new Set([one.vendorKey]));
    else vendors.add(one.vendorKey);
  }
  const groups = new Map<string, Known<B>[]>();
  for (const one of known) {
    const vendors = vendorsOfName.get(one.name.key);
    const only = vendors?.size === 1 ? [...vendors][0] : undefined;
    const id = `${one.vendorKey ?? only ?? NO_VENDOR}/${one.name.key}`;
    const group = groups.get(id);
    if (group === undefined) groups.set(id, [one]);
    else group.push(one);
  }
  const vendors = vendorNames(known);
  return [...groups].flatMap(([id, members]) => splitDifferent(id, members, vendors));
}

/** One spelling for each vendor over the whole catalogue, by its key. */
function vendorNames(known: readonly Known<BuildFacts>[]): ReadonlyMap<string, string> {
  const spellings = new Map<string, string[]>();
  for (const { vendor, vendorKey: key } of known) {
    if (vendor === null || key === null) continue;
    const own = spellings.get(key);
    if (own === undefined) spellings.set(key, [vendor]);
    else own.push(vendor);
  }
  return new Map([...spellings].map(([key, own]) => [key, mostFrequent(own, plainest) ?? key]));
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
    const suffix = index === 0 ? '' : `~${part[0]?.build.identifier ?? String(index)}`;
    return {
      id: asId<PluginId>(id + suffix),
      name:
        mostFrequent(
          part.map((one) => one.name.shown),
          parted,
        ) ?? id,
      vendor:
        vendors.get(
          mostFrequent(
            part.map((one) => one.vendorKey),
            compare,
          ) ?? '',
        ) ?? null,
      builds: part.map((one) => one.build),
    };
  });
}

function canBeOne(one: Known<BuildFacts>, other: Known<BuildFacts>): boolean {
  const [a, b] = [one.build, other.build];
  if (a.format !== b.format || a.identifier === null || b.identifier === null) return true;
  if (a.identifier === b.identifier) return true;
  if (a.replaces.includes(b.identifier) || b.replaces.includes(a.identifier)) return true;
  return variant(one) !== variant(other);
}

const variant = ({ build, name }: Known<BuildFacts>): string =>
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
