import clsx from 'clsx';
import { useResizeObserver } from 'usehooks-ts';
import {
  memo,
  useDeferredValue,
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
  type CSSProperties,
  type ReactNode,
  type RefObject,
} from 'react';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import type { Chest } from '@clever-drawer/core/chests/rows/chest';
import type { Drawer } from '@clever-drawer/core/chests/rows/drawer';
import { contentsOf, type Contents } from '@clever-drawer/core/chests/drawer-contents';
import type { Ruled } from '@clever-drawer/core/chests/ruled';
import { levelOf } from '@clever-drawer/core/chests/level';
import { measureDrawers } from '@clever-drawer/core/chests/measure-drawers';
import { drawerAndInner, drawersIn, pathTo } from '@clever-drawer/core/chests/look-up';
import { asId, type DrawerId, type ItemId } from '@clever-drawer/core/ids';
import type { ChosenCatalogue, ChosenItem } from '../../catalogue/chosen-catalogue';
import type { Changes } from '../../arrangement/changes';
import type { WindowRuleResults } from '../../arrangement/rules/rule-keeper';
import { useSteady } from '../../lib/use-steady';
import { KeyHint } from '../../keys/key-hint';
import { takeKey } from '../../keys/use-keys';
import { frontHandlers, frontsAround } from '../../parts/front-walk';
import type { LineActions } from '../../parts/line';
import type { Target } from '../drag/drag';
import { DrawerAskBox } from '../drawer/drawer-ask-box';
import { NewDrawerForm, type ShowDrawer } from '../drawer/new-drawer-form';
import { DrawerFront, type InnerCount } from '../drawer/drawer-front';
import { OpenDrawer } from '../drawer/open-drawer';
import { TrayShelf } from '../trays/tray-shelf';
import { drawerNames, wordsOfRule } from '../drawer/drawer-names';
import { drawerActions, focusFront } from '../drawer/drawer-actions';
import type { DrawerAsk } from '../drawer/drawer-ask';
import { lineActionsOf } from '../drawer/line-actions';
import { LevelDivider } from '../../parts/level-divider';
import { SelectedDrawers } from './selected-drawers';
import { useFrontSelection } from './use-front-selection';
import frontStyles from '../../parts/front.module.css';
import { entriesShown, FRONTS, useChestLook, type ChestLook } from './chest-look';
import chestStyles from './chest.module.css';

interface Props {
  readonly state: Arrangement;
  readonly chest: Chest;
  readonly catalogue: ChosenCatalogue;
  readonly ruled: WindowRuleResults;
  readonly open: readonly string[];
  readonly setOpen: (open: readonly string[]) => void;
  readonly changes: Changes;
  readonly target: Target | null;
  /** The drawer form for a new drawer: in which drawer; undefined when it is closed. */
  readonly making: DrawerId | null | undefined;
  readonly setMaking: (parent: DrawerId | null | undefined) => void;
  /** Whether the order of the chest's own drawers is asked for. */
  readonly isOrdering: boolean;
  readonly setOrdering: (is: boolean) => void;
  readonly pictures: boolean;
  readonly list: (drawer: Drawer) => void;
  readonly about: (id: ItemId) => void;
  readonly selected: (ids: readonly ItemId[]) => void;
  readonly more: LineActions['more'];
  /** Where it was scrolled to when it was left. */
  readonly memory: { chestTop?: number };
  /** Drawers that are proposed for what is being filed. */
  readonly lit: ReadonlySet<string>;
}

const FIRST_FRONTS = 36;
const ORDER_OF_CHEST: DrawerAsk = { kind: 'order', parent: null };

