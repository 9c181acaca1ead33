import clsx from 'clsx';
import { useMemo, type ReactNode } from 'react';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import type { LaneWidth } from '@clever-drawer/core/chests/rows/lane';
import type { Changes } from '../arrangement/changes';
import type { ChosenCatalogue } from '../catalogue/chosen-catalogue';
import { KeyHint } from '../keys/key-hint';
import { PlainButton } from '../parts/plain-button';
import { ChooserColumns, ChooserFaces } from './chooser-columns';
import { ChooserDrawers } from './chooser-drawers';
import { ChooserFiling } from './chooser-filing';
import { ChooserList, optionId } from './chooser-list';
import { ChooserPreview } from './chooser-preview';
import { CHOOSER_VIEWS, digitIn, outsideInWords } from './options';
import type { Chooser } from './chooser';
import { whyOutside, type ChosenFor } from './use-offer';
import styles from './chooser.module.css';

interface Props {
  readonly id: string;
  readonly chooser: Chooser;
  readonly place: ChosenFor;
  readonly width: LaneWidth | null;
  readonly catalogue: ChosenCatalogue;
  readonly state: Arrangement;
  readonly changes: Changes;
  /** What stands beside the line: for which slot it is. */
  readonly title: ReactNode;
  /** Whether it stands in a narrow window: without fronts beside the list. */
  readonly isNarrow?: boolean;
  /** Whether the chooser goes from slot to slot. */
  readonly hasSlots: boolean;
}

/** The inside of the chooser: the line, what is offered as a list, in columns or as pictures, the trays and drawers, and what is known of the marked one. */
export function ChooserPanel(props: Props) {
  const { id, chooser, place, width, catalogue, state, changes, title, isNarrow = false, hasSlots } = props;
  const { typed, offer, opened, options, at, view, withAll } = chooser;
  const isSearch = typed !== '' && digitIn(typed) === null;
  const nothing =
    opened !== undefined && typed === ''
      ? 'Nothing in this drawer fits into the slot. Esc closes the drawer.'
      : offer.outside.length > 0
        ? 'What matches does not fit this slot.'
        : 'No match. Type fewer letters, a type or a maker.';
  const { outside } = offer;
  const more = useMemo(
    () => outsideInWords(outside.map((item) => whyOutside(item, place.slot) ?? 'other')),
    [outside, place.slot],
  );
  const isWhole = view === 'drawers' && opened === undefined && typed === '';
  const hasFronts = !isWhole && (!isNarrow || !isSearch);
  const current = options[at];
  return (
    <div className={styles.all} {...chooser.counting}>
      <div className={styles.head}>
        <input
          ref={chooser.input}
          role="combobox"
          aria-expanded
          aria-controls={`${id}-list`}
          aria-activedescendant={at < 0 ? undefined : optionId(id, at)}
          aria-label="Find a plugin"
          placeholder="a name, a type, a maker …"
          autoComplete="off"
          spellCheck={false}
          autoFocus
          value={typed}
          onChange={(event) => chooser.type(event.target.value)}
        />
        {title}
        <div className={styles.views} role="group" aria-label="View">
          {CHOOSER_VIEWS.map((one) => (
            <PlainButton key={one} aria-pressed={one === view} onClick={() => chooser.setView(one)}>
              {one}
            </PlainButton>
          ))}{' '}
          {!isNarrow && <KeyHint place="chooser" does="view" />}
        </div>
      </div>
      <ChooserFiling chooser={chooser} catalogue={catalogue} state={state} changes={changes}>
        {(onContextMenu) => (
          <div
            className={clsx(styles.body, !hasFronts && styles.whole, hasFronts && isNarrow && styles.stacked)}
            onContextMenu={onContextMenu}
          >
            {isWhole ? (
              <ChooserColumns id={id} chooser={chooser} />
            ) : view === 'faces' ? (
              <ChooserFaces id={id} chooser={chooser} nothing={nothing} />
            ) : (
              <ChooserList id={id} chooser={chooser} place={place} state={state} nothing={nothing} />
            )}
            {hasFronts && (
              <ChooserDrawers chooser={chooser} isFound={isSearch ? offer.isFound : null} isNarrow={isNarrow} />
            )}
          </div>
        )}
      </ChooserFiling>
      {offer.outside.length > 0 && isSearch && !withAll && (
        <div className={styles.more}>
          <PlainButton onClick={() => chooser.setWithAll(true)}>{more}</PlainButton>{' '}
          <KeyHint place="chooser" does="all" />
        </div>
      )}
      {opened !== undefined && typed === '' && (
        <div className={styles.more}>
          <PlainButton onClick={() => chooser.openDrawer(null)}>Everything that fits: {offer.fitting}</PlainButton>{' '}
          <KeyHint place="chooser" does="back" />
        </div>
      )}
      <ChooserPreview
        item={current?.item}
        name={current?.name}
        width={width}
        isFed={place.sidechain}
        catalogue={catalogue}
        state={state}
        uses={chooser.uses}
      />
      <div className={clsx(styles.foot, 'quiet')}>
        <span>
          <KeyHint place="chooser" does="load" />{' '}
          {chooser.ticked.length > 1 ? `load these ${String(chooser.ticked.length)} in order` : 'load'}
        </span>
        {hasSlots && !isNarrow && (
          <span className={styles.ifRoom}>
            <KeyHint place="chooser" does="loadOn" /> load, and on to the slot below
          </span>
        )}
        {!isNarrow && (
          <span className={styles.ifRoom}>
            <KeyHint place="chooser" does="drawers" /> trays and drawers
          </span>
        )}
        {current?.item.program === undefined && current !== undefined && (
          <span className={styles.ifRoom}>
            <KeyHint place="chooser" does="parts" /> {current.item.chain === undefined ? 'builds' : 'its plugins'} …
          </span>
        )}
        <span className={styles.ifRoom}>
          <KeyHint place="chooser" does="menu" /> file it …
        </span>
        <span className="grow" />
        <span>
          {offer.fitting} fit{' '}
          <PlainButton aria-pressed={withAll} onClick={() => chooser.setWithAll(!withAll)}>
            {withAll ? 'only those' : 'everything'}
          </PlainButton>{' '}
          <KeyHint place="chooser" does="all" />
        </span>
      </div>
    </div>
  );
}
