import type { ChestId, DrawerId, PluginId } from '../ids.js';
import type { Rule } from '../rules/rule.js';
import { entryId } from './arrangement.js';
import type { Edit } from './edit.js';
import { keysBefore } from './order-keys.js';

/** A drawer to be made, with what it holds and its inner drawers. */
export interface DrawerPlan {
  readonly name: string;
  readonly rule: Rule | null;
  readonly pluginIds: readonly PluginId[];
  readonly inner: readonly DrawerPlan[];
}

/** The edits that make drawers in an empty chest or drawer, outer before inner; a plugin named twice in a drawer is put in once. */
export function layOutDrawers(
  plans: readonly DrawerPlan[],
  chestId: ChestId,
  parentId: DrawerId | null,
  newDrawerId: () => DrawerId,
): Edit[] {
  const orders = keysBefore([], null, plans.length);
  return plans.flatMap((plan, index): Edit[] => {
    const id = newDrawerId();
    const row = { id, chestId, parentId, name: plan.name, order: orders[index] ?? '', rule: plan.rule };
    const pluginIds = [...new Set(plan.pluginIds)];
    const entryOrders = keysBefore([], null, pluginIds.length);
    const entries = pluginIds.map((pluginId, at): Edit => {
      const entry = { id: entryId(id, pluginId), drawerId: id, pluginId, order: entryOrders[at] ?? '' };
      return { of: 'entry', id: entry.id, before: null, after: entry };
    });
    return [
      { of: 'drawer', id, before: null, after: row },
      ...entries,
      ...layOutDrawers(plan.inner, chestId, id, newDrawerId),
    ];
  });
}
