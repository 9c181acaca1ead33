import { useDraggable } from '@dnd-kit/core';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useRef, type KeyboardEvent, type MouseEvent } from 'react';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { trayName } from '@clever-drawer/core/chests/look-up';
import { group } from '@clever-drawer/core/chests/row-groups';
import { ASIDE_LABELS, type Aside } from '@clever-drawer/core/chests/rows/aside';
import { daysLeft } from '@clever-drawer/core/chests/set-aside';
import type { PluginId } from '@clever-drawer/core/ids';
import type { ChosenPlugin } from '../../catalogue/queries';
import { kindInWords, TypeGlyph } from '../../catalogue/type-glyph';
import { Face } from '../../catalogue/face';
import { formatsOf } from '../ribbons/facets';
import { LINE_MOVES, type LineMove } from '../use-desk-keys';
import type { Listed } from './use-listed';
import { usePictureDrop } from '../plugin/use-picture-drop';
import type { Selection } from '../../parts/use-selection';
import type { SortBy, SortView } from '../find/use-sort-view';

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
  readonly seen: (plugin: ChosenPlugin) => boolean;
  readonly selection: Selection<PluginId>;
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
    if (event.altKey) {
      const to = LINE_MOVES[event.key];
      if (to === undefined || shift === undefined) return;
      shift(to);
      event.preventDefault();
      return;
    }
    const page = Math.max(1, Math.floor((scroller.current?.clientHeight ?? height) / height) - 1);
    const steps: Record<string, number> = {
      ArrowDown: at + 1,
      ArrowUp: at - 1,
      Home: 0,
      End: plugins.length - 1,
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
      className={`plugin-list${pictures ? ' with-pictures' : ''}`}
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

const rowId = (index: number): string => `list-row-${String(index)}`;

interface RowProps {
  readonly plugin: ChosenPlugin;
  readonly drawers: readonly string[];
  readonly state: Arrangement;
  readonly isNew: boolean;
  readonly index: number;
  readonly top: number;
  readonly height: number;
  readonly selection: Selection<PluginId>;
  readonly pictures: boolean;
  readonly open: (index: number) => void;
}

function ListRow({ plugin, drawers, state, isNew, index, top, height, selection, pictures, open }: RowProps) {
  const isSelected = selection.ids.has(plugin.id);
  const pluginIds = isSelected ? selection.ids : [plugin.id];
  const drag = useDraggable({
    id: `plugin ${plugin.id}`,
    // Spread when it is asked for, not for every row that is drawn.
    data: {
      get pluginIds() {
        return [...pluginIds];
      },
      name: plugin.name,
    },
  });
  const picture = usePictureDrop(plugin.id);
  const click = (event: MouseEvent): void =>
    selection.click(index, { add: event.ctrlKey || event.metaKey, stretch: event.shiftKey });
  const formats = formatsOf(plugin);
  const trays = group(state, 'traysOf', plugin.id);
  const classes = [
    'row-grid list-row',
    isSelected && 'selected',
    selection.at === index && 'at',
    !plugin.found && 'gone',
    plugin.aside !== null && 'aside',
    picture.isOver && 'takes-picture',
  ];
  return (
    <div
      ref={drag.setNodeRef}
      id={rowId(index)}
      role="row"
      aria-rowindex={index + 2}
      aria-selected={isSelected}
      className={classes.filter(Boolean).join(' ')}
      style={{ top, height }}
      onClick={click}
      onDoubleClick={() => open(index)}
      {...drag.listeners}
      {...picture.handlers}
    >
      <div role="gridcell" title={kindInWords(plugin.types, plugin.role)}>
        {pictures ? (
          <Face plugin={plugin} />
        ) : (
          <TypeGlyph types={plugin.types} role={plugin.role} likely={plugin.typeGrade === 'likely'} />
        )}
      </div>
      <div role="gridcell" className="one-line" title={namesInWords(plugin)}>
        <bdi>{plugin.name}</bdi>
        {plugin.name !== plugin.givenName && (
          <span className="quiet given-name">
            {' '}
            <bdi>{plugin.givenName}</bdi>
          </span>
        )}
        {isNew && <span className="flag">new</span>}
        {!plugin.found && <span className="flag">not found</span>}
        {plugin.aside !== null && <AsideFlag aside={plugin.aside} />}
        <InDoubt plugin={plugin} />
      </div>
      <div role="gridcell" className="one-line quiet" title={plugin.vendor ?? ''}>
        <bdi>{plugin.vendor ?? '–'}</bdi>
      </div>
      <div role="gridcell" className="one-line" title={formats.join(' ')}>
        {formats.map((format) => (
          <span key={format} className="format">
            {format}
          </span>
        ))}
      </div>
      <div role="gridcell" className="one-line" title={drawers.map((id) => state.drawer.get(id)?.name).join(', ')}>
        <StandsIn drawers={drawers} state={state} isAside={plugin.aside !== null} />
      </div>
      <div role="gridcell" className="mono quiet one-line">
        {trays.length > 0 && (
          <span
            role="img"
            aria-label={`on ${trays.map((entry) => trayName(state, entry.tray)).join(', ')}`}
            title={trays.map((entry) => trayName(state, entry.tray)).join(', ')}
          >
            {trays.map((entry) => entry.tray).join(' ')}
          </span>
        )}
      </div>
    </div>
  );
}

const namesInWords = ({ name, givenName, naming }: ChosenPlugin): string =>
  [name, name === givenName ? '' : givenName, naming?.note ?? '', (naming?.tags ?? []).join(', ')]
    .filter((text) => text !== '')
    .join(' · ');

const NEARS_DAYS = 7;

/** Why it is set aside; the end of a demo when it nears or has passed. */
function AsideFlag({ aside }: { aside: Aside }) {
  const days = daysLeft(aside, new Date());
  const end =
    days === null || days > NEARS_DAYS
      ? ''
      : days < 0
        ? ', ended'
        : days === 0
          ? ', ends today'
          : `, ${String(days)} days left`;
  return (
    <span className={`flag${end === '' ? ' flag-quiet' : ''}`}>
      {ASIDE_LABELS[aside.reason]}
      {end}
    </span>
  );
}

/** Evidence that can't all be right; the panel tells it, and putting the role right settles it. */
function InDoubt({ plugin: { contradictions, roleGrade } }: { plugin: ChosenPlugin }) {
  if (contradictions.length === 0 || roleGrade === 'chosen') return null;
  return (
    <span className="flag" title={contradictions.map((sentence) => `It ${sentence}.`).join(' ')}>
      in doubt
    </span>
  );
}

function StandsIn({ drawers, state, isAside }: { drawers: readonly string[]; state: Arrangement; isAside: boolean }) {
  const [first, ...more] = drawers;
  if (first === undefined) return isAside ? null : <span className="flag">to file</span>;
  return (
    <>
      <span className="place-name">{state.drawer.get(first)?.name}</span>
      {more.length > 0 && <span className="quiet"> +{more.length}</span>}
    </>
  );
}
