import clsx from 'clsx';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import type { Dragged } from '../../parts/dragged';
import type { Target } from './drag';
import { DRAG_MOVES } from '../../keys/key-table';
import { isMac, strokeInWords } from '../../keys/strokes';
import { effectOf } from './drop-effect';
import styles from '../../parts/drag-label.module.css';

/** Beside the pointer: what is dragged, and what letting go would do, or why nothing. */
export function DragLabel({
  dragged,
  target,
  moves,
  state,
}: {
  dragged: Dragged;
  target: Target | null;
  moves: boolean;
  state: Arrangement;
}) {
  const what =
    'drawerIds' in dragged
      ? dragged.drawerIds.length > 1
        ? `${String(dragged.drawerIds.length)} drawers`
        : dragged.name
      : dragged.pluginIds.length > 1
        ? `${String(dragged.pluginIds.length)} plugins`
        : dragged.name;
  const { words, intents, canMove = false } = effectOf(dragged, target, state, moves);
  return (
    <div className={clsx(styles.dragLabel, intents.length === 0 && styles.refused)}>
      {what} <span>{words}</span>
      {canMove && ` (${strokeInWords(DRAG_MOVES.stroke, isMac())}: move)`}
    </div>
  );
}
