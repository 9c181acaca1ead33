import { useId, useState } from 'react';
import Form from 'react-bootstrap/Form';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { ownEntriesByKey, ownEntryKey, programsOf } from '@clever-drawer/core/chests/own-entries';
import type { OwnEntry } from '@clever-drawer/core/chests/rows/own-entry';
import { MAX_NAME_LENGTH } from '@clever-drawer/core/chests/rows/row-kind';
import type { Changes } from '../arrangement/changes';
import { FormBox } from '../parts/form-box';
import { RoleSelect, TypeSelect, WidthSelect } from './own-entry-fields';
import styles from './boxes.module.css';

interface Props {
  readonly entry: OwnEntry;
  readonly state: Arrangement;
  readonly changes: Changes;
  readonly close: () => void;
}

/** Changes what an own entry is: its name, program, maker, role, type and channels. */
export function OwnEntryBox({ entry, state, changes, close }: Props) {
  const [typed, setTyped] = useState(entry);
  const id = useId();
  const set = (change: Partial<OwnEntry>): void => setTyped((old) => ({ ...old, ...change }));
  const [name, program, maker] = [typed.name.trim(), typed.program.trim(), (typed.maker ?? '').trim()];
  const other = ownEntriesByKey(state).get(ownEntryKey({ name, program }));
  const isTaken = other !== undefined && other.id !== entry.id;
  const submit = (): void => {
    if (name === '' || program === '' || isTaken) return;
    close();
    const { role, types, width } = typed;
    const fields = { name, program, maker: maker === '' ? null : maker, role, types, width };
    void changes.make({ kind: 'change-own-entry', id: entry.id, ...fields });
  };
  return (
    <FormBox
      title={<bdi>Own entry: {entry.name}</bdi>}
      act="Save"
      canAct={name !== '' && program !== '' && !isTaken}
      className={styles.fields}
      submit={submit}
      close={close}
    >
      <Form.Label htmlFor={`${id}-name`}>Name</Form.Label>
      <Form.Control
        id={`${id}-name`}
        value={typed.name}
        maxLength={MAX_NAME_LENGTH}
        autoComplete="off"
        autoFocus
        onChange={(event) => set({ name: event.target.value })}
        onFocus={(event) => event.target.select()}
      />
      {isTaken && (
        <p className="flag" role="status">
          {program} has an own entry called {other.name} already.
        </p>
      )}
      <Form.Label htmlFor={`${id}-program`}>Music program</Form.Label>
      <Form.Control
        id={`${id}-program`}
        value={typed.program}
        maxLength={MAX_NAME_LENGTH}
        autoComplete="off"
        list={`${id}-programs`}
        onChange={(event) => set({ program: event.target.value })}
      />
      <datalist id={`${id}-programs`}>
        {programsOf(state).map((one) => (
          <option key={one} value={one} />
        ))}
      </datalist>
      <Form.Label htmlFor={`${id}-maker`}>Maker</Form.Label>
      <Form.Control
        id={`${id}-maker`}
        value={typed.maker ?? ''}
        maxLength={MAX_NAME_LENGTH}
        autoComplete="off"
        placeholder={program}
        onChange={(event) => set({ maker: event.target.value })}
      />
      <Form.Label htmlFor={`${id}-role`}>Role</Form.Label>
      <RoleSelect id={`${id}-role`} label="Role" role={typed.role} set={(role) => set({ role })} />
      <Form.Label htmlFor={`${id}-type`}>Type</Form.Label>
      <TypeSelect
        id={`${id}-type`}
        label="Type"
        role={typed.role}
        type={typed.types[0] ?? null}
        set={(type) =>
          set({ types: type === null ? [] : [type, ...typed.types.slice(1).filter((one) => one !== type)] })
        }
      />
      <Form.Label htmlFor={`${id}-width`}>Channels</Form.Label>
      <WidthSelect id={`${id}-width`} label="Channels" width={typed.width} set={(width) => set({ width })} />
    </FormBox>
  );
}
