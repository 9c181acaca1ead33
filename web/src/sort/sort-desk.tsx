import { DndContext, DragOverlay } from '@dnd-kit/core';
import type { ItemId } from '@clever-drawer/core/ids';
import type { WindowState } from '../arrangement/window-state';
import { useEffect } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { TO_FILE } from '../lib/visited';
import { FacesContext } from '../catalogue/face';
import type { ChosenCatalogue } from '../catalogue/chosen-catalogue';
import { DeskBoxes } from './desk-boxes';
import { DeskLeft } from './desk-left';
import { DeskRight } from './desk-right';
import { DeskStatus } from './desk-status';
import { DragLabel } from './drag/drag-label';
import { ActMenus } from '../parts/act-menu';
import { besidePointer, usePointerSensors } from '../parts/pointer-drag';
import { ArrivedBar } from './find/arrived-bar';
import { FindLine } from './find/find-line';
import { Ribbons } from './ribbons/ribbons';
import { useDesk } from './use-desk';
import { useDeskKeys } from './use-desk-keys';
import dragStyles from '../parts/drag-label.module.css';
import sortStyles from './sort.module.css';

/** The list, the chest, and everything that goes on between them. */
export function SortDesk({ catalogue, arranged }: { catalogue: ChosenCatalogue; arranged: WindowState }) {
  const desk = useDeskKeys(useDesk(catalogue, arranged));
  const { state, changes, viewing, listed, subject, filing, drop, box } = desk;
  const { selection } = subject;
  useFileAsked(desk.workThrough);
  const sensors = usePointerSensors();
  return (
    <FacesContext value={state.face}>
      <DndContext sensors={sensors} autoScroll={false} {...drop.handlers}>
        <ActMenus>
          <main className={sortStyles.sort}>
            <h1 className="visually-hidden">Sort</h1>
            <FindLine
              viewing={viewing}
              state={state}
              changes={changes}
              shown={listed.ids.length}
              isSettled={desk.isSettled}
              outside={listed.outside}
              byRule={desk.chest === null ? null : () => desk.openBox('examples', listed.ids)}
              addOwn={() => desk.openBox('own-entries', [])}
              addFiles={() => desk.openBox('files', [])}
              chooseColumns={() => desk.openBox('columns', [])}
              hasMore={desk.hasMore}
              showMore={desk.showMore}
              intoList={desk.intoList}
            />
            <ArrivedBar viewing={viewing} />
            <Ribbons
              vendors={listed.vendors}
              showsFurther={desk.showsFurther}
              counts={listed.counts}
              filters={viewing.view.filters}
              state={state}
              toggle={viewing.toggle}
              setFilters={(filters) => viewing.look({ filters })}
            />
            <div className={sortStyles.desk}>
              <DeskLeft desk={desk} />
              <DeskRight desk={desk} />
            </div>
          </main>
        </ActMenus>
        <DeskStatus
          chosen={subject.ids.length}
          only={subject.ids.length === 1 ? (catalogue.byId.get(subject.ids[0] ?? ('' as ItemId))?.name ?? null) : null}
          place={subject.place}
          keys={desk.keys}
          again={filing.again.map((drawer) => drawer.name).join(', ')}
          pictures={desk.pictures}
          presetsLeftOut={catalogue.presetsLeftOut}
          selectAll={listed.ids.length > 0 && selection.ids.size < listed.ids.length ? selection.all : null}
        />
        {box !== null && (
          <DeskBoxes
            box={box}
            catalogue={catalogue}
            state={state}
            chest={desk.chest}
            changes={changes}
            file={filing.file}
            fileIntoNew={filing.fileIntoNew}
            goToDrawer={desk.goToDrawer}
            makeFirstChest={desk.makeFirstChest}
            added={desk.showAdded}
            typed={viewing.view.typed}
            columns={desk.columns}
            setColumns={desk.setColumns}
            close={desk.closeBox}
          />
        )}
        <DragOverlay dropAnimation={null} modifiers={[besidePointer]} className={dragStyles.dragOverlay}>
          {drop.dragged !== null && (
            <DragLabel dragged={drop.dragged} target={drop.target} moves={drop.moves} state={state} />
          )}
        </DragOverlay>
      </DndContext>
    </FacesContext>
  );
}

/** Whoever comes to file what is new finds it begun. */
function useFileAsked(workThrough: () => void): void {
  const { state: asked, pathname, search } = useLocation() as { state: unknown; pathname: string; search: string };
  const navigate = useNavigate();
  useEffect(() => {
    if (asked !== TO_FILE) return;
    workThrough();
    void navigate(pathname + search, { replace: true, state: null });
    // Once for each time that it is asked.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [asked]);
}
