import type { Arrangement } from '../chests/arrangement.js';
import type { Edit } from '../chests/edit.js';
import { linesIn } from '../chests/file-into.js';
import { itemId } from '../chests/item.js';
import { layOutNevers, layOutStepwise, type DrawerPlan, type PlannedLine } from '../chests/lay-out-drawers.js';
import { dividersIn, drawersIn } from '../chests/look-up.js';
import { keysBefore } from '../chests/order-keys.js';
import type { Drawer } from '../chests/rows/drawer.js';
import { entryId } from '../chests/rows/entry.js';
import type { ChestId, DrawerId } from '../ids.js';
import { appendToGroup } from '../lists-by-key.js';
import { eachStepwise, type Stepwise } from '../stepwise.js';
import { fold } from '../text/words.js';

/**
 * Tells the edits that fill a chest up with drawers from elsewhere, step by step: a drawer of the same name in the same place gets what it lacks, behind what it
 * holds; the others are added behind those at hand. Nothing is replaced, moved or taken out, so that the same drawers a second time come to no edit.
 */
export function* fillUp(
  state: Arrangement,
  chestId: ChestId,
  parentId: DrawerId | null,
  plans: readonly DrawerPlan[],
  newId: () => string,
  tell: (edit: Edit) => void,
): Stepwise<void> {
  const present = drawersIn(state, chestId, parentId);
  // Of several of one name each is filled by one of its namesakes, in their order.
  const byName = new Map<string, Drawer[]>();
  for (const one of present) appendToGroup(byName, sameAs(one), one);
  const fresh: DrawerPlan[] = [];
  for (const plan of plans) {
    const same = byName.get(sameAs(plan))?.shift();
    if (same === undefined) fresh.push(plan);
    else {
      yield* fillDrawer(state, same, plan.lines, newId, tell);
      lackingNevers(state, same, plan).forEach(tell);
      yield* fillUp(state, chestId, same.id, plan.inner, newId, tell);
    }
  }
  const orders = keysBefore(present, null, fresh.length);
  for (const [at, plan] of fresh.entries()) {
    // Laid out by itself a drawer stands first; here it stands behind those at hand.
    const behind = (edit: Edit): void =>
      tell(
        edit.of === 'drawer' && edit.after !== null && edit.after.parentId === parentId
          ? { ...edit, after: { ...edit.after, order: orders[at] ?? '' } }
          : edit,
      );
    yield* layOutStepwise([plan], chestId, parentId, () => newId() as DrawerId, behind);
  }
}

/** Loose entries are filled up with loose entries. */
const sameAs = ({ name, loose }: Pick<Drawer, 'name' | 'loose'>): string => (loose === true ? '' : fold(name));

/** Exceptions that a drawer has not; what stands in it by hand stays. */
const lackingNevers = (state: Arrangement, drawer: Drawer, { never = [] }: DrawerPlan): Edit[] =>
  drawer.rule === null
    ? []
    : layOutNevers(
        drawer.id,
        never.filter((item) => !state.entry.has(entryId(drawer.id, itemId(item)))),
      ).filter(({ id }) => !state.neverIn.has(id));

/** Tells what a drawer lacks, with the dividers above it that it has not either. */
function* fillDrawer(
  state: Arrangement,
  drawer: Drawer,
  lines: readonly PlannedLine[],
  newId: () => string,
  tell: (edit: Edit) => void,
): Stepwise<void> {
  const labels = new Set(dividersIn(state, drawer.id).map((divider) => fold(divider.label)));
  const lacking: PlannedLine[] = [];
  const put = new Set<string>();
  let above: PlannedLine | null = null;
  yield* eachStepwise(lines, (line) => {
    if ('divider' in line) {
      above = labels.has(fold(line.divider)) ? null : line;
      return;
    }
    const id = entryId(drawer.id, itemId(line));
    if (state.entry.has(id) || put.has(id)) return;
    put.add(id);
    if (above !== null) lacking.push(above);
    above = null;
    lacking.push(line);
  });
  const orders = keysBefore(linesIn(state, drawer), null, lacking.length);
  yield* eachStepwise(lacking, (line, at) => {
    const order = orders[at] ?? '';
    if ('divider' in line) {
      const id = newId();
      tell({ of: 'divider', id, before: null, after: { id, drawerId: drawer.id, label: line.divider, order } });
      return;
    }
    const id = entryId(drawer.id, itemId(line));
    tell({ of: 'entry', id, before: null, after: { build: null, ...line, id, drawerId: drawer.id, order } });
  });
  yield;
}
