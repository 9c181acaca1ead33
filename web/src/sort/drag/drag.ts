import { asId, type ChestId, type DrawerId } from '@clever-drawer/core/ids';
import type { Point } from '../../parts/pointer-drag';
import { homeKey, type Dragged, type LineHome } from '../../parts/dragged';

/** Where it would go. Plugins go into a drawer, also a new one, between two lines or onto a tray; a drawer goes before, into or after another one, or to the end of the chest. */
export type Target =
  | { readonly kind: 'into' | 'before' | 'after'; readonly drawerId: DrawerId }
  | { readonly kind: 'chest'; readonly chestId: ChestId }
  | { readonly kind: 'new'; readonly chestId: ChestId }
  | { readonly kind: 'tray'; readonly tray: number }
  | {
      readonly kind: 'line';
      readonly home: LineHome;
      readonly lineId: string;
      readonly side: 'above' | 'below';
      /** In front of which line it goes; null is the end. */
      readonly before: string | null;
    };

/** A tray as it stands among what is pulled out. */
export const trayId = (tray: number): string => `tray ${String(tray)}`;

const EDGE_PX = 26;

/** At which edge of the chest a point lies, as far as the chest is in sight: -1 above, 1 below, 0 at none. Resting there scrolls. */
export function edgeAt({ y }: Point): -1 | 0 | 1 {
  const chest = document.querySelector('[data-chest]')?.getBoundingClientRect();
  if (chest === undefined) return 0;
  if (Math.abs(y - Math.max(chest.top, 0)) < EDGE_PX) return -1;
  return Math.abs(y - Math.min(chest.bottom, window.innerHeight)) < EDGE_PX ? 1 : 0;
}

const SCROLL_PX = 7;

/** Scrolls the chest by a step, or the page where that is what scrolls. */
export function scrollChest(way: -1 | 0 | 1): void {
  const chest = document.querySelector('[data-chest]');
  const scroller = chest !== null && chest.scrollHeight > chest.clientHeight ? chest : document.scrollingElement;
  if (scroller !== null) scroller.scrollTop += way * SCROLL_PX;
}

const EDGE = 0.22;

/**
 * The target at a point: the innermost front, line or tray there, told by what is drawn and not by a list of hundreds of rectangles. The outer
 * parts of a front mean beside it, for a drawer; the halves of a line above and below it, for plugins.
 */
export function targetAt({ x, y }: Point, dragged: Dragged): Target | null {
  const hit = document.elementFromPoint(x, y);
  if (hit === null) return null;
  if ('drawerIds' in dragged) {
    const front = hit.closest<HTMLElement>('[data-drawer]');
    if (front === null) return chestAt(hit);
    const { left, width } = front.getBoundingClientRect();
    const share = (x - left) / width;
    return { kind: share < EDGE ? 'before' : share > 1 - EDGE ? 'after' : 'into', drawerId: drawerOf(front) };
  }
  const fresh = hit.closest<HTMLElement>('[data-new-drawer-in]');
  if (fresh !== null) return { kind: 'new', chestId: asId<ChestId>(fresh.dataset.newDrawerIn ?? '') };
  const home = hit.closest<HTMLElement>('[data-drawer], [data-tray]');
  if (home === null) return chestAt(hit);
  const line = hit.closest<HTMLElement>('[data-line]');
  if (line !== null && home.contains(line)) {
    const { top, height } = line.getBoundingClientRect();
    const lineId = line.dataset.line ?? '';
    const isAbove = y < top + height / 2;
    return {
      kind: 'line',
      home: homeOf(home),
      lineId,
      side: isAbove ? 'above' : 'below',
      before: isAbove ? lineId : (line.dataset.next ?? null),
    };
  }
  return home.dataset.tray === undefined
    ? { kind: 'into', drawerId: drawerOf(home) }
    : { kind: 'tray', tray: Number(home.dataset.tray) };
}

function chestAt(hit: Element): Target | null {
  const chest = hit.closest<HTMLElement>('[data-chest]')?.dataset.chest;
  return chest === undefined ? null : { kind: 'chest', chestId: asId<ChestId>(chest) };
}

const drawerOf = (front: HTMLElement): DrawerId => asId<DrawerId>(front.dataset.drawer ?? '');
const homeOf = (home: HTMLElement): LineHome =>
  home.dataset.tray === undefined ? { drawerId: drawerOf(home) } : { tray: Number(home.dataset.tray) };

/** On which side of the lines of a list a target lies: null for all but one of them. */
export const aimIn =
  (target: Target | null, home: LineHome) =>
  (lineId: string): 'above' | 'below' | null =>
    target?.kind === 'line' && target.lineId === lineId && homeKey(target.home) === homeKey(home) ? target.side : null;
