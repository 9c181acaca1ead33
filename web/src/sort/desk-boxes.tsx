import { useMemo, useState } from 'react';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { pluginsOfItems } from '@clever-drawer/core/chests/item';
import type { Chest } from '@clever-drawer/core/chests/rows/chest';
import type { Drawer } from '@clever-drawer/core/chests/rows/drawer';
import type { DrawerId, ItemId } from '@clever-drawer/core/ids';
import type { Condition } from '@clever-drawer/core/rules/condition';
import { ruleOf } from '@clever-drawer/core/rules/rule';
import { pluginIn, type ChosenCatalogue } from '../catalogue/chosen-catalogue';
import type { Changes } from '../arrangement/changes';
import { AsideBox } from '../boxes/aside-box';
import { focusFront } from './drawer/drawer-actions';
import { NewDrawerForm } from './drawer/new-drawer-form';
import { ExamplesBox } from './rule/examples-box';
import { DrawerBox, ToDrawerBox } from '../boxes/drawer-box';
import { FilesBox } from '../boxes/files-box';
import { fileLoose } from '../boxes/file-loose';
import { OwnEntriesBox } from '../boxes/own-entries-box';
import { OwnEntryBox } from '../boxes/own-entry-box';
import { NamesBox, tagsIn } from '../boxes/names-box';
import { NameBox } from '../parts/name-box';
import { STARTS } from './chest/new-chest';
import type { ColumnId } from './list/columns';
import { ColumnsBox } from './list/columns-box';
import { PutRightBox } from './plugin/put-right-box';

/** A box that is open over the desk, for these plugins. */
export interface DeskBox {
  readonly kind:
    | 'file'
    | 'right'
    | 'aside'
    | 'names'
    | 'to-drawer'
    | 'examples'
    | 'first-chest'
    | 'own-entries'
    | 'files'
    | 'columns';
  readonly ids: readonly ItemId[];
}

interface Props {
  readonly box: DeskBox;
  readonly catalogue: ChosenCatalogue;
  readonly state: Arrangement;
  readonly chest: Chest | null;
  readonly changes: Changes;
  readonly file: (ids: readonly ItemId[], drawers: readonly Drawer[]) => void;
  readonly fileIntoNew: (ids: readonly ItemId[], name: string) => void;
  readonly goToDrawer: (id: DrawerId) => void;
  /** Makes the first chest and closes the box. */
  readonly makeFirstChest: (name: string) => void;
  /** Selects own entries that were just added. */
  readonly added: (ids: readonly ItemId[]) => void;
  /** What is typed into the search line. */
  readonly typed: string;
  readonly columns: readonly ColumnId[];
  readonly setColumns: (columns: readonly ColumnId[]) => void;
  readonly close: () => void;
}

/** The boxes in which something is done to plugins: file, put right, set aside, name. */
export function DeskBoxes({
  box,
  catalogue,
  state,
  chest,
  changes,
  file,
  fileIntoNew,
  goToDrawer,
  makeFirstChest,
  added,
  typed,
  columns,
  setColumns,
  close,
}: Props) {
  const plugins = useMemo(
    () => box.ids.map((id) => catalogue.byId.get(id)).filter((plugin) => plugin !== undefined),
    [box.ids, catalogue],
  );
  const own = useMemo(
    () =>
      pluginsOfItems(box.ids)
        .map((id) => pluginIn(catalogue, id))
        .filter((plugin) => plugin !== undefined),
    [box.ids, catalogue],
  );
  switch (box.kind) {
    case 'file':
      return chest === null ? null : (
        <DrawerBox
          title={`File ${plugins.length === 1 ? (plugins[0]?.name ?? '') : `${String(plugins.length)} plugins`} into`}
          state={state}
          chest={chest.id}
          close={close}
          done={(drawers) => {
            close();
            file(box.ids, drawers);
          }}
          loose={() => {
            close();
            void changes.make(fileLoose(chest.id, box.ids));
          }}
          make={(name) => {
            close();
            fileIntoNew(box.ids, name);
          }}
        />
      );
    case 'examples':
      return chest === null ? null : (
        <NewByRule ids={box.ids} state={state} chest={chest} catalogue={catalogue} changes={changes} close={close} />
      );
    case 'to-drawer':
      return chest === null ? null : (
        <ToDrawerBox
          state={state}
          chest={chest.id}
          close={close}
          done={(id) => {
            close();
            goToDrawer(id);
          }}
        />
      );
    case 'first-chest':
      return (
        <NameBox
          title="Your first chest"
          label="Name of the chest"
          first={STARTS.empty.name}
          hint="A chest holds your drawers. What you have begun continues in it."
          close={close}
          done={(name) => makeFirstChest(name)}
        />
      );
    // What is put right or set aside is the plugin, whichever preset of it was chosen.
    case 'right': {
      const entry = own.length === 1 ? state.ownEntry.get(own[0]?.id ?? '') : undefined;
      if (entry !== undefined) return <OwnEntryBox entry={entry} state={state} changes={changes} close={close} />;
      return <PutRightBox plugins={own} items={catalogue.items} state={state} changes={changes} close={close} />;
    }
    case 'own-entries':
      return <OwnEntriesBox state={state} changes={changes} added={added} close={close} />;
    case 'files':
      return <FilesBox typedFirst={typed} state={state} changes={changes} added={added} close={close} />;
    case 'columns':
      return (
        <ColumnsBox
          shown={columns}
          close={close}
          done={(chosen) => {
            close();
            setColumns(chosen);
          }}
        />
      );
    case 'aside':
      return <AsideBox plugins={own} catalogue={catalogue} state={state} changes={changes} close={close} />;
    case 'names':
      return <NamesBox plugins={plugins} known={tagsIn(state)} all={catalogue.items} changes={changes} close={close} />;
  }
}

/** A new drawer by a rule that some plugins have in common: first the rule is chosen, then the drawer is named. */
function NewByRule({
  ids,
  state,
  chest,
  catalogue,
  changes,
  close,
}: Pick<Props, 'state' | 'catalogue' | 'changes' | 'close'> & {
  readonly ids: readonly ItemId[];
  readonly chest: Chest;
}) {
  const [chosen, setChosen] = useState<Condition | null>(null);
  const rule = useMemo(() => (chosen === null ? null : ruleOf(chosen)), [chosen]);
  if (rule !== null)
    return (
      <NewDrawerForm
        state={state}
        catalogue={catalogue}
        chest={chest}
        parent={null}
        rule={rule}
        changes={changes}
        show={focusFront}
        close={close}
      />
    );
  return (
    <ExamplesBox
      title={`A rule for ${ids.length === 1 ? (catalogue.byId.get(ids[0] ?? ('' as ItemId))?.name ?? 'one plugin') : `${String(ids.length)} plugins`}`}
      examples={ids}
      state={state}
      catalogue={catalogue}
      close={close}
      done={setChosen}
    />
  );
}
