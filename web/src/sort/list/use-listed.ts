import memoizeOne from 'memoize-one';
import { useMemo } from 'react';
import { COMPARE_BY } from '@clever-drawer/core/chests/drawer-sort';
import { emptyArrangement, type Arrangement } from '@clever-drawer/core/chests/arrangement';
import type { Drawer } from '@clever-drawer/core/chests/rows/drawer';
import { contentsOf } from '@clever-drawer/core/chests/drawer-contents';
import type { Ruled } from '@clever-drawer/core/chests/ruled';
import { itemId, pluginOfItem } from '@clever-drawer/core/chests/item';
import { drawersOfChest, trayEntries } from '@clever-drawer/core/chests/look-up';
import { groupsOf } from '@clever-drawer/core/chests/row-groups';
import type { Chest } from '@clever-drawer/core/chests/rows/chest';
import type { ChestId, DrawerId, ItemId } from '@clever-drawer/core/ids';
import { localDay } from '@clever-drawer/core/local-day';
import { compareNames } from '@clever-drawer/core/text/words';
import type { ChosenCatalogue, ChosenItem } from '../../catalogue/chosen-catalogue';
import {
  arrangedFacets,
  catalogueFacets,
  drawerFacet,
  FILED,
  NOT_WANTED,
  TO_FILE,
  formatsOf,
  NOT_KNOWN,
  NOTHING_ASKED,
  tagFacet,
  loadsFacet,
  type Filed,
  type Places,
} from '../ribbons/facets';
import { folderFacet, furtherFacets, NO_FURTHER } from '../ribbons/further-facets';
import { isElsewhere } from '../../catalogue/presence';
import { NO_RANKS, mergeByRank, partedFound, type RankedItem } from '../../catalogue/parted-found';
import type { Found } from '../../catalogue/use-search';
import type { Question, SortView } from '../find/use-sort-view';
import { bitsOf, foldersOf, versionsOf, widthsOf } from './facts-of-row';
import { isWanted } from './is-wanted';
import { narrowHere } from './narrow-here';

/** The list: which plugins, in which order, and how many each segment of the ribbons would bring. */
export interface Listed {
  /** Plugins, and among them the presets and chains that were typed for. */
  readonly plugins: readonly ChosenItem[];
  readonly ids: readonly ItemId[];
  /** By question and value. */
  readonly counts: ReadonlyMap<Question, ReadonlyMap<string, number>>;
  /** How many more match what is typed outside of the filters. */
  readonly outside: number;
  /** The drawers of the chest at hand that a plugin stands in. */
  readonly places: Places;
  readonly filed: number;
  readonly toFile: number;
  /** All vendors, by name. */
  readonly vendors: readonly string[];
}

