import { useDeferredValue, useId, useMemo, useState } from 'react';
import Form from 'react-bootstrap/Form';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { ownEntriesByKey, ownEntryIdOf, ownEntryKey, programsOf } from '@clever-drawer/core/chests/own-entries';
import { MAX_OWN_ENTRIES } from '@clever-drawer/core/chests/plan-own-entries';
import { readOwnList, type ProposedEntry } from '@clever-drawer/core/chests/read-own-list';
import { MAX_NAME_LENGTH } from '@clever-drawer/core/chests/rows/row-kind';
import type { LaneWidth } from '@clever-drawer/core/chests/rows/lane';
import type { ItemId } from '@clever-drawer/core/ids';
import { fold } from '@clever-drawer/core/text/words';
import type { Changes } from '../arrangement/changes';
import { FormBox } from '../parts/form-box';
import { PlainButton } from '../parts/plain-button';
import { RoleSelect, TypeSelect, WidthSelect } from './own-entry-fields';
import styles from './boxes.module.css';

const MAX_ROWS = 200;

interface Props {
  readonly state: Arrangement;
  readonly changes: Changes;
  /** Told of the new ones once they are saved. */
  readonly added: (ids: readonly ItemId[]) => void;
  readonly close: () => void;
}

/** What the producer changed in a proposal. */
type Correction = Partial<Pick<ProposedEntry, 'role' | 'types'>> & {
  readonly width?: LaneWidth | null;
  readonly isLeftOut?: boolean;
};

