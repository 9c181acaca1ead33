import { parseAsString, useQueryState } from 'nuqs';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { byOrder, chestsOf } from '@clever-drawer/core/chests/look-up';
import { chestsFor } from '@clever-drawer/core/menu/slot-menu';
import { FAVOURITES } from '@clever-drawer/core/chests/rows/tray-entry';
import { group } from '@clever-drawer/core/chests/row-groups';
import { slotsIn } from '@clever-drawer/core/chests/chains';
import { asId, type SessionId, type SlotId } from '@clever-drawer/core/ids';
import { EmptyNote, Failed, Loading } from '../parts/empty-note';
import { useCatalogue, type Catalogue } from '../catalogue/queries';
import { useChosen } from '../catalogue/chosen-catalogue';
import { FacesContext } from '../catalogue/face';
import { NO_USES, useUses } from '../catalogue/uses';
import { useArrangement } from '../arrangement/arrangement-query';
import type { WindowState } from '../arrangement/window-state';
import { StatusLine } from '../frame/status-line';
import { useItemActs } from '../boxes/item-acts';
import { useChanges } from '../arrangement/changes';
import { counted } from '../lib/counted';
import { useComputer } from '../lib/use-computer';
import { useFocusOnArrival } from '../lib/focus';
import { ActMenus } from '../parts/act-menu';
import { KeyHint } from '../keys/key-hint';
import { useStoredFlag } from '../lib/use-stored';
import { DrawerShelf } from './drawer-shelf';
import { LaneColumn } from './lane-column';
import { LoadDragLayer } from './load-drag-layer';
import { laneActions, sessionActions, slotActions } from './session-actions';
import { SessionHead } from './session-head';
import { useSessionFiles } from './session-files';
import { SlotChooser } from './slot-chooser';
import { placeOf, useLoading } from './use-loading';
import styles from './load.module.css';

const ONLY_FAVOURITES = [FAVOURITES];
const NOTHING_TO_DO = (): void => undefined;

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

function SessionDesk({ catalogue: workedOut, arranged: { state } }: { catalogue: Catalogue; arranged: WindowState }) {
  const catalogue = useChosen(workedOut, state);
  const computer = useComputer();
  const changes = useChanges(computer.id);
  const { uses } = useUses(computer.id).data ?? NO_USES;
  const [shown, show] = useQueryState('session', parseAsString);
  const [remembered, remember] = useState<SlotId | null>(null);
  const shelf = useStoredFlag('shelf');
  const { opened, last, open, close, take, load } = useLoading(state, catalogue, changes);
  const sessions = [...state.session.values()].sort(byOrder);
  const session = sessions.find((one) => one.id === shown) ?? sessions[0];
  const chest = chestsFor(chestsOf(state), 'insert')[0]?.id ?? null;
  const acts = useItemActs({ catalogue, state, changes, chest, trays: ONLY_FAVOURITES, closed: NOTHING_TO_DO });
  const needs = { state, catalogue, changes, uses, load, open, itemActs: acts.of };
  const files = useSessionFiles(needs, (id) => void show(id));
  useFocusOnArrival('[data-lanes] button[data-slot][data-empty], [data-lanes] button[data-slot]');
  const own = { ...sessionActions(needs, (id: SessionId) => void show(id)), ...files };
  const slot = opened === null ? undefined : state.slot.get(opened.slotId);
  if (session === undefined)
    return (
      <main>
        <EmptyNote title="No practice session yet">
          <p>
            It stands in for your music program: instrument and audio tracks, a bus and the master, with slots to load
            plugins into.
          </p>
          <Button onClick={() => own.make('Practice session')}>Create session</Button>{' '}
          <Button variant="outline-primary" onClick={own.bringIn}>
            Import a session …
          </Button>
        </EmptyNote>
        {files.input}
      </main>
    );
  const lanes = group(state, 'lanesOf', asId<SessionId>(session.id));
  const onSlots = slotActions(needs, remembered, remember);
  const onLanes = laneActions(needs);
  return (
    <FacesContext value={state.face}>
      <ActMenus>
        <LoadDragLayer state={state} catalogue={catalogue} onSlots={onSlots} onLanes={onLanes}>
          <main className={styles.load}>
            <SessionHead session={session} lanes={lanes.length} state={state} actions={own} shelf={shelf} />
            {lanes.length === 0 && <p className="quiet">No lanes yet: “New lane” adds one.</p>}
            <div className={styles.lanes} data-lanes role="group" aria-label="Lanes" tabIndex={-1}>
              {lanes.map((lane) => (
                <LaneColumn
                  key={lane.id}
                  lane={lane}
                  state={state}
                  catalogue={catalogue}
                  slotActions={onSlots}
                  laneActions={onLanes}
                />
              ))}
            </div>
            {shelf[0] && <DrawerShelf catalogue={catalogue} state={state} />}
          </main>
        </LoadDragLayer>
        {files.input}
        {acts.boxes}
        <StatusLine>
          <span>
            {last === null ? (
              <span className="if-room">
                <KeyHint place="slots" does="open" /> or a letter on a slot opens the chooser
              </span>
            ) : (
              <>
                Last load: <b>{last.name}</b>
                {last.effort !== null && ` in ${last.effort.seconds.toFixed(1)} s, ${counted(last.effort.keys, 'key')}`}
              </>
            )}
          </span>
        </StatusLine>
        {opened !== null && slot !== undefined && (
          <SlotChooser
            key={opened.turn}
            lane={state.lane.get(slot.laneId)}
            number={slotsIn(state, slot.laneId).findIndex((one) => one.id === slot.id) + 1}
            place={placeOf(state, slot)}
            typedFirst={opened.typed}
            catalogue={catalogue}
            state={state}
            changes={changes}
            take={take}
            clear={
              slot.pluginId === null
                ? null
                : () => {
                    close();
                    onSlots.clear(slot);
                  }
            }
            close={close}
          />
        )}
      </ActMenus>
    </FacesContext>
  );
}
