import type { Collision, CollisionDetection, DragMoveEvent } from '@dnd-kit/core';
import { pointerWithin, type Modifier } from '@dnd-kit/core';
import { asId, type DrawerId, type PluginId } from '@clever-drawer/core/ids';

/** What is being dragged: plugins (to be put in, or elsewhere in their order) with dividers, or a drawer (to be moved). */
export type Dragged =
  | { readonly pluginIds: readonly PluginId[]; readonly dividers?: Dividers; readonly name: string }
  | { readonly drawerId: DrawerId; readonly name: string };

/** Dividers are moved within their drawer. */
export interface Dividers {
  readonly drawerId: DrawerId;
  readonly ids: readonly string[];
}

/** A list whose lines have an order: a drawer's, or a tray's. */
export type LineHome = { readonly drawerId: DrawerId } | { readonly tray: number };

/** A line as a target: the home, itself, and the one behind it. */
export interface LineTarget {
  readonly home: LineHome;
  readonly lineId: string;
  readonly nextId: string | null;
}

/** Where it would go. Plugins go into a drawer, between two lines or onto a tray; a drawer goes before, into or after another one, or to the end of the chest. */
export type Target =
  | { readonly kind: 'into' | 'before' | 'after'; readonly drawerId: DrawerId }
  | { readonly kind: 'chest' }
  | { readonly kind: 'tray'; readonly tray: number }
  | {
      readonly kind: 'line';
      readonly home: LineHome;
      readonly lineId: string;
      readonly side: 'above' | 'below';
      /** In front of which line it goes; null is the end. */
      readonly before: string | null;
    };

const FRONT = 'front ';
const TRAY = 'tray ';
export const frontId = (id: DrawerId): string => FRONT + id;
export const trayId = (tray: number): string => TRAY + String(tray);
export const CHEST_AREA = 'chest';

/** The innermost target under the pointer: an inner drawer lies over the open one that holds it, a line over both. */
export const innermost: CollisionDetection = (args) => {
  const isDrawer = 'drawerId' in ((args.active.data.current ?? {}) as Dragged);
  const area = (one: Collision): number => {
    const rect = args.droppableRects.get(one.id);
    return rect === undefined ? Infinity : rect.width * rect.height;
  };
  return pointerWithin(args)
    .filter((one) => !isDrawer || one.id === CHEST_AREA || String(one.id).startsWith(FRONT))
    .sort((a, b) => area(a) - area(b));
};

const BESIDE_PX = { x: 16, y: 20 };

/** Puts the label of a drag beside the pointer, wherever on a wide row the drag began, so that it covers no front's card. */
export const besidePointer: Modifier = ({ transform, activatorEvent, activeNodeRect }) => {
  if (activeNodeRect === null || !(activatorEvent instanceof PointerEvent)) return transform;
  return {
    ...transform,
    x: transform.x + activatorEvent.clientX - activeNodeRect.left + BESIDE_PX.x,
    y: transform.y + activatorEvent.clientY - activeNodeRect.top + BESIDE_PX.y,
  };
};

const EDGE = 0.22;

/** The target of a drag as it stands: the outer parts of a front mean beside it, for a drawer; the halves of a line above and below it, for plugins. */
export function targetOf(event: Pick<DragMoveEvent, 'over' | 'active' | 'activatorEvent' | 'delta'>): Target | null {
  const { over } = event;
  if (over === null) return null;
  if (over.id === CHEST_AREA) return { kind: 'chest' };
  const id = String(over.id);
  const start = event.activatorEvent as PointerEvent;
  if (id.startsWith(TRAY)) return { kind: 'tray', tray: Number(id.slice(TRAY.length)) };
  if (id.startsWith(FRONT)) {
    const drawerId = asId<DrawerId>(id.slice(FRONT.length));
    if (!('drawerId' in (event.active.data.current as Dragged))) return { kind: 'into', drawerId };
    const share = (start.clientX + event.delta.x - over.rect.left) / over.rect.width;
    return { kind: share < EDGE ? 'before' : share > 1 - EDGE ? 'after' : 'into', drawerId };
  }
  const { home, lineId, nextId } = over.data.current as LineTarget;
  const isAbove = start.clientY + event.delta.y < over.rect.top + over.rect.height / 2;
  return { kind: 'line', home, lineId, side: isAbove ? 'above' : 'below', before: isAbove ? lineId : nextId };
}