/** The chest at hand: its drawers as fronts in a grid, pulled out in place; below them the trays. */
export const ChestPanel = memo(function ChestPanel(props: Props) {
  const { state, chest, catalogue, ruled, open, setOpen, changes, target, making, setMaking, pictures } = props;
  const [asking, ask] = useState<DrawerAsk | null>(null);
  const asked = asking ?? (props.isOrdering ? ORDER_OF_CHEST : null);
  const measureOf = measureDrawers(state, catalogue.byId, ruled);
  const level = (parent: DrawerId | null) => levelOf(state, chest.id, parent, measureOf);
  const fronted = useFrontSelection(listed(null));
  const chosen = fronted.selected;
  function listed(parent: DrawerId | null): readonly Drawer[] {
    return level(parent).flatMap(({ drawer }) => [drawer, ...(open.includes(drawer.id) ? listed(drawer.id) : [])]);
  }
  // The same list as long as the same are selected: fronts are drawn anew only where something changed.
  const alongKey = chosen.map((one) => one.id).join(' ');
  const alongIds = useMemo(() => alongKey.split(' ').map((id) => asId<DrawerId>(id)), [alongKey]);
  const needs = { state, catalogue, ruled, changes, open, setOpen, ask, list: props.list, ...fronted };
  const actions = useSteady(drawerActions(needs));
  const { about, selected, more, memory } = props;
  const names = drawerNames(state);
  const show: ShowDrawer = (id, parent) => {
    const around = parent === null ? [] : pathTo(state, parent).map((one) => one.id);
    const closed = around.filter((one) => !open.includes(one));
    if (closed.length > 0) setOpen([...open, ...closed]);
    focusFront(id);
  };
  const newDrawer = useRef<HTMLButtonElement>(null);
  const arrows = frontHandlers(() => frontsAround(newDrawer.current));
  const [look] = useChestLook(chest.id);
  const area = useRef<HTMLDivElement>(null);
  const size = useResizeObserver({ ref: area as RefObject<HTMLDivElement> });
  const entries = entriesShown(look, size, drawersIn(state, chest.id, null).length);
  useLayoutEffect(() => {
    if (area.current !== null && memory.chestTop !== undefined) area.current.scrollTop = memory.chestTop;
  }, [memory]);

  // What is in sight comes first; a chest of hundreds of drawers fills up behind it.
  const most = useDeferredValue(Infinity, FIRST_FRONTS);
  const fronts = (parent: DrawerId | null): ReactNode[] =>
    level(parent)
      .slice(0, parent === null ? most : undefined)
      .flatMap(({ drawer, divider }) => {
        const contents = contentsOf(state, catalogue.byId, drawer, ruled);
        const isOpen = open.includes(drawer.id);
        const inner = isOpen ? fronts(drawer.id) : [];
        return [
          divider === null ? null : (
            <LevelDivider key={`${drawer.id} divider`} label={divider} edit={() => actions.addFrontDivider(drawer)} />
          ),
          <DrawerFront
            key={drawer.id}
            drawer={drawer}
            contents={contents}
            rule={drawer.rule === null ? null : wordsOfRule(drawer.rule, names)}
            isAsked={drawer.rule === null || ruled.isKnown(drawer.id)}
            entries={entries}
            inner={innerOf(state, catalogue, ruled, drawer, contents)}
            isOpen={isOpen}
            isLit={props.lit.has(drawer.id)}
            isSelected={chosen.includes(drawer)}
            goesAlong={chosen.includes(drawer) ? alongIds : null}
            aimed={target !== null && 'drawerId' in target && target.drawerId === drawer.id ? target.kind : null}
            actions={actions}
          >
            {isOpen && (
              <OpenDrawer
                drawer={drawer}
                contents={contents}
                ruled={ruled}
                state={state}
                catalogue={catalogue}
                changes={changes}
                actions={actions}
                lineActions={lineActionsOf(drawer, needs, { about, selected, more })}
                target={target}
                pictures={pictures}
                isPartOpen={(part) => open.includes(part)}
              >
                {inner.length > 0 && <div className={clsx(frontStyles.fronts, frontStyles.inner)}>{inner}</div>}
              </OpenDrawer>
            )}
          </DrawerFront>,
        ];
      });

  return (
    <div
      className={chestStyles.chestArea}
      ref={area}
      style={frontStyle(look, entries)}
      onScroll={(event) => (memory.chestTop = event.currentTarget.scrollTop)}
      aria-busy={!ruled.isAnswered}
      data-chest={chest.id}
    >
      <div className={frontStyles.chestInside}>
        <SelectedDrawers selected={chosen} actions={actions} />
        <div className={frontStyles.fronts}>
          {fronts(null)}
          <button
            type="button"
            className={frontStyles.newDrawer}
            ref={newDrawer}
            onClick={() => setMaking(null)}
            onKeyDown={(event) => takeKey('fronts', event, arrows)}
            data-front
            data-new-drawer-in={chest.id}
          >
            New drawer <KeyHint place="sort" does="newDrawer" />
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
          more={more}
        />
      </div>
      {making !== undefined && (
        <NewDrawerForm
          state={state}
          catalogue={catalogue}
          chest={chest}
          parent={making}
          changes={changes}
          show={show}
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
          measureOf={measureOf}
          show={show}
          close={() => {
            ask(null);
            props.setOrdering(false);
          }}
        />
      )}
    </div>
  );
});

const ENTRY_PX = 18;
const frontStyle = ({ size }: ChestLook, entries: number): CSSProperties =>
  ({
    '--front-min': `${String(FRONTS[size].width)}px`,
    '--front-height': `${String(80 + (entries === 0 ? 0 : (entries + 1) * ENTRY_PX))}px`,
  }) as CSSProperties;

/** What the inner drawers hold together, each plugin once: remembered as long as each of them holds the same. */
function innerOf(
  state: Arrangement,
  catalogue: ChosenCatalogue,
  ruled: Ruled,
  drawer: Drawer,
  own: Contents<ChosenItem>,
): InnerCount | null {
  const [, ...inner] = drawerAndInner(state, drawer.id);
  if (inner.length === 0) return null;
  const contents = inner.map((one) => contentsOf(state, catalogue.byId, one, ruled));
  const known = innerCounts.get(own);
  if (known?.contents.length === contents.length && contents.every((one, at) => one === known.contents[at]))
    return known.count;
  const plugins = new Set(contents.flatMap((one) => one.plugins.map(({ plugin }) => plugin.id))).size;
  const count = { plugins, drawers: inner.length };
  innerCounts.set(own, { contents, count });
  return count;
}

const innerCounts = new WeakMap<object, { readonly contents: readonly object[]; readonly count: InnerCount }>();
