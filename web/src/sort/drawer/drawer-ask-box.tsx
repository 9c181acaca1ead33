import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import type { Chest } from '@clever-drawer/core/chests/rows/chest';
import { sameRow } from '@clever-drawer/core/chests/edit';
import { pluginOfItem } from '@clever-drawer/core/chests/item';
import { drawersLookingAt } from '@clever-drawer/core/chests/rule-sources';
import type { Intent } from '@clever-drawer/core/chests/intent';
import { levelSort, sortedLevel, type MeasureOf } from '@clever-drawer/core/chests/level';
import { drawerAndInner, drawersIn } from '@clever-drawer/core/chests/look-up';
import type { Drawer } from '@clever-drawer/core/chests/rows/drawer';
import { asId, type DrawerId, type ItemId } from '@clever-drawer/core/ids';
import { ruleOf } from '@clever-drawer/core/rules/rule';
import { ExamplesBox } from '../rule/examples-box';
import { buildChoices } from '../../boxes/build-choices';
import { PickBox } from '../../parts/pick-box';
import { NameBox } from '../../parts/name-box';
import type { ChosenCatalogue } from '../../catalogue/chosen-catalogue';
import type { Changes } from '../../arrangement/changes';
import { moveWishes } from '../filing/desk-wishes';
import { SpotBox, ToDrawerBox } from '../../boxes/drawer-box';
import { drawerNames } from './drawer-names';
import { FormBox } from '../../parts/form-box';
import { DrawerForm } from './drawer-form';
import { NewDrawerForm, type ShowDrawer } from './new-drawer-form';
import { DividerBox } from '../../parts/divider-box';
import { SignBox } from '../../parts/sign-box';
import { deleteDrawers } from './drawer-actions';
import type { DrawerAsk } from './drawer-ask';
import { OrderBox } from './order-box';

interface Props {
  readonly asked: DrawerAsk;
  readonly state: Arrangement;
  readonly chest: Chest;
  readonly catalogue: ChosenCatalogue;
  readonly changes: Changes;
  readonly measureOf: MeasureOf;
  readonly show: ShowDrawer;
  readonly close: () => void;
}

/** The box that an action on a drawer or one of its lines opens. */
export function DrawerAskBox({ asked, state, chest, catalogue, changes, measureOf, show, close }: Props) {
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
      const { drawers } = asked;
      const gone = goneWith(state, drawers);
      const looking = drawersLookingAt(state, gone).map((one) => one.name);
      return (
        <FormBox
          title={`Delete ${namesOf(drawers)}`}
          act="Delete"
          close={close}
          submit={() => {
            close();
            deleteDrawers(state, changes, drawers);
          }}
        >
          <p>
            The {looking.length === 1 ? 'rule' : 'rules'} of {looking.join(', ')} look{looking.length === 1 ? 's' : ''}{' '}
            at {drawers.length === 1 ? 'it' : 'them'}, and will find nothing there any more. Undo brings back what is
            deleted as it was.
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
      const { kind, drawers } = asked;
      return (
        <SpotBox
          title={`${kind === 'move' ? 'Put' : 'Copy'} ${namesOf(drawers)} ${kind === 'move' ? 'inside' : 'into'}`}
          state={state}
          first={chest.id}
          without={goneWith(state, drawers)}
          close={close}
          done={(spot) => {
            close();
            void changes.make(
              ...drawers.map(({ id }): Intent =>
                kind === 'move'
                  ? { kind: 'move-drawer', id, ...spot, before: null }
                  : { kind: 'copy-drawer', id, newId: asId<DrawerId>(crypto.randomUUID()), ...spot },
              ),
            );
            const [first] = drawers;
            if (kind === 'move' && first !== undefined && spot.chestId === chest.id) show(first.id, spot.parentId);
          }}
        />
      );
    }
    case 'sign': {
      const { drawers } = asked;
      return (
        <SignBox
          title={`A sign for ${namesOf(drawers)}`}
          first={drawers[0]?.sign ?? null}
          close={close}
          done={(sign) => {
            close();
            const other = drawers.filter((one) => (one.sign ?? null) !== sign);
            if (other.length > 0) void changes.make(...other.map(({ id }): Intent => ({ kind: 'set-sign', id, sign })));
          }}
        />
      );
    }
    case 'order': {
      const parentId = asked.parent?.id ?? null;
      return (
        <OrderBox
          title={`Order of the ${asked.parent === null ? `drawers of ${chest.name}` : `inner drawers of ${asked.parent.name}`}`}
          first={levelSort(state, chest.id, parentId)}
          close={close}
          done={(by, isStanding) => {
            close();
            const standing = levelSort(state, chest.id, parentId);
            const intents: Intent[] = [];
            const level = { chestId: chest.id, parentId };
            if (by !== null && !isStanding) {
              const ids = sortedLevel(drawersIn(state, chest.id, parentId), by, measureOf).map(
                ({ drawer }) => drawer.id,
              );
              intents.push({ kind: 'arrange-drawers', ...level, ids, by });
            }
            const sort = isStanding ? by : null;
            if (sort !== standing) intents.push({ kind: 'set-level-sort', ...level, sort });
            if (intents.length > 0) void changes.make(...intents);
          }}
        />
      );
    }
    case 'front-divider': {
      const { drawer } = asked;
      return (
        <DividerBox
          title={`Divider in front of ${drawer.name}`}
          first={drawer.dividerBefore ?? null}
          close={close}
          done={(label) => void changes.make({ kind: 'divide-drawers', id: drawer.id, label })}
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
    case 'bind': {
      const { drawer, pluginId } = asked;
      const plugin = catalogue.byId.get(pluginId);
      return plugin === undefined ? null : (
        <PickBox
          title={`Load from ${drawer.name}: ${plugin.name}`}
          what="build"
          several={false}
          choices={[{ key: USUAL_BUILD, label: 'the usual build' }, ...buildChoices(plugin.builds, state)]}
          done={([key]) => {
            close();
            const build = plugin.builds.find((one) => one.id === key);
            const keyed =
              build === undefined ? null : { id: build.id, key: build.key, pluginId: pluginOfItem(plugin.id) };
            void changes.make({ kind: 'bind-entry', drawerId: drawer.id, pluginId, build: keyed });
          }}
          close={close}
        />
      );
    }
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

const USUAL_BUILD = 'usual';

const goneWith = (state: Arrangement, drawers: readonly Drawer[]): ReadonlySet<DrawerId> =>
  new Set(drawers.flatMap((one) => drawerAndInner(state, one.id).map(({ id }) => id)));

/** "Space" for one, "3 drawers" for more. */
const namesOf = (drawers: readonly Drawer[]): string =>
  drawers.length === 1 ? (drawers[0]?.name ?? '') : `${String(drawers.length)} drawers`;
