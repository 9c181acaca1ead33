import { DndContext, DragOverlay, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import { useMemo, useRef, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { chestsOf, trayEntryId, FAVOURITES, type Drawer } from '@clever-drawer/core/chests/arrangement';
import { asId, type DrawerId, type PluginId } from '@clever-drawer/core/ids';
import Button from 'react-bootstrap/Button';
import { EmptyNote } from '../shared/empty-note';
import type { Arranged, Catalogue } from '../shared/queries';
import { StatusLine } from '../shared/status-line';
import { useChanges } from '../shared/use-changes';
import { useComputer } from '../shared/use-place';
import { ChestPanel } from './chest-panel';
import { ChestTabs, makeChest } from './chest-tabs';
import { besidePointer, innermost } from './drag';
import { DragLabel } from './drag-label';
import { DrawerBox } from './drawer-box';
import { FindLine } from './find-line';
import { PluginList } from './plugin-list';
import { PluginPanel } from './plugin-panel';
import { PutRightBox } from './put-right-box';
import { RoleRibbon } from './role-ribbon';
import { useDrop } from './use-drop';
import { useListed } from './use-listed';
import { useSelection } from './use-selection';
import { useSortView, type RoleFilter, type SortBy } from './use-sort-view';

const DRAG_STARTS_PX = 5;

/** The list, the chest, and everything that goes on between them. */
export function SortDesk({ catalogue, arranged }: { catalogue: Catalogue; arranged: Arranged }) {
  const computer = useComputer();
  const changes = useChanges(computer.id);
  const { state } = arranged;
  const { view, look } = useSortView();
  const chest = chestsOf(state).find((one) => one.id === view.chest) ?? chestsOf(state)[0] ?? null;
  const listed = useListed(catalogue, state, chest?.id ?? null, view);
  const ids = useMemo(() => listed.rows.map((row) => row.plugin.id), [listed.rows]);
  const selection = useSelection(ids);
  const [filing, setFiling] = useState(false);
  const [making, setMaking] = useState<DrawerId | null | undefined>(undefined);
  const [right, setRight] = useState<readonly PluginId[] | null>(null);
  const [about, setAbout] = useState<PluginId | null>(null);
  const left = useRef<HTMLDivElement>(null);
  const drop = useDrop(state, changes);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: DRAG_STARTS_PX } }));

  const chosen = [...selection.ids];
  const hasChosen = chosen.length > 0;
  const toggleFavourite = (): void => {
    const on = chosen.every((id) => state.trayEntry.has(trayEntryId(FAVOURITES, id)));
    void changes.make({ kind: on ? 'tray-off' : 'tray-on', tray: FAVOURITES, pluginIds: chosen });
  };
  const intoList = (): void => {
    left.current?.querySelector<HTMLElement>('[data-list]')?.focus();
    if (selection.at < 0) selection.moveTo(0, false);
  };
  useHotkeys('f', () => setFiling(true), { enabled: hasChosen && chest !== null && !filing, preventDefault: true });
  useHotkeys('c', () => setRight(chosen), { enabled: hasChosen && right === null && !filing, preventDefault: true });
  useHotkeys('1', toggleFavourite, { enabled: hasChosen });
  useHotkeys('n', () => setMaking(null), {
    enabled: chest !== null && making === undefined && !filing,
    preventDefault: true,
  });

  const toggleRole = (role: RoleFilter): void =>
    look({ roles: view.roles.includes(role) ? view.roles.filter((one) => one !== role) : [...view.roles, role] });
  const sortBy = (column: SortBy): void => {
    // Up, down, and back to the order of the search.
    if (view.sortBy !== column) look({ sortBy: column, down: false });
    else look(view.down ? { sortBy: null, down: false } : { down: true });
  };
  const file = (drawers: readonly Drawer[]): void => {
    setFiling(false);
    void changes.make({ kind: 'file', drawerIds: drawers.map((drawer) => drawer.id), pluginIds: chosen });
  };
  const fileIntoNew = (name: string): void => {
    setFiling(false);
    if (chest === null) return;
    void changes.make({
      kind: 'make-drawer',
      id: asId<DrawerId>(crypto.randomUUID()),
      chestId: chest.id,
      parentId: null,
      name,
      rule: null,
      pluginIds: chosen,
    });
  };
  const filedCount = useMemo(
    () => filedIn(listed.contents, state.drawer, chest?.id),
    [listed.contents, state.drawer, chest?.id],
  );

  return (
    <DndContext sensors={sensors} collisionDetection={innermost} {...drop.handlers}>
      <main className="sort">
        <h1 className="visually-hidden">Sort</h1>
        <FindLine view={view} look={look} shown={listed.rows.length} outside={listed.outside} intoList={intoList} />
        <RoleRibbon counts={listed.byRole} chosen={view.roles} toggle={toggleRole} />
        <div className="desk">
          <div className="desk-left" ref={left}>
            {listed.rows.length === 0 ? (
              <EmptyNote title="Nothing found">
                <p>
                  {listed.outside > 0
                    ? `${String(listed.outside)} match outside the filter.`
                    : 'No name and no vendor has words that begin so.'}
                </p>
                <Button
                  variant="outline-primary"
                  onClick={() => look({ typed: listed.outside > 0 ? view.typed : '', roles: [] })}
                >
                  {listed.outside > 0 ? 'Take the filter off' : 'Show everything'}
                </Button>
              </EmptyNote>
            ) : (
              <PluginList
                rows={listed.rows}
                selection={selection}
                view={view}
                sortBy={sortBy}
                open={(index) => setAbout(ids[index] ?? null)}
              />
            )}
            {about !== null && (
              <PluginPanel
                key={about}
                id={about}
                state={state}
                contents={listed.contents}
                close={() => setAbout(null)}
                putRight={() => setRight([about])}
              />
            )}
          </div>
          <div className="desk-right">
            <ChestTabs
              state={state}
              chest={chest}
              changes={changes}
              choose={(id) => look({ chest: id, open: [] })}
              filed={`${String(filedCount)} of ${String(catalogue.plugins.length)} filed`}
            />
            {chest === null ? (
              <EmptyNote title="No chest yet">
                <p>A chest holds your drawers. Begin with an empty one, or have one worked out from the catalogue.</p>
                <div className="empty-choices">
                  <Button onClick={() => void makeChest(changes, 'Everyday', 'empty')}>Begin empty</Button>
                  <Button variant="outline-primary" onClick={() => void makeChest(changes, 'By type', 'type')}>
                    Work one out by type
                  </Button>
                </div>
              </EmptyNote>
            ) : (
              <ChestPanel
                state={state}
                chest={chest}
                contents={listed.contents}
                open={view.open}
                setOpen={(open) => look({ open })}
                changes={changes}
                target={drop.target}
                making={making}
                setMaking={setMaking}
              />
            )}
          </div>
        </div>
      </main>
      <StatusLine>
        <span>
          <b>{chosen.length}</b> selected
        </span>
        {hasChosen && (
          <>
            <button type="button" className="plain" disabled={chest === null} onClick={() => setFiling(true)}>
              <kbd>F</kbd> file in …
            </button>
            <button type="button" className="plain" onClick={toggleFavourite}>
              <kbd>1</kbd> Favourites
            </button>
            <button type="button" className="plain" onClick={() => setRight(chosen)}>
              <kbd>C</kbd> put right
            </button>
          </>
        )}
      </StatusLine>
      {right !== null && (
        <PutRightBox
          plugins={right.map((id) => catalogue.byId.get(id)).filter((plugin) => plugin !== undefined)}
          state={state}
          changes={changes}
          close={() => setRight(null)}
        />
      )}
      {filing && chest !== null && (
        <DrawerBox
          title={`File ${chosen.length === 1 ? 'one plugin' : `${String(chosen.length)} plugins`} into`}
          state={state}
          chest={chest.id}
          several
          done={file}
          make={fileIntoNew}
          close={() => setFiling(false)}
        />
      )}
      <DragOverlay dropAnimation={null} modifiers={[besidePointer]} className="drag-overlay">
        {drop.dragged !== null && <DragLabel dragged={drop.dragged} target={drop.target} state={state} />}
      </DragOverlay>
    </DndContext>
  );
}

function filedIn(
  contents: ReadonlyMap<string, readonly { readonly plugin: { readonly id: string } }[]>,
  drawers: ReadonlyMap<string, Drawer>,
  chest: string | undefined,
): number {
  const filed = new Set<string>();
  for (const [drawer, inside] of contents) {
    if (drawers.get(drawer)?.chestId === chest) for (const { plugin } of inside) filed.add(plugin.id);
  }
  return filed.size;
}
