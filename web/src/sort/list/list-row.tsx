import { useDraggable } from '@dnd-kit/core';
import clsx from 'clsx';
import type { MouseEvent } from 'react';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { trayName } from '@clever-drawer/core/chests/look-up';
import { group } from '@clever-drawer/core/chests/row-groups';
import { asideLabel, type Aside } from '@clever-drawer/core/chests/rows/aside';
import { daysLeft } from '@clever-drawer/core/chests/set-aside';
import type { ItemId } from '@clever-drawer/core/ids';
import { absenceOf, isElsewhere } from '../../catalogue/presence';
import { Face } from '../../catalogue/face';
import type { ChosenItem } from '../../catalogue/chosen-catalogue';
import { itemNamesOf } from '../../catalogue/item-names';
import { kindInWords, TypeGlyph } from '../../catalogue/type-glyph';
import type { Selection } from '../../parts/use-selection';
import { usePictureDrop } from '../plugin/use-picture-drop';
import { formatsOf } from '../ribbons/facets';
import { CutName } from '../../parts/cut-name';
import styles from './list.module.css';

/** The id of a row's element. */
export const rowId = (index: number): string => `list-row-${String(index)}`;

interface Props {
  readonly plugin: ChosenItem;
  readonly drawers: readonly string[];
  readonly state: Arrangement;
  readonly isNew: boolean;
  readonly index: number;
  readonly top: number;
  readonly height: number;
  readonly selection: Selection<ItemId>;
  /** Whether a click adds to the selection, without a key. */
  readonly clicksAdd: boolean;
  readonly pictures: boolean;
  readonly open: (id: ItemId | undefined) => void;
}

/** A plugin in the list: kind, names, vendor, formats, the drawers it stands in, its trays. */
export function ListRow({
  plugin,
  drawers,
  state,
  isNew,
  index,
  top,
  height,
  selection,
  clicksAdd,
  pictures,
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
  const formats = formatsOf(plugin);
  const names = itemNamesOf(plugin);
  const trays = group(state, 'traysOf', plugin.id);
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
      <div role="gridcell" title={kindInWords(plugin.types, plugin.role)}>
        {pictures ? (
          <Face plugin={plugin} />
        ) : (
          <TypeGlyph types={plugin.types} role={plugin.role} likely={plugin.typeGrade === 'likely'} />
        )}
      </div>
      <div role="gridcell" className={styles.nameCell} title={namesInWords(plugin)}>
        <CutName name={names.first} />
        {names.beside !== null && (
          <span className={clsx('quiet', 'one-line', styles.givenName)}>
            <bdi>{names.beside}</bdi>
          </span>
        )}
        {plugin.chain !== undefined && <span className="quiet">chain of {plugin.chain.length}</span>}
        {isNew && <span className="flag">new</span>}
        {!plugin.found && !isElsewhere(plugin) && <span className="flag">not found</span>}
        {plugin.aside !== null && <AsideFlag aside={plugin.aside} />}
        <InDoubt plugin={plugin} />
      </div>
      <div role="gridcell" className="one-line quiet" title={plugin.vendor ?? ''}>
        <bdi>{plugin.vendor ?? '–'}</bdi>
      </div>
      <div role="gridcell" className="one-line" title={formats.join(' ')}>
        {(plugin.chain === undefined ? formats : []).map((format) => (
          <span key={format} className="format">
            {format}
          </span>
        ))}
        {isElsewhere(plugin) && <span className="quiet">{absenceOf(plugin)}</span>}
        {plugin.program !== undefined && (
          <span className="quiet">
            {plugin.program === plugin.vendor ? (
              'own entry'
            ) : (
              <>
                in <bdi>{plugin.program}</bdi>
              </>
            )}
          </span>
        )}
      </div>
      <div role="gridcell" className="one-line" title={drawers.map((id) => state.drawer.get(id)?.name).join(', ')}>
        <StandsIn
          drawers={drawers}
          state={state}
          isLeftOut={
            plugin.aside !== null || plugin.preset !== null || plugin.chain !== undefined || isElsewhere(plugin)
          }
        />
      </div>
      <div
        role="gridcell"
        className={clsx('mono', 'quiet', styles.loads)}
        title={
          plugin.lastLoad === null ? 'never loaded' : `last loaded on ${new Date(plugin.lastLoad).toLocaleDateString()}`
        }
      >
        {plugin.loads === 0 ? '' : plugin.loads}
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

const namesInWords = ({ name, givenName, naming, preset }: ChosenItem): string =>
  [name, name === givenName ? '' : givenName, preset?.bank ?? '', naming?.note ?? '', (naming?.tags ?? []).join(', ')]
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
    <span className={clsx('flag', end === '' && 'flag-quiet')}>
      {asideLabel(aside.reason)}
      {end}
    </span>
  );
}

/** Evidence that can't all be right; the panel tells it, and putting the role right settles it. */
function InDoubt({ plugin: { contradictions, roleGrade } }: { plugin: ChosenItem }) {
  if (contradictions.length === 0 || roleGrade === 'chosen') return null;
  return (
    <span className="flag" title={contradictions.map((sentence) => `It ${sentence}.`).join(' ')}>
      in doubt
    </span>
  );
}

function StandsIn({
  drawers,
  state,
  isLeftOut,
}: {
  drawers: readonly string[];
  state: Arrangement;
  isLeftOut: boolean;
}) {
  const [first, ...more] = drawers;
  if (first === undefined) return isLeftOut ? null : <span className="flag">to file</span>;
  return (
    <>
      <span className={styles.placeName}>{state.drawer.get(first)?.name}</span>
      {more.length > 0 && <span className="quiet"> +{more.length}</span>}
    </>
  );
}
