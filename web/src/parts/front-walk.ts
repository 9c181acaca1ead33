/** The way of the arrows over fronts in a grid, told by where they are drawn: fronts have different heights, and open ones take whole lines. */
import type { KeyHandlers } from '../keys/use-keys';

interface Box {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

/** The index of the front next to one in a direction; -1 when there is none. Left and right go on over the ends of lines. */
export function nextFront(boxes: readonly Box[], at: number, way: 'left' | 'right' | 'up' | 'down'): number {
  const own = boxes[at];
  if (own === undefined) return -1;
  if (way === 'left') return at - 1;
  if (way === 'right') return at + 1 < boxes.length ? at + 1 : -1;
  const middle = (own.left + own.right) / 2;
  let best = -1;
  let nearest = Infinity;
  boxes.forEach((box, index) => {
    const away = way === 'down' ? box.top - own.bottom : own.top - box.bottom;
    // Fronts of one line may overlap by a fraction of a pixel.
    if (away < -1) return;
    const aside = Math.abs((box.left + box.right) / 2 - middle);
    const distance = away * 1000 + aside;
    if (distance < nearest) [best, nearest] = [index, distance];
  });
  return best;
}

/** The ways of the arrows. */
export type FrontWay = 'left' | 'right' | 'up' | 'down';

/** What the arrows do on fronts: the focus goes to the next one. False where there is none. */
export function frontHandlers(fronts: () => readonly HTMLElement[]): KeyHandlers<'fronts'> {
  const go = (way: 'left' | 'right' | 'up' | 'down') => (): boolean => {
    const all = fronts();
    const to = nextFront(
      all.map((one) => one.getBoundingClientRect()),
      all.indexOf(document.activeElement as HTMLElement),
      way,
    );
    all[to]?.focus();
    return to >= 0;
  };
  return { left: go('left'), right: go('right'), up: go('up'), down: go('down') };
}

/** The fronts that the arrows reach from one: those of its chest, open or not, and of its trays. */
export const frontsAround = (one: HTMLElement | null): readonly HTMLElement[] => [
  ...(one?.closest('[data-chest]')?.querySelectorAll<HTMLElement>('[data-front]') ?? []),
];
