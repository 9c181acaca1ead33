import clsx from 'clsx';
import { useDraggable } from '@dnd-kit/core';
import { memo, useEffect, useRef, type MouseEvent, type ReactNode, type RefObject } from 'react';
import type { Drawer } from '@clever-drawer/core/chests/rows/drawer';
import { DRAWER_SORT_LABELS } from '@clever-drawer/core/chests/drawer-sort';
import { LEVEL_SORT_LABELS } from '@clever-drawer/core/chests/level-sort';
import { DRAWER_SPLIT_LABELS } from '@clever-drawer/core/chests/drawer-split';
import type { DrawerId } from '@clever-drawer/core/ids';
import type { Dragged } from '../../parts/dragged';
import { takeKey, type KeyHandlers } from '../../keys/use-keys';
import { SignGlyph } from '../../parts/sign';
import { CutName } from '../../parts/cut-name';
import { useActMenu } from '../../parts/act-menu';
import { actsOf } from '../../parts/menu-act';
import { frontHandlers, frontsAround } from '../../parts/front-walk';
import type { DrawerActions } from './drawer-actions';
import type { Contents } from '@clever-drawer/core/chests/drawer-contents';
import type { ChosenItem } from '../../catalogue/chosen-catalogue';
import { counted } from '../../lib/counted';
import styles from '../../parts/front.module.css';

/** What the inner drawers of a drawer hold together. */
export interface InnerCount {
  readonly plugins: number;
  readonly drawers: number;
}

interface Props {
  readonly drawer: Drawer;
  readonly contents: Contents<ChosenItem>;
  /** Its rule in words; null when it has none. */
  readonly rule: string | null;
  /** Whether it is known what its rule takes. */
  readonly isAsked: boolean;
  /** How many of them the closed front shows. */
  readonly entries: number;
  /** How many plugins its inner drawers hold; null when it has none. */
  readonly inner: InnerCount | null;
  readonly isOpen: boolean;
  readonly isLit: boolean;
  readonly isSelected: boolean;
  /** What is dragged with it, itself among them; null for it alone. */
  readonly goesAlong: readonly DrawerId[] | null;
  /** Where something that is dragged would go. */
  readonly aimed: 'into' | 'before' | 'after' | null;
  readonly actions: DrawerActions;
  readonly children?: ReactNode;
}

