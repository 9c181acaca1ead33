import { useVirtualizer } from '@tanstack/react-virtual';
import {
  useEffect,
  useLayoutEffect,
  useRef,
  useState,
  type CSSProperties,
  type KeyboardEvent,
  type MouseEvent,
} from 'react';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import type { ItemId } from '@clever-drawer/core/ids';
import type { ChosenItem } from '../../catalogue/chosen-catalogue';
import { takeKey, type KeyHandlers } from '../../keys/use-keys';
import { useActMenu } from '../../parts/act-menu';
import { actsOf, type MenuAct } from '../../parts/menu-act';
import { moveHandlers, selectionHandlers, type LineMove } from '../../parts/list-keys';
import { COLUMNS, gridOf, type ColumnId } from './columns';
import { ListRow, rowId } from './list-row';
import type { Listed } from './use-listed';
import type { Selection } from '../../parts/use-selection';
import type { SortBy, SortView } from '../find/use-sort-view';
import { PlainButton } from '../../parts/plain-button';
import styles from './list.module.css';

const ROW_HEIGHT = 31;
const PICTURE_ROW_HEIGHT = 46;
const HEAD_HEIGHT = 30;
/** Rows are counted from 1, and the head is one. */
const FIRST_ROW = 2;

interface Props {
  readonly listed: Listed;
  /** Where it was scrolled to when it was left. */
  readonly memory: { listTop?: number };
  /** What can be done with what is selected, besides showing it. */
  readonly menu: () => readonly MenuAct[];
  readonly state: Arrangement;
  readonly seen: (plugin: ChosenItem) => boolean;
  /** Whether the chest at hand waits for it to be filed. */
  readonly isWanted: (plugin: ChosenItem) => boolean;
  readonly selection: Selection<ItemId>;
  readonly view: SortView;
  readonly pictures: boolean;
  readonly columns: readonly ColumnId[];
  readonly sortBy: (column: SortBy) => void;
  readonly open: (id: ItemId | undefined) => void;
  /** Moves what is selected in the order of the one tray that is listed; absent when no tray is. */
  readonly shift?: (to: LineMove) => void;
  /** Does something as soon as the list is the answer to what is typed. */
  readonly whenFound: (act: () => void) => void;
}

/** All listed plugins; only the rows in sight are drawn, so that its length costs nothing. */
export function PluginList({
  listed,
  memory,
  menu,
  state,
  seen,
  isWanted,
  selection,
  view,
  pictures,
  columns,
  sortBy,
  open,
  shift,
  whenFound,
}: Props) {
  const { plugins } = listed;
  const { grid, least } = gridOf(columns, pictures);
  const scroller = useRef<HTMLDivElement>(null);
  const height = pictures ? PICTURE_ROW_HEIGHT : ROW_HEIGHT;
  const virtual = useVirtualizer({
    count: plugins.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => height,
    overscan: 8,
    initialOffset: memory.listTop ?? 0,
    scrollMargin: HEAD_HEIGHT,
    scrollPaddingStart: HEAD_HEIGHT,
  });
  const { at } = selection;
  // Where it was left it is found again; the mark is brought into sight only when it goes on.
  const markedBefore = useRef(at);
  useLayoutEffect(() => {
    if (scroller.current !== null && memory.listTop !== undefined) scroller.current.scrollTop = memory.listTop;
  }, [memory]);
  useEffect(() => {
    if (at >= 0 && at !== markedBefore.current) virtual.scrollToIndex(at);
    markedBefore.current = at;
  }, [at, virtual]);
  useEffect(() => virtual.measure(), [height, virtual]);

  const handlers = (page: number): KeyHandlers<'list'> => ({
    ...selectionHandlers(selection, { count: plugins.length, page }, whenFound),
    invert: () => whenFound(() => selection.invert()),
    about: () => {
      if (selection.now().at < 0) return false;
      whenFound(() => open(selection.now().id));
    },
  });
  // A finger has no Ctrl: taps add until nothing is selected any more.
  const [tapsAdd, setTapsAdd] = useState(false);
  const hasSelection = selection.ids.size > 0;
  useEffect(() => {
    if (!hasSelection) setTapsAdd(false);
  }, [hasSelection]);
  const byTapping: MenuAct = {
    key: 'taps',
    words: tapsAdd ? 'Select one at a time' : 'Select several by tapping',
    hint: '',
    act: () => setTapsAdd(!tapsAdd),
  };
  const openMenu = useActMenu();
  const onContextMenu = (event: MouseEvent): void => {
    const rowAt = (event.target as Element).closest('[role="row"]')?.getAttribute('aria-rowindex') ?? null;
    const index = rowAt === null ? -1 : Number(rowAt) - FIRST_ROW;
    const plugin = plugins[index];
    if (plugin === undefined) return;
    if (!selection.now().ids.has(plugin.id)) selection.click(index, { add: false, stretch: false });
    const { size } = selection.now().ids;
    const title = size === 1 ? plugin.name : `${String(size)} selected`;
    openMenu(event, title, [
      ...actsOf('list', handlers(1), ['about']),
      ...(navigator.maxTouchPoints > 0 ? [byTapping] : []),
      ...menu(),
    ]);
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    // The head's buttons have their own Space and Enter.
    if (event.target !== event.currentTarget) return;
    if (takeKey('oneTray', event, moveHandlers(shift ?? null))) return;
    const page = Math.max(1, Math.floor((scroller.current?.clientHeight ?? height) / height) - 1);
    takeKey('list', event, handlers(page));
  };

  return (
    <div
      ref={scroller}
      className={styles.pluginList}
      data-pictures={pictures}
      role="grid"
      tabIndex={0}
      aria-label="Plugins"
      aria-multiselectable
      aria-rowcount={plugins.length + 1}
      aria-colcount={columns.length}
      style={{ '--columns': grid, '--list-least': `${String(least)}px` } as CSSProperties}
      aria-activedescendant={at >= 0 ? rowId(at) : undefined}
      onKeyDown={onKeyDown}
      onContextMenu={onContextMenu}
      onScroll={(event) => (memory.listTop = event.currentTarget.scrollTop)}
      data-list
    >
      <div role="rowgroup" className={styles.listHead}>
        <div className={styles.rowGrid} role="row" aria-rowindex={1}>
          {columns.map((column) => {
            const { sort, label } = COLUMNS[column];
            return sort === null ? (
              <div key={column} role="columnheader">
                {label}
              </div>
            ) : (
              <div
                key={column}
                role="columnheader"
                aria-sort={view.sortBy === sort ? (view.down ? 'descending' : 'ascending') : 'none'}
              >
                <PlainButton onClick={() => sortBy(sort)}>
                  {label}
                  {view.sortBy === sort && <span aria-hidden> {view.down ? '↑' : '↓'}</span>}
                </PlainButton>
              </div>
            );
          })}
        </div>
      </div>
      <div role="rowgroup" className={styles.rows} style={{ height: virtual.getTotalSize(), position: 'relative' }}>
        {virtual.getVirtualItems().map(({ index, start }) => {
          const plugin = plugins[index];
          return plugin === undefined ? null : (
            <ListRow
              key={plugin.id}
              plugin={plugin}
              drawers={listed.places.of(plugin.id)}
              state={state}
              isNew={seen(plugin)}
              isWanted={isWanted(plugin)}
              index={index}
              top={start - HEAD_HEIGHT}
              height={height}
              selection={selection}
              clicksAdd={tapsAdd}
              pictures={pictures}
              columns={columns}
              open={open}
            />
          );
        })}
      </div>
    </div>
  );
}
