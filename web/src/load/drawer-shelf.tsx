import { useDraggable } from '@dnd-kit/core';
import clsx from 'clsx';
import { Fragment, useId, useMemo, useState } from 'react';
import Form from 'react-bootstrap/Form';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { chestsOf } from '@clever-drawer/core/chests/look-up';
import { onlyShown, type InLevel } from '@clever-drawer/core/chests/level';
import type { Sign } from '@clever-drawer/core/chests/sign';
import type { BuildId, ItemId } from '@clever-drawer/core/ids';
import { useRuled } from '../arrangement/rules/use-ruled';
import type { ChosenCatalogue, ChosenItem } from '../catalogue/chosen-catalogue';
import { kindInWords, TypeGlyph } from '../catalogue/type-glyph';
import { hasQuery, useSearch } from '../catalogue/use-search';
import { offeredDrawers } from '../chooser/offered-drawers';
import { useEmptyInMenus } from '../chooser/use-empty-in-menus';
import { useLastOpen } from '../chooser/use-last-open';
import { counted } from '../lib/counted';
import type { LoadDragged } from './load-drag';
import { CutName } from '../parts/cut-name';
import { PlainButton } from '../parts/plain-button';
import { SignGlyph } from '../parts/sign';
import styles from './load.module.css';

interface Props {
  readonly catalogue: ChosenCatalogue;
  readonly state: Arrangement;
}

interface Column extends InLevel {
  readonly sign: Sign | null;
  readonly id: string;
  readonly heading: string;
  /** How many it has with those that are set aside, or not on this computer. */
  readonly all: number;
  readonly items: readonly {
    readonly item: ChosenItem;
    readonly name: string;
    /** The very build that is loaded from there; null: the usual one. */
    readonly buildId: BuildId | null;
  }[];
}

/** So many columns, and so many lines of each, are drawn; the rest is told, and found by typing. */
const MAX_COLUMNS = 60;
const MAX_LINES = 200;

