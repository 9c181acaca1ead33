import { useVirtualizer } from '@tanstack/react-virtual';
import clsx from 'clsx';
import { useEffect, useRef, type KeyboardEvent } from 'react';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import type { ItemId } from '@clever-drawer/core/ids';
import type { ChosenItem } from '../../catalogue/queries';
import { lineMoveOf, selectByKey, type LineMove } from '../../parts/list-keys';
import { ListRow, rowId } from './list-row';
import type { Listed } from './use-listed';
import type { Selection } from '../../parts/use-selection';
import type { SortBy, SortView } from '../find/use-sort-view';
import { PlainButton } from '../../parts/plain-button';
import styles from './list.module.css';

const ROW_HEIGHT = 31;
const PICTURE_ROW_HEIGHT = 46;
const HEAD_HEIGHT = 30;
const COLUMNS: readonly { readonly sort: SortBy; readonly label: string }[] = [
  { sort: 'kind', label: 'Kind' },
  { sort: 'name', label: 'Plugin' },
  { sort: 'vendor', label: 'Vendor' },
  { sort: 'formats', label: 'Formats' },
  { sort: 'drawers', label: 'Stands in' },
];

interface Props {
  readonly listed: Listed;
  readonly state: Arrangement;
  readonly seen: (plugin: ChosenItem) => boolean;
  readonly selection: Selection<ItemId>;
  readonly view: SortView;
  readonly pictures: boolean;
  readonly sortBy: (column: SortBy) => void;
  readonly open: (index: number) => void;
  /** Moves what is selected in the order of the one tray that is listed; absent when no tray is. */
  readonly shift?: (to: LineMove) => void;
}

/** All listed plugins; only the rows in sight are drawn, so that its length costs nothing. */
export function PluginList({ listed, state, seen, selection, view, pictures, sortBy, open, shift }: Props) {
  const { plugins } = listed;
  const scroller = useRef<HTMLDivElement>(null);
  const height = pictures ? PICTURE_ROW_HEIGHT : ROW_HEIGHT;
  const virtual = useVirtualizer({
    count: plugins.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => height,
    overscan: 8,
    scrollMargin: HEAD_HEIGHT,
    scrollPaddingStart: HEAD_HEIGHT,
  });
  const { at } = selection;
  useEffect(() => {
    if (at >= 0) virtual.scrollToIndex(at);
  }, [at, virtual]);
  useEffect(() => virtual.measure(), [height, virtual]);

  const onKeyDown = (event: KeyboardEvent): void => {
    // The head's buttons have their own Space and Enter.
    if (event.target !== event.currentTarget) return;
    const move = lineMoveOf(event);
    const page = Math.max(1, Math.floor((scroller.current?.clientHeight ?? height) / height) - 1);
    if (move !== null && shift !== undefined) shift(move);
    else if (selectByKey(event, selection, { count: plugins.length, page })) {
      // It did what there was to do.
    } else if (event.altKey) return;
    else if (event.key === 'Enter' && at >= 0) open(at);
    else if (event.key === 'Escape') selection.none();
    else return;
    event.preventDefault();
  };

  return (
    <div
      ref={scroller}
      className={clsx(styles.pluginList, pictures && styles.withPictures)}
      role="grid"
      tabIndex={0}
      aria-label="Plugins"
      aria-multiselectable
      aria-rowcount={plugins.length + 1}
      aria-colcount={COLUMNS.length + 1}
      aria-activedescendant={at >= 0 ? rowId(at) : undefined}
      onKeyDown={onKeyDown}
      data-list
    >
      <div role="rowgroup" className={styles.listHead}>
        <div className={styles.rowGrid} role="row" aria-rowindex={1}>
          {COLUMNS.map(({ sort, label }) => (
            <div
              key={sort}
              role="columnheader"
              aria-sort={view.sortBy === sort ? (view.down ? 'descending' : 'ascending') : 'none'}
            >
              <PlainButton onClick={() => sortBy(sort)}>
                {label}
                {view.sortBy === sort && <span aria-hidden> {view.down ? '↑' : '↓'}</span>}
              </PlainButton>
            </div>
          ))}
          <div role="columnheader">Tray</div>
        </div>
      </div>
      <div role="rowgroup" style={{ height: virtual.getTotalSize(), position: 'relative' }}>
        {virtual.getVirtualItems().map(({ index, start }) => {
          const plugin = plugins[index];
          return plugin === undefined ? null : (
            <ListRow
              key={plugin.id}
              plugin={plugin}
              drawers={listed.places.of(plugin.id)}
              state={state}
              isNew={seen(plugin)}
              index={index}
              top={start - HEAD_HEIGHT}
              height={height}
              selection={selection}
              pictures={pictures}
              open={open}
            />
          );
        })}
      </div>
    </div>
  );
}
