import { useDraggable } from '@dnd-kit/core';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useId, useMemo, useRef, type CSSProperties, type KeyboardEvent } from 'react';
import type { PluginId } from '@clever-drawer/core/ids';
import type { ChosenPlugin } from '../../catalogue/queries';
import { TypeGlyph } from '../../catalogue/type-glyph';
import { Face } from '../../catalogue/face';
import type { Dragged, LineHome, Target } from '../drag/drag';
import { LINE_MOVES, type LineMove } from '../use-desk-keys';
import { useSelection, type Selection } from '../../parts/use-selection';

/** A line of a drawer or tray: a plugin, or a divider. */
export type ListedLine =
  | {
      readonly id: string;
      readonly plugin: ChosenPlugin;
      readonly name: string;
      /** The keyword by which it is there; null when it was put in by hand. */
      readonly keyword: string | null;
    }
  | { readonly id: string; readonly divider: string };

/** What can be done with lines. */
export interface LineActions {
  /** Puts lines in front of another one; null is the end. */
  readonly place: (lines: readonly ListedLine[], before: string | null) => void;
  readonly remove: (lines: readonly ListedLine[]) => void;
  readonly rename: (line: ListedLine) => void;
  readonly addDivider?: (before: string | null) => void;
  readonly about: (id: PluginId) => void;
  /** Told of the plugins that are selected, whenever that changes. */
  readonly selected: (ids: readonly PluginId[]) => void;
}

interface Props {
  readonly label: string;
  readonly home: LineHome;
  readonly lines: readonly ListedLine[];
  readonly actions: LineActions;
  readonly target: Target | null;
  readonly pictures: boolean;
}

const LINE_PX = 30;
const PICTURE_LINE_PX = 42;
/** Up to so many lines stand in columns; more are drawn as far as they are in sight. */
const MOST_IN_COLUMNS = 80;

/** Lines in order. Click, Shift and Ctrl select; Alt and arrows move what is selected; only what is in sight of a long list is drawn. */
export function LineList({ label, home, lines, actions, target, pictures }: Props) {
  const ids = lines.map((line) => line.id);
  const selection = useSelection(ids);
  const id = useId();
  const scroller = useRef<HTMLDivElement>(null);
  const isLong = lines.length > MOST_IN_COLUMNS;
  const height = pictures ? PICTURE_LINE_PX : LINE_PX;
  const virtual = useVirtualizer({
    count: isLong ? lines.length : 0,
    getScrollElement: () => scroller.current,
    estimateSize: () => height,
    overscan: 8,
  });
  const { at } = selection;
  const optionId = (index: number): string => `${id}-${String(index)}`;
  useEffect(() => {
    if (at < 0) return;
    if (isLong) virtual.scrollToIndex(at);
    else document.getElementById(`${id}-${String(at)}`)?.scrollIntoView({ block: 'nearest' });
  }, [at, isLong, virtual, id]);

  // Dividers are not counted.
  const numbers = useMemo(() => {
    let number = 0;
    return lines.map((one) => ('divider' in one ? number : ++number));
  }, [lines]);
  const current = lines[at];
  const chosen = (): ListedLine[] => {
    const own = lines.filter((line) => selection.ids.has(line.id));
    return own.length > 0 ? own : current === undefined ? [] : [current];
  };
  const tell = (): void => {
    const plugins = chosen().flatMap((line) => ('plugin' in line ? [line.plugin.id] : []));
    actions.selected(plugins);
  };
  const latestTell = useRef(tell);
  useEffect(() => {
    latestTell.current = tell;
  });
  const marks = [...selection.ids].join('\n');
  useEffect(() => {
    if (marks !== '') latestTell.current();
  }, [marks]);

  /** Moves what is selected by one line, or to an end of them. */
  const shift = (to: LineMove): void => {
    const moving = chosen();
    const isMoving = new Set(moving.map((line) => line.id));
    const indices = lines.flatMap((line, index) => (isMoving.has(line.id) ? [index] : []));
    const [first = 0, last = 0] = [indices[0], indices.at(-1)];
    const rest = lines.filter((line) => !isMoving.has(line.id));
    const place = to === 'top' ? 0 : to === 'bottom' ? rest.length : to === 'up' ? first - 1 : last - moving.length + 2;
    if (place < 0 || place > rest.length) return;
    actions.place(moving, rest[place]?.id ?? null);
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    if (event.ctrlKey || event.metaKey) {
      if (event.key !== 'a') return;
      selection.all();
    } else if (event.altKey) {
      const to = LINE_MOVES[event.key];
      if (to === undefined || current === undefined) return;
      shift(to);
    } else {
      const steps: Record<string, number> = {
        ArrowDown: at + 1,
        ArrowUp: at - 1,
        Home: 0,
        End: lines.length - 1,
        PageDown: at + 10,
        PageUp: at - 10,
      };
      const step = steps[event.key];
      if (step !== undefined) selection.moveTo(step, event.shiftKey);
      else if (event.key === ' ' && at >= 0) selection.toggle(at);
      else if (event.key === 'Delete' && current !== undefined) actions.remove(chosen());
      else if (event.key === 'r' && current !== undefined) actions.rename(current);
      else if (event.key === 'd' && actions.addDivider !== undefined) actions.addDivider(current?.id ?? null);
      else if (event.key === 'Enter' && current !== undefined && 'plugin' in current) actions.about(current.plugin.id);
      else return;
    }
    event.preventDefault();
    event.stopPropagation();
  };
  const line = (index: number, style?: CSSProperties) => {
    const one = lines[index];
    return one === undefined ? null : (
      <LineItem
        key={one.id}
        id={optionId(index)}
        number={numbers[index] ?? 0}
        line={one}
        next={lines[index + 1]?.id ?? null}
        home={home}
        index={index}
        selection={selection}
        chosen={chosen}
        target={target}
        actions={actions}
        pictures={pictures}
        style={style}
      />
    );
  };
  return (
    <div
      ref={scroller}
      className={`lines${isLong ? ' long' : ''}${pictures ? ' with-pictures' : ''}`}
      role="listbox"
      tabIndex={0}
      aria-label={label}
      aria-multiselectable
      aria-activedescendant={at >= 0 ? optionId(at) : undefined}
      onKeyDown={onKeyDown}
      onFocus={() => at < 0 && lines.length > 0 && selection.moveTo(0, false)}
      style={isLong ? undefined : { columnWidth: pictures ? 240 : 220 }}
    >
      {isLong ? (
        <div role="presentation" style={{ height: virtual.getTotalSize(), position: 'relative' }}>
          {virtual
            .getVirtualItems()
            .map(({ index, start }) => line(index, { position: 'absolute', top: start, left: 0, right: 0, height }))}
        </div>
      ) : (
        lines.map((_, index) => line(index))
      )}
    </div>
  );
}

