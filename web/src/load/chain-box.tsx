import { useId, useState } from 'react';
import Form from 'react-bootstrap/Form';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { chainNamed } from '@clever-drawer/core/chests/chains';
import type { Chain } from '@clever-drawer/core/chests/rows/chain';
import { NAME_LENGTH } from '@clever-drawer/core/chests/rows/row-kind';
import { FormBox } from '../parts/form-box';

interface Props {
  readonly state: Arrangement;
  /** The name that is proposed. */
  readonly first: string;
  readonly keep: (name: string) => void;
  readonly replace: (chain: Chain) => void;
  readonly close: () => void;
}

/** Asks for the name of a new chain; the name of an existing one replaces that one, and says so before. */
export function ChainBox({ state, first, keep, replace, close }: Props) {
  const [name, setName] = useState(first);
  const id = useId();
  const existing = chainNamed(state, name.trim());
  return (
    <FormBox
      title="Keep as a chain"
      act={existing === undefined ? 'Save' : 'Replace this chain'}
      canAct={name.trim() !== ''}
      submit={() => {
        close();
        if (existing === undefined) keep(name.trim());
        else replace(existing);
      }}
      close={close}
    >
      <Form.Label htmlFor={`${id}-name`}>Name</Form.Label>
      <Form.Control
        id={`${id}-name`}
        value={name}
        maxLength={NAME_LENGTH}
        autoFocus
        autoComplete="off"
        onChange={(event) => setName(event.target.value)}
        onFocus={(event) => event.target.select()}
      />
      {existing !== undefined && (
        <p className="flag" role="status">
          A chain is called {existing.name} already: its plugins are replaced, and it keeps its places.
        </p>
      )}
    </FormBox>
  );
}
