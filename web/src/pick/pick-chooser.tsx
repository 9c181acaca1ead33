import { useId } from 'react';
import { ChooserPanel } from '../chooser/chooser-panel';
import type { Choosing } from '../chooser/chooser';
import { useChooser } from '../chooser/use-chooser';
import { PICK_SLOTS, type PickSlot } from './pick-slots';
import styles from './pick.module.css';

interface Props extends Choosing {
  readonly slot: PickSlot;
  readonly setSlot: (slot: PickSlot) => void;
}

const LABELS: Readonly<Record<PickSlot, string>> = {
  insert: 'insert',
  bus: 'insert on a bus',
  instrument: 'instrument',
  'midi-effect': 'MIDI effect',
};

/** The chooser without anything around it. */
export function PickChooser({ slot, setSlot, ...choosing }: Props) {
  const chooser = useChooser(choosing);
  const { place, catalogue, state, changes } = choosing;
  const id = useId();
  return (
    <div className={styles.chooser} onKeyDown={chooser.onKeyDown}>
      <ChooserPanel
        id={id}
        chooser={chooser}
        place={place}
        width={null}
        catalogue={catalogue}
        state={state}
        changes={changes}
        hasSlots={false}
        isNarrow
        title={
          <select
            className={styles.slot}
            aria-label="For which slot"
            value={slot}
            onChange={(event) => setSlot(event.target.value as PickSlot)}
          >
            {PICK_SLOTS.map((one) => (
              <option key={one} value={one}>
                {LABELS[one]}
              </option>
            ))}
          </select>
        }
      />
    </div>
  );
}
