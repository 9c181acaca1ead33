import { useDraggable } from '@dnd-kit/core';
import clsx from 'clsx';
import type { MouseEvent } from 'react';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import type { ItemId } from '@clever-drawer/core/ids';
import type { ChosenItem } from '../../catalogue/chosen-catalogue';
import type { Selection } from '../../parts/use-selection';
import { usePictureDrop } from '../plugin/use-picture-drop';
import type { ColumnId } from './columns';
import { ListCell } from './list-cell';
import styles from './list.module.css';

/** The id of a row's element. */
export const rowId = (index: number): string => `list-row-${String(index)}`;

interface Props {
  readonly plugin: ChosenItem;
  readonly drawers: readonly string[];
  readonly state: Arrangement;
  readonly isNew: boolean;
  readonly isWanted: boolean;
  readonly index: number;
  readonly top: number;
  readonly height: number;
  readonly selection: Selection<ItemId>;
  /** Whether a click adds to the selection, without a key. */
  readonly clicksAdd: boolean;
  readonly pictures: boolean;
  readonly columns: readonly ColumnId[];
  readonly open: (id: ItemId | undefined) => void;
}

/** A plugin in the list, with the columns that are shown. */
export function ListRow({
  plugin,
  drawers,
  state,
  isNew,
  isWanted,
  index,
  top,
  height,
  selection,
  clicksAdd,
  pictures,
  columns,
  open,
}: Props) {
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
    selection.click(index, { add: event.ctrlKey || event.metaKey || clicksAdd, stretch: event.shiftKey });
  return (
    <div
      ref={drag.setNodeRef}
      id={rowId(index)}
      role="row"
      aria-rowindex={index + 2}
      aria-selected={isSelected}
      className={clsx(
        styles.rowGrid,
        styles.listRow,
        isSelected && styles.selected,
        selection.at === index && 'at',
        !plugin.found && 'gone',
        plugin.aside !== null && styles.aside,
        picture.isOver && 'takes-picture',
      )}
      style={{ top, height }}
      onClick={click}
      onDoubleClick={() => open(plugin.id)}
      {...drag.listeners}
      {...picture.handlers}
    >
      {columns.map((column) => (
        <ListCell
          key={column}
          column={column}
          plugin={plugin}
          drawers={drawers}
          state={state}
          isNew={isNew}
          isWanted={isWanted}
          pictures={pictures}
        />
      ))}
    </div>
  );
}
