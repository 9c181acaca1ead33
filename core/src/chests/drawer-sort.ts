import type { TypeId } from '../catalogue/type-tree.js';
import { TYPE_IDS } from '../catalogue/type-tree.js';
import { compareNames } from '../text/words.js';

/** By what the entries of a drawer can be sorted, once or as a standing setting. */
export const DRAWER_SORTS = ['name', 'vendor', 'type', 'loads', 'newest'] as const;
/** One of DRAWER_SORTS. */
export type DrawerSort = (typeof DRAWER_SORTS)[number];
export const DRAWER_SORT_LABELS: Readonly<Record<DrawerSort, string>> = {
  name: 'A–Z',
  vendor: 'by vendor',
  type: 'by type',
  loads: 'most loaded first',
  newest: 'newest first',
};

/** What sorting looks at. `name` is the name as shown in that place. */
export interface Sortable {
  readonly name: string;
  readonly vendor?: string | null;
  readonly types?: readonly TypeId[];
  readonly loads?: number;
  /** When it was first met, as an ISO time. */
  readonly arrivedAt?: string;
}

type Compare = (a: Sortable, b: Sortable) => number;

const byName: Compare = (a, b) => compareNames(a.name, b.name);
const TYPE_RANKS = new Map(TYPE_IDS.map((type, rank) => [type, rank]));
// What is not known comes last.
const typeRank = ({ types }: Sortable): number => TYPE_RANKS.get(types?.[0] as TypeId) ?? TYPE_IDS.length;

/** How two entries compare; names, with numbers as numbers, where the rest is equal. */
export const COMPARE_BY: Readonly<Record<DrawerSort, Compare>> = {
  name: byName,
  vendor: (a, b) =>
    Number(a.vendor == null) - Number(b.vendor == null) || compareNames(a.vendor ?? '', b.vendor ?? '') || byName(a, b),
  type: (a, b) => typeRank(a) - typeRank(b) || byName(a, b),
  loads: (a, b) => (b.loads ?? 0) - (a.loads ?? 0) || byName(a, b),
  newest: (a, b) => (b.arrivedAt ?? '').localeCompare(a.arrivedAt ?? '') || byName(a, b),
};