function LineItem({
  id,
  number,
  line,
  next,
  home,
  index,
  selection,
  chosen,
  target,
  actions,
  pictures,
  style,
}: {
  id: string;
  number: number;
  line: ListedLine;
  next: string | null;
  home: LineHome;
  index: number;
  selection: Selection<string>;
  chosen: () => readonly ListedLine[];
  target: Target | null;
  actions: LineActions;
  pictures: boolean;
  style: CSSProperties | undefined;
}) {
  const isSelected = selection.ids.has(line.id);
  const home_ = 'drawerId' in home ? home.drawerId : `tray ${String(home.tray)}`;
  const key = `line ${home_} ${line.id}`;
  const drag = useDraggable({ id: `drag ${key}`, data: draggedFrom(isSelected ? chosen() : [line], line, home) });
  const side = target?.kind === 'line' && target.lineId === line.id && sameHome(target.home, home) ? target.side : null;
  const classes = [
    'divider' in line ? 'line divider' : 'line',
    isSelected && 'selected',
    selection.at === index && 'at',
    side !== null && `aimed-${side}`,
    'plugin' in line && !line.plugin.found && 'gone',
    'plugin' in line && line.plugin.aside !== null && 'aside',
  ]
    .filter(Boolean)
    .join(' ');
  const words =
    'divider' in line
      ? `divider${line.divider === '' ? '' : ` ${line.divider}`}`
      : `${line.name}${line.keyword === null ? '' : `, by the keyword ${line.keyword}`}`;
  return (
    <div
      ref={drag.setNodeRef}
      data-line={line.id}
      data-next={next ?? undefined}
      id={id}
      role="option"
      aria-selected={isSelected}
      aria-label={words}
      className={classes}
      style={style}
      title={words}
      onClick={(event) => selection.click(index, { add: event.ctrlKey || event.metaKey, stretch: event.shiftKey })}
      onDoubleClick={() => ('plugin' in line ? actions.about(line.plugin.id) : actions.rename(line))}
      {...drag.listeners}
    >
      {'divider' in line ? (
        <span className="divider-label">{line.divider}</span>
      ) : (
        <>
          <span className="mono line-number">{number}</span>
          {pictures ? <Face plugin={line.plugin} /> : <TypeGlyph types={line.plugin.types} role={line.plugin.role} />}
          <span className="one-line line-name">
            <bdi>{line.name}</bdi>
            {!line.plugin.found && <span className="flag">not found</span>}
            {line.plugin.aside !== null && <span className="flag">aside</span>}
            {line.keyword !== null && <span className="quiet keyword"> {line.keyword}</span>}
          </span>
        </>
      )}
      {/* For the mouse alone: an option holds no buttons, and the keyboard has Delete. */}
      <span
        className="plain take-out"
        aria-hidden
        title={'divider' in line ? 'Remove the divider' : `Take ${line.name} out`}
        onPointerDown={(event) => event.stopPropagation()}
        onClick={(event) => {
          event.stopPropagation();
          actions.remove([line]);
        }}
      >
        {'divider' in line ? '×' : 'out'}
      </span>
    </div>
  );
}

const sameHome = (a: LineHome, b: LineHome): boolean =>
  'drawerId' in a ? 'drawerId' in b && a.drawerId === b.drawerId : 'tray' in b && a.tray === b.tray;

function draggedFrom(lines: readonly ListedLine[], line: ListedLine, home: LineHome): Dragged {
  const pluginIds = lines.flatMap((one) => ('plugin' in one ? [one.plugin.id] : []));
  const ids = lines.flatMap((one) => ('divider' in one ? [one.id] : []));
  const name = 'divider' in line ? line.divider || 'divider' : line.name;
  return 'drawerId' in home && ids.length > 0
    ? { pluginIds, dividers: { drawerId: home.drawerId, ids }, name }
    : { pluginIds, name };
}
