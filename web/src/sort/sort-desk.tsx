import { DndContext, DragOverlay, PointerSensor, pointerWithin, useSensor, useSensors } from '@dnd-kit/core';
import { useCallback, useMemo, useRef, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { LAST_LOOK } from '@clever-drawer/core/chests/rows/look';
import { TRAYS } from '@clever-drawer/core/chests/rows/tray-entry';
import type { Drawer } from '@clever-drawer/core/chests/rows/drawer';
import { chestsOf } from '@clever-drawer/core/chests/look-up';
import type { DrawerId, PluginId } from '@clever-drawer/core/ids';
import { EmptyNote } from '../parts/empty-note';
import type { ChosenCatalogue } from '../catalogue/queries';
import type { WindowState } from '../arrangement/window-state';
import { useChanges } from '../arrangement/changes';
import { useAfterPaint } from '../lib/use-after-paint';
import { useKept } from '../lib/use-kept';
import { useSteady, useSteadyList } from '../lib/use-steady';
import { useComputer } from '../lib/use-computer';
import { ChestPanel } from './chest/chest-panel';
import { ChestTabs, makeChest } from './chest/chest-tabs';
import { DeskBoxes, type DeskBox } from './desk-boxes';
import { DeskStatus } from './desk-status';
import { besidePointer } from './drag/drag';
import { DragLabel } from './drag/drag-label';
import { FacesContext } from '../catalogue/face';
import { isNew } from './ribbons/facets';
import { FindLine } from './find/find-line';
import { bringBackWish, shiftOnTrayWish, toFileQueue, trayWish } from './filing/desk-wishes';
import { NothingFound } from './list/nothing-found';
import { PluginList } from './list/plugin-list';
import { PluginPanel } from './plugin/plugin-panel';
import { Ribbons } from './ribbons/ribbons';
import { ToFilePanel } from './filing/to-file-panel';
import { useDeskKeys, type DeskKeys, type LineMove } from './use-desk-keys';
import { useDrop } from './drag/use-drop';
import { useFiling } from './filing/use-filing';
import { useListed } from './list/use-listed';
import { useSearch } from '../catalogue/use-search';
import { useSortView, type SortBy } from './find/use-sort-view';
import { useSubject } from './list/use-subject';

// One object for good: another one with every keystroke would draw every front anew.
const DRAG_STARTS = { activationConstraint: { distance: 5 } };
const NONE_LIT: ReadonlySet<string> = new Set();

/** The list, the chest, and everything that goes on between them. */
export function SortDesk({ catalogue, arranged }: { catalogue: ChosenCatalogue; arranged: WindowState }) {
  const computer = useComputer();
  const changes = useChanges(computer.id);
  const { state } = arranged;
  const viewing = useSortView();
  const { view, look } = viewing;
  const chest = chestsOf(state).find((one) => one.id === view.chest) ?? chestsOf(state)[0] ?? null;
  const found = useSearch(catalogue.plugins, view.typed);
  // The drawers show a change at once; what it means for a list of tens of thousands follows when there is time.
  const listed = useListed(catalogue, useAfterPaint(state), chest?.id ?? null, view, found);
  const { selection, ids: chosen, isElsewhere, selectElsewhere } = useSubject(listed.ids);
  const [box, setBox] = useState<DeskBox | null>(null);
  const [making, setMaking] = useState<DrawerId | null | undefined>(undefined);
  const [about, setAbout] = useState<PluginId | null>(null);
  const [queue, setQueue] = useState<readonly PluginId[] | null>(null);
  const [lit, setLit] = useState<ReadonlySet<string>>(NONE_LIT);
  const { file, fileIntoNew, again } = useFiling(state, chest, changes);
  const [pictures, setPictures] = useKept('pictures');
  const open = useSteadyList(view.open);
  const left = useRef<HTMLDivElement>(null);
  const drop = useDrop(state, changes);
  const sensors = useSensors(useSensor(PointerSensor, DRAG_STARTS));
  const seenAt = state.look.get(LAST_LOOK)?.at ?? catalogue.firstArrival;
  const light = useCallback((ids: readonly string[]) => setLit(ids.length === 0 ? NONE_LIT : new Set(ids)), []);

  const hasChosen = chosen.length > 0;
  const focusList = (): void => left.current?.querySelector<HTMLElement>('[data-list]')?.focus();
  /** Out of the search line: on to the best match. */
  const intoList = (): void => {
    focusList();
    selection.moveTo(0, false);
  };
  const openBox = (kind: DeskBox['kind'], ids: readonly PluginId[] = chosen): void => setBox({ kind, ids });
  const workThrough = (): void => setQueue(toFileQueue(catalogue, listed.places, seenAt));
  // A plugin of which only some builds are set aside has something to bring back too.
  const withAside = useMemo(() => new Set([...state.aside.values()].map((aside) => aside.pluginId)), [state.aside]);
  const someAside = withAside.size > 0 && chosen.some((id) => withAside.has(id));
  const keys: DeskKeys = {
    file: hasChosen && chest !== null ? () => openBox('file') : null,
    fileAgain: hasChosen && again.length > 0 ? () => file(chosen, again) : null,
    putRight: hasChosen ? () => openBox('right') : null,
    setAside: () => openBox('aside'),
    bringBack: someAside ? () => void changes.make(bringBackWish(catalogue, chosen)) : null,
    names: hasChosen ? () => openBox('names') : null,
    tray: hasChosen ? (tray) => void changes.make(trayWish(state, tray, chosen)) : null,
    offTrays: hasChosen ? () => void changes.make({ kind: 'clear-trays', trays: TRAYS, pluginIds: chosen }) : null,
    newDrawer: chest === null ? null : () => setMaking(null),
    toFile: chest === null ? null : workThrough,
    pictures: () => setPictures(!pictures),
  };
  useDeskKeys(keys, box !== null || making !== undefined);

  const chestActions = useSteady({
    setOpen: (next: readonly string[]) => look({ open: next }),
    list: (drawer: Drawer) => look({ filters: { ...view.filters, drawer: [drawer.id] } }),
  });
  const sortBy = (column: SortBy): void => {
    // Up, down, and back to the order of the search.
    if (view.sortBy !== column) look({ sortBy: column, down: false });
    else look(view.down ? { sortBy: null, down: false } : { down: true });
  };
  const [onlyTray] =
    view.filters.tray.length === 1 && view.sortBy === null && view.typed === '' ? view.filters.tray : [];
  const tray = TRAYS.find((one) => String(one) === onlyTray);
  const shiftOnTray = (to: LineMove): void => {
    const wish = tray === undefined ? null : shiftOnTrayWish(state, tray, chosen, to);
    if (wish !== null) void changes.make(wish);
  };

  return (
    <FacesContext value={state.face}>
      <DndContext sensors={sensors} collisionDetection={pointerWithin} {...drop.handlers}>
        <main className="sort">
          <h1 className="visually-hidden">Sort</h1>
          <FindLine
            viewing={viewing}
            state={state}
            changes={changes}
            shown={listed.ids.length}
            outside={listed.outside}
            intoList={intoList}
          />
          <Ribbons
            vendors={listed.vendors}
            counts={listed.counts}
            filters={view.filters}
            state={state}
            toggle={viewing.toggle}
            setFilters={(filters) => look({ filters })}
          />
          <div className="desk">
            <div className="desk-left" ref={left}>
              {queue !== null && chest !== null ? (
                <ToFilePanel
                  catalogue={catalogue}
                  state={state}
                  chest={chest}
                  changes={changes}
                  queue={queue}
                  fresh={queue.filter((id) => isFresh(id)).length}
                  isFiled={(id) => listed.places.has(id)}
                  light={light}
                  other={(id) => openBox('file', [id])}
                  setAside={(id) => openBox('aside', [id])}
                  about={setAbout}
                  close={() => {
                    setQueue(null);
                    requestAnimationFrame(focusList);
                  }}
                />
              ) : listed.ids.length === 0 ? (
                <NothingFound
                  typed={view.typed}
                  outside={listed.outside}
                  clear={viewing.clear}
                  all={() => look({ typed: '' })}
                />
              ) : (
                <PluginList
                  listed={listed}
                  state={state}
                  seen={(plugin) => isNew(plugin, seenAt)}
                  selection={selection}
                  view={view}
                  pictures={pictures}
                  sortBy={sortBy}
                  open={(index) => setAbout(listed.ids[index] ?? null)}
                  {...(tray === undefined ? {} : { shift: shiftOnTray })}
                />
              )}
              {about !== null && (
                <PluginPanel
                  key={about}
                  id={about}
                  state={state}
                  catalogue={catalogue}
                  close={() => setAbout(null)}
                  putRight={() => openBox('right', [about])}
                  name={() => openBox('names', [about])}
                  setAside={() => openBox('aside', [about])}
                />
              )}
            </div>
            <div className="desk-right">
              <ChestTabs
                state={state}
                catalogue={catalogue}
                chest={chest}
                changes={changes}
                choose={(id) => look({ chest: id, open: [] })}
                filed={listed.filed}
                toFile={listed.toFile}
                workThrough={workThrough}
              />
              {chest === null ? (
                <EmptyNote title="No chest yet">
                  <p>A chest holds your drawers. Begin with an empty one, or have one worked out from the catalogue.</p>
                  <div className="empty-choices">
                    <Button
                      onClick={() =>
                        void makeChest(changes, { name: 'Everyday', slots: null, start: { kind: 'empty' } })
                      }
                    >
                      Begin empty
                    </Button>
                    <Button
                      variant="outline-primary"
                      onClick={() =>
                        void makeChest(changes, {
                          name: 'By type',
                          slots: null,
                          start: { kind: 'worked-out', by: 'type', most: 40, inner: 'letters', without: null },
                        })
                      }
                    >
                      Work one out by type
                    </Button>
                  </div>
                </EmptyNote>
              ) : (
                <ChestPanel
                  state={state}
                  chest={chest}
                  catalogue={catalogue}
                  open={open}
                  setOpen={chestActions.setOpen}
                  changes={changes}
                  target={drop.target}
                  making={making}
                  setMaking={setMaking}
                  pictures={pictures}
                  list={chestActions.list}
                  about={setAbout}
                  selected={selectElsewhere}
                  lit={lit}
                />
              )}
            </div>
          </div>
        </main>
        <DeskStatus
          chosen={chosen.length}
          isElsewhere={isElsewhere}
          keys={keys}
          again={again.map((drawer) => drawer.name).join(', ')}
          pictures={pictures}
          selectAll={listed.ids.length > 0 && selection.ids.size < listed.ids.length ? selection.all : null}
        />
        {box !== null && (
          <DeskBoxes
            box={box}
            catalogue={catalogue}
            state={state}
            chest={chest}
            changes={changes}
            file={file}
            fileIntoNew={fileIntoNew}
            close={() => {
              setBox(null);
              // The keyboard goes on with what is to be filed.
              if (queue !== null)
                requestAnimationFrame(() => document.querySelector<HTMLElement>('[data-to-file]')?.focus());
            }}
          />
        )}
        <DragOverlay dropAnimation={null} modifiers={[besidePointer]} className="drag-overlay">
          {drop.dragged !== null && <DragLabel dragged={drop.dragged} target={drop.target} state={state} />}
        </DragOverlay>
      </DndContext>
    </FacesContext>
  );

  function isFresh(id: PluginId): boolean {
    const plugin = catalogue.byId.get(id);
    return plugin !== undefined && isNew(plugin, seenAt) && !listed.places.has(id) && plugin.aside === null;
  }
}
