import { useDraggable } from '@dnd-kit/core';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useRef, type KeyboardEvent, type MouseEvent } from 'react';
import type { PluginView } from '@clever-drawer/contract/responses';
import { kindInWords, TypeGlyph } from '../shared/type-glyph';
import type { Row } from './use-listed';
import type { Selection } from './use-selection';
import type { SortBy, SortView } from './use-sort-view';

const ROW_HEIGHT = 31;
const HEAD_HEIGHT = 30;
const COLUMNS: readonly { readonly sort: SortBy; readonly label: string }[] = [
  { sort: 'kind', label: 'Kind' },
  { sort: 'name', label: 'Plugin' },
  { sort: 'vendor', label: 'Vendor' },
  { sort: 'formats', label: 'Formats' },
  { sort: 'drawers', label: 'Stands in' },
];

interface Props {
  readonly rows: readonly Row[];
  readonly selection: Selection;
  readonly view: SortView;
  readonly sortBy: (column: SortBy) => void;
  readonly open: (index: number) => void;
}

/** All listed plugins; only the rows in sight are drawn, so that its length costs nothing. */
export function PluginList({ rows, selection, view, sortBy, open }: Props) {
  const scroller = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW_HEIGHT,
    overscan: 12,
    scrollMargin: HEAD_HEIGHT,
    scrollPaddingStart: HEAD_HEIGHT,
  });
  const { at } = selection;
  useEffect(() => {
    if (at >= 0) virtual.scrollToIndex(at);
  }, [at, virtual]);

  const onKeyDown = (event: KeyboardEvent): void => {
    // The head's buttons have their own Space and Enter.
    if (event.altKey || event.target !== event.currentTarget) return;
    const page = Math.max(1, Math.floor((scroller.current?.clientHeight ?? ROW_HEIGHT) / ROW_HEIGHT) - 1);
    const steps: Record<string, number> = {
      ArrowDown: at + 1,
      ArrowUp: at - 1,
      Home: 0,
      End: rows.length - 1,
      PageDown: at + page,
      PageUp: at - page,
    };
    const to = steps[event.key];
    if (to !== undefined) selection.moveTo(to, event.shiftKey);
    else if (event.key === ' ' && at >= 0) selection.toggle(at);
    else if (event.key === 'Enter' && at >= 0) open(at);
    else if (event.key === 'a' && (event.ctrlKey || event.metaKey)) selection.all();
    else if (event.key === 'Escape') selection.none();
    else return;
    event.preventDefault();
  };

  return (
    <div
      ref={scroller}
      className="plugin-list"
      role="grid"
      tabIndex={0}
      aria-label="Plugins"
      aria-multiselectable
      aria-rowcount={rows.length + 1}
      aria-colcount={COLUMNS.length + 1}
      aria-activedescendant={at >= 0 ? rowId(at) : undefined}
      onKeyDown={onKeyDown}
      data-list
    >
      <div role="rowgroup" className="list-head">
        <div className="row-grid" role="row" aria-rowindex={1}>
          {COLUMNS.map(({ sort, label }) => (
            <div
              key={sort}
              role="columnheader"
              aria-sort={view.sortBy === sort ? (view.down ? 'descending' : 'ascending') : 'none'}
            >
              <button type="button" className="plain" onClick={() => sortBy(sort)}>
                {label}
                {view.sortBy === sort && <span aria-hidden> {view.down ? '↑' : '↓'}</span>}
              </button>
            </div>
          ))}
          <div role="columnheader">Tray</div>
        </div>
      </div>
      <div role="rowgroup" style={{ height: virtual.getTotalSize(), position: 'relative' }}>
        {virtual.getVirtualItems().map(({ index, start }) => {
          const row = rows[index];
          return row === undefined ? null : (
            <ListRow
              key={row.plugin.id}
              row={row}
              index={index}
              top={start - HEAD_HEIGHT}
              selection={selection}
              open={open}
            />
          );
        })}
      </div>
    </div>
  );
}

const rowId = (index: number): string => `list-row-${String(index)}`;

function ListRow({
  row,
  index,
  top,
  selection,
  open,
}: {
  row: Row;
  index: number;
  top: number;
  selection: Selection;
  open: (index: number) => void;
}) {
  const { plugin } = row;
  const selected = selection.ids.has(plugin.id);
  const pluginIds = selected ? [...selection.ids] : [plugin.id];
  const { setNodeRef, listeners } = useDraggable({ id: `plugin ${plugin.id}`, data: { pluginIds, name: plugin.name } });
  const click = (event: MouseEvent): void =>
    selection.click(index, { add: event.ctrlKey || event.metaKey, stretch: event.shiftKey });
  return (
    <div
      ref={setNodeRef}
      id={rowId(index)}
      role="row"
      aria-rowindex={index + 2}
      aria-selected={selected}
      className={`row-grid list-row${selected ? ' selected' : ''}${selection.at === index ? ' at' : ''}${plugin.found ? '' : ' gone'}`}
      style={{ top }}
      onClick={click}
      onDoubleClick={() => open(index)}
      {...listeners}
    >
      <div role="gridcell" title={kindInWords(plugin.types, plugin.role)}>
        <TypeGlyph types={plugin.types} role={plugin.role} likely={plugin.typeGrade === 'likely'} />
      </div>
      <div role="gridcell" className="one-line" title={plugin.name}>
        <bdi>{plugin.name}</bdi>
        {!plugin.found && <span className="flag">not found</span>}
        <InDoubt plugin={plugin} />
      </div>
      <div role="gridcell" className="one-line quiet" title={plugin.vendor ?? ''}>
        <bdi>{plugin.vendor ?? '–'}</bdi>
      </div>
      <div role="gridcell" className="one-line" title={row.formats}>
        {row.formats.split(' ').map(
          (format) =>
            format !== '' && (
              <span key={format} className="format">
                {format}
              </span>
            ),
        )}
      </div>
      <div role="gridcell" className="one-line" title={row.drawers.map((drawer) => drawer.name).join(', ')}>
        <StandsIn row={row} />
      </div>
      <div role="gridcell" className="mono quiet">
        {row.favourite && <span aria-label="on Favourites">1</span>}
      </div>
    </div>
  );
}

/** Evidence that can't all be right; the panel tells it, and putting the role right settles it. */
function InDoubt({ plugin: { contradictions, roleGrade } }: { plugin: PluginView }) {
  if (contradictions.length === 0 || roleGrade === 'chosen') return null;
  return (
    <span className="flag" title={contradictions.map((sentence) => `It ${sentence}.`).join(' ')}>
      in doubt
    </span>
  );
}

function StandsIn({ row: { drawers } }: { row: Row }) {
  const [first, ...more] = drawers;
  if (first === undefined) return <span className="flag">to file</span>;
  return (
    <>
      <span className="place-name">{first.name}</span>
      {more.length > 0 && <span className="quiet"> +{more.length}</span>}
    </>
  );
}
