import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import type { Chest } from '@clever-drawer/core/chests/rows/chest';
import { sameRow } from '@clever-drawer/core/chests/edit';
import { drawersLookingAt } from '@clever-drawer/core/chests/rule-sources';
import type { Intent } from '@clever-drawer/core/chests/intent';
import { drawerAndInner } from '@clever-drawer/core/chests/look-up';
import { asId, type DrawerId, type ItemId } from '@clever-drawer/core/ids';
import { ruleOf, type Rule } from '@clever-drawer/core/rules/rule';
import { ExamplesBox } from '../rule/examples-box';
import { NameBox } from '../../parts/name-box';
import type { ChosenCatalogue } from '../../catalogue/chosen-catalogue';
import type { Changes } from '../../arrangement/changes';
import { moveWishes } from '../filing/desk-wishes';
import { SpotBox, ToDrawerBox } from '../../boxes/drawer-box';
import { drawerNames } from './drawer-names';
import { FormBox } from '../../parts/form-box';
import { DrawerForm } from './drawer-form';
import { deleteDrawer, type DrawerAsk } from './drawer-actions';

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

interface Props {
  readonly asked: DrawerAsk;
  readonly state: Arrangement;
  readonly chest: Chest;
  readonly catalogue: ChosenCatalogue;
  readonly changes: Changes;
  readonly show: ShowDrawer;
  readonly close: () => void;
}

/** The box that an action on a drawer or one of its lines opens. */
export function DrawerAskBox({ asked, state, chest, catalogue, changes, show, close }: Props) {
  switch (asked.kind) {
    case 'edit':
    case 'rule': {
      const { drawer } = asked;
      return (
        <DrawerForm
          title={`Drawer ${drawer.name}`}
          name={drawer.name}
          rule={drawer.rule}
          startsAt={asked.kind === 'rule' ? 'rule' : 'name'}
          drawers={drawerNames(state)}
          catalogue={catalogue}
          state={state}
          close={close}
          done={(name, rule) => {
            close();
            const { id } = drawer;
            const intents: Intent[] = [];
            if (name !== drawer.name) intents.push({ kind: 'rename-drawer', id, name });
            if (!sameRow(rule, drawer.rule)) intents.push({ kind: 'set-rule', id, rule });
            if (intents.length > 0) void changes.make(...intents);
          }}
        />
      );
    }
    case 'examples':
      return (
        <ExamplesBox
          title={`A rule for ${asked.drawer.name}`}
          examples={asked.pluginIds}
          state={state}
          catalogue={catalogue}
          close={close}
          done={(condition) => {
            close();
            void changes.make({ kind: 'set-rule', id: asked.drawer.id, rule: ruleOf(condition) });
          }}
        />
      );
    case 'delete': {
      const { drawer } = asked;
      const gone = new Set(drawerAndInner(state, drawer.id).map((one) => one.id));
      const looking = drawersLookingAt(state, gone).map((one) => one.name);
      return (
        <FormBox
          title={`Delete ${drawer.name}`}
          act="Delete"
          close={close}
          submit={() => {
            close();
            deleteDrawer(state, changes, drawer);
          }}
        >
          <p>
            The {looking.length === 1 ? 'rule' : 'rules'} of {looking.join(', ')} look{looking.length === 1 ? 's' : ''}{' '}
            at it, and will find nothing there any more. Undo brings it back as it was.
          </p>
        </FormBox>
      );
    }
    case 'inner':
      return (
        <NewDrawerForm
          state={state}
          catalogue={catalogue}
          chest={chest}
          parent={asked.drawer.id}
          changes={changes}
          show={show}
          close={close}
        />
      );
    case 'move':
    case 'copy': {
      const { kind, drawer } = asked;
      return (
        <SpotBox
          title={`${kind === 'move' ? 'Put' : 'Copy'} ${drawer.name} ${kind === 'move' ? 'inside' : 'into'}`}
          state={state}
          first={chest.id}
          without={new Set(drawerAndInner(state, drawer.id).map((one) => one.id))}
          close={close}
          done={(spot) => {
            close();
            if (kind === 'move') {
              void changes.make({ kind: 'move-drawer', id: drawer.id, ...spot, before: null });
              if (spot.chestId === chest.id) show(drawer.id, spot.parentId);
            } else {
              const newId = asId<DrawerId>(crypto.randomUUID());
              void changes.make({ kind: 'copy-drawer', id: drawer.id, newId, ...spot });
            }
          }}
        />
      );
    }
    case 'move-lines': {
      const { drawer, pluginIds } = asked;
      return (
        <ToDrawerBox
          title={`Move ${pluginIds.length === 1 ? (catalogue.byId.get(pluginIds[0] ?? ('' as ItemId))?.name ?? '') : `${String(pluginIds.length)} plugins`} to`}
          without={drawer.id}
          state={state}
          chest={chest.id}
          close={close}
          done={(to) => {
            close();
            void changes.make(...moveWishes(state, pluginIds, drawer.id, to));
          }}
        />
      );
    }
    case 'divider': {
      const { drawer, before } = asked;
      return (
        <NameBox
          title={`Divider in ${drawer.name}`}
          label="Label (empty: a plain line)"
          first=""
          mayBeEmpty
          close={close}
          done={(label) => {
            close();
            void changes.make({ kind: 'add-divider', id: crypto.randomUUID(), drawerId: drawer.id, label, before });
          }}
        />
      );
    }
    case 'label':
      return (
        <NameBox
          title="Divider"
          label="Label (empty: a plain line)"
          first={asked.label}
          mayBeEmpty
          close={close}
          done={(label) => {
            close();
            void changes.make({ kind: 'label-divider', id: asked.dividerId, label });
          }}
        />
      );
    case 'own-name': {
      const { drawer, pluginId, name } = asked;
      const own = catalogue.byId.get(pluginId)?.name ?? '';
      return (
        <NameBox
          title={`${own} in ${drawer.name}`}
          label="Name in this drawer only (empty: its usual name)"
          first={name === own ? '' : name}
          mayBeEmpty
          hint="A nickname for everywhere is given with M."
          close={close}
          done={(typed) => {
            close();
            void changes.make({
              kind: 'name-entry',
              drawerId: drawer.id,
              pluginId,
              name: typed === '' || typed === own ? null : typed,
            });
          }}
        />
      );
    }
  }
}
