import type { Collision, CollisionDetection, DragMoveEvent } from '@dnd-kit/core';
import { pointerWithin, type Modifier } from '@dnd-kit/core';
import { asId, type DrawerId, type PluginId } from '@clever-drawer/core/ids';

/** What is being dragged: plugins (to be put in), or a drawer (to be moved). */
export type Dragged =
  | { readonly pluginIds: readonly PluginId[]; readonly name: string }
  | { readonly drawerId: DrawerId; readonly name: string };

/** Where it would go. Plugins go into a drawer; a drawer goes before, into or after another one, or to the end of the chest. */
export type Target =
  { readonly kind: 'into' | 'before' | 'after'; readonly drawerId: DrawerId } | { readonly kind: 'chest' };

export const frontId = (id: DrawerId): string => `front ${id}`;
export const CHEST_AREA = 'chest';

/** The innermost front under the pointer: an inner drawer lies over the open one that holds it. */
export const innermost: CollisionDetection = (args) => {
  const area = (one: Collision): number => {
    const rect = args.droppableRects.get(one.id);
    return rect === undefined ? Infinity : rect.width * rect.height;
  };
  return pointerWithin(args).sort((a, b) => area(a) - area(b));
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

/** The target of a drag as it stands: the outer parts of a front mean beside it, for a drawer that is dragged. */
export function targetOf(event: Pick<DragMoveEvent, 'over' | 'active' | 'activatorEvent' | 'delta'>): Target | null {
  const { over } = event;
  if (over === null) return null;
  if (over.id === CHEST_AREA) return { kind: 'chest' };
  const drawerId = asId<DrawerId>(String(over.id).slice(frontId(asId<DrawerId>('')).length));
  const dragged = event.active.data.current as Dragged;
  if (!('drawerId' in dragged)) return { kind: 'into', drawerId };
  const x = (event.activatorEvent as PointerEvent).clientX + event.delta.x;
  const share = (x - over.rect.left) / over.rect.width;
  return { kind: share < EDGE ? 'before' : share > 1 - EDGE ? 'after' : 'into', drawerId };
}
