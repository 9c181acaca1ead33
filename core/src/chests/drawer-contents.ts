import type { ItemId } from '../ids.js';
import type { Matchable } from '../rules/rule.js';
import { matcherOf } from '../rules/rule.js';
import { compareNames } from '../text/words.js';
import type { Arrangement } from './arrangement.js';
import type { Divider } from './rows/divider.js';
import type { Drawer } from './rows/drawer.js';
import type { Entry } from './rows/entry.js';
import { itemId } from './item.js';
import { byOrder, group } from './row-groups.js';
import type { Sortable } from './drawer-sort.js';
import { COMPARE_BY } from './drawer-sort.js';

/** A plugin, or a preset of one, in a drawer, and why: put in by hand, or the keyword that fits it. */
export interface Content<P> {
  readonly plugin: P;
  /** The name in this drawer alone, else the plugin's own. */
  readonly name: string;
  readonly by: 'hand' | 'rule';
  readonly keyword: string | null;
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

/** What filling a drawer looks at: what rules match, what sorting compares, the id, and whether it is a preset, which no rule puts anywhere. */
export type Placed = Matchable & Sortable & { readonly id: ItemId; readonly preset?: object | null };

interface Remembered<P> {
  readonly drawer: Drawer;
  readonly entries: readonly Entry[];
  readonly dividers: readonly Divider[];
  readonly contents: Contents<P>;
}
// Per catalogue and drawer: a change of one drawer leaves what is known of the others.
const remembered = new WeakMap<object, Map<string, Remembered<never>>>();
const namesInOrder = new WeakMap<object, readonly unknown[]>();

/**
 * What a drawer holds: first what was put in by hand, in its order or as its standing setting sorts it between dividers, then what its rule
 * fits, by name. Plugins that the catalogue lacks are left out. Remembered until the drawer, its entries or the catalogue change.
 */
export function contentsOf<P extends Placed>(
  state: Arrangement,
  plugins: ReadonlyMap<ItemId, P>,
  drawer: Drawer,
): Contents<P> {
  let known = remembered.get(plugins) as Map<string, Remembered<P>> | undefined;
  if (known === undefined) remembered.set(plugins, (known = new Map<string, Remembered<P>>()) as never);
  const entries = group(state, 'entriesIn', drawer.id);
  const dividers = group(state, 'dividersIn', drawer.id);
  const before = known.get(drawer.id);
  if (before?.drawer === drawer && before.entries === entries && before.dividers === dividers) return before.contents;
  const contents = workOut(plugins, drawer, entries, dividers);
  known.set(drawer.id, { drawer, entries, dividers, contents });
  return contents;
}

/** The plugins of each drawer. */
export function contentsOfDrawers<P extends Placed>(
  state: Arrangement,
  plugins: ReadonlyMap<ItemId, P>,
): Map<string, readonly Content<P>[]> {
  const all = new Map<string, readonly Content<P>[]>();
  for (const drawer of state.drawer.values()) all.set(drawer.id, contentsOf(state, plugins, drawer).plugins);
  return all;
}

function workOut<P extends Placed>(
  plugins: ReadonlyMap<ItemId, P>,
  drawer: Drawer,
  entries: readonly Entry[],
  dividers: readonly Divider[],
): Contents<P> {
  const byHand = entries.flatMap((entry): Content<P>[] => {
    const plugin = plugins.get(itemId(entry));
    return plugin === undefined ? [] : [{ plugin, name: entry.name ?? plugin.name, by: 'hand', keyword: null, entry }];
  });
  const byRule = drawer.rule === null ? [] : ruleContents(drawer, plugins, new Set(byHand.map((one) => one.plugin.id)));
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
  drawer: Drawer,
  plugins: ReadonlyMap<ItemId, P>,
  placed: ReadonlySet<ItemId>,
): Content<P>[] {
  if (drawer.rule === null) return [];
  const keywordFor = matcherOf(drawer.rule);
  const found: Content<P>[] = [];
  for (const plugin of inOrderOfName(plugins)) {
    const keyword = placed.has(plugin.id) ? null : keywordFor(plugin);
    if (keyword !== null) found.push({ plugin, name: plugin.name, by: 'rule', keyword, entry: null });
  }
  return found;
}

function inOrderOfName<P extends Placed>(plugins: ReadonlyMap<ItemId, P>): readonly P[] {
  let sorted = namesInOrder.get(plugins) as readonly P[] | undefined;
  if (sorted === undefined)
    namesInOrder.set(
      plugins,
      (sorted = [...plugins.values()].filter((one) => one.preset == null).sort((a, b) => compareNames(a.name, b.name))),
    );
  return sorted;
}
