import type { Point } from '../../parts/pointer-drag';
import { edgeAt, scrollChest } from './drag';

/** So long the pointer rests at the edge before the chest scrolls: what is only passed over on the way to a target stays where it is. */
const REST_MS = 450;

/** Scrolls the chest while the pointer of a drag rests at its very edge; calls back after each step, for what lies at the pointer then. */
export function edgeScroller(moved: () => void): { readonly follow: (at: Point) => void; readonly stop: () => void } {
  let rest: ReturnType<typeof setTimeout> | undefined;
  let frame = 0;
  let way: -1 | 0 | 1 = 0;
  const stop = (): void => {
    clearTimeout(rest);
    cancelAnimationFrame(frame);
    rest = undefined;
  };
  const step = (): void => {
    scrollChest(way);
    moved();
    frame = requestAnimationFrame(step);
  };
  return {
    follow: (at) => {
      way = edgeAt(at);
      if (way === 0) stop();
      else rest ??= setTimeout(step, REST_MS);
    },
    stop,
  };
}
