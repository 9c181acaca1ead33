import type { PluginId } from '../ids.js';
import type { Matchable } from '../rules/rule.js';
import { matcherOf } from '../rules/rule.js';
import { compareNames } from '../text/words.js';
import type { Arrangement, Drawer } from './arrangement.js';
import { byOrder } from './arrangement.js';

/** A plugin in a drawer, and why: put in by hand, or the keyword that fits it. */
export interface Content<P> {
  readonly plugin: P;
  readonly by: 'hand' | 'rule';
  readonly keyword: string | null;
}

type Placed = Matchable & { readonly id: PluginId };

/**
 * What each drawer holds: first what was put in by hand, in its order, then what its rule fits, by name.
 * Worked out for all drawers in one pass over the entries; plugins that the catalogue lacks are left out.
 */
export function contentsOfDrawers<P extends Placed>(
  state: Arrangement,
  plugins: ReadonlyMap<PluginId, P>,
): Map<string, Content<P>[]> {
  const byHand = new Map<string, Content<P>[]>();
  for (const drawer of state.drawer.values()) byHand.set(drawer.id, []);
  for (const entry of [...state.entry.values()].sort(byOrder)) {
    const plugin = plugins.get(entry.pluginId);
    if (plugin !== undefined) byHand.get(entry.drawerId)?.push({ plugin, by: 'hand', keyword: null });
  }
  let byName: P[] | null = null;
  for (const drawer of state.drawer.values()) {
    if (drawer.rule === null) continue;
    byName ??= [...plugins.values()].sort((a, b) => compareNames(a.name, b.name));
    byHand.get(drawer.id)?.push(...ruleContents(drawer, byName, byHand.get(drawer.id) ?? []));
  }
  return byHand;
}

function ruleContents<P extends Placed>(
  drawer: Drawer,
  plugins: readonly P[],
  present: readonly Content<P>[],
): Content<P>[] {
  if (drawer.rule === null) return [];
  const keywordFor = matcherOf(drawer.rule);
  const placed = new Set(present.map((one) => one.plugin.id));
  const found: Content<P>[] = [];
  for (const plugin of plugins) {
    const keyword = placed.has(plugin.id) ? null : keywordFor(plugin);
    if (keyword !== null) found.push({ plugin, by: 'rule', keyword });
  }
  return found;
}
