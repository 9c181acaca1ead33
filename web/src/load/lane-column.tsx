import { useDroppable } from '@dnd-kit/core';
import clsx from 'clsx';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { slotsIn } from '@clever-drawer/core/chests/chains';
import type { Lane, LaneKind } from '@clever-drawer/core/chests/rows/lane';
import type { ChosenCatalogue } from '../catalogue/chosen-catalogue';
import { PlainButton } from '../parts/plain-button';
import { SlotButton, type SlotActions } from './slot-button';
import type { LoadTarget } from './load-drag';
import { useIsAimed } from './load-aim';
import { LaneMenu, type LaneActions } from './lane-menu';
import { LaneWords } from './lane-words';
import styles from './load.module.css';

export const LANE_LABELS: Readonly<Record<LaneKind, string>> = {
  instrument: 'instrument track',
  audio: 'audio track',
  bus: 'bus',
  master: 'master',
};

interface Props {
  readonly lane: Lane;
  readonly state: Arrangement;
  readonly catalogue: ChosenCatalogue;
  readonly slotActions: SlotActions;
  readonly laneActions: LaneActions;
}

/** One track or bus with its slots from top to bottom, in the order in which the signal passes them; below them what that is made of. */
export function LaneColumn({ lane, state, catalogue, slotActions, laneActions }: Props) {
  const slots = slotsIn(state, lane.id);
  const last = slots.at(-1);
  const data: LoadTarget = { laneId: lane.id };
  const head = useDroppable({ id: `head ${lane.id}`, data });
  const plus = useDroppable({ id: `plus ${lane.id}`, data });
  const isAimed = useIsAimed(lane.id);
  return (
    <section className={styles.lane} aria-label={`${lane.name}, ${LANE_LABELS[lane.kind]}`}>
      <div ref={head.setNodeRef} className={clsx(styles.laneHead, isAimed && styles.aimed)}>
        <h2 className="one-line">
          <bdi>{lane.name}</bdi>
        </h2>
        <LaneMenu lane={lane} state={state} actions={laneActions} />
      </div>
      <div className={clsx('quiet', styles.laneKind)}>
        {LANE_LABELS[lane.kind]}
        {lane.width == null ? '' : `, ${lane.width}`}
      </div>
      <ul>
        {slots.map((slot, index) => (
          <li key={slot.id} className={styles.slotLine} data-kind={slot.kind}>
            <SlotButton
              slot={slot}
              width={lane.width ?? null}
              place={`${lane.name}, slot ${String(index + 1)}`}
              catalogue={catalogue}
              actions={slotActions}
            />
          </li>
        ))}
        <li ref={plus.setNodeRef}>
          <PlainButton
            className={clsx(styles.addSlot, isAimed && styles.aimed)}
            onClick={() => laneActions.addSlot(lane, null)}
            aria-label={`Another slot in ${lane.name}`}
          >
            + slot
          </PlainButton>
        </li>
      </ul>
      {last !== undefined && <LaneWords lane={lane} state={state} catalogue={catalogue} actions={laneActions} />}
    </section>
  );
}
