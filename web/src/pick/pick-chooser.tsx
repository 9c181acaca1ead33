import { useId } from 'react';
import { ChooserPanel } from '../chooser/chooser-panel';
import type { Choosing } from '../chooser/chooser';
import { useChooser } from '../chooser/use-chooser';
import { PICK_SLOTS, PICK_WIDTHS, widthNamed, type PickSlot, type PickWidth } from './pick-slots';
import styles from './pick.module.css';

interface Props extends Choosing {
  readonly slot: PickSlot;
  readonly setSlot: (slot: PickSlot) => void;
  readonly width: PickWidth;
  readonly setWidth: (width: PickWidth) => void;
}

const LABELS: Readonly<Record<PickSlot, string>> = {
  insert: 'insert',
  bus: 'insert on a bus',
  master: 'insert on the master',
  clip: 'processing of a clip',
  instrument: 'instrument',
  'midi-effect': 'MIDI effect',
};

/** The chooser without anything around it. */
export function PickChooser({ slot, setSlot, width, setWidth, ...choosing }: Props) {
  const chooser = useChooser(choosing);
  const { place, catalogue, state, changes } = choosing;
  const id = useId();
  return (
    <div className={styles.chooser} onKeyDown={chooser.onKeyDown}>
      <ChooserPanel
        id={id}
        chooser={chooser}
        place={place}
        width={width === 'any' ? null : width}
        catalogue={catalogue}
        state={state}
        changes={changes}
        hasSlots={false}
        isNarrow
        title={
          <>
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
            <select
              className={styles.slot}
              aria-label="For how many channels"
              value={width}
              onChange={(event) => setWidth(widthNamed(event.target.value))}
            >
              {PICK_WIDTHS.map((one) => (
                <option key={one} value={one}>
                  {one === 'any' ? 'mono or stereo' : one}
                </option>
              ))}
            </select>
          </>
        }
      />
    </div>
  );
}
