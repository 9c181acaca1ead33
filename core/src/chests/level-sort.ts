/** By what the drawers of a level can be sorted, once or for good. */
export const LEVEL_SORTS = ['name', 'loads', 'size', 'type'] as const;
/** One of LEVEL_SORTS. */
export type LevelSort = (typeof LEVEL_SORTS)[number];
export const LEVEL_SORT_LABELS: Readonly<Record<LevelSort, string>> = {
  name: 'A–Z',
  loads: 'most loaded first',
  size: 'largest first',
  type: 'by type',
};
