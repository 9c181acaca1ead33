import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import type { Chest } from '@clever-drawer/core/chests/rows/chest';
import { asId, type DrawerId } from '@clever-drawer/core/ids';
import type { Rule } from '@clever-drawer/core/rules/rule';
import type { Changes } from '../../arrangement/changes';
import type { ChosenCatalogue } from '../../catalogue/chosen-catalogue';
import { DrawerForm } from './drawer-form';
import { drawerNames } from './drawer-names';

/** Opens the drawers around one, and puts the keyboard on its front. */
export type ShowDrawer = (id: DrawerId, parent: DrawerId | null) => void;

/** The form for a new drawer, in another one or in the chest itself. */
export function NewDrawerForm({
  state,
  chest,
  parent,
  rule = null,
  catalogue,
  changes,
  show,
  close,
}: {
  state: Arrangement;
  catalogue: ChosenCatalogue;
  chest: Chest;
  parent: DrawerId | null;
  show: ShowDrawer;
  /** The rule to begin with. */
  rule?: Rule | null;
  changes: Changes;
  close: () => void;
}) {
  return (
    <DrawerForm
      title={parent === null ? 'New drawer' : `New drawer in ${state.drawer.get(parent)?.name ?? ''}`}
      name=""
      rule={rule}
      isNew
      drawers={drawerNames(state)}
      catalogue={catalogue}
      state={state}
      close={close}
      done={(name, rule) => {
        close();
        const id = asId<DrawerId>(crypto.randomUUID());
        void changes.make({ kind: 'make-drawer', id, chestId: chest.id, parentId: parent, name, rule, pluginIds: [] });
        show(id, parent);
      }}
    />
  );
}
