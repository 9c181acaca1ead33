import clsx from 'clsx';
import { useState } from 'react';
import Dropdown from 'react-bootstrap/Dropdown';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { byOrder } from '@clever-drawer/core/chests/look-up';
import { KeyHint } from '../../keys/key-hint';
import { takeKey, type KeyHandlers } from '../../keys/use-keys';
import { useIsLow } from '../../lib/use-is-low';
import { useToldAtRest } from '../../lib/use-told-at-rest';
import { NameBox } from '../../parts/name-box';
import type { Changes } from '../../arrangement/changes';
import { labelOf } from '../ribbons/facets';
import { FilesFound } from './files-found';
import { QUESTIONS, type SortViewController } from './use-sort-view';
import { PlainButton } from '../../parts/plain-button';
import styles from './find.module.css';

interface Props {
  readonly viewing: SortViewController;
  readonly state: Arrangement;
  readonly changes: Changes;
  readonly shown: number;
  readonly isSettled: boolean;
  readonly outside: number;
  /** Proposes rules for all that is shown; null without a chest. */
  readonly byRule: (() => void) | null;
  /** Opens the box that adds own entries. */
  readonly chooseColumns: () => void;
  /** Whether the filters that are asked less often are shown. */
  readonly hasMore: boolean;
  readonly showMore: (has: boolean) => void;
  readonly addOwn: () => void;
  readonly addFiles: () => void;
  readonly intoList: () => void;
}

/** The search line: what is typed, every filter as a chip that can be taken off, and how many things the filters hide. */
export function FindLine({
  viewing,
  state,
  changes,
  shown,
  isSettled,
  outside,
  byRule,
  addOwn,
  addFiles,
  chooseColumns,
  hasMore,
  showMore,
  intoList,
}: Props) {
  const { view, look, toggle, clear } = viewing;
  const isLow = useIsLow();
  const chips = QUESTIONS.flatMap((question) =>
    view.filters[question].map((value) => ({ question, value, label: labelOf(question, value, state) })),
  );
  const last = chips.at(-1);
  const handlers: KeyHandlers<'findLine'> = {
    // What is still being searched for may be found: the key waits for it.
    intoList: isSettled && shown === 0 ? null : intoList,
    empty: view.typed === '' ? (chips.length === 0 ? null : clear) : () => look({ typed: '' }),
    // A key that is held down empties the line, and stops there.
    lastFilter: view.typed !== '' || last === undefined ? null : () => toggle(last.question, last.value),
  };
  useToldAtRest(`${String(shown)} shown`, view.typed !== '' || chips.length > 0);
  return (
    <div className={styles.findLine}>
      <label htmlFor="find" className="quiet">
        Find
      </label>
      {chips.map(({ question, value, label }) => (
        <span key={`${question} ${value}`} className={styles.chip}>
          <span className="one-line">
            <span className="quiet">{question}</span> <bdi>{label}</bdi>
          </span>
          <PlainButton aria-label={`Clear the filter ${label}`} onClick={() => toggle(question, value)}>
            ×
          </PlainButton>
        </span>
      ))}
      <input
        id="find"
        type="search"
        value={view.typed}
        autoComplete="off"
        spellCheck={false}
        placeholder="name, vendor, type, nickname, initials …"
        onChange={(event) => look({ typed: event.target.value })}
        onKeyDown={(event) => takeKey('findLine', event, handlers)}
      />
      <span className={clsx('quiet', styles.findCount)} data-shown>
        {shown} shown
        {outside > 0 && (
          <>
            {' · '}
            <PlainButton linked onClick={clear}>
              {outside} more {outside === 1 ? 'matches' : 'match'} outside{' '}
              {chips.length === 1 ? 'this filter' : 'these filters'}
            </PlainButton>
          </>
        )}
      </span>
      <FilesFound typed={view.typed} open={addFiles} />
      <PlainButton onClick={addOwn}>
        Own entries … <KeyHint place="sort" does="addOwn" />
      </PlainButton>
      {!isLow && (
        <>
          <PlainButton aria-pressed={hasMore} onClick={() => showMore(!hasMore)}>
            {hasMore ? 'Fewer filters' : 'More filters'}
          </PlainButton>
          <PlainButton onClick={chooseColumns}>Columns …</PlainButton>
        </>
      )}
      <KeptSearches
        viewing={viewing}
        state={state}
        changes={changes}
        canKeep={chips.length > 0 || view.typed !== ''}
        byRule={shown === 0 ? null : byRule}
      />
    </div>
  );
}

function KeptSearches({
  viewing,
  state,
  changes,
  canKeep,
  byRule,
}: Pick<Props, 'viewing' | 'state' | 'changes' | 'byRule'> & { canKeep: boolean }) {
  const [naming, setNaming] = useState(false);
  const kept = [...state.keptSearch.values()].sort(byOrder);
  if (kept.length === 0 && !canKeep) return null;
  const { typed, filters } = viewing.view;
  const proposed = [
    ...QUESTIONS.flatMap((question) => filters[question].map((value) => labelOf(question, value, state))),
    typed,
  ]
    .filter((word) => word !== '')
    .join(', ')
    .slice(0, 120);
  return (
    <>
      <Dropdown align="end">
        <Dropdown.Toggle as="button" type="button" className={clsx('plain', styles.keptToggle)}>
          Saved searches {kept.length > 0 && <span className="mono">{kept.length}</span>}
        </Dropdown.Toggle>
        <Dropdown.Menu>
          {kept.map((search) => (
            <div key={search.id} className={styles.keptSearch}>
              <Dropdown.Item as="button" type="button" onClick={() => viewing.lookAgain(search.query)}>
                <bdi>{search.name}</bdi>
              </Dropdown.Item>
              <PlainButton
                aria-label={`Delete the saved search ${search.name}`}
                onClick={() => void changes.make({ kind: 'forget-search', id: search.id })}
              >
                ×
              </PlainButton>
            </div>
          ))}
          {kept.length > 0 && canKeep && <Dropdown.Divider />}
          {canKeep && (
            <Dropdown.Item as="button" type="button" onClick={() => setNaming(true)}>
              Save this search …
            </Dropdown.Item>
          )}
          {canKeep && byRule !== null && (
            <Dropdown.Item as="button" type="button" onClick={byRule}>
              New drawer by a rule for what is shown …
            </Dropdown.Item>
          )}
        </Dropdown.Menu>
      </Dropdown>
      {naming && (
        <NameBox
          title="Save this search"
          label="Name"
          first={proposed}
          close={() => setNaming(false)}
          done={(name) => {
            setNaming(false);
            void changes.make({ kind: 'keep-search', id: crypto.randomUUID(), name, query: viewing.query });
          }}
        />
      )}
    </>
  );
}
