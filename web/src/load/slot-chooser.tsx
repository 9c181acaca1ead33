import { useId } from 'react';
import Modal from 'react-bootstrap/Modal';
import type { Lane } from '@clever-drawer/core/chests/rows/lane';
import { SLOT_LABELS } from '@clever-drawer/core/menu/slot-menu';
import { ActMenus } from '../parts/act-menu';
import { ChooserPanel } from '../chooser/chooser-panel';
import type { Choosing } from '../chooser/chooser';
import { useChooser } from '../chooser/use-chooser';
import styles from './load.module.css';

interface Props extends Choosing {
  readonly lane: Lane | undefined;
  /** The number of the slot in its lane. */
  readonly number: number;
}

/** The chooser of a slot, in front of the session. */
export function SlotChooser({ lane, number, ...choosing }: Props) {
  const chooser = useChooser(choosing);
  const { place, catalogue, state, changes, close } = choosing;
  const id = useId();
  return (
    <Modal
      show
      onHide={close}
      keyboard={false}
      size="xl"
      className={styles.chooser}
      aria-labelledby={`${id}-title`}
      onKeyDown={chooser.onKeyDown}
      onEntered={() => {
        // A hand that was faster is somewhere in it already.
        if (document.activeElement?.closest('[role="dialog"] *') == null) chooser.input.current?.focus();
      }}
      animation={false}
      restoreFocus={false}
    >
      <Modal.Body>
        <ActMenus>
          <ChooserPanel
            id={id}
            chooser={chooser}
            place={place}
            width={lane?.width ?? null}
            catalogue={catalogue}
            state={state}
            changes={changes}
            hasSlots
            title={
              <h2 id={`${id}-title`}>
                <bdi>{lane?.name}</bdi> · {SLOT_LABELS[place.slot]} {number}
                {lane?.width == null ? '' : ` · ${lane.width}`}
              </h2>
            }
          />
        </ActMenus>
      </Modal.Body>
    </Modal>
  );
}