/** The drawers of a chest below the lanes, and what is searched for in all of the catalogue: to be dragged onto slots. */
export function DrawerShelf({ catalogue, state }: Props) {
  const id = useId();
  const [typed, setTyped] = useState('');
  const chests = chestsOf(state);
  const [chest, setChest] = useLastOpen('chest-shelf', chests[0]?.id ?? null, (one) =>
    chests.some((other) => other.id === one),
  );
  const chestId = chests.find((one) => one.id === chest)?.id ?? null;
  const here = useMemo(
    () => new Set<ItemId>(catalogue.items.filter((item) => item.found && item.aside === null).map((item) => item.id)),
    [catalogue],
  );
  const ruled = useRuled(catalogue, state);
  const drawers = useMemo(
    () =>
      offeredDrawers(here, catalogue, state, chestId, ruled).map((drawer): Column => ({
        level: drawer.level,
        divider: drawer.divider,
        sign: drawer.sign,
        id: drawer.id,
        heading: drawer.name,
        all: drawer.plugins.length + drawer.unfit.length,
        items: drawer.lines.flatMap((line) =>
          'plugin' in line ? [{ item: line.plugin, name: line.name, buildId: line.buildId ?? null }] : [],
        ),
      })),
    [here, catalogue, state, chestId, ruled],
  );
  const answer = useSearch(catalogue.items, typed);
  const found: Column | null =
    !hasQuery(typed) || answer === null
      ? null
      : {
          id: 'found',
          level: 'found',
          divider: null,
          sign: null,
          heading: 'found',
          all: answer.numbers.length,
          items: Array.from(answer.numbers, (number) => catalogue.items[number]).flatMap((item) =>
            item === undefined || !here.has(item.id) ? [] : [{ item, name: item.name, buildId: null }],
          ),
        };
  const [withEmpty, setWithEmpty] = useEmptyInMenus();
  const empty = drawers.filter((one) => one.items.length === 0).length;
  const filled = onlyShown(drawers, (one) => withEmpty || one.items.length > 0);
  const columns = [...(found === null ? [] : [found]), ...filled];
  return (
    <section className={styles.shelf} aria-label="Drawers to drag from">
      <div className={styles.shelfHead}>
        <Form.Control
          size="sm"
          type="search"
          aria-label="Find what to drag"
          placeholder="a name, a type, a maker …"
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
        <Form.Select
          size="sm"
          id={`${id}-chest`}
          aria-label="Chest"
          value={chest ?? ''}
          onChange={(event) => setChest(event.target.value)}
        >
          {chests.map((one) => (
            <Fragment key={one.id}>
              {one.dividerBefore === '' && <hr />}
              {one.dividerBefore != null && one.dividerBefore !== '' && <option disabled>{one.dividerBefore}</option>}
              <option value={one.id}>{one.name}</option>
            </Fragment>
          ))}
        </Form.Select>
        <span className="quiet">Drag a line onto a slot, or press Enter on a slot to choose for it.</span>
      </div>
      <div className={styles.shelfColumns} tabIndex={0} role="group" aria-label="Drawers">
        {columns.length === 0 && (
          <p className="quiet">This chest holds nothing that is on this computer. Type above to find what you want.</p>
        )}
        {columns.slice(0, MAX_COLUMNS).map((column) => (
          <div
            key={column.id}
            className={clsx(styles.shelfColumn, column.divider !== null && styles.divided)}
            role="group"
            aria-label={column.heading}
          >
            {column.divider !== null && (
              <div className={clsx('quiet one-line', styles.dividerLabel)}>{column.divider}</div>
            )}
            <div className={styles.shelfHeading}>
              {column.sign !== null && <SignGlyph sign={column.sign} />}
              <bdi className="one-line">{column.heading}</bdi>
              {column.items.length < column.all ? (
                <span
                  className="mono quiet"
                  title={`${counted(column.all - column.items.length, 'other')} set aside or not on this computer`}
                >
                  {column.items.length} of {column.all}
                </span>
              ) : (
                <span className="mono quiet">{column.all}</span>
              )}
            </div>
            {column.id === 'found' && column.items.length === 0 && <p className="quiet">No match.</p>}
            <ul>
              {column.items.slice(0, MAX_LINES).map(({ item, name, buildId }) => (
                <ShelfLine key={item.id} column={column.id} item={item} name={name} buildId={buildId} />
              ))}
            </ul>
            {column.items.length > MAX_LINES && (
              <div className="quiet">and {column.items.length - MAX_LINES} more; type to find them</div>
            )}
          </div>
        ))}
        {empty > 0 && (
          <p className="quiet">
            {counted(empty, 'drawer')} with nothing to load{' '}
            <PlainButton aria-pressed={withEmpty} onClick={() => setWithEmpty(!withEmpty)}>
              {withEmpty ? 'Hide empty ones' : 'Show empty ones'}
            </PlainButton>
          </p>
        )}
        {columns.length > MAX_COLUMNS && (
          <p className="quiet">
            and {counted(columns.length - MAX_COLUMNS, 'drawer')} more; type to find what is in them
          </p>
        )}
      </div>
    </section>
  );
}

function ShelfLine({
  column,
  item,
  name,
  buildId,
}: {
  column: string;
  item: ChosenItem;
  name: string;
  buildId: BuildId | null;
}) {
  const { setNodeRef, listeners } = useDraggable({
    id: `${column} ${item.id}`,
    data: { item: item.id, buildId, name } satisfies LoadDragged,
  });
  return (
    <li
      ref={setNodeRef}
      className={styles.shelfLine}
      title={`${name}: ${kindInWords(item.types, item.role)}`}
      data-item={item.id}
      {...listeners}
    >
      <TypeGlyph types={item.types} role={item.role} />
      <span className="one-line">
        <CutName name={name} />
      </span>
    </li>
  );
}
