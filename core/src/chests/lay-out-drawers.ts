import type { ChestId, DrawerId } from '../ids.js';
import { runToCompletion, eachStepwise, type Stepwise } from '../stepwise.js';
import type { Drawer } from './rows/drawer.js';
import { entryId, type Entry } from './rows/entry.js';
import { neverInId } from './rows/never-in.js';
import type { Edit } from './edit.js';
import { itemId, type ItemParts } from './item.js';
import { firstKeysStepwise, keysBefore } from './order-keys.js';

/** A line of a drawer to be made: a plugin or preset, maybe under a name of its own there, or a divider. */
export type PlannedLine =
  (ItemParts & Pick<Entry, 'name'> & Partial<Pick<Entry, 'build'>>) | { readonly divider: string };

/** A drawer to be made, with what it holds and its inner drawers. */
export interface DrawerPlan extends Omit<Drawer, 'id' | 'chestId' | 'parentId' | 'order' | 'notInMenus'> {
  readonly notInMenus?: boolean;
  readonly lines: readonly PlannedLine[];
  /** What its rule never takes. */
  readonly never?: readonly ItemParts[];
  readonly inner: readonly DrawerPlan[];
}

/** A drawer that holds nothing and is shown as drawers usually are. */
export const newDrawer = (id: DrawerId, chestId: ChestId, parentId: DrawerId | null): Drawer => ({
  id,
  chestId,
  parentId,
  name: '',
  order: '',
  rule: null,
  sort: null,
  most: null,
  split: null,
  sign: null,
  notInMenus: false,
  innerSort: null,
  dividerBefore: null,
  loose: false,
});

/** The edits that make drawers in an empty chest or drawer, outer before inner; a plugin named twice in a drawer is put in once. */
export const layOutDrawers = (
  plans: readonly DrawerPlan[],
  chestId: ChestId,
  parentId: DrawerId | null,
  newDrawerId: () => DrawerId,
): Edit[] => {
  const edits: Edit[] = [];
  runToCompletion(layOutStepwise(plans, chestId, parentId, newDrawerId, (edit) => edits.push(edit)));
  return edits;
};

/** The same step by step; `tell` gets each edit. */
export function* layOutStepwise(
  plans: readonly DrawerPlan[],
  chestId: ChestId,
  parentId: DrawerId | null,
  newDrawerId: () => DrawerId,
  tell: (edit: Edit) => void,
): Stepwise<void> {
  const orders = keysBefore([], null, plans.length);
  for (const [index, plan] of plans.entries()) {
    const { lines, never = [], inner, ...fields } = plan;
    const id = newDrawerId();
    const drawer: Drawer = { ...newDrawer(id, chestId, parentId), ...fields, order: orders[index] ?? '' };
    tell({ of: 'drawer', id, before: null, after: drawer });
    yield* layOutLines(id, lines, tell);
    layOutNevers(id, never).forEach(tell);
    yield* layOutStepwise(inner, chestId, id, newDrawerId, tell);
  }
}

function* layOutLines(drawerId: DrawerId, lines: readonly PlannedLine[], tell: (edit: Edit) => void): Stepwise<void> {
  const orders = yield* firstKeysStepwise(lines.length);
  const put = new Set<string>();
  yield* eachStepwise(lines, (line, at) => {
    const order = orders[at] ?? '';
    if ('divider' in line) {
      const id = `${drawerId}.line${String(at)}`;
      tell({ of: 'divider', id, before: null, after: { id, drawerId, label: line.divider, order } });
      return;
    }
    const id = entryId(drawerId, itemId(line));
    if (put.has(id)) return;
    put.add(id);
    tell({ of: 'entry', id, before: null, after: { build: null, ...line, id, drawerId, order } });
  });
  yield;
}

/** What the rule of a drawer never takes, each once. */
export const layOutNevers = (drawerId: DrawerId, never: readonly ItemParts[]): Edit[] =>
  [...new Map(never.map((item) => [neverInId(drawerId, itemId(item)), item]))].map(([id, { pluginId, preset }]) => ({
    of: 'neverIn',
    id,
    before: null,
    after: { id, drawerId, pluginId, preset },
  }));

/** How many plugins drawers hold with all that is inside them; one in several drawers counts in each. */
export const countIn = (plans: readonly DrawerPlan[]): number =>
  plans.reduce((sum, plan) => sum + plan.lines.length + countIn(plan.inner), 0);
