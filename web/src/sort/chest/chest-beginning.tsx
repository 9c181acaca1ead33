import { useId } from 'react';
import Form from 'react-bootstrap/Form';
import type { Chest } from '@clever-drawer/core/chests/rows/chest';
import { INNER_BASES, type InnerBasis } from '@clever-drawer/core/chests/chest-groups';
import { isBasis, isCopy, STARTS, type Beginning, type WorkOut } from './new-chest';
import styles from './chest.module.css';

const INNER_WORDS: Readonly<Record<InnerBasis, string>> = {
  type: 'by type',
  vendor: 'by vendor',
  letters: 'by letters, A–Z',
};

interface Props {
  readonly chests: readonly Chest[];
  /** How it may begin. */
  readonly beginnings: readonly Beginning[];
  readonly beginning: Beginning;
  readonly setBeginning: (beginning: Beginning) => void;
  readonly source: string;
  readonly setSource: (chest: string) => void;
  readonly workOut: WorkOut;
  readonly setWorkOut: (workOut: WorkOut) => void;
}

/** How a new chest begins: empty, as a copy, or worked out. */
export function ChestBeginning({
  chests,
  beginnings,
  beginning,
  setBeginning,
  source,
  setSource,
  workOut,
  setWorkOut,
}: Props) {
  const id = useId();
  return (
    <fieldset>
      <legend className="form-label">Start</legend>
      {beginnings.map((one) => (
        <Form.Check
          key={one}
          type="radio"
          name={`${id}-start`}
          id={`${id}-${one}`}
          label={STARTS[one].label}
          checked={beginning === one}
          onChange={() => setBeginning(one)}
        />
      ))}
      {isCopy(beginning) && (
        <Form.Select aria-label="The chest to copy" value={source} onChange={(event) => setSource(event.target.value)}>
          {chests.map((one) => (
            <option key={one.id} value={one.id}>
              {one.name}
            </option>
          ))}
        </Form.Select>
      )}
      {isBasis(beginning) && <WorkOutFields chests={chests} workOut={workOut} set={setWorkOut} />}
    </fieldset>
  );
}

function WorkOutFields({
  chests,
  workOut,
  set,
}: {
  chests: readonly Chest[];
  workOut: WorkOut;
  set: Props['setWorkOut'];
}) {
  const id = useId();
  return (
    <div className={styles.workOut}>
      <label htmlFor={`${id}-most`}>A drawer holds at most</label>
      <Form.Control
        id={`${id}-most`}
        type="number"
        min={2}
        value={workOut.most}
        placeholder="no limit"
        onChange={(event) => set({ ...workOut, most: event.target.value })}
      />
      <label htmlFor={`${id}-inner`}>The rest goes into inner drawers</label>
      <Form.Select
        id={`${id}-inner`}
        value={workOut.inner}
        onChange={(event) => set({ ...workOut, inner: event.target.value as InnerBasis })}
      >
        {INNER_BASES.map((one) => (
          <option key={one} value={one}>
            {INNER_WORDS[one]}
          </option>
        ))}
      </Form.Select>
      <Form.Check
        id={`${id}-follows`}
        label="Follow by itself: what arrives appears, what is gone leaves"
        checked={workOut.follows}
        onChange={(event) => set({ ...workOut, follows: event.target.checked })}
      />
      <label htmlFor={`${id}-without`}>Leave out what is in</label>
      <Form.Select
        id={`${id}-without`}
        disabled={workOut.follows}
        value={workOut.without}
        onChange={(event) => set({ ...workOut, without: event.target.value })}
      >
        <option value="">no chest: take everything</option>
        {chests.map((one) => (
          <option key={one.id} value={one.id}>
            {one.name}
          </option>
        ))}
      </Form.Select>
    </div>
  );
}
