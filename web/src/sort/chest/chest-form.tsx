import { useId, useState } from 'react';
import Form from 'react-bootstrap/Form';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { chestsOf } from '@clever-drawer/core/chests/look-up';
import { CHEST_SLOTS, type Chest, type ChestSlot } from '@clever-drawer/core/chests/rows/chest';
import { STARTER_RULES } from '@clever-drawer/core/rules/starter-rules';
import type { ChosenCatalogue } from '../../catalogue/chosen-catalogue';
import { FormBox } from '../../parts/form-box';
import { ChestBeginning } from './chest-beginning';
import { ChestPreview } from './chest-preview';
import {
  CHEST_STARTING_POINTS,
  FIRST_WORK_OUT,
  isBasis,
  isCopy,
  STARTS,
  workedOut,
  type Beginning,
  type ChestStart,
  type NewChest,
  type WorkOut,
} from './new-chest';
import styles from './chest.module.css';

const SLOT_WORDS: Readonly<Record<ChestSlot, string>> = {
  instrument: 'instruments',
  'midi-effect': 'MIDI effects',
  insert: 'inserts of tracks',
  bus: 'inserts of buses',
  master: 'inserts of the master',
  clip: 'offline processing of clips',
};

interface Props {
  readonly state: Arrangement;
  readonly catalogue: ChosenCatalogue;
  /** The chest whose name and purpose change; null makes a new one. */
  readonly chest: Chest | null;
  readonly done: (wish: NewChest) => void;
  readonly close: () => void;
}

/** Name and purpose of a chest; for a new one how it begins, with a look at what that would give. */
export function ChestForm({ state, catalogue, chest, done, close }: Props) {
  const chests = chestsOf(state);
  const [beginning, setBeginning] = useState<Beginning>('empty');
  const [typed, setName] = useState<string | null>(chest?.name ?? null);
  const [slots, setSlots] = useState<readonly ChestSlot[]>(chest?.slots ?? []);
  const [source, setSource] = useState<string>(chests[0]?.id ?? '');
  const [workOut, setWorkOut] = useState<WorkOut>(FIRST_WORK_OUT);
  const id = useId();
  const original = chests.find((one) => one.id === source);
  const [selection, setSelection] = useState(chest?.selection ?? false);
  const proposed = isCopy(beginning) ? `${original?.name ?? ''} (copy)` : STARTS[beginning].name;
  const name = (typed ?? proposed).trim();
  const start: ChestStart = isBasis(beginning)
    ? workedOut(beginning, workOut, chests)
    : isCopy(beginning) && original !== undefined
      ? { kind: beginning, of: original.id }
      : { kind: beginning === 'rules' ? 'rules' : 'empty' };
  const submit = (): void => {
    if (name !== '') done({ name, slots: slots.length === 0 ? null : slots, selection, start });
  };
  const switchSlot = (slot: ChestSlot): void =>
    setSlots((old) => CHEST_SLOTS.filter((one) => (one === slot) !== old.includes(one)));
  return (
    <FormBox
      title={chest === null ? 'New chest' : `The chest ${chest.name}`}
      act={chest === null ? 'Create chest' : 'Save'}
      size="lg"
      className={styles.chestForm}
      submit={submit}
      close={close}
    >
      {chest === null && (
        <ChestBeginning
          chests={chests}
          beginnings={CHEST_STARTING_POINTS.filter((one) => !isCopy(one) || chests.length > 0)}
          beginning={beginning}
          setBeginning={setBeginning}
          source={source}
          setSource={setSource}
          workOut={workOut}
          setWorkOut={setWorkOut}
        />
      )}
      <div>
        <Form.Group controlId={`${id}-name`} className="mb-3">
          <Form.Label>Name</Form.Label>
          <Form.Control
            value={typed ?? proposed}
            maxLength={120}
            autoFocus
            autoComplete="off"
            isInvalid={name === ''}
            onChange={(event) => setName(event.target.value)}
            onFocus={(event) => event.target.select()}
          />
          <Form.Control.Feedback type="invalid">Give the chest a name.</Form.Control.Feedback>
        </Form.Group>
        {/* A copy is meant for what its original is meant for. */}
        {!isCopy(beginning) && (
          <fieldset className="mb-3">
            <legend className="form-label">Meant for (none ticked: for all slots)</legend>
            {CHEST_SLOTS.map((slot) => (
              <Form.Check
                key={slot}
                id={`${id}-slot-${slot}`}
                label={SLOT_WORDS[slot]}
                checked={slots.includes(slot)}
                onChange={() => switchSlot(slot)}
              />
            ))}
            <Form.Check
              className="mt-2"
              id={`${id}-selection`}
              label="a selection: what is not in it is not to be filed"
              checked={selection}
              onChange={(event) => setSelection(event.target.checked)}
            />
          </fieldset>
        )}
        {start.kind === 'rules' && (
          <section className={styles.preview} aria-label="Preview">
            <h3>{STARTER_RULES.length} drawers, which follow as plugins come and go</h3>
            <ul>
              {STARTER_RULES.map((one) => (
                <li key={one.name}>
                  {one.name} <span className="quiet mono">{one.text}</span>
                </li>
              ))}
            </ul>
          </section>
        )}
        {start.kind === 'worked-out' && <ChestPreview state={state} catalogue={catalogue} start={start} />}
      </div>
    </FormBox>
  );
}
