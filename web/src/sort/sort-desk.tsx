import { DndContext, DragOverlay, PointerSensor, pointerWithin, useSensor, useSensors } from '@dnd-kit/core';
import type { WindowState } from '../arrangement/window-state';
import { FacesContext } from '../catalogue/face';
import type { ChosenCatalogue } from '../catalogue/queries';
import { DeskBoxes } from './desk-boxes';
import { DeskLeft } from './desk-left';
import { DeskRight } from './desk-right';
import { DeskStatus } from './desk-status';
import { besidePointer } from './drag/drag';
import { DragLabel } from './drag/drag-label';
import { FindLine } from './find/find-line';
import { Ribbons } from './ribbons/ribbons';
import { useDesk } from './use-desk';
import dragStyles from './drag/drag.module.css';
import sortStyles from './sort.module.css';

// One object for good: another one with every keystroke would draw every front anew.
const DRAG_STARTS = { activationConstraint: { distance: 5 } };

/** The list, the chest, and everything that goes on between them. */
export function SortDesk({ catalogue, arranged }: { catalogue: ChosenCatalogue; arranged: WindowState }) {
  const desk = useDesk(catalogue, arranged);
  const { state, changes, viewing, listed, subject, filing, drop, box } = desk;
  const { selection } = subject;
  const sensors = useSensors(useSensor(PointerSensor, DRAG_STARTS));
  return (
    <FacesContext value={state.face}>
      <DndContext sensors={sensors} collisionDetection={pointerWithin} {...drop.handlers}>
        <main className={sortStyles.sort}>
          <h1 className="visually-hidden">Sort</h1>
          <FindLine
            viewing={viewing}
            state={state}
            changes={changes}
            shown={listed.ids.length}
            outside={listed.outside}
            intoList={desk.intoList}
          />
          <Ribbons
            vendors={listed.vendors}
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
        <DeskStatus
          chosen={subject.ids.length}
          isElsewhere={subject.isElsewhere}
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
            close={desk.closeBox}
          />
        )}
        <DragOverlay dropAnimation={null} modifiers={[besidePointer]} className={dragStyles.dragOverlay}>
          {drop.dragged !== null && <DragLabel dragged={drop.dragged} target={drop.target} state={state} />}
        </DragOverlay>
      </DndContext>
    </FacesContext>
  );
}