/** Adds devices that have no file here, one or a pasted list: each line becomes an entry with a proposed type, which is looked through before it is saved. */
export function OwnEntriesBox({ state, changes, added, close }: Props) {
  const programs = programsOf(state);
  const [program, setProgram] = useState(programs[0] ?? '');
  const [list, setList] = useState('');
  const [corrections, setCorrections] = useState<ReadonlyMap<string, Correction>>(new Map());
  const id = useId();
  // Typing goes on while a long list is read.
  const read = useDeferredValue(list);
  const proposed = useMemo(() => readOwnList(read, MAX_OWN_ENTRIES), [read]);
  const named = program.trim();
  const correctionOf = ({ name }: ProposedEntry): Correction => corrections.get(fold(name)) ?? {};
  const correct = ({ name }: ProposedEntry, change: Correction): void =>
    setCorrections((old) => new Map(old).set(fold(name), { ...old.get(fold(name)), ...change }));
  const present = useMemo(() => ownEntriesByKey(state), [state]);
  const isThere = ({ name }: ProposedEntry): boolean => present.has(ownEntryKey({ name, program: named }));
  const isWanted = (entry: ProposedEntry): boolean => !isThere(entry) && correctionOf(entry).isLeftOut !== true;
  const wanted = proposed.filter(isWanted);
  const isRead = read === list;
  const canAdd = named !== '' && (wanted.length > 0 || !isRead);
  const submit = (): void => {
    // A hand may be faster than the table.
    const all = isRead ? wanted : readOwnList(list, MAX_OWN_ENTRIES).filter(isWanted);
    if (!canAdd || all.length === 0) return;
    const addedAt = new Date().toISOString();
    const entries = all.map((entry) => {
      const { role = entry.role, types = entry.types, width = null } = correctionOf(entry);
      const { name, maker } = entry;
      return { id: ownEntryIdOf(crypto.randomUUID()), name, maker, program: named, role, types, width, addedAt };
    });
    close();
    void changes.make({ kind: 'add-own-entries', entries }).then((done) => {
      if (done) added(entries.map((entry) => entry.id));
    });
  };
  return (
    <FormBox
      title="Own entries"
      act={wanted.length === 0 ? 'Add' : wanted.length === 1 ? 'Add 1 entry' : `Add ${String(wanted.length)} entries`}
      canAct={canAdd}
      size="lg"
      submit={submit}
      close={close}
    >
      <p className="quiet">
        Devices without a file here, such as those that are built into a music program. They are filed, found and loaded
        like plugins, and handed over by name.
      </p>
      <Form.Label htmlFor={`${id}-program`}>Music program</Form.Label>
      <Form.Control
        id={`${id}-program`}
        value={program}
        maxLength={MAX_NAME_LENGTH}
        autoComplete="off"
        autoFocus
        list={`${id}-programs`}
        onChange={(event) => setProgram(event.target.value)}
        onFocus={(event) => event.target.select()}
      />
      <datalist id={`${id}-programs`}>
        {programs.map((one) => (
          <option key={one} value={one} />
        ))}
      </datalist>
      <Form.Label className={styles.nextLabel} htmlFor={`${id}-list`}>
        Names, one a line
      </Form.Label>
      <Form.Control
        id={`${id}-list`}
        as="textarea"
        rows={proposed.length > 4 ? 4 : 6}
        value={list}
        placeholder={'Stage Reverb\nBellows Organ, organ\nPocket Limiter, limiter, Tollgate Sound'}
        onChange={(event) => setList(event.target.value)}
        aria-describedby={`${id}-hint`}
      />
      <Form.Text id={`${id}-hint`}>A type and a maker may follow, after commas, semicolons or tabs.</Form.Text>
      {proposed.length > 0 && (
        <div className={styles.table} role="group" aria-label="Entries" tabIndex={0}>
          <table className="table table-sm">
            <thead>
              <tr>
                <th scope="col">Name</th>
                <th scope="col">Role</th>
                <th scope="col">Type</th>
                <th scope="col">Channels</th>
                <th scope="col" aria-label="Leave out" />
              </tr>
            </thead>
            <tbody>
              {proposed.slice(0, MAX_ROWS).map((entry) => {
                const { role = entry.role, types = entry.types, width = null, isLeftOut } = correctionOf(entry);
                const there = isThere(entry);
                return (
                  <tr key={entry.name} className={there || isLeftOut === true ? 'quiet' : undefined}>
                    <th scope="row">
                      <bdi>{entry.name}</bdi>
                      {entry.maker !== null && (
                        <span className="quiet">
                          {' '}
                          by <bdi>{entry.maker}</bdi>
                        </span>
                      )}
                    </th>
                    {there ? (
                      <td colSpan={4}>is there already</td>
                    ) : (
                      <>
                        <td>
                          <RoleSelect
                            label={`Role of ${entry.name}`}
                            role={role}
                            set={(next) => correct(entry, { role: next })}
                          />
                        </td>
                        <td>
                          <TypeSelect
                            label={`Type of ${entry.name}`}
                            role={role}
                            type={types[0] ?? null}
                            set={(next) => correct(entry, { types: next === null ? [] : [next] })}
                          />
                        </td>
                        <td>
                          <WidthSelect
                            label={`Channels of ${entry.name}`}
                            width={width}
                            set={(next) => correct(entry, { width: next })}
                          />
                        </td>
                        <td>
                          <PlainButton
                            aria-pressed={isLeftOut === true}
                            aria-label={`Leave ${entry.name} out`}
                            onClick={() => correct(entry, { isLeftOut: isLeftOut !== true })}
                          >
                            {isLeftOut === true ? 'add' : '×'}
                          </PlainButton>
                        </td>
                      </>
                    )}
                  </tr>
                );
              })}
            </tbody>
          </table>
        </div>
      )}
      {proposed.length > MAX_ROWS && (
        <p className="quiet">
          The first {MAX_ROWS} are shown. The other {proposed.length - MAX_ROWS} are added as proposed, and can be
          corrected afterwards.
        </p>
      )}
      {proposed.length > 0 && named === '' && <p className="flag">Name the music program that they belong to.</p>}
      {proposed.length === MAX_OWN_ENTRIES && (
        <p className="quiet">The first {MAX_OWN_ENTRIES} names are read. Add the others afterwards.</p>
      )}
    </FormBox>
  );
}
