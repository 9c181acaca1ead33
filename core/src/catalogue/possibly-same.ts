import type { PluginId } from '../ids.js';
import { joined } from '../text/words.js';

/** A plugin as far as it may be another one. */
export interface Comparable {
  readonly id: PluginId;
  readonly name: string;
  readonly vendor: string | null;
  /** Further names that its makers gave it. */
  readonly calledToo: readonly string[];
}

/** Another plugin that this one may be, and why it was not taken for it. */
export interface PossiblySame {
  readonly other: PluginId;
  readonly reason: string;
}

// A list of every plugin of one name helps nobody.
const MOST = 4;

/** Plugins that may be one and were left apart because that is not sure: the same name by the same vendor under another identifier, or with a vendor that is not known. */
export function possiblySame(plugins: readonly Comparable[]): Map<PluginId, readonly PossiblySame[]> {
  const groups = new Map<string, Comparable[]>();
  for (const plugin of plugins)
    for (const key of new Set([plugin.name, ...plugin.calledToo].map(joined)))
      if (key !== '') groups.set(key, [...(groups.get(key) ?? []), plugin]);
  const found = new Map<PluginId, PossiblySame[]>();
  for (const group of groups.values()) {
    for (const one of group) {
      const others = group.filter((other) => other !== one).flatMap((other) => reasonFor(one, other, group));
      const own = found.get(one.id) ?? [];
      const fresh = others.filter(({ other }) => !own.some((known) => known.other === other));
      if (fresh.length > 0) found.set(one.id, [...own, ...fresh].slice(0, MOST));
    }
  }
  return found;
}

function reasonFor(one: Comparable, other: Comparable, group: readonly Comparable[]): PossiblySame[] {
  if (one.vendor !== null && one.vendor === other.vendor)
    return [{ other: other.id, reason: 'the same name by the same vendor, under another identifier' }];
  if ((one.vendor === null) === (other.vendor === null)) return [];
  // Of a name that several vendors have, a plugin without one could be anybody's.
  const vendors = new Set(group.map((own) => own.vendor).filter((vendor) => vendor !== null));
  return vendors.size === 1 ? [{ other: other.id, reason: 'the same name, and the vendor of one is not known' }] : [];
}
