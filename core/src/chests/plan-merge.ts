import type { DrawerId } from '../ids.js';
import type { Arrangement } from './arrangement.js';
import { redirectDrawerTerms } from './drawer-rows.js';
import { applyEdits, mergeEdits, type Edit } from './edit.js';
import { endNever, linesIn } from './file-into.js';
import { itemId } from './item.js';
import { drawerAndInner, drawersIn, pathTo } from './look-up.js';
import { keysBefore } from './order-keys.js';
import { nothing, planned, refuse, type Plan, type Planners } from './plan.js';
import { changed, GONE, passDividerOn } from './plan-level.js';
import type { Drawer } from './rows/drawer.js';
import { entryId } from './rows/entry.js';
import { circleWords } from './rule-circles.js';

/** Several drawers into one of them. */
export const MERGE_PLANNERS: Planners<'merge-drawers'> = {
  'merge-drawers': { names: nothing, plan: (state, { intoId, ids }) => planMerge(state, intoId, ids) },
};

function planMerge(state: Arrangement, intoId: DrawerId, ids: readonly DrawerId[]): Plan {
  const into = state.drawer.get(intoId);
  if (into === undefined) return refuse(GONE);
  const others = [...new Set(ids)].filter((id) => id !== intoId);
  const merged = others.flatMap((id) => state.drawer.get(id) ?? []);
  if (merged.length < others.length) return refuse(GONE);
  const [first] = merged;
  if (first === undefined) return refuse('Select two or more drawers to merge them.');
  const around = new Set<string>(pathTo(state, intoId).map((one) => one.id));
  const outer = merged.find((one) => around.has(one.id));
  if (outer !== undefined)
    return refuse(`${into.name} is inside ${outer.name}. Move it out first, or merge the other way round.`);
  const ruled = merged.find((one) => one.rule !== null);
  if (ruled !== undefined)
    return refuse(`${ruled.name} fills itself by a rule. Take its rule off first, or merge the others into it.`);
  // Each part is worked out on what the one before leaves: a row may be touched by several.
  let now = state;
  const edits: Edit[] = [];
  for (const part of [linesMoved, innerMoved, removed, rulesMoved]) {
    const own = part(now, into, merged);
    now = applyEdits(now, own);
    edits.push(...own);
  }
  const circle = firstCircle(now, edits);
  if (circle !== null) return refuse(circle);
  const what = merged.length === 1 ? first.name : `${String(merged.length)} drawers`;
  return planned(`merge ${what} into ${into.name}`, mergeEdits(edits));
}

/** What they hold, each plugin once and under the name that it has there, with their dividers. */
function linesMoved(state: Arrangement, into: Drawer, merged: readonly Drawer[]): Edit[] {
  const placed = new Set<string>();
  const coming = merged
    .flatMap((drawer) => linesIn(state, drawer))
    .filter((line) => {
      if ('label' in line) return true;
      const id = entryId(into.id, itemId(line));
      if (state.entry.has(id) || placed.has(id)) return false;
      placed.add(id);
      return true;
    });
  const orders = keysBefore(linesIn(state, into), null, coming.length);
  return coming.flatMap((line, at): Edit[] => {
    const order = orders[at] ?? '';
    if ('label' in line)
      return [{ of: 'divider', id: line.id, before: line, after: { ...line, drawerId: into.id, order } }];
    const item = itemId(line);
    const id = entryId(into.id, item);
    return [
      { of: 'entry', id, before: null, after: { ...line, id, drawerId: into.id, order } },
      ...endNever(state, into, item),
    ];
  });
}

/** Their inner drawers, but for those that are merged themselves. */
function innerMoved(state: Arrangement, into: Drawer, merged: readonly Drawer[]): Edit[] {
  const gone = idsOf(merged);
  const inner = merged.flatMap((one) => drawersIn(state, one.chestId, one.id)).filter((one) => !gone.has(one.id));
  const orders = keysBefore(drawersIn(state, into.chestId, into.id), null, inner.length);
  return inner.flatMap((one, at): Edit[] => {
    const [, ...below] = drawerAndInner(state, one.id);
    const { chestId } = into;
    return [
      changed(one, { ...one, chestId, parentId: into.id, order: orders[at] ?? '' }),
      ...(one.chestId === chestId
        ? []
        : below.filter((row) => !gone.has(row.id)).map((row) => changed(row, { ...row, chestId }))),
    ];
  });
}

/** The drawers themselves and their places; their dividers in front of them go on to what stays. */
function removed(state: Arrangement, _into: Drawer, merged: readonly Drawer[]): Edit[] {
  const gone = idsOf(merged);
  return [
    ...merged
      .flatMap((drawer) => linesIn(state, drawer))
      .flatMap((line): Edit[] => ('label' in line ? [] : [{ of: 'entry', id: line.id, before: line, after: null }])),
    ...merged.flatMap((drawer) => passDividerOn(state, drawer, gone).edits),
    // Inner ones before outer ones, so that the inverse makes the outer one first.
    ...[...merged]
      .sort((a, b) => pathTo(state, b.id).length - pathTo(state, a.id).length)
      .map((drawer): Edit => ({ of: 'drawer', id: drawer.id, before: drawer, after: null })),
  ];
}

/** Rules that look at one of them look at the one that they are in now. */
function rulesMoved(state: Arrangement, into: Drawer, merged: readonly Drawer[]): Edit[] {
  const instead = new Map<string, string>(merged.map((one) => [one.id, into.id]));
  return [...state.drawer.values()].flatMap((drawer): Edit[] => {
    if (drawer.rule === null || instead.has(drawer.id)) return [];
    const rule = redirectDrawerTerms(drawer.rule, instead);
    return rule === drawer.rule ? [] : [changed(drawer, { ...drawer, rule })];
  });
}

const idsOf = (drawers: readonly Drawer[]): ReadonlySet<string> => new Set(drawers.map((one) => one.id));

/** Why rules that were changed can't stand as everything is afterwards; null where they can. */
function firstCircle(after: Arrangement, edits: readonly Edit[]): string | null {
  for (const edit of edits) {
    if (edit.of !== 'drawer' || edit.after === null || edit.after.rule === edit.before?.rule) continue;
    const { id, name, rule } = edit.after;
    const words = circleWords(after, id, name, rule);
    if (words !== null) return words;
  }
  return null;
}