/** A drawer seen from the front: label card, count, pull. The whole front takes what is dropped. */
export const DrawerFront = memo(function DrawerFront(props: Props) {
  const {
    drawer,
    contents,
    rule,
    isAsked,
    entries,
    inner,
    isOpen,
    isLit,
    isSelected,
    goesAlong,
    aimed,
    actions,
    children,
  } = props;
  const own = contents.plugins.length;
  const held = !isAsked
    ? '…'
    : inner === null
      ? String(own)
      : own === 0
        ? String(inner.plugins)
        : `${String(own)} + ${String(inner.plugins)}`;
  const drag = useDraggable({
    id: `drawer ${drawer.id}`,
    data: { drawerIds: goesAlong ?? [drawer.id], name: drawer.name } satisfies Dragged,
    disabled: drawer.loose === true,
  });
  const openMenu = useActMenu();
  const card = useRef<HTMLButtonElement | null>(null);
  useInSight(card, isOpen);
  const arrows = frontHandlers(() => frontsAround(card.current));
  const whole: KeyHandlers<'front'> = {
    open: () => actions.toggle(drawer),
    ...arrows,
    // Down from an open drawer is into it.
    down: () => {
      const lines = isOpen ? card.current?.parentElement?.querySelector<HTMLElement>('[role="listbox"]') : null;
      lines?.focus();
      return lines == null ? arrows.down?.() : true;
    },
    earlier: () => actions.shift(drawer, -1),
    later: () => actions.shift(drawer, 1),
    toFirst: () => actions.shift(drawer, -Infinity),
    toLast: () => actions.shift(drawer, Infinity),
    nest: () => actions.putInside(drawer),
    copy: () => actions.copy(drawer),
    inner: () => actions.addInner(drawer),
    list: () => actions.list(drawer),
    rename: () => actions.edit(drawer),
    rule: () => actions.rule(drawer),
    remove: () => actions.remove(drawer),
    divider: () => actions.addFrontDivider(drawer),
    sign: () => actions.sign(drawer),
    menus: () => actions.menus(drawer),
    order: () => actions.order(drawer),
    tick: () => actions.select(drawer, 'add'),
    extendLeft: () => actions.select(drawer, 'left'),
    extendRight: () => actions.select(drawer, 'right'),
    merge: () => actions.merge(drawer),
    unselect: () => actions.select(drawer, 'none'),
  };
  const handlers = drawer.loose === true ? { ...whole, ...NOT_FOR_LOOSE } : whole;
  const click = (event: MouseEvent): void => {
    if (event.shiftKey) actions.select(drawer, 'stretch');
    else if (event.ctrlKey || event.metaKey) actions.select(drawer, 'add');
    else {
      actions.select(drawer, 'none');
      actions.toggle(drawer);
    }
  };
  const innerWords =
    inner === null ? '' : `${counted(inner.plugins, 'plugin')} in ${counted(inner.drawers, 'inner drawer')}`;
  const notes = [
    ...(inner === null ? [] : [`${String(inner.plugins)} in ${counted(inner.drawers, 'inner drawer')}`]),
    ...(drawer.sort === null ? [] : [DRAWER_SORT_LABELS[drawer.sort]]),
    ...(drawer.split == null ? [] : [`split ${DRAWER_SPLIT_LABELS[drawer.split]}`]),
    ...(drawer.notInMenus ? ['not in menus'] : []),
    ...(drawer.innerSort == null || inner === null ? [] : [`inner drawers ${LEVEL_SORT_LABELS[drawer.innerSort]}`]),
    ...(drawer.rule === null || drawer.most == null ? [] : [`at most ${String(drawer.most)}`]),
  ];
  return (
    <section
      className={clsx(
        styles.front,
        isOpen && styles.open,
        isLit && styles.lit,
        isSelected && styles.selected,
        drawer.notInMenus && styles.notInMenus,
        drawer.loose === true && styles.loose,
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
        ref={(element) => {
          card.current = element;
          drag.setNodeRef(element);
        }}
        type="button"
        className={styles.frontCard}
        aria-expanded={isOpen}
        aria-label={[
          drawer.name,
          drawer.sign == null ? '' : `sign ${drawer.sign}`,
          isSelected ? 'selected' : '',
          counted(own, 'plugin'),
          innerWords,
          rule === null ? '' : `fills itself: ${rule}`,
        ]
          .filter((part) => part !== '')
          .join(', ')}
        title={rule === null ? drawer.name : `${drawer.name}: ${rule}`}
        onClick={click}
        onKeyDown={(event) => takeKey('front', event, handlers)}
        onContextMenu={(event) => openMenu(event, drawer.name, actsOf('front', handlers, FRONT_MENU))}
        data-front
        {...drag.listeners}
      >
        <span className={styles.card}>
          {drawer.sign != null && <SignGlyph sign={drawer.sign} isSpoken={false} />}
          <span className={clsx('one-line', styles.cardName)}>
            <CutName name={drawer.name} />
          </span>
          <span className="mono">{held}</span>
        </span>
        {!isOpen && rule !== null && <span className={styles.rule}>{rule}</span>}
        {!isOpen && notes.length > 0 && <span className={clsx('quiet', styles.innerNote)}>{notes.join(' · ')}</span>}
        {!isOpen && entries > 0 && contents.plugins.length > 0 && (
          <span className={styles.entries} aria-hidden>
            {contents.plugins.slice(0, entries).map(({ plugin, name }) => (
              <span key={plugin.id} className="one-line">
                <bdi>{name}</bdi>
              </span>
            ))}
            {contents.plugins.length > entries && (
              <span className="quiet">and {contents.plugins.length - entries} more</span>
            )}
          </span>
        )}
        {!isOpen && drawer.loose !== true && <span className={styles.pull} aria-hidden />}
      </button>
      {children}
    </section>
  );
});

/** What can't be done with what stands in no drawer. */
const NOT_FOR_LOOSE = {
  earlier: null,
  later: null,
  toFirst: null,
  toLast: null,
  nest: null,
  copy: null,
  inner: null,
  rename: null,
  rule: null,
  divider: null,
  sign: null,
} as const;

const FRONT_MENU = [
  'open',
  'rename',
  'rule',
  'inner',
  'list',
  'divider',
  'sign',
  'menus',
  'order',
  'earlier',
  'later',
  'nest',
  'copy',
  'merge',
  'remove',
] as const;

/** A drawer that is opened comes into sight with what is in it, as far as there is room. */
function useInSight(card: RefObject<HTMLElement | null>, isOpen: boolean): void {
  const was = useRef(isOpen);
  useEffect(() => {
    const front = card.current?.parentElement;
    const area = front?.closest('[data-chest]');
    if (isOpen && !was.current && front != null && area != null) {
      const isBelow = front.getBoundingClientRect().bottom > area.getBoundingClientRect().bottom;
      if (isBelow) front.scrollIntoView({ block: 'start' });
    }
    was.current = isOpen;
  }, [card, isOpen]);
}
