import clsx from 'clsx';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { trayName } from '@clever-drawer/core/chests/look-up';
import { group } from '@clever-drawer/core/chests/row-groups';
import { asideLabel, type Aside } from '@clever-drawer/core/chests/rows/aside';
import { daysLeft } from '@clever-drawer/core/chests/set-aside';
import { folderName } from '@clever-drawer/core/facts/plugin-path';
import type { ChosenItem } from '../../catalogue/chosen-catalogue';
import { Face } from '../../catalogue/face';
import { itemNamesOf } from '../../catalogue/item-names';
import { absenceOf, isElsewhere } from '../../catalogue/presence';
import { kindInWords, TypeGlyph } from '../../catalogue/type-glyph';
import { CutName } from '../../parts/cut-name';
import { formatsOf } from '../ribbons/facets';
import type { ColumnId } from './columns';
import { bitsOf, foldersOf, versionsOf, widthsOf } from './facts-of-row';
import styles from './list.module.css';

interface Props {
  readonly column: ColumnId;
  readonly plugin: ChosenItem;
  readonly drawers: readonly string[];
  readonly state: Arrangement;
  readonly isNew: boolean;
  /** Whether the chest at hand waits for it to be filed. */
  readonly isWanted: boolean;
  readonly pictures: boolean;
}

/** What a column says of a plugin. */
export function ListCell({ column, plugin, drawers, state, isNew, isWanted, pictures }: Props) {
  switch (column) {
    case 'type':
      return (
        <div role="gridcell" title={kindInWords(plugin.types, plugin.role)}>
          {pictures ? (
            <Face plugin={plugin} />
          ) : (
            <TypeGlyph types={plugin.types} role={plugin.role} likely={plugin.typeGrade === 'likely'} />
          )}
        </div>
      );
    case 'name': {
      const names = itemNamesOf(plugin);
      return (
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
      );
    }
    case 'vendor':
      return (
        <div role="gridcell" className="one-line quiet" title={plugin.vendor ?? ''}>
          <bdi>{plugin.vendor ?? '–'}</bdi>
        </div>
      );
    case 'formats': {
      const formats = formatsOf(plugin);
      return (
        <div role="gridcell" className="one-line" title={formats.join(' ')}>
          {(plugin.chain === undefined ? formats : []).map((format) => (
            <span key={format} className="format">
              {format}
            </span>
          ))}
          {isElsewhere(plugin) && <span className="quiet">{absenceOf(plugin)}</span>}
          {plugin.program !== undefined && !isElsewhere(plugin) && (
            <span className="quiet">
              {plugin.program === plugin.vendor ? (
                plugin.file == null ? (
                  'own entry'
                ) : (
                  'other file'
                )
              ) : (
                <>
                  in <bdi>{plugin.program}</bdi>
                </>
              )}
            </span>
          )}
        </div>
      );
    }
    case 'drawers':
      return (
        <div role="gridcell" className="one-line" title={drawers.map((id) => state.drawer.get(id)?.name).join(', ')}>
          <StandsIn
            drawers={drawers}
            state={state}
            isLeftOut={
              !isWanted ||
              plugin.aside !== null ||
              plugin.preset !== null ||
              plugin.chain !== undefined ||
              isElsewhere(plugin)
            }
          />
        </div>
      );
    case 'loads':
      return (
        <div
          role="gridcell"
          className={clsx('mono', 'quiet', styles.loads)}
          title={
            plugin.lastLoad === null
              ? 'never loaded'
              : `last loaded on ${new Date(plugin.lastLoad).toLocaleDateString()}`
          }
        >
          {plugin.loads === 0 ? '' : plugin.loads}
        </div>
      );
    case 'tray': {
      const trays = group(state, 'traysOf', plugin.id);
      return (
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
      );
    }
    case 'version':
      return <Words words={versionsOf(plugin)} />;
    case 'width':
      return <Words words={widthsOf(plugin).map((width) => (width === 'more' ? 'more channels' : width))} />;
    case 'bits':
      return <Words words={bitsOf(plugin)} />;
    case 'folder':
      return <Words words={foldersOf(plugin).map(folderName)} title={foldersOf(plugin).join('\n')} />;
    case 'state':
      return <Words words={[stateInWords(plugin, isNew)]} />;
    case 'arrived':
      return <Words words={[dayInWords(plugin.arrivedAt)]} />;
    case 'lastLoad':
      return <Words words={[plugin.lastLoad === null ? 'never' : dayInWords(plugin.lastLoad)]} />;
    case 'aside':
      return <Words words={plugin.aside === null ? [] : [asideInWords(plugin.aside)]} />;
  }
}

/** A cell of words; all of them stand in its title. */
const Words = ({ words, title = words.join(', ') }: { words: readonly string[]; title?: string }) => (
  <div role="gridcell" className="one-line quiet" title={title}>
    <bdi>{words.join(', ')}</bdi>
  </div>
);

const dayInWords = (at: string): string => (at === '' ? '' : new Date(at).toLocaleDateString());

const stateInWords = (plugin: ChosenItem, isNew: boolean): string =>
  isElsewhere(plugin)
    ? 'not on this computer'
    : !plugin.found
      ? 'not found'
      : plugin.aside !== null
        ? 'set aside'
        : isNew
          ? 'new'
          : 'here';

/** "demo, until 12 March 2027". */
const asideInWords = ({ reason, until }: Aside): string =>
  asideLabel(reason) + (until === null ? '' : `, until ${new Date(`${until}T12:00`).toLocaleDateString()}`);

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
