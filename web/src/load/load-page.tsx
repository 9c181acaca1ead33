import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import type { Lane } from '@clever-drawer/core/chests/rows/lane';
import type { Slot } from '@clever-drawer/core/chests/rows/slot';
import { byOrder } from '@clever-drawer/core/chests/look-up';
import { asId, type LaneId, type SessionId } from '@clever-drawer/core/ids';
import { EmptyNote, Failed, Loading } from '../parts/empty-note';
import { useCatalogue, useChosen, type Catalogue } from '../catalogue/queries';
import { useArrangement } from '../arrangement/arrangement-query';
import type { WindowState } from '../arrangement/window-state';
import { StatusLine } from '../frame/status-line';
import { useChanges, type Changes } from '../arrangement/changes';
import { useComputer } from '../lib/use-computer';
import { LaneColumn } from './lane-column';
import { ActMenus } from '../parts/act-menu';
import { SlotChooser } from './slot-chooser';
import type { Chosen } from './use-chooser';
import styles from './load.module.css';

/** Load: the practice session, its lanes side by side, and the chooser that opens on a slot. */
export function LoadPage() {
  const computer = useComputer();
  const catalogue = useCatalogue(computer.id);
  const arranged = useArrangement(computer.id);
  if (catalogue.isError) return <Failed error={catalogue.error} again={() => void catalogue.refetch()} />;
  if (arranged.isError && arranged.data === undefined)
    return <Failed error={arranged.error} again={() => void arranged.refetch()} />;
  if (catalogue.data === undefined || arranged.data === undefined) return <Loading what="the session" />;
  return <SessionDesk catalogue={catalogue.data} arranged={arranged.data} />;
}

interface LastLoad {
  readonly name: string;
  readonly seconds: number;
}

function SessionDesk({ catalogue: workedOut, arranged: { state } }: { catalogue: Catalogue; arranged: WindowState }) {
  const catalogue = useChosen(workedOut, state);
  const computer = useComputer();
  const changes = useChanges(computer.id);
  const [opened, setOpened] = useState<{ slot: Slot; at: number } | null>(null);
  const [last, setLast] = useState<LastLoad | null>(null);
  const [session] = [...state.session.values()].sort(byOrder);
  if (session === undefined) return <NoSession changes={changes} />;
  const lanes = [...state.lane.values()].filter((lane) => lane.sessionId === session.id).sort(byOrder);
  const slotsOf = (lane: Lane): Slot[] =>
    [...state.slot.values()].filter((slot) => slot.laneId === lane.id).sort(byOrder);

  const close = (slot: Slot): void => {
    setOpened(null);
    // The keyboard goes on where it was.
    requestAnimationFrame(() => document.getElementById(slot.id)?.focus());
  };
  const choose = async ({ plugin, way }: Chosen): Promise<void> => {
    if (opened === null) return;
    const milliseconds = Math.round(performance.now() - opened.at);
    close(opened.slot);
    const done = await changes.load({ slotId: opened.slot.id, pluginId: plugin.id, way, milliseconds });
    if (done) setLast({ name: plugin.name, seconds: milliseconds / 1000 });
  };
  const clear = (slot: Slot): void => {
    if (slot.pluginId !== null) void changes.make({ kind: 'clear-slot', slotId: slot.id });
  };
  return (
    <ActMenus>
      <main className={styles.load}>
        <div className={styles.sessionHead}>
          <h1>{session.name}</h1>
          <span className="quiet">practice session · {lanes.length} lanes · it stands in for your music program</span>
        </div>
        <div className={styles.lanes} data-lanes>
          {lanes.map((lane) => (
            <LaneColumn
              key={lane.id}
              lane={lane}
              slots={slotsOf(lane)}
              catalogue={catalogue}
              open={(slot) => setOpened({ slot, at: performance.now() })}
              clear={clear}
            />
          ))}
        </div>
      </main>
      <StatusLine>
        <span>
          {last === null ? (
            'Enter on a slot opens the chooser'
          ) : (
            <>
              Last load: <b>{last.name}</b> in {last.seconds.toFixed(1)} s
            </>
          )}
        </span>
      </StatusLine>
      {opened !== null && (
        <SlotChooser
          slot={opened.slot}
          lane={state.lane.get(opened.slot.laneId)}
          catalogue={catalogue}
          state={state}
          changes={changes}
          choose={(chosen) => void choose(chosen)}
          close={() => close(opened.slot)}
        />
      )}
    </ActMenus>
  );
}

const NEW_LANES = [
  ['instrument', 'Instrument 1', 3],
  ['instrument', 'Instrument 2', 3],
  ['audio', 'Audio 1', 4],
  ['audio', 'Audio 2', 4],
  ['bus', 'Bus', 3],
  ['master', 'Master', 3],
] as const;

function NoSession({ changes }: { changes: Changes }) {
  const make = (): void => {
    const lanes = NEW_LANES.map(([kind, name, inserts]) => ({
      id: asId<LaneId>(crypto.randomUUID()),
      kind,
      name,
      inserts,
    }));
    void changes.make({
      kind: 'make-session',
      id: asId<SessionId>(crypto.randomUUID()),
      name: 'Practice session',
      lanes,
    });
  };
  return (
    <main>
      <EmptyNote title="No practice session yet">
        <p>
          It stands in for your music program: instrument and audio tracks, a bus and the master, with slots to load
          plugins into.
        </p>
        <Button onClick={make}>Create session</Button>
      </EmptyNote>
    </main>
  );
}
