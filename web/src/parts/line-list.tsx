import { useVirtualizer } from '@tanstack/react-virtual';
import clsx from 'clsx';
import { useEffect, useId, useMemo, useRef, type CSSProperties, type MouseEvent } from 'react';
import type { LineHome } from './dragged';
import { lineInWords, pluginsIn, type LineActions, type ListedLine } from './line';
import { LineItem } from './line-item';
import { takeKey, type KeyHandlers } from '../keys/use-keys';
import { useActMenu } from './act-menu';
import { actsOf } from './menu-act';
import { moveHandlers, placeAfterMove, selectionHandlers, type LineMove } from './list-keys';
import { useSelection, type Selection } from './use-selection';
import styles from './lines.module.css';

interface Props {
  readonly label: string;
  readonly home: LineHome;
  readonly lines: readonly ListedLine[];
  readonly actions: LineActions;
  /** On which side of a line something that is dragged would go. */
  readonly aimedAt: (lineId: string) => 'above' | 'below' | null;
  readonly pictures: boolean;
}

const LINE_PX = 30;
const PICTURE_LINE_PX = 42;
/** Up to so many lines stand in columns over the whole width; more are one column, drawn as far as it is in sight. */
const MAX_IN_COLUMNS = 100;

/** Lines in order. Click, Shift and Ctrl select; Alt and arrows move what is selected; only what is in sight of a long list is drawn. */
export function LineList({ label, home, lines, actions, aimedAt, pictures }: Props) {
  const ids = useMemo(() => lines.map((line) => line.id), [lines]);
  const selection = useSelection(ids);
  const { at } = selection;
  const id = useId();
  const scroller = useRef<HTMLDivElement>(null);
  const isLong = lines.length > MAX_IN_COLUMNS;
  const height = pictures ? PICTURE_LINE_PX : LINE_PX;
  const virtual = useVirtualizer({
    count: isLong ? lines.length : 0,
    getScrollElement: () => scroller.current,
    estimateSize: () => height,
    overscan: 8,
  });
  const optionId = (index: number): string => `${id}-${String(index)}`;
  useEffect(() => {
    if (at < 0) return;
    if (isLong) virtual.scrollToIndex(at);
    else document.getElementById(`${id}-${String(at)}`)?.scrollIntoView({ block: 'nearest' });
  }, [at, isLong, virtual, id]);
  const numbers = useMemo(() => numbersOf(lines), [lines]);
  const chosen = (): ListedLine[] => {
    const now = selection.now();
    const own = lines.filter((line) => now.ids.has(line.id));
    const current = lines[now.at];
    return own.length > 0 ? own : current === undefined ? [] : [current];
  };
  const tell = (): void => actions.selected(pluginsIn(chosen()));
  useTold(selection.ids, tell);
  const openMenu = useActMenu();
  const handlers = lineHandlers(lines, selection, chosen, actions, tell);
  const onContextMenu = (event: MouseEvent): void => {
    const { line: hit } = (event.target as Element).closest<HTMLElement>('[data-line]')?.dataset ?? {};
    const index = hit === undefined ? -1 : ids.indexOf(hit);
    if (index < 0) return;
    if (!selection.now().ids.has(ids[index] ?? '')) selection.click(index, { add: false, stretch: false });
    const [first] = chosen();
    if (first === undefined) return;
    tell();
    const title = chosen().length === 1 ? lineInWords(first) : `${String(chosen().length)} lines`;
    openMenu(event, title, [...actsOf('lines', handlers, LINE_MENU), ...actions.more()]);
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
        side={aimedAt(one.id)}
        actions={actions}
        pictures={pictures}
        style={style}
      />
    );
  };
  return (
    <div
      ref={scroller}
      className={clsx(styles.lines, isLong && styles.long, pictures && styles.withPictures)}
      role="listbox"
      tabIndex={0}
      aria-label={label}
      aria-multiselectable
      aria-activedescendant={at >= 0 ? optionId(at) : undefined}
      onKeyDown={(event) => takeKey('lines', event, handlers)}
      onContextMenu={onContextMenu}
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

const LINE_MENU = [
  'about',
  'rename',
  'moveTo',
  'build',
  'divider',
  'always',
  'never',
  'moveUp',
  'moveDown',
  'moveFirst',
  'moveLast',
  'takeOut',
] as const;

/** What the keys do to the lines of a list. */
function lineHandlers(
  lines: readonly ListedLine[],
  selection: Selection<string>,
  chosen: () => readonly ListedLine[],
  actions: LineActions,
  tell: () => void,
): KeyHandlers<'lines'> {
  const current = (): ListedLine | undefined => lines[selection.now().at];
  /** Does something to the line that the keyboard stands on, if it stands on one. */
  const toCurrent = (act: (line: ListedLine) => unknown) => () => {
    const line = current();
    return line === undefined ? false : act(line);
  };
  const { addDivider, moveTo, always, never, bind } = actions;
  return {
    ...selectionHandlers(selection, { count: lines.length }, (act) => {
      act();
      tell();
    }),
    ...moveHandlers((to) => toCurrent(() => shift(lines, chosen(), to, actions))()),
    about: toCurrent((line) => {
      if (!('plugin' in line)) return false;
      actions.about(line.plugin.id);
    }),
    moveTo: moveTo === undefined ? null : toCurrent(() => moveTo(chosen())),
    divider: addDivider === undefined ? null : () => addDivider(current()?.id ?? null),
    rename: toCurrent((line) => actions.rename(line)),
    build: bind === undefined ? null : toCurrent((line) => bind(line)),
    always: always === undefined ? null : toCurrent(() => always(chosen())),
    never: never === undefined ? null : toCurrent(() => never(chosen())),
    takeOut: toCurrent(() => actions.remove(chosen())),
  };
}

/** Moves what is selected by one line, or to an end of them. */
function shift(lines: readonly ListedLine[], moving: readonly ListedLine[], to: LineMove, actions: LineActions): void {
  const ids = new Set(moving.map((line) => line.id));
  const place = placeAfterMove(lines, (line) => ids.has(line.id), to);
  if (place !== null) actions.place(moving, place.before?.id ?? null);
}

/** The number of each line; dividers are not counted. */
function numbersOf(lines: readonly ListedLine[]): number[] {
  let number = 0;
  return lines.map((one) => ('divider' in one ? number : ++number));
}

/** Tells of a selection whenever it has become another one, and is not empty. */
function useTold(ids: ReadonlySet<string>, tell: () => void): void {
  const latest = useRef(tell);
  useEffect(() => {
    latest.current = tell;
  });
  const marks = [...ids].join('\n');
  useEffect(() => {
    if (marks !== '') latest.current();
  }, [marks]);
}
