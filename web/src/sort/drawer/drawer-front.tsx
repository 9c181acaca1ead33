import clsx from 'clsx';
import { useDraggable } from '@dnd-kit/core';
import { memo, type KeyboardEvent, type ReactNode } from 'react';
import type { Drawer } from '@clever-drawer/core/chests/rows/drawer';
import { DRAWER_SORT_LABELS } from '@clever-drawer/core/chests/drawer-sort';
import { ruleInWords } from '@clever-drawer/core/rules/rule';
import type { DrawerActions } from './drawer-actions';
import styles from '../../parts/front.module.css';

interface Props {
  readonly drawer: Drawer;
  readonly count: number;
  /** What its inner drawers hold, in words; empty when it has none. */
  readonly inner: string;
  readonly isOpen: boolean;
  readonly isLit: boolean;
  /** Where something that is dragged would go. */
  readonly aimed: 'into' | 'before' | 'after' | null;
  readonly actions: DrawerActions;
  readonly children?: ReactNode;
}

/** A drawer seen from the front: label card, count, pull. The whole front takes what is dropped. */
export const DrawerFront = memo(function DrawerFront(props: Props) {
  const { drawer, count, inner, isOpen, isLit, aimed, actions, children } = props;
  const drag = useDraggable({ id: `drawer ${drawer.id}`, data: { drawerId: drawer.id, name: drawer.name } });
  const onKeyDown = (event: KeyboardEvent): void => {
    const moves: Record<string, number> = {
      ArrowLeft: -1,
      ArrowUp: -1,
      ArrowRight: 1,
      ArrowDown: 1,
      Home: -Infinity,
      End: Infinity,
    };
    const move = moves[event.key];
    if (event.altKey && move !== undefined) actions.shift(drawer, move);
    else if (event.altKey || event.ctrlKey || event.metaKey) return;
    else if (event.key === 'Delete') actions.remove(drawer);
    else if (event.key === 'r') actions.edit(drawer);
    else if (event.key === 'p') actions.putInside(drawer);
    else if (event.key === 'k') actions.copy(drawer);
    else if (event.key === 'i') actions.addInner(drawer);
    else if (event.key === 'l') actions.list(drawer);
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const rule = drawer.rule === null ? null : ruleInWords(drawer.rule);
  const notes = [...(inner === '' ? [] : [inner]), ...(drawer.sort === null ? [] : [DRAWER_SORT_LABELS[drawer.sort]])];
  return (
    <section
      className={clsx(
        styles.front,
        isOpen && styles.open,
        isLit && styles.lit,
        rule !== null && styles.clever,
        aimed === 'into' && styles.aimedInto,
        aimed === 'before' && styles.aimedBefore,
        aimed === 'after' && styles.aimedAfter,
        drag.isDragging && styles.lifted,
      )}
      aria-label={`Drawer ${drawer.name}`}
      data-drawer={drawer.id}
    >
      <button
        ref={drag.setNodeRef}
        type="button"
        className={styles.frontCard}
        aria-expanded={isOpen}
        aria-label={`${drawer.name}, ${String(count)} ${count === 1 ? 'plugin' : 'plugins'}${rule === null ? '' : `, fills itself: ${rule}`}`}
        title={rule ?? undefined}
        onClick={() => actions.toggle(drawer)}
        onKeyDown={onKeyDown}
        {...drag.listeners}
      >
        <span className={styles.card}>
          <span className="one-line">
            <bdi>{drawer.name}</bdi>
          </span>
          <span className="mono">{count}</span>
        </span>
        {rule !== null && <span className={styles.rule}>{rule}</span>}
        {!isOpen && notes.length > 0 && <span className={clsx('quiet', styles.innerNote)}>{notes.join(' · ')}</span>}
        {!isOpen && <span className={styles.pull} aria-hidden />}
      </button>
      {children}
    </section>
  );
});
