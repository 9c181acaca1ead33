import clsx from 'clsx';
import { useRef, type RefObject } from 'react';
import type { Lane, LaneKind } from '@clever-drawer/core/chests/rows/lane';
import type { Slot } from '@clever-drawer/core/chests/rows/slot';
import { SLOT_LABELS } from '@clever-drawer/core/menu/slot-menu';
import { absenceOf } from '../catalogue/presence';
import { itemId } from '@clever-drawer/core/chests/item';
import type { ChosenCatalogue } from '../catalogue/queries';
import { TypeGlyph } from '../catalogue/type-glyph';
import { takeKey, type KeyHandlers } from '../keys/use-keys';
import { openMenuHere, useActMenu } from '../parts/act-menu';
import { actsOf } from '../parts/menu-act';
import { PlainButton } from '../parts/plain-button';
import styles from './load.module.css';

const LANE_LABELS: Readonly<Record<LaneKind, string>> = {
  instrument: 'instrument track',
  audio: 'audio track',
  bus: 'bus',
  master: 'master',
};

interface Props {
  readonly lane: Lane;
  readonly slots: readonly Slot[];
  readonly catalogue: ChosenCatalogue;
  readonly open: (slot: Slot) => void;
  readonly clear: (slot: Slot) => void;
}

/** One track or bus with its slots from top to bottom, in the order in which the signal passes them. */
export function LaneColumn({ lane, slots, catalogue, open, clear }: Props) {
  return (
    <section className={styles.lane} aria-label={`${lane.name}, ${LANE_LABELS[lane.kind]}`}>
      <div className={clsx('quiet', styles.laneKind)}>{LANE_LABELS[lane.kind]}</div>
      <ul>
        {slots.map((slot, index) => (
          <li key={slot.id} className={styles.slotLine} data-kind={slot.kind}>
            <SlotButton
              slot={slot}
              place={`${lane.name}, slot ${String(index + 1)}`}
              catalogue={catalogue}
              open={open}
              clear={clear}
            />
          </li>
        ))}
      </ul>
      <h2 className="one-line">{lane.name}</h2>
    </section>
  );
}

function SlotButton({
  slot,
  place,
  catalogue,
  open,
  clear,
}: { slot: Slot; place: string; catalogue: ChosenCatalogue } & Pick<Props, 'open' | 'clear'>) {
  const plugin = slot.pluginId === null ? undefined : catalogue.byId.get(itemId({ ...slot, pluginId: slot.pluginId }));
  const build = plugin?.builds.find((one) => one.id === slot.buildId);
  const words =
    plugin === undefined
      ? `empty, for: ${SLOT_LABELS[slot.kind]}`
      : [plugin.name, build?.format, absenceOf(plugin)].filter((word) => word != null).join(', ');
  const openMenu = useActMenu();
  const button = useRef<HTMLButtonElement>(null);
  const handlers: KeyHandlers<'slots'> = {
    ...slotWalk(button),
    open: () => open(slot),
    clear: plugin === undefined ? null : () => clear(slot),
    menu: openMenuHere,
  };
  return (
    <>
      <button
        ref={button}
        type="button"
        id={slot.id}
        data-slot={slot.kind}
        className={clsx(styles.slot, plugin === undefined && styles.empty)}
        aria-label={`${place}: ${words}`}
        title={words}
        onClick={() => open(slot)}
        onKeyDown={(event) => takeKey('slots', event, handlers)}
        onContextMenu={(event) => openMenu(event, `${place}: ${words}`, actsOf('slots', handlers, ['open', 'clear']))}
      >
        {plugin === undefined ? (
          <span className="quiet">{SLOT_LABELS[slot.kind]}</span>
        ) : (
          <>
            <TypeGlyph types={plugin.types} role={plugin.role} />
            <span className={styles.slotName}>
              <bdi>{plugin.naming?.stripLabel ?? plugin.name}</bdi>
            </span>
          </>
        )}
      </button>
      {plugin !== undefined && (
        <PlainButton
          className={styles.clearSlot}
          tabIndex={-1}
          aria-label={`Clear ${place}`}
          onClick={() => clear(slot)}
        >
          ×
        </PlainButton>
      )}
    </>
  );
}

const SLOT = 'button[data-slot]';

/** Arrows go from slot to slot: up and down in a lane, left and right to the slot of the same height. */
function slotWalk(button: RefObject<HTMLButtonElement | null>): KeyHandlers<'fronts'> {
  const go = (right: number, down: number) => (): void => {
    const here = button.current;
    const lanes = [...(here?.closest('[data-lanes]')?.children ?? [])];
    const columns = lanes.map((lane) => [...lane.querySelectorAll<HTMLElement>(SLOT)]);
    const x = columns.findIndex((slots) => slots.some((one) => one === here));
    const y = columns[x]?.findIndex((one) => one === here) ?? 0;
    const column = columns[x + right];
    column?.[Math.max(0, Math.min(y + down, column.length - 1))]?.focus();
  };
  return { left: go(-1, 0), right: go(1, 0), up: go(0, -1), down: go(0, 1) };
}
