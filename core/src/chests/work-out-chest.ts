import type { ChestId, DrawerId, PluginId } from '../ids.js';
import type { Format } from '../facts/format.js';
import { FORMATS } from '../facts/format.js';
import type { Plugin } from '../catalogue/plugin.js';
import type { FamilyId, TypeId } from '../catalogue/type-tree.js';
import { FAMILIES, familyOf, TYPE_IDS, TYPE_TREE } from '../catalogue/type-tree.js';
import { compareNames } from '../text/words.js';
import type { Arrangement } from './arrangement.js';
import { chestsOf } from './arrangement.js';
import type { Change, Edit } from './edit.js';
import type { DrawerPlan } from './lay-out-drawers.js';
import { layOutDrawers } from './lay-out-drawers.js';
import { keysBefore } from './order-keys.js';

/** By what a chest can be worked out from the catalogue. */
export const CHEST_BASES = ['type', 'vendor', 'format'] as const;
export type ChestBasis = (typeof CHEST_BASES)[number];

type Sorted = Pick<Plugin, 'id' | 'name' | 'vendor' | 'types'> & { readonly formats: readonly Format[] };

const UNKNOWN: Readonly<Record<ChestBasis, string>> = {
  type: 'type not known',
  vendor: 'vendor not known',
  format: 'no build found',
};

/** The change that makes a chest with a drawer for each type (families with inner drawers), vendor or format, each plugin by name. */
export function workOutChest(
  state: Arrangement,
  plugins: readonly Sorted[],
  wish: { id: ChestId; name: string; by: ChestBasis },
  newDrawerId: () => DrawerId,
): Change {
  const [order = ''] = keysBefore(chestsOf(state), null, 1);
  const edits: Edit[] = [{ of: 'chest', id: wish.id, before: null, after: { id: wish.id, name: wish.name, order } }];
  edits.push(...layOutDrawers(planDrawers(plugins, wish.by), wish.id, null, newDrawerId));
  return { label: `work out the chest ${wish.name}`, edits };
}

function planDrawers(plugins: readonly Sorted[], by: ChestBasis): DrawerPlan[] {
  const sorted = [...plugins].sort((a, b) => compareNames(a.name, b.name));
  const plans = by === 'type' ? byType(sorted) : by === 'vendor' ? byVendor(sorted) : byFormat(sorted);
  const placed = new Set(plans.flatMap((plan) => [...plan.pluginIds, ...plan.inner.flatMap((one) => one.pluginIds)]));
  const rest = sorted.filter((plugin) => !placed.has(plugin.id));
  return rest.length === 0 ? plans : [...plans, plainDrawer(UNKNOWN[by], rest)];
}

const plainDrawer = (name: string, plugins: readonly Sorted[], inner: readonly DrawerPlan[] = []): DrawerPlan => ({
  name,
  rule: null,
  pluginIds: plugins.map((plugin): PluginId => plugin.id),
  inner,
});

function byType(plugins: readonly Sorted[]): DrawerPlan[] {
  const types = TYPE_IDS.map((type: TypeId) => ({
    type,
    plan: plainDrawer(
      TYPE_TREE[type].label,
      plugins.filter((one) => one.types.includes(type)),
    ),
  })).filter(({ plan }) => plan.pluginIds.length > 0);
  return (Object.keys(FAMILIES) as FamilyId[]).flatMap((family): DrawerPlan[] => {
    const own = types.filter(({ type }) => familyOf(type) === family).map(({ plan }) => plan);
    // A family of one type needs no drawer around its only drawer.
    return own.length <= 1 ? own : [plainDrawer(FAMILIES[family], [], own)];
  });
}

function byVendor(plugins: readonly Sorted[]): DrawerPlan[] {
  const vendors = new Map<string, Sorted[]>();
  for (const plugin of plugins) {
    if (plugin.vendor === null) continue;
    const own = vendors.get(plugin.vendor);
    if (own === undefined) vendors.set(plugin.vendor, [plugin]);
    else own.push(plugin);
  }
  return [...vendors].sort(([a], [b]) => compareNames(a, b)).map(([name, own]) => plainDrawer(name, own));
}

const byFormat = (plugins: readonly Sorted[]): DrawerPlan[] =>
  FORMATS.map((format) =>
    plainDrawer(
      format,
      plugins.filter((one) => one.formats.includes(format)),
    ),
  ).filter((plan) => plan.pluginIds.length > 0);
