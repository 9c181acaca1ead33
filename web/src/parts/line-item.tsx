import { useDraggable } from '@dnd-kit/core';
import clsx from 'clsx';
import type { CSSProperties } from 'react';
import { absenceOf, isElsewhere } from '../catalogue/presence';
import { Face } from '../catalogue/face';
import { itemNamesOf } from '../catalogue/item-names';
import { TypeGlyph } from '../catalogue/type-glyph';
import { CutName } from './cut-name';
import { homeKey, type Dragged, type LineHome } from './dragged';
import { dividersIn, lineInWords, pluginsIn, type LineActions, type ListedLine } from './line';
import type { Selection } from './use-selection';
import styles from './lines.module.css';

interface Props {
  readonly id: string;
  readonly number: number;
  readonly line: ListedLine;
  readonly next: string | null;
  readonly home: LineHome;
  readonly index: number;
  readonly selection: Selection<string>;
  readonly chosen: () => readonly ListedLine[];
  readonly side: 'above' | 'below' | null;
  readonly actions: LineActions;
  readonly pictures: boolean;
  readonly style: CSSProperties | undefined;
}

/** One line: a plugin with its number, or a divider with its label. */
export function LineItem(props: Props) {
  const { id, line, next, home, index, selection, chosen, side, actions, style } = props;
  const isSelected = selection.ids.has(line.id);
  const drag = useDraggable({
    id: `drag line ${homeKey(home)} ${line.id}`,
    data: draggedFrom(isSelected ? chosen() : [line], line, home),
  });
  const words = lineInWords(line);
  return (
    <div
      ref={drag.setNodeRef}
      data-line={line.id}
      data-next={next ?? undefined}
      id={id}
      role="option"
      aria-selected={isSelected}
      aria-label={words}
      className={clsx(
        styles.line,
        'divider' in line && styles.divider,
        isSelected && styles.selected,
        selection.at === index && 'at',
        side === 'above' && styles.aimedAbove,
        side === 'below' && styles.aimedBelow,
        'plugin' in line && !line.plugin.found && 'gone',
        'plugin' in line && line.plugin.aside !== null && styles.aside,
      )}
      style={style}
      title={words}
      onClick={(event) => selection.click(index, { add: event.ctrlKey || event.metaKey, stretch: event.shiftKey })}
      onDoubleClick={() => ('plugin' in line ? actions.about(line.plugin.id) : actions.rename(line))}
      {...drag.listeners}
    >
      <LineWords {...props} />
      {/* For the mouse alone: an option holds no buttons, and the keyboard has Delete. */}
      <span
        className={clsx('plain', styles.takeOut)}
        aria-hidden
        title={'divider' in line ? 'Remove the divider' : `Take ${line.name} out`}
        onMouseDown={(event) => event.stopPropagation()}
        onTouchStart={(event) => event.stopPropagation()}
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

function LineWords({ line, number, pictures }: Pick<Props, 'line' | 'number' | 'pictures'>) {
  if ('divider' in line) return <span className={styles.dividerLabel}>{line.divider}</span>;
  const { plugin, name, why, build = null } = line;
  const { first, beside } =
    plugin.preset === null && (plugin.apart === undefined || name !== plugin.name)
      ? { first: name, beside: null }
      : itemNamesOf(plugin, name);
  return (
    <>
      <span className={clsx('mono', styles.lineNumber)}>{number}</span>
      {pictures ? <Face plugin={plugin} /> : <TypeGlyph types={plugin.types} role={plugin.role} />}
      <span className={clsx('one-line', styles.lineName)}>
        <CutName name={first} />
        {beside !== null && (
          <span className="quiet">
            {' '}
            <bdi>{beside}</bdi>
          </span>
        )}
        {build !== null && <span className="flag flag-quiet">{build}</span>}
        {!plugin.found && <span className="flag">{isElsewhere(plugin) ? 'elsewhere' : absenceOf(plugin)}</span>}
        {plugin.aside !== null && <span className="flag">aside</span>}
        {why !== null && <span className={clsx('quiet', styles.keyword)}> {why()}</span>}
      </span>
    </>
  );
}

function draggedFrom(lines: readonly ListedLine[], line: ListedLine, home: LineHome): Dragged {
  const [pluginIds, ids] = [pluginsIn(lines), dividersIn(lines)];
  const name = 'divider' in line ? line.divider || 'divider' : line.name;
  return 'drawerId' in home && ids.length > 0
    ? { pluginIds, dividers: { drawerId: home.drawerId, ids }, name, from: home }
    : { pluginIds, name, from: home };
}
