import clsx from 'clsx';
import { useId } from 'react';
import Modal from 'react-bootstrap/Modal';
import { SLOT_LABELS } from '@clever-drawer/core/menu/slot-menu';
import { KeyHint } from '../keys/key-hint';
import { PlainButton } from '../parts/plain-button';
import { ChooserDrawers } from './chooser-drawers';
import { ChooserList } from './chooser-list';
import { useChooser, type Choosing } from './use-chooser';
import styles from './load.module.css';

/** The chooser of a slot: type, arrows, Enter; or by drawer. It offers only what fits. */
export function SlotChooser(props: Choosing) {
  const { slot, lane, state, close } = props;
  const chooser = useChooser(props);
  const { input, typed, offer, open, opened, at, withUnknown } = chooser;
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
      onEntered={() => input.current?.focus()}
      animation={false}
    >
      <Modal.Body>
        <div className={styles.chooserHead}>
          <input
            ref={input}
            role="combobox"
            aria-expanded
            aria-controls={`${id}-list`}
            aria-activedescendant={at < 0 ? undefined : `${id}-option-${String(at)}`}
            aria-label="Find a plugin"
            placeholder="type a name or vendor"
            autoComplete="off"
            spellCheck={false}
            autoFocus
            value={typed}
            onChange={(event) => chooser.type(event.target.value)}
          />
          <h2 id={`${id}-title`}>
            {lane?.name} · {SLOT_LABELS[slot.kind]}
          </h2>
        </div>
        <div className={styles.chooserBody}>
          <ChooserList
            id={id}
            parts={chooser.parts}
            nothing={
              opened !== undefined && typed === ''
                ? 'Nothing in this drawer fits into the slot. Esc closes the drawer.'
                : 'Nothing that fits has this name.'
            }
            isBusy={!offer.isSettled}
            at={at}
            favourites={state.trayEntry}
            take={chooser.take}
          />
          <ChooserDrawers
            fronts={chooser.fronts}
            chests={chooser.chests}
            chest={chooser.chest}
            setChest={chooser.setChest}
            drawers={offer.drawers}
            open={open}
            toggle={(drawer) => chooser.openDrawer(drawer === open ? null : drawer)}
            matching={typed === '' ? null : new Set([...offer.inside, ...offer.elsewhere].map((plugin) => plugin.id))}
          />
        </div>
        <div className={clsx(styles.chooserFoot, 'quiet')}>
          <span>
            <KeyHint place="chooser" does="load" /> load
          </span>
          <span>
            <KeyHint place="chooser" does="drawers" /> to the drawers
          </span>
          <span>
            <KeyHint place="chooser" does="favourite" /> Favourites
          </span>
          <span className="grow" />
          {offer.roleUnknown > 0 && (
            <PlainButton aria-pressed={withUnknown} onClick={() => chooser.setWithUnknown(!withUnknown)}>
              {withUnknown ? 'Hide' : 'Show'} {offer.roleUnknown} whose role is not known
            </PlainButton>
          )}
        </div>
      </Modal.Body>
    </Modal>
  );
}
