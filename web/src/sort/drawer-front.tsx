import { useDraggable, useDroppable } from '@dnd-kit/core';
import type { KeyboardEvent, ReactNode } from 'react';
import type { Drawer } from '@clever-drawer/core/chests/arrangement';
import { ruleInWords } from '@clever-drawer/core/rules/rule';
import { frontId, type Target } from './drag';

/** What can be done with a drawer from its front. */
export interface DrawerActions {
  readonly toggle: (drawer: Drawer) => void;
  readonly edit: (drawer: Drawer) => void;
  readonly remove: (drawer: Drawer) => void;
  readonly putInside: (drawer: Drawer) => void;
  /** Among its neighbours: -1 is towards the beginning. */
  readonly shift: (drawer: Drawer, by: -1 | 1) => void;
}

interface Props {
  readonly drawer: Drawer;
  readonly count: number;
  readonly isOpen: boolean;
  readonly target: Target | null;
  readonly actions: DrawerActions;
  readonly children?: ReactNode;
}

/** A drawer seen from the front: label card, count, pull. The whole front takes what is dropped. */
export function DrawerFront({ drawer, count, isOpen, target, actions, children }: Props) {
  const drop = useDroppable({ id: frontId(drawer.id) });
  const drag = useDraggable({ id: `drawer ${drawer.id}`, data: { drawerId: drawer.id, name: drawer.name } });
  const aimed = target !== null && target.kind !== 'chest' && target.drawerId === drawer.id ? target.kind : null;
  const onKeyDown = (event: KeyboardEvent): void => {
    if (event.altKey && (event.key === 'ArrowLeft' || event.key === 'ArrowUp')) actions.shift(drawer, -1);
    else if (event.altKey && (event.key === 'ArrowRight' || event.key === 'ArrowDown')) actions.shift(drawer, 1);
    else if (event.altKey || event.ctrlKey || event.metaKey) return;
    else if (event.key === 'Delete') actions.remove(drawer);
    else if (event.key === 'r') actions.edit(drawer);
    else if (event.key === 'p') actions.putInside(drawer);
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const rule = drawer.rule === null ? null : ruleInWords(drawer.rule);
  const classes = [
    'front',
    isOpen && 'open',
    rule !== null && 'clever',
    aimed !== null && `aimed-${aimed}`,
    drag.isDragging && 'lifted',
  ]
    .filter(Boolean)
    .join(' ');
  return (
    <section ref={drop.setNodeRef} className={classes} aria-label={`Drawer ${drawer.name}`} data-drawer={drawer.id}>
      <button
        ref={drag.setNodeRef}
        type="button"
        className="front-card"
        aria-expanded={isOpen}
        aria-label={`${drawer.name}, ${String(count)} ${count === 1 ? 'plugin' : 'plugins'}${rule === null ? '' : `, fills itself: ${rule}`}`}
        title={rule ?? undefined}
        onClick={() => actions.toggle(drawer)}
        onKeyDown={onKeyDown}
        {...drag.listeners}
      >
        <span className="card">
          <span className="one-line">
            <bdi>{drawer.name}</bdi>
          </span>
          <span className="mono">{count}</span>
        </span>
        {rule !== null && <span className="rule">{rule}</span>}
        {!isOpen && <span className="pull" aria-hidden />}
      </button>
      {isOpen && children}
    </section>
  );
}
