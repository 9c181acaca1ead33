import { useState } from 'react';
import Dropdown from 'react-bootstrap/Dropdown';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { chainNamed, itemIn, slotsIn } from '@clever-drawer/core/chests/chains';
import type { Lane, LaneWidth } from '@clever-drawer/core/chests/rows/lane';
import type { Chain } from '@clever-drawer/core/chests/rows/chain';
import type { SlotKind } from '@clever-drawer/core/chests/rows/slot';
import type { BuildId, ItemId, SlotId } from '@clever-drawer/core/ids';
import { NameBox } from '../parts/name-box';
import styles from './load.module.css';

/** What can be done with a lane. */
export interface LaneActions {
  readonly rename: (lane: Lane, name: string) => void;
  readonly widen: (lane: Lane, width: LaneWidth | null) => void;
  /** Among its neighbours: -1 to the left, 1 to the right. */
  readonly shift: (lane: Lane, by: 1 | -1) => void;
  readonly copy: (lane: Lane) => void;
  readonly remove: (lane: Lane) => void;
  readonly addSlot: (lane: Lane, before: SlotId | null, kind?: SlotKind) => void;
  readonly keepChain: (lane: Lane, name: string) => void;
  /** Gives a chain the plugins of the lane. */
  readonly replaceChain: (lane: Lane, chain: Chain) => void;
  /** Loads an item into the first empty slot that it fits into, or a new one. */
  readonly loadHere: (lane: Lane, item: ItemId) => void;
  /** Loads an item that was dragged onto the lane. */
  readonly dropHere: (lane: Lane, item: ItemId, buildId: BuildId | null) => void;
  /** Puts what is in a slot, or a copy of it, into a new slot of the lane. */
  readonly putInNewSlot: (from: SlotId, lane: Lane, kind: SlotKind, copy: boolean) => void;
}

interface Props {
  readonly lane: Lane;
  readonly state: Arrangement;
  readonly actions: LaneActions;
}

/** All that can be done with a lane. */
export function LaneMenu({ lane, state, actions }: Props) {
  const [asks, ask] = useState<'name' | 'chain' | null>(null);
  const isFilled = slotsIn(state, lane.id).some((slot) => itemIn(slot) !== null);
  const item = (words: string, act: () => void, disabled = false) => (
    <Dropdown.Item as="button" type="button" disabled={disabled} onClick={act}>
      {words}
    </Dropdown.Item>
  );
  return (
    <>
      <Dropdown align="end">
        <Dropdown.Toggle as="button" type="button" className="plain" aria-label={`What can be done with ${lane.name}`}>
          …
        </Dropdown.Toggle>
        <Dropdown.Menu className={styles.menu}>
          {item('Rename …', () => ask('name'))}
          {item(lane.width === 'mono' ? 'Make it stereo' : 'Make it mono', () =>
            actions.widen(lane, lane.width === 'mono' ? 'stereo' : 'mono'),
          )}
          {item('Keep what is in it as a chain …', () => ask('chain'), !isFilled)}
          <Dropdown.Divider />
          {item('Add an insert', () => actions.addSlot(lane, null))}
          {lane.kind === 'instrument' && item('Add a MIDI effect', () => actions.addSlot(lane, null, 'midi-effect'))}
          <Dropdown.Divider />
          {item('To the left', () => actions.shift(lane, -1))}
          {item('To the right', () => actions.shift(lane, 1))}
          {item('Copy with its plugins', () => actions.copy(lane))}
          {item('Delete it', () => actions.remove(lane))}
        </Dropdown.Menu>
      </Dropdown>
      {asks === 'name' && (
        <NameBox
          title={`Rename ${lane.name}`}
          label="Name"
          first={lane.name}
          close={() => ask(null)}
          done={(name) => {
            ask(null);
            if (name !== lane.name) actions.rename(lane, name);
          }}
        />
      )}
      {asks === 'chain' && (
        <NameBox
          title="Keep as a chain"
          label="Name"
          first={`${lane.name} chain`}
          check={(name) => {
            const existing = chainNamed(state, name);
            return existing === undefined
              ? {}
              : {
                  note: `A chain is called ${existing.name} already: its plugins are replaced, and it keeps its places.`,
                  act: 'Replace this chain',
                };
          }}
          done={(name) => {
            ask(null);
            const existing = chainNamed(state, name);
            if (existing === undefined) actions.keepChain(lane, name);
            else actions.replaceChain(lane, existing);
          }}
          close={() => ask(null)}
        />
      )}
    </>
  );
}