/** The catalogue as the list shows it: found by what is typed, narrowed by the ribbons, sorted. */
export function useListed(
  catalogue: ChosenCatalogue,
  state: Arrangement,
  ruled: Ruled,
  chest: Chest | null,
  view: SortView,
  found: Found | null,
  showsFurther: boolean,
): Listed {
  const { drawer, entry, divider, look, trayEntry } = state;
  const places = placesIn(catalogue, drawer, entry, divider, ruled, chest?.id ?? null);
  const filed = filedIn(catalogue, places, chest);
  const fixed = factsOfCatalogue(catalogue);
  const arranged = factsOfArrangement(catalogue, look, trayEntry, filed);
  const loaded = factsOfUse(catalogue, localDay(new Date()));
  const further = showsFurther ? factsOfMore(catalogue, localDay(new Date())) : NO_FURTHER;
  const { filters, sortBy, down } = view;
  const elsewhere = elsewhereIn(catalogue);
  const narrowed = useMemo(() => {
    const facets = {
      ...fixed,
      ...arranged,
      loaded,
      // Questions without a ribbon are worked out only when they are asked.
      drawer: filters.drawer.length === 0 ? NOTHING_ASKED : drawerFacet(catalogue, places),
      tag: filters.tag.length === 0 ? NOTHING_ASKED : tagFacet(catalogue),
      folder: filters.folder.length === 0 ? NOTHING_ASKED : folderFacet(catalogue),
      ...further,
    };
    const parted = found === null ? null : partedFound(catalogue.items, found);
    const numbers = parted?.plugins ?? Uint32Array.from(catalogue.plugins.keys());
    return {
      ...narrowHere(numbers, elsewhere, facets, filters),
      // A preset passes where its plugin does.
      ranks: parted?.ranks ?? NO_RANKS,
      presets: presetsHere(
        parted?.presets ?? [],
        catalogue,
        (some) => narrowHere(some, elsewhere, facets, filters).passing,
      ),
    };
  }, [catalogue, fixed, arranged, loaded, further, places, found, filters, elsewhere]);
  // What the order does not hang on must not sort everything anew.
  const neededPlaces = sortBy === 'drawers' ? places : null;
  const isUntyped = found === null;
  const rows = useMemo(() => {
    const plugins = mergeByRank(narrowed.passing, catalogue.plugins, narrowed);
    const [tray] = filters.tray.length === 1 ? filters.tray : [];
    const sorted =
      sortBy !== null
        ? sortedBy(plugins, sortBy, neededPlaces, state)
        : tray !== undefined && isUntyped
          ? inTrayOrder(plugins, state, Number(tray))
          : plugins;
    if (down && sortBy !== null) sorted.reverse();
    return { plugins: sorted, ids: sorted.map((plugin) => plugin.id) };
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [narrowed, catalogue, sortBy, down, filters.tray, neededPlaces, trayEntry, isUntyped]);
  const progress = useMemo(() => progressOf(catalogue, filed), [catalogue, filed]);
  return {
    ...rows,
    counts: narrowed.counts,
    outside: narrowed.outside,
    places,
    vendors: vendorsOf(catalogue),
    ...progress,
  };
}

/**
 * Where each plugin stands. What was put in by hand is looked up plugin by plugin in groups that a change carries on; only what rules put there is
 * listed here.
 */
const placesIn = memoizeOne(
  (
    catalogue: ChosenCatalogue,
    drawer: Arrangement['drawer'],
    entry: Arrangement['entry'],
    divider: Arrangement['divider'],
    ruled: Ruled,
    chest: ChestId | null,
  ): Places => {
    const state = { ...emptyArrangement(), drawer, entry, divider };
    const drawers = chest === null ? [] : drawersOfChest(state, chest);
    const ranks = new Map(drawers.map((one, rank) => [one.id, rank]));
    const byRule = new Map<ItemId, DrawerId[]>();
    for (const one of drawers) {
      if (one.rule === null) continue;
      for (const { plugin, entry: row } of contentsOf(state, catalogue.byId, one, ruled).plugins) {
        if (row !== null) continue;
        const own = byRule.get(plugin.id);
        if (own === undefined) byRule.set(plugin.id, [one.id]);
        else own.push(one.id);
      }
    }
    const byHand = groupsOf(state, 'entriesOf');
    const has = (id: ItemId): boolean =>
      byRule.has(id) || byHand.get(id)?.some((row) => ranks.has(row.drawerId)) === true;
    const of = (id: ItemId): readonly DrawerId[] => {
      const own = [
        ...(byHand.get(id) ?? []).map((row) => row.drawerId).filter((one) => ranks.has(one)),
        ...(byRule.get(id) ?? []),
      ];
      return own.length < 2 ? own : own.sort((one, other) => (ranks.get(one) ?? 0) - (ranks.get(other) ?? 0));
    };
    const isByRule = (id: ItemId): boolean =>
      byRule.has(id) && byHand.get(id)?.some((row) => ranks.has(row.drawerId)) !== true;
    return { has, of, isByRule };
  },
);

/** The presets whose plugins pass; `passing` of places in the catalogue. */
function presetsHere(
  presets: readonly RankedItem[],
  catalogue: ChosenCatalogue,
  passing: (numbers: Uint32Array) => Uint32Array,
): readonly RankedItem[] {
  if (presets.length === 0) return presets;
  const numbers = numbersIn(catalogue);
  const own = new Set(presets.flatMap(({ item }) => numbers.get(pluginBehind(item)) ?? []));
  const passed = new Set(passing(Uint32Array.from(own)));
  return presets.filter(({ item }) => passed.has(numbers.get(pluginBehind(item)) ?? -1));
}

/** The plugin of a preset, or the first one of a chain. */
const pluginBehind = ({ id, chain }: ChosenItem): ItemId => pluginOfItem(chain?.[0] ?? id);

const numbersIn = memoizeOne(
  ({ plugins }: ChosenCatalogue) => new Map<ItemId, number>(plugins.map((plugin, number) => [plugin.id, number])),
);

/** How many of those on this computer that are not set aside stand in a drawer, and how many are left. */
function progressOf({ plugins }: ChosenCatalogue, isFiled: Filed): { filed: number; toFile: number } {
  let [filed, toFile] = [0, 0];
  for (const [number, plugin] of plugins.entries()) {
    if (plugin.aside !== null || isElsewhere(plugin)) continue;
    if (isFiled[number] === FILED) filed++;
    else if (isFiled[number] === TO_FILE) toFile++;
  }
  return { filed, toFile };
}

/** Tells by its place in the catalogue whether a plugin is on other computers alone. */
const elsewhereIn = memoizeOne(({ plugins }: ChosenCatalogue) => {
  const numbers = new Set(plugins.flatMap((plugin, number) => (isElsewhere(plugin) ? [number] : [])));
  return (number: number): boolean => numbers.has(number);
});
const filedIn = memoizeOne(({ plugins }: ChosenCatalogue, places: Places, chest: Chest | null): Filed =>
  Uint8Array.from(plugins, (plugin) =>
    places.has(plugin.id) ? FILED : isWanted(plugin, chest) ? TO_FILE : NOT_WANTED,
  ),
);
const factsOfCatalogue = memoizeOne(catalogueFacets);
const vendorsOf = memoizeOne((catalogue: ChosenCatalogue) =>
  factsOfCatalogue(catalogue)
    .vendor.values.filter((value) => value !== NOT_KNOWN)
    .sort(compareNames),
);
const factsOfUse = memoizeOne(loadsFacet);
const factsOfMore = memoizeOne((catalogue: ChosenCatalogue, _today: string) => furtherFacets(catalogue, new Date()));
const factsOfArrangement = memoizeOne(
  (catalogue: ChosenCatalogue, look: Arrangement['look'], trayEntry: Arrangement['trayEntry'], filed: Filed) =>
    arrangedFacets(catalogue, { ...emptyArrangement(), look, trayEntry }, filed),
);

/** What is there and in the menus first, then what is set aside, then what is not there. */
const stateRank = (plugin: ChosenItem): number =>
  isElsewhere(plugin) ? 3 : !plugin.found ? 2 : plugin.aside !== null ? 1 : 0;

const NO_END = '9998';
const NOT_ASIDE = '9999';
const endOf = ({ aside }: ChosenItem): string => (aside === null ? NOT_ASIDE : (aside.until ?? NO_END));

function inTrayOrder(plugins: readonly ChosenItem[], state: Arrangement, tray: number): ChosenItem[] {
  const ranks = new Map(trayEntries(state, tray).map((entry, rank) => [itemId(entry), rank]));
  return [...plugins].sort((a, b) => (ranks.get(a.id) ?? 0) - (ranks.get(b.id) ?? 0));
}

type Compare = (a: ChosenItem, b: ChosenItem) => number;
const { name: byName, type: byType, vendor: byVendor, loads: byMostLoaded } = COMPARE_BY;

function sortedBy(
  plugins: readonly ChosenItem[],
  sortBy: NonNullable<SortView['sortBy']>,
  places: Places | null,
  state: Arrangement,
): ChosenItem[] {
  const firstDrawer = (plugin: ChosenItem): Drawer | undefined => state.drawer.get(places?.of(plugin.id)[0] ?? '');
  const compare: Readonly<Record<typeof sortBy, Compare>> = {
    name: byName,
    type: byType,
    vendor: byVendor,
    formats: (a, b) => compareNames(formatsOf(a).join(' '), formatsOf(b).join(' ')) || byName(a, b),
    drawers: (a, b) =>
      (places?.of(a.id).length ?? 0) - (places?.of(b.id).length ?? 0) ||
      compareNames(firstDrawer(a)?.name ?? '', firstDrawer(b)?.name ?? '') ||
      byName(a, b),
    loads: (a, b) => byMostLoaded(b, a),
    version: (a, b) => compareNames(versionsOf(a)[0] ?? '', versionsOf(b)[0] ?? '') || byName(a, b),
    width: (a, b) => widthsOf(a).join().localeCompare(widthsOf(b).join()) || byName(a, b),
    bits: (a, b) => bitsOf(a).join().localeCompare(bitsOf(b).join()) || byName(a, b),
    state: (a, b) => stateRank(a) - stateRank(b) || byName(a, b),
    folder: (a, b) => compareNames(foldersOf(a)[0] ?? '', foldersOf(b)[0] ?? '') || byName(a, b),
    arrived: (a, b) => a.arrivedAt.localeCompare(b.arrivedAt) || byName(a, b),
    lastLoad: (a, b) => (a.lastLoad ?? '').localeCompare(b.lastLoad ?? '') || byName(a, b),
    // What ends first comes first; what has no end follows, and what is not set aside comes last.
    aside: (a, b) =>
      endOf(a).localeCompare(endOf(b)) || compareNames(a.aside?.reason ?? '', b.aside?.reason ?? '') || byName(a, b),
  };
  return [...plugins].sort(compare[sortBy]);
}
