/** A level: the drawers directly in a chest or in another drawer, in the order and with the dividers in which they are shown. */
import { TYPE_IDS, type TypeId } from '../catalogue/type-tree.js';
import type { ChestId, DrawerId } from '../ids.js';
import { compareNames } from '../text/words.js';
import type { Arrangement } from './arrangement.js';
import type { LevelSort } from './level-sort.js';
import { drawersIn, pathTo } from './look-up.js';
import type { Drawer } from './rows/drawer.js';

/** What sorting looks at in a drawer, together with its inner drawers. */
export interface DrawerMeasure {
  /** How many plugins it holds, each once. */
  readonly size: number;
  /** How often they were loaded. */
  readonly loads: number;
  /** The type of most of them; null when none is known. */
  readonly type: TypeId | null;
}

/** Measures a drawer with its inner drawers. */
export type MeasureOf = (drawer: Drawer) => DrawerMeasure;

/** Something in a level, with the divider that stands in front of it: its label, which may be empty; null for none. */
export interface InLevel {
  /** The same for all of one level. */
  readonly level: string;
  readonly divider: string | null;
}

/** A drawer as its level shows it. */
export interface DrawerInLevel extends InLevel {
  readonly drawer: Drawer;
}

const inLevel = (drawer: Drawer, divider: string | null): DrawerInLevel => ({
  drawer,
  divider,
  level: `${drawer.chestId}|${drawer.parentId ?? ''}`,
});

const typeRank = (type: TypeId | null): number => (type === null ? TYPE_IDS.length : TYPE_IDS.indexOf(type));

/** How two measured drawers compare; names decide where the rest is equal. */
const COMPARE: Readonly<Record<LevelSort, (a: DrawerMeasure, b: DrawerMeasure) => number>> = {
  name: () => 0,
  loads: (a, b) => b.loads - a.loads,
  size: (a, b) => b.size - a.size,
  type: (a, b) => typeRank(a.type) - typeRank(b.type),
};

/** How a level is sorted for good; null when it is in the order given by hand. */
export const levelSort = (state: Arrangement, chestId: ChestId, parentId: DrawerId | null): LevelSort | null =>
  (parentId === null ? state.chest.get(chestId)?.drawerSort : state.drawer.get(parentId)?.innerSort) ?? null;

/** The drawers of a level between two dividers. */
interface LevelSection {
  readonly divider: string | null;
  readonly drawers: Drawer[];
}

function sectionsOf(drawers: readonly Drawer[]): LevelSection[] {
  const sections: LevelSection[] = [];
  for (const drawer of drawers) {
    const divider = drawer.dividerBefore ?? null;
    const last = sections.at(-1);
    if (last === undefined || divider !== null) sections.push({ divider, drawers: [drawer] });
    else last.drawers.push(drawer);
  }
  return sections;
}

/** Sorts drawers between their dividers, as a level that is sorted for good shows them. */
export function sortedLevel(drawers: readonly Drawer[], sort: LevelSort, measureOf: MeasureOf): DrawerInLevel[] {
  const measures = sort === 'name' ? null : new Map(drawers.map((one) => [one.id, measureOf(one)]));
  const compare = (a: Drawer, b: Drawer): number => {
    const [one, other] = [measures?.get(a.id), measures?.get(b.id)];
    const by = one === undefined || other === undefined ? 0 : COMPARE[sort](one, other);
    return by || compareNames(a.name, b.name);
  };
  const loose = drawers.filter((one) => one.loose === true);
  const others = loose.length === 0 ? drawers : drawers.filter((one) => one.loose !== true);
  const sections = sectionsOf(others).flatMap((section) =>
    section.drawers.sort(compare).map((drawer, at) => inLevel(drawer, at === 0 ? section.divider : null)),
  );
  return [...loose.map((drawer) => inLevel(drawer, null)), ...sections];
}

/** A level as it is shown: by hand, or sorted for good between its dividers. */
export function levelOf(
  state: Arrangement,
  chestId: ChestId,
  parentId: DrawerId | null,
  measureOf: MeasureOf,
): readonly DrawerInLevel[] {
  const drawers = drawersIn(state, chestId, parentId);
  const sort = levelSort(state, chestId, parentId);
  return sort === null
    ? drawers.map((drawer) => inLevel(drawer, drawer.dividerBefore ?? null))
    : sortedLevel(drawers, sort, measureOf);
}

/** All drawers of a chest as they are shown, each outer one before what is inside it. */
export const shownDrawers = (
  state: Arrangement,
  chestId: ChestId,
  measureOf: MeasureOf,
  parentId: DrawerId | null = null,
): DrawerInLevel[] =>
  levelOf(state, chestId, parentId, measureOf).flatMap((one) => [
    one,
    ...shownDrawers(state, chestId, measureOf, one.drawer.id),
  ]);

/** Those of a list that are shown; the divider of one that is left out goes on to the next of its level that is not, and one that nothing follows is left out. */
export function onlyShown<T extends InLevel>(list: readonly T[], isShown: (one: T) => boolean): T[] {
  const waiting = new Map<string, string>();
  return list.flatMap((one): T[] => {
    const { level, divider: own } = one;
    if (own !== null) waiting.set(level, own);
    if (!isShown(one)) return [];
    const divider = waiting.get(level) ?? null;
    waiting.delete(level);
    return [divider === own ? one : { ...one, divider }];
  });
}

/** Whether menus offer a drawer: neither it nor one around it is left out of them. */
export const isInMenus = (state: Arrangement, drawer: Drawer): boolean =>
  pathTo(state, drawer.id).every((one) => !one.notInMenus);
