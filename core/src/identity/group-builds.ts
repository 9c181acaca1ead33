import type { BuildFacts } from '../facts/build-facts.js';
import type { PluginId } from '../ids.js';
import { asId } from '../ids.js';
import { appendToGroup } from '../lists-by-key.js';
import { joined } from '../text/words.js';
import { ITEM_MARK } from './item-mark.js';
import { differentOnes } from './different-ones.js';
import type { Known } from './known-build.js';
import { completedNames, isCut, linked } from './link-builds.js';
import { compare, mostFrequent } from './most-frequent.js';
import { productName } from './product-name.js';
import { shownNames, type Draft } from './shown-names.js';
import { shownVendor, vendorKey, withoutAddresses } from './vendor-name.js';

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
  const vendorOfPlace = vendorsOfPlaces(builds);
  const vendorOf = spelledVendors(corrections);
  const written = builds.map((build): Known<B> => {
    const { vendor, vendorKey: key } = vendorOf(build.vendor ?? vendorOfPlace(build));
    const given = completedName(build);
    const persons = build.others
      .filter((other) => other.fact === 'vendor' && other.source === 'manifest')
      .map((other) => vendorOf(other.value).vendorKey)
      .filter((person) => person !== null);
    return { build, given, vendor, vendorKey: key, persons, name: productName(given, vendor, build) };
  });
  const known = completedNames(written);
  const vendors = vendorNames(known, corrections);
  const drafts = [...linked(known, withVendor(known))].flatMap(([id, members]) => draftsOf(id, members));
  const names = shownNames(drafts);
  return drafts.map((draft, index) => ({
    id: draft.id,
    name: names[index] ?? draft.id,
    vendor: vendors.get(draft.vendorKey ?? '') ?? null,
    builds: draft.members.map((one) => one.build),
  }));
}

/** A vendor as it is shown and compared, by what a build says; a producer's word wins. Few vendors make many builds: each spelling is looked at once. */
function spelledVendors(corrections: VendorCorrections): (told: string | null) => Pick<Known, 'vendor' | 'vendorKey'> {
  const known = new Map<string, Pick<Known, 'vendor' | 'vendorKey'>>();
  return (told) => {
    if (told === null) return { vendor: null, vendorKey: null };
    const before = known.get(told);
    if (before !== undefined) return before;
    const spelling = shownVendor(told);
    if (spelling === null) return { vendor: null, vendorKey: null };
    const corrected = corrections.get(spelling) ?? corrections.get(withoutAddresses(told));
    const vendor = corrected?.name ?? spelling;
    const found = { vendor, vendorKey: corrected?.key ?? vendorKey(vendor) };
    known.set(told, found);
    return found;
  };
}

/** The vendor of a build that names none: that of the others in its bundle, where all of them agree. What comes in one bundle comes from one hand. */
function vendorsOfPlaces(builds: readonly BuildFacts[]): (build: BuildFacts) => string | null {
  const vendors = new Map<string, Set<string>>();
  for (const { path, vendor } of builds)
    if (vendor !== null) vendors.set(path, (vendors.get(path) ?? new Set()).add(vendor));
  return ({ path }) => {
    const own = vendors.get(path);
    return own?.size === 1 ? ([...own][0] ?? null) : null;
  };
}

/** A name that a field cut short, completed from what the plugin says further of itself (VST2: the product beside the effect's name). */
function completedName({ name, others }: BuildFacts): string {
  if (!isCut(name)) return name;
  const start = joined(name);
  const longer = others.filter((other) => other.fact === 'name').map((other) => other.value);
  return longer.find((other) => joined(other).startsWith(start) && other.length > name.length) ?? name;
}

/**
 * The key of a build's plugin: vendor and name; without a vendor, the one vendor that has a plugin of the name, unless that has a build of this
 * format with another identifier already, which then is the plugin's own.
 */
function withVendor(known: readonly Known[]): (one: Known, nameKey: string) => string {
  const ofName = new Map<string, { vendors: Set<string>; identifiers: Map<string, Set<string>> }>();
  for (const { vendorKey: key, name, build } of known) {
    if (key === null) continue;
    const own = ofName.get(name.key) ?? { vendors: new Set<string>(), identifiers: new Map<string, Set<string>>() };
    ofName.set(name.key, own);
    own.vendors.add(key);
    if (build.identifier !== null)
      own.identifiers.set(build.format, (own.identifiers.get(build.format) ?? new Set()).add(build.identifier));
  }
  return (one, nameKey) => {
    const own = ofName.get(nameKey);
    const { format, identifier } = one.build;
    const known = own?.identifiers.get(format);
    const isOther = identifier !== null && known !== undefined && !known.has(identifier);
    const only = own?.vendors.size === 1 && !isOther ? [...own.vendors][0] : undefined;
    return `${one.vendorKey ?? only ?? NO_VENDOR}/${nameKey}`;
  };
}

/** One spelling for each vendor over the whole catalogue, by its key; a name given by hand wins. */
function vendorNames(known: readonly Known[], corrections: VendorCorrections): ReadonlyMap<string, string> {
  const spellings = new Map<string, string[]>();
  for (const { vendor, vendorKey: key } of known) {
    if (vendor === null || key === null) continue;
    appendToGroup(spellings, key, vendor);
  }
  const names = new Map([...spellings].map(([key, own]) => [key, mostFrequent(own, plainest) ?? key]));
  for (const { key, name } of corrections.values()) if (names.has(key)) names.set(key, name);
  return names;
}

/** A draft of each of the different plugins among the builds of a key. */
const draftsOf = <B extends BuildFacts>(id: string, members: readonly Known<B>[]): Draft<B>[] =>
  differentOnes(members).map((part, index) => {
    const suffix = index === 0 ? '' : `~${(part[0]?.build.identifier ?? String(index)).replaceAll(ITEM_MARK, '_')}`;
    // A brand is who it is by, also for the builds that name only the person behind it.
    const brands = part.filter((one) => one.persons.length > 0);
    const keys = (brands.length > 0 ? brands : part).map((one) => one.vendorKey);
    return { id: asId<PluginId>(id + suffix), vendorKey: mostFrequent(keys, compare), members: part };
  });

/** Of two spellings of a vendor, the one without additions and capitals: "Copperhat" before "COPPERHAT Ltd.". */
const plainest = (a: string, b: string): number => a.length - b.length || capitals(a) - capitals(b);
const capitals = (text: string): number => text.replace(/[^\p{Lu}]/gu, '').length;
