import type { TypeId } from '../catalogue/type-tree.js';
import { FAMILIES, familyOf, TYPE_TREE } from '../catalogue/type-tree.js';
import type { ChestId, DrawerId, ItemId } from '../ids.js';
import { fold, wordsOf } from '../text/words.js';
import type { Arrangement } from './arrangement.js';
import type { Drawer } from './rows/drawer.js';
import { drawersOfChest, entriesIn } from './look-up.js';

interface Plugin {
  readonly id: ItemId;
  readonly vendor: string | null;
  readonly types: readonly TypeId[];
}

/** A drawer in which a plugin might stand, with the reason in words. */
export interface Proposal {
  readonly drawerId: DrawerId;
  readonly because: string;
}

interface DrawerStats {
  readonly drawer: Drawer;
  readonly size: number;
  readonly types: ReadonlyMap<TypeId, number>;
  readonly vendors: ReadonlyMap<string, number>;
  readonly vendorTypes: ReadonlyMap<string, number>;
  readonly nameWords: ReadonlySet<string>;
}

const MOST = 5;

/**
 * Proposes drawers of a chest for plugins that are to be filed: drawers named after the type or vendor, drawers that mostly hold plugins of its
 * type, and where its siblings (same vendor and type, same vendor) stand. Made once for a chest, asked per plugin. Best first, at most five.
 */
export class DrawerProposer {
  private readonly stats: readonly DrawerStats[];

  constructor(
    private readonly state: Arrangement,
    chestId: ChestId,
    plugins: ReadonlyMap<ItemId, Plugin>,
  ) {
    this.stats = drawersOfChest(state, chestId).map((drawer) => statsOf(state, drawer, plugins));
  }

  propose(plugin: Plugin): Proposal[] {
    const scored = this.stats
      .filter(({ drawer }) => !this.state.entry.has(`${drawer.id}/${plugin.id}`))
      .map((stats) => ({ stats, ...bestReason(stats, plugin) }))
      .filter(({ score }) => score > 0)
      .sort((a, b) => b.score - a.score || b.stats.size - a.stats.size);
    return scored.slice(0, MOST).map(({ stats, because }) => ({ drawerId: stats.drawer.id, because }));
  }
}

function statsOf(state: Arrangement, drawer: Drawer, plugins: ReadonlyMap<ItemId, Plugin>): DrawerStats {
  const types = new Map<TypeId, number>();
  const vendors = new Map<string, number>();
  const vendorTypes = new Map<string, number>();
  const entries = entriesIn(state, drawer.id);
  for (const { pluginId } of entries) {
    const plugin = plugins.get(pluginId);
    const [type] = plugin?.types ?? [];
    if (type !== undefined) add(types, type);
    if (plugin?.vendor == null) continue;
    add(vendors, plugin.vendor);
    add(vendorTypes, `${plugin.vendor}|${type ?? ''}`);
  }
  return {
    drawer,
    size: entries.length,
    types,
    vendors,
    vendorTypes,
    nameWords: new Set(wordsOf(drawer.name).map(stem)),
  };
}

const add = <K>(counts: Map<K, number>, key: K): void => void counts.set(key, (counts.get(key) ?? 0) + 1);

/** "Reverbs" names the type reverb. */
const stem = (word: string): string => word.replace(/s$/, '');

const SHARE = 0.34;

function bestReason(stats: DrawerStats, { vendor, types }: Plugin): { score: number; because: string } {
  const [main, ...further] = types;
  const reasons: { score: number; because: string }[] = [];
  const say = (score: number, because: string): void => void reasons.push({ score, because });
  if (main !== undefined) {
    const label = TYPE_TREE[main].label;
    const count = stats.types.get(main) ?? 0;
    if (isNamed(stats, label)) say(10, `named after its type, ${label}`);
    else if (isNamed(stats, FAMILIES[familyOf(main)])) say(7, `named after its family, ${FAMILIES[familyOf(main)]}`);
    const share = stats.size === 0 ? 0 : count / stats.size;
    if (count > 0 && share >= SHARE) say(5 + 4 * share, `holds ${String(count)} of the type ${label}`);
    else if (count > 0) say(2 + share, `holds ${String(count)} of the type ${label}`);
    const siblings = vendor === null ? 0 : (stats.vendorTypes.get(`${vendor}|${main}`) ?? 0);
    if (siblings > 0)
      say(6 + Math.min(2, siblings / 2), `${String(siblings)} of the same vendor and type ${stand(siblings)} there`);
  }
  for (const type of further)
    if (isNamed(stats, TYPE_TREE[type].label)) say(4, `named after its further type, ${TYPE_TREE[type].label}`);
  if (vendor !== null) {
    if (fold(stats.drawer.name) === fold(vendor)) say(9, 'named after its vendor');
    const count = stats.vendors.get(vendor) ?? 0;
    const share = stats.size === 0 ? 0 : count / stats.size;
    if (count > 1 && share > 0.5) say(4 + share, `mostly holds ${vendor}`);
  }
  return reasons.sort((a, b) => b.score - a.score)[0] ?? { score: 0, because: '' };
}

const isNamed = (stats: DrawerStats, label: string): boolean =>
  wordsOf(label).every((word) => stats.nameWords.has(stem(word)));
const stand = (count: number): string => (count === 1 ? 'stands' : 'stand');
