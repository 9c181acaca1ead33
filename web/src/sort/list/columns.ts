import { useStored } from '../../lib/use-stored';
import type { SortBy } from '../find/use-sort-view';

/** A column of the list: by what its head sorts (null: by nothing), and how wide it is in the grid. */
interface ColumnSpec {
  readonly label: string;
  readonly sort: SortBy | null;
  readonly width: string;
}

/** The columns, in the order in which they stand until that is changed. */
export const COLUMNS = {
  type: { label: 'Type', sort: 'type', width: '46px' },
  name: { label: 'Plugin', sort: 'name', width: 'minmax(0, 3fr)' },
  vendor: { label: 'Vendor', sort: 'vendor', width: 'minmax(0, 2fr)' },
  formats: { label: 'Formats', sort: 'formats', width: 'minmax(0, 2.3fr)' },
  drawers: { label: 'Drawers', sort: 'drawers', width: 'minmax(0, 1.9fr)' },
  loads: { label: 'Loads', sort: 'loads', width: '52px' },
  tray: { label: 'Tray', sort: null, width: '34px' },
  version: { label: 'Version', sort: 'version', width: 'minmax(0, 1fr)' },
  width: { label: 'Width', sort: 'width', width: 'minmax(0, 1fr)' },
  bits: { label: 'Bits', sort: 'bits', width: '52px' },
  state: { label: 'State', sort: 'state', width: 'minmax(0, 1.2fr)' },
  folder: { label: 'Folder', sort: 'folder', width: 'minmax(0, 1.5fr)' },
  arrived: { label: 'Arrived', sort: 'arrived', width: 'minmax(0, 1.2fr)' },
  lastLoad: { label: 'Last loaded', sort: 'lastLoad', width: 'minmax(0, 1.2fr)' },
  aside: { label: 'Set aside', sort: 'aside', width: 'minmax(0, 1.5fr)' },
} as const satisfies Readonly<Record<string, ColumnSpec>>;
/** The name of a column. */
export type ColumnId = keyof typeof COLUMNS;
/** All of them. */
export const COLUMN_IDS = Object.keys(COLUMNS) as readonly ColumnId[];
/** Those that a list always has: what a row is known by. */
export const FIXED_COLUMNS: readonly ColumnId[] = ['type', 'name'];
/** Those that are shown until that is changed. */
export const USUAL_COLUMNS: readonly ColumnId[] = ['type', 'name', 'vendor', 'formats', 'drawers', 'loads', 'tray'];

/** Columns as they were kept, without what is not known any more and with those that are always there; the usual ones where nothing is kept. */
export function columnsIn(kept: string | null): readonly ColumnId[] {
  if (kept === null) return USUAL_COLUMNS;
  const words = new Set(kept.split(' '));
  const chosen = [...words].flatMap((word) => COLUMN_IDS.find((id) => id === word) ?? []);
  return [...FIXED_COLUMNS, ...chosen.filter((id) => !FIXED_COLUMNS.includes(id))];
}

/** The columns that are shown, in their order, and what changes them: kept by this browser. */
export function useColumns(): [readonly ColumnId[], (columns: readonly ColumnId[]) => void] {
  const [kept, keep] = useStored('columns');
  return [columnsIn(kept), (columns) => keep(columns.join(' '))];
}

/** The columns as a grid has them. */
export const gridOf = (columns: readonly ColumnId[], pictures: boolean): string =>
  columns.map((id) => (id === 'type' && pictures ? '62px' : COLUMNS[id].width)).join(' ');
