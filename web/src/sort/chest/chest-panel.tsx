import clsx from 'clsx';
import { useDroppable } from '@dnd-kit/core';
import { memo, useDeferredValue, useState, type ReactNode } from 'react';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import type { Chest } from '@clever-drawer/core/chests/rows/chest';
import type { Drawer } from '@clever-drawer/core/chests/rows/drawer';
import { contentsOf } from '@clever-drawer/core/chests/drawer-contents';
import { drawerAndInner, drawersIn } from '@clever-drawer/core/chests/look-up';
import type { DrawerId, ItemId } from '@clever-drawer/core/ids';
import type { ChosenCatalogue } from '../../catalogue/queries';
import type { Changes } from '../../arrangement/changes';
import { useSteady } from '../../lib/use-steady';
import { CHEST_AREA, type Target } from '../drag/drag';
import { DrawerAskBox, NewDrawerForm } from '../drawer/drawer-ask-box';
import { DrawerFront } from '../drawer/drawer-front';
import { OpenDrawer } from '../drawer/open-drawer';
import { TrayShelf } from '../trays/tray-shelf';
import { drawerActions, lineActionsOf, type DrawerAsk } from '../drawer/drawer-actions';
import frontStyles from '../../parts/front.module.css';
import chestStyles from './chest.module.css';

interface Props {
  readonly state: Arrangement;
  readonly chest: Chest;
  readonly catalogue: ChosenCatalogue;
  readonly open: readonly string[];
  readonly setOpen: (open: readonly string[]) => void;
  readonly changes: Changes;
  readonly target: Target | null;
  /** The drawer form for a new drawer: in which drawer; undefined when it is closed. */
  readonly making: DrawerId | null | undefined;
  readonly setMaking: (parent: DrawerId | null | undefined) => void;
  readonly pictures: boolean;
  readonly list: (drawer: Drawer) => void;
  readonly about: (id: ItemId) => void;
  readonly selected: (ids: readonly ItemId[]) => void;
  /** Drawers that are proposed for what is being filed. */
  readonly lit: ReadonlySet<string>;
}

const FIRST_FRONTS = 36;

/** The chest at hand: its drawers as fronts in a grid, pulled out in place; below them the trays. */
export const ChestPanel = memo(function ChestPanel(props: Props) {
  const { state, chest, catalogue, open, setOpen, changes, target, making, setMaking, pictures } = props;
  // The one target that is known to the drag, so that the edges around it scroll. What lies at the pointer is looked up there.
  const { setNodeRef } = useDroppable({ id: CHEST_AREA });
  const [asked, ask] = useState<DrawerAsk | null>(null);
  const needs = { state, catalogue, changes, open, setOpen, ask, list: props.list };
  const actions = useSteady(drawerActions(needs));
  const { about, selected } = props;
  const innerOf = (drawer: Drawer): string => {
    const [, ...inner] = drawerAndInner(state, drawer.id);
    if (inner.length === 0) return '';
    const ids = inner.flatMap((one) => contentsOf(state, catalogue.byId, one).plugins.map(({ plugin }) => plugin.id));
    return `${String(new Set(ids).size)} in ${String(inner.length)} inner ${inner.length === 1 ? 'drawer' : 'drawers'}`;
  };

  // What is in sight comes first; a chest of hundreds of drawers fills up behind it.
  const most = useDeferredValue(Infinity, FIRST_FRONTS);
  const fronts = (parent: DrawerId | null): ReactNode[] =>
    drawersIn(state, chest.id, parent)
      .slice(0, parent === null ? most : undefined)
      .map((drawer) => {
        const contents = contentsOf(state, catalogue.byId, drawer);
        const isOpen = open.includes(drawer.id);
        const inner = isOpen ? fronts(drawer.id) : [];
        return (
          <DrawerFront
            key={drawer.id}
            drawer={drawer}
            count={contents.plugins.length}
            inner={innerOf(drawer)}
            isOpen={isOpen}
            isLit={props.lit.has(drawer.id)}
            aimed={target !== null && 'drawerId' in target && target.drawerId === drawer.id ? target.kind : null}
            actions={actions}
          >
            {isOpen && (
              <OpenDrawer
                drawer={drawer}
                contents={contents}
                actions={actions}
                lineActions={lineActionsOf(drawer, needs, { about, selected })}
                target={target}
                pictures={pictures}
              >
                {inner.length > 0 && <div className={clsx(frontStyles.fronts, frontStyles.inner)}>{inner}</div>}
              </OpenDrawer>
            )}
          </DrawerFront>
        );
      });

  return (
    <div className={chestStyles.chestArea} data-chest>
      <div ref={setNodeRef} className={frontStyles.chestInside}>
        <div className={frontStyles.fronts}>
          {fronts(null)}
          <button type="button" className={frontStyles.newDrawer} onClick={() => setMaking(null)}>
            New drawer <kbd>N</kbd>
          </button>
        </div>
        <TrayShelf
          state={state}
          catalogue={catalogue}
          changes={changes}
          open={open}
          setOpen={setOpen}
          target={target}
          pictures={pictures}
          about={about}
          selected={selected}
        />
      </div>
      {making !== undefined && (
        <NewDrawerForm
          state={state}
          chest={chest}
          parent={making}
          changes={changes}
          close={() => setMaking(undefined)}
        />
      )}
      {asked !== null && (
        <DrawerAskBox
          asked={asked}
          state={state}
          chest={chest}
          catalogue={catalogue}
          changes={changes}
          close={() => ask(null)}
        />
      )}
    </div>
  );
});
