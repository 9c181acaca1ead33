import { useStored } from '../../lib/use-stored';

/** How large the fronts of a chest are. */
export const FRONT_SIZES = ['small', 'medium', 'large'] as const;
/** One of FRONT_SIZES. */
export type FrontSize = (typeof FRONT_SIZES)[number];
/** Whether closed fronts show what is in them first: where there is room, always, never. */
export const FRONT_SHOWS = ['room', 'always', 'never'] as const;
/** One of FRONT_SHOWS. */
export type FrontShow = (typeof FRONT_SHOWS)[number];

/** How the fronts of a chest look: kept by this browser, chest by chest. */
export interface ChestLook {
  readonly size: FrontSize;
  readonly show: FrontShow;
}

/** The least width of a front in pixels, and how many entries it shows. */
export const FRONTS: Readonly<Record<FrontSize, { readonly width: number; readonly entries: number }>> = {
  small: { width: 148, entries: 3 },
  medium: { width: 196, entries: 5 },
  large: { width: 264, entries: 8 },
};

/** From so many pixels there is room: a chest beside a list on a window of 1280 pixels has less. */
const ROOM_PX = 720;

const FRONT_PX = 84;
const ENTRY_PX = 18;
const GAP_PX = 8;
/** What stands below the fronts: the trays. */
const BELOW_PX = 170;
const MAX_ENTRIES = 14;

/**
 * How many entries closed fronts show in a chest of so many fronts that is drawn so large: what its size says, and more where there is height for
 * them without scrolling.
 */
export function entriesShown(
  { size, show }: ChestLook,
  { width = 0, height = 0 }: { readonly width?: number | undefined; readonly height?: number | undefined },
  fronts: number,
): number {
  // Large fronts were chosen to be looked into.
  if (show === 'never' || (show === 'room' && size !== 'large' && width < ROOM_PX)) return 0;
  const { width: least, entries } = FRONTS[size];
  const rows = Math.ceil((fronts + 1) / Math.max(1, Math.floor((width + GAP_PX) / (least + GAP_PX))));
  const each = (height - BELOW_PX) / rows - GAP_PX - FRONT_PX;
  return width < ROOM_PX ? entries : Math.max(entries, Math.min(MAX_ENTRIES, Math.floor(each / ENTRY_PX) - 1));
}

/** The look of a chest, and what changes it. */
export function useChestLook(chest: string): [ChestLook, (change: Partial<ChestLook>) => void] {
  const [kept, keep] = useStored(`fronts-${chest}`);
  const words = (kept ?? '').split(' ');
  const look: ChestLook = {
    size: FRONT_SIZES.find((one) => words.includes(one)) ?? 'small',
    show: FRONT_SHOWS.find((one) => words.includes(one)) ?? 'room',
  };
  return [
    look,
    (change) => {
      const next = { ...look, ...change };
      keep(`${next.size} ${next.show}`);
    },
  ];
}
