import type { ItemId } from '../ids.js';
import { compareNames } from '../text/words.js';
import type { Arrangement } from './arrangement.js';
import type { Divider } from './rows/divider.js';
import type { Drawer } from './rows/drawer.js';
import type { Entry } from './rows/entry.js';
import { itemId } from './item.js';
import { byOrder, group } from './row-groups.js';
import type { Ruled } from './ruled.js';
import type { Sortable } from './drawer-sort.js';
import { COMPARE_BY } from './drawer-sort.js';

/** A plugin, or a preset of one, in a drawer, and why: put in by hand, or taken by the drawer's rule. */
export interface Content<P> {
  readonly plugin: P;
  /** The name in this drawer alone, else the plugin's own. */
  readonly name: string;
  readonly by: 'hand' | 'rule';
  /** Its row; null for what a rule put there. */
  readonly entry: Entry | null;
}

/** One line of an open drawer: a plugin or a divider. */
export type Line<P> = Content<P> | { readonly divider: Divider };

/** What a drawer holds: its plugins, and the same with the dividers between them. */
export interface Contents<P> {
  readonly plugins: readonly Content<P>[];
  readonly lines: readonly Line<P>[];
}

/** What filling a drawer looks at: the id, and what sorting compares. */
export type Placed = Sortable & { readonly id: ItemId };

interface Remembered<P> {
  readonly drawer: Drawer;
  readonly entries: readonly Entry[];
  readonly dividers: readonly Divider[];
  readonly taken: readonly ItemId[];
  readonly contents: Contents<P>;
}
// Per catalogue and drawer: a change of one drawer leaves what is known of the others.
const remembered = new WeakMap<object, Map<string, Remembered<never>>>();
const namesInOrder = new WeakMap<object, ByName<Placed>>();

/**
 * What a drawer holds: first what was put in by hand, in its order or as its standing setting sorts it between dividers, then what its rule
 * takes, by name. Plugins that the catalogue lacks are left out. Remembered until the drawer, its entries, what its rule takes or the catalogue change.
 */
export function contentsOf<P extends Placed>(
  state: Arrangement,
  plugins: ReadonlyMap<ItemId, P>,
  drawer: Drawer,
  ruled: Ruled,
): Contents<P> {
  let known = remembered.get(plugins) as Map<string, Remembered<P>> | undefined;
  if (known === undefined) remembered.set(plugins, (known = new Map<string, Remembered<P>>()) as never);
  const entries = group(state, 'entriesIn', drawer.id);
  const dividers = group(state, 'dividersIn', drawer.id);
  const taken = drawer.rule === null ? NONE : ruled.taken(drawer.id);
  const before = known.get(drawer.id);
  if (before?.drawer === drawer && before.entries === entries && before.dividers === dividers && before.taken === taken)
    return before.contents;
  const contents = workOut(plugins, drawer, entries, dividers, taken);
  known.set(drawer.id, { drawer, entries, dividers, taken, contents });
  return contents;
}

/** The plugins of each drawer. */
export function contentsOfDrawers<P extends Placed>(
  state: Arrangement,
  plugins: ReadonlyMap<ItemId, P>,
  ruled: Ruled,
): Map<string, readonly Content<P>[]> {
  const all = new Map<string, readonly Content<P>[]>();
  for (const drawer of state.drawer.values()) all.set(drawer.id, contentsOf(state, plugins, drawer, ruled).plugins);
  return all;
}

function workOut<P extends Placed>(
  plugins: ReadonlyMap<ItemId, P>,
  drawer: Drawer,
  entries: readonly Entry[],
  dividers: readonly Divider[],
  taken: readonly ItemId[],
): Contents<P> {
  const byHand = entries.flatMap((entry): Content<P>[] => {
    const plugin = plugins.get(itemId(entry));
    return plugin === undefined ? [] : [{ plugin, name: entry.name ?? plugin.name, by: 'hand', entry }];
  });
  const allByRule = ruleContents(taken, plugins, new Set(byHand.map((one) => one.plugin.id)));
  const byRule = firstOf(allByRule, drawer);
  const sections = sectionsOf(byHand, dividers, byRule);
  if (drawer.sort !== null) {
    const compare = COMPARE_BY[drawer.sort];
    for (const { contents } of sections)
      contents.sort((a, b) => compare({ ...a.plugin, name: a.name }, { ...b.plugin, name: b.name }));
  }
  const lines = sections.flatMap(({ divider, contents }): Line<P>[] =>
    divider === null ? contents : [{ divider }, ...contents],
  );
  return { plugins: sections.flatMap((section) => section.contents), lines };
}

interface Section<P> {
  readonly divider: Divider | null;
  readonly contents: Content<P>[];
}

/** Entries from one divider to the next; what a rule put there stands at the end. */
function sectionsOf<P>(
  byHand: readonly Content<P>[],
  dividers: readonly Divider[],
  byRule: readonly Content<P>[],
): Section<P>[] {
  const sections: Section<P>[] = [{ divider: null, contents: [] }];
  let at = 0;
  for (const content of byHand) {
    for (let next = dividers[at]; next !== undefined && comesBefore(next, content.entry); next = dividers[++at])
      sections.push({ divider: next, contents: [] });
    sections.at(-1)?.contents.push(content);
  }
  for (const divider of dividers.slice(at)) sections.push({ divider, contents: [] });
  sections.at(-1)?.contents.push(...byRule);
  return sections;
}

const comesBefore = (divider: Divider, entry: Entry | null): boolean => entry === null || byOrder(divider, entry) < 0;

function ruleContents<P extends Placed>(
  taken: readonly ItemId[],
  plugins: ReadonlyMap<ItemId, P>,
  placed: ReadonlySet<ItemId>,
): Content<P>[] {
  if (taken.length === 0) return [];
  const { inOrder, rankOf } = ranksByName(plugins);
  const ranks = taken.flatMap((id) => (placed.has(id) ? [] : (rankOf.get(id) ?? [])));
  // Sorted as bare numbers: a rule that takes half of 50,000 is asked for with each of its plugins.
  return Array.from(Uint32Array.from(ranks).sort(), (rank): Content<P> => {
    const plugin = inOrder[rank] as P;
    return { plugin, name: plugin.name, by: 'rule', entry: null };
  });
}

/** The first of what a rule takes, in the order of the drawer, where it takes only so many. */
function firstOf<P extends Placed>(byRule: Content<P>[], { most = null, sort }: Drawer): Content<P>[] {
  if (most === null || byRule.length <= most) return byRule;
  if (sort === null) return byRule.slice(0, most);
  const compare = COMPARE_BY[sort];
  return [...byRule].sort((a, b) => compare(a.plugin, b.plugin)).slice(0, most);
}

interface ByName<P> {
  readonly inOrder: readonly P[];
  readonly rankOf: ReadonlyMap<ItemId, number>;
}

/** All in the order of names, and each one's place in it: sorted once, however many drawers are filled. */
function ranksByName<P extends Placed>(plugins: ReadonlyMap<ItemId, P>): ByName<P> {
  let ranks = namesInOrder.get(plugins) as ByName<P> | undefined;
  if (ranks === undefined) {
    const inOrder = [...plugins.values()].sort((a, b) => compareNames(a.name, b.name));
    namesInOrder.set(plugins, (ranks = { inOrder, rankOf: new Map(inOrder.map((one, rank) => [one.id, rank])) }));
  }
  return ranks;
}

const NONE: readonly ItemId[] = [];
