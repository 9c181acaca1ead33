import type { Arrangement } from '../chests/arrangement.js';
import type { Edit } from '../chests/edit.js';
import { linesIn } from '../chests/file-into.js';
import { itemId } from '../chests/item.js';
import { layOutDrawers, layOutNevers, type DrawerPlan, type PlannedLine } from '../chests/lay-out-drawers.js';
import { dividersIn, drawersIn } from '../chests/look-up.js';
import { keysBefore } from '../chests/order-keys.js';
import type { Drawer } from '../chests/rows/drawer.js';
import { entryId } from '../chests/rows/entry.js';
import type { ChestId, DrawerId } from '../ids.js';
import { fold } from '../text/words.js';

/**
 * The edits that fill a chest up with drawers from elsewhere: a drawer of the same name in the same place gets what it lacks, behind what it holds;
 * the others are added behind those at hand. Nothing is replaced, moved or taken out, so that the same drawers a second time come to no edit.
 */
export function fillUp(
  state: Arrangement,
  chestId: ChestId,
  parentId: DrawerId | null,
  plans: readonly DrawerPlan[],
  newId: () => string,
): Edit[] {
  const present = drawersIn(state, chestId, parentId);
  // Of several of one name each is filled by one of its namesakes, in their order.
  const byName = new Map<string, Drawer[]>();
  for (const one of present) byName.set(fold(one.name), [...(byName.get(fold(one.name)) ?? []), one]);
  const fresh: DrawerPlan[] = [];
  const edits: Edit[] = [];
  for (const plan of plans) {
    const same = byName.get(fold(plan.name))?.shift();
    if (same === undefined) fresh.push(plan);
    else
      edits.push(
        ...fillDrawer(state, same, plan.lines, newId),
        ...lackingNevers(state, same, plan),
        ...fillUp(state, chestId, same.id, plan.inner, newId),
      );
  }
  const orders = keysBefore(present, null, fresh.length);
  fresh.forEach((plan, at) => {
    const [first, ...rest] = layOutDrawers([plan], chestId, parentId, () => newId() as DrawerId);
    if (first?.of !== 'drawer' || first.after === null) return;
    edits.push({ ...first, after: { ...first.after, order: orders[at] ?? '' } }, ...rest);
  });
  return edits;
}

/** Exceptions that a drawer has not; what stands in it by hand stays. */
const lackingNevers = (state: Arrangement, drawer: Drawer, { never = [] }: DrawerPlan): Edit[] =>
  drawer.rule === null
    ? []
    : layOutNevers(
        drawer.id,
        never.filter((item) => !state.entry.has(entryId(drawer.id, itemId(item)))),
      ).filter(({ id }) => !state.neverIn.has(id));

/** What a drawer lacks, with the dividers above it that it has not either. */
function fillDrawer(state: Arrangement, drawer: Drawer, lines: readonly PlannedLine[], newId: () => string): Edit[] {
  const labels = new Set(dividersIn(state, drawer.id).map((divider) => fold(divider.label)));
  const lacking: PlannedLine[] = [];
  const put = new Set<string>();
  let above: PlannedLine | null = null;
  for (const line of lines) {
    if ('divider' in line) {
      above = labels.has(fold(line.divider)) ? null : line;
      continue;
    }
    const id = entryId(drawer.id, itemId(line));
    if (state.entry.has(id) || put.has(id)) continue;
    put.add(id);
    if (above !== null) lacking.push(above);
    above = null;
    lacking.push(line);
  }
  const orders = keysBefore(linesIn(state, drawer), null, lacking.length);
  return lacking.map((line, at): Edit => {
    const order = orders[at] ?? '';
    if ('divider' in line) {
      const id = newId();
      return { of: 'divider', id, before: null, after: { id, drawerId: drawer.id, label: line.divider, order } };
    }
    const id = entryId(drawer.id, itemId(line));
    return { of: 'entry', id, before: null, after: { ...line, id, drawerId: drawer.id, order } };
  });
}
