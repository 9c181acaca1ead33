import type { ChestId, DrawerId } from '../ids.js';
import { asId } from '../ids.js';
import { termsOf, withTerms } from '../rules/condition.js';
import { conditionOf, ruleOf, type Rule } from '../rules/rule.js';
import type { Arrangement } from './arrangement.js';
import type { Drawer } from './rows/drawer.js';
import { entryId } from './rows/entry.js';
import { neverInId } from './rows/never-in.js';
import type { Edit } from './edit.js';
import { itemId } from './item.js';
import { dividersIn, drawerAndInner, drawersIn, entriesIn, neversIn } from './look-up.js';

/** Entries, dividers and exceptions before their drawer and inner drawers before the outer one, so that the inverse makes the outer one first. */
export function removeDrawer(state: Arrangement, drawer: Drawer): Edit[] {
  return drawerAndInner(state, drawer.id)
    .reverse()
    .flatMap((one): Edit[] => [
      ...entriesIn(state, one.id).map((entry): Edit => ({ of: 'entry', id: entry.id, before: entry, after: null })),
      ...dividersIn(state, one.id).map((row): Edit => ({ of: 'divider', id: row.id, before: row, after: null })),
      ...neversIn(state, one.id).map((row): Edit => ({ of: 'neverIn', id: row.id, before: row, after: null })),
      { of: 'drawer', id: one.id, before: one, after: null },
    ]);
}

/** Where a copy goes. */
interface CopyTo {
  readonly id: string;
  readonly chestId: ChestId;
  readonly parentId: DrawerId | null;
  readonly order: string;
}

/**
 * Copies of drawers with all that they hold. A rule that looks at a drawer which is copied with it looks at the copy: a copied chest goes on by itself.
 */
export function copyDrawers(state: Arrangement, copies: readonly { drawer: Drawer; to: CopyTo }[]): Edit[] {
  const edits = copies.flatMap(({ drawer, to }) => copyDrawer(state, drawer, to));
  const ids = new Map<string, string>();
  for (const { drawer, to } of copies) noteCopies(state, drawer, to.id, ids);
  return edits.map((edit) =>
    edit.of === 'drawer' && edit.after !== null && edit.after.rule !== null
      ? { ...edit, after: { ...edit.after, rule: redirectDrawerTerms(edit.after.rule, ids) } }
      : edit,
  );
}

/** Makes a rule look at other drawers instead, by old and new ids. Returns the same rule when it looks at none of the old ones. */
export function redirectDrawerTerms(rule: Rule, others: ReadonlyMap<string, string>): Rule {
  const condition = conditionOf(rule);
  if (condition === null || !termsOf(condition).some((term) => term.kind === 'drawer' && others.has(term.id)))
    return rule;
  return ruleOf(
    withTerms(condition, (term) => (term.kind === 'drawer' ? { ...term, id: others.get(term.id) ?? term.id } : term)),
  );
}

function noteCopies(state: Arrangement, drawer: Drawer, id: string, ids: Map<string, string>): void {
  ids.set(drawer.id, id);
  drawersIn(state, drawer.chestId, drawer.id).forEach((inner, at) =>
    noteCopies(state, inner, innerCopyId(id, at), ids),
  );
}

const innerCopyId = (id: string, at: number): string => `${id}.${String(at)}`;

/** A copy of a drawer with all that it holds. The ids of what is inside are made of the copy's own, so that screen and server name them alike. */
function copyDrawer(state: Arrangement, drawer: Drawer, to: CopyTo): Edit[] {
  const id = asId<DrawerId>(to.id);
  const copy: Drawer = { ...drawer, ...to, id };
  return [
    { of: 'drawer', id, before: null, after: copy },
    ...entriesIn(state, drawer.id).map((entry): Edit => {
      const after = { ...entry, id: entryId(id, itemId(entry)), drawerId: id };
      return { of: 'entry', id: after.id, before: null, after };
    }),
    ...neversIn(state, drawer.id).map((never): Edit => {
      const after = { ...never, id: neverInId(id, itemId(never)), drawerId: id };
      return { of: 'neverIn', id: after.id, before: null, after };
    }),
    ...dividersIn(state, drawer.id).map((divider, at): Edit => {
      const after = { ...divider, id: `${id}.line${String(at)}`, drawerId: id };
      return { of: 'divider', id: after.id, before: null, after };
    }),
    ...drawersIn(state, drawer.chestId, drawer.id).flatMap((inner, at) =>
      copyDrawer(state, inner, { id: innerCopyId(id, at), chestId: to.chestId, parentId: id, order: inner.order }),
    ),
  ];
}
