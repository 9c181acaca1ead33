import { useStored } from '../../lib/use-stored';
import type { SortBy } from '../find/use-sort-view';

/** A column of the list: by what its head sorts (null: by nothing), its least width in pixels, and its share of what is left (0: none). */
interface ColumnSpec {
  readonly label: string;
  readonly sort: SortBy | null;
  readonly least: number;
  readonly share: number;
}

/** The columns, in the order in which they stand until that is changed. */
export const COLUMNS = {
  type: { label: 'Type', sort: 'type', least: 46, share: 0 },
  name: { label: 'Plugin', sort: 'name', least: 150, share: 3 },
  vendor: { label: 'Vendor', sort: 'vendor', least: 96, share: 2 },
  formats: { label: 'Formats', sort: 'formats', least: 110, share: 2.3 },
  drawers: { label: 'Drawers', sort: 'drawers', least: 90, share: 1.9 },
  loads: { label: 'Loads', sort: 'loads', least: 52, share: 0 },
  tray: { label: 'Tray', sort: null, least: 34, share: 0 },
  version: { label: 'Version', sort: 'version', least: 72, share: 1 },
  width: { label: 'Width', sort: 'width', least: 72, share: 1 },
  bits: { label: 'Bits', sort: 'bits', least: 56, share: 0 },
  state: { label: 'State', sort: 'state', least: 76, share: 1 },
  folder: { label: 'Folder', sort: 'folder', least: 100, share: 1.5 },
  arrived: { label: 'Arrived', sort: 'arrived', least: 92, share: 1 },
  lastLoad: { label: 'Last loaded', sort: 'lastLoad', least: 96, share: 1 },
  aside: { label: 'Set aside', sort: 'aside', least: 120, share: 1.5 },
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

const GAP = 6;
const PADDING = 16;
const PICTURE = 62;

/** The columns as a grid has them, and how wide the list must be for them: with others than the usual ones it scrolls to the side where there is no room. */
export function gridOf(
  columns: readonly ColumnId[],
  pictures: boolean,
): { readonly grid: string; readonly least: number } {
  const fitsAnyhow = columns.every((id) => USUAL_COLUMNS.includes(id));
  const leastOf = (id: ColumnId): number => (id === 'type' && pictures ? PICTURE : COLUMNS[id].least);
  const grid = columns
    .map((id) => {
      const { share } = COLUMNS[id];
      const least = `${String(fitsAnyhow && share > 0 ? 0 : leastOf(id))}px`;
      return share === 0 ? least : `minmax(${least}, ${String(share)}fr)`;
    })
    .join(' ');
  const whole = columns.reduce((sum, id) => sum + leastOf(id) + GAP, PADDING - GAP);
  return { grid, least: fitsAnyhow ? 0 : whole };
}
