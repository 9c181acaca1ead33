import { useDroppable } from '@dnd-kit/core';
import { useState, type ReactNode } from 'react';
import { toast } from 'sonner';
import type { PluginView } from '@clever-drawer/contract/responses';
import {
  drawerAndInner,
  drawersIn,
  type Arrangement,
  type Chest,
  type Drawer,
} from '@clever-drawer/core/chests/arrangement';
import type { Content } from '@clever-drawer/core/chests/drawer-contents';
import { asId, type DrawerId, type PluginId } from '@clever-drawer/core/ids';
import { sameRow } from '@clever-drawer/core/chests/edit';
import type { Changes } from '../shared/use-changes';
import { CHEST_AREA, type Target } from './drag';
import { DrawerBox } from './drawer-box';
import { DrawerForm } from './drawer-form';
import { DrawerFront, type DrawerActions } from './drawer-front';
import { OpenDrawer } from './open-drawer';

interface Props {
  readonly state: Arrangement;
  readonly chest: Chest;
  readonly contents: ReadonlyMap<string, readonly Content<PluginView>[]>;
  readonly open: readonly string[];
  readonly setOpen: (open: readonly string[]) => void;
  readonly changes: Changes;
  readonly target: Target | null;
  /** The drawer form for a new drawer: in which drawer; undefined when it is closed. */
  readonly making: DrawerId | null | undefined;
  readonly setMaking: (parent: DrawerId | null | undefined) => void;
}

/** The chest at hand: its drawers as fronts in a grid, pulled out in place. */
export function ChestPanel({ state, chest, contents, open, setOpen, changes, target, making, setMaking }: Props) {
  const { setNodeRef } = useDroppable({ id: CHEST_AREA });
  const [editing, setEditing] = useState<Drawer | null>(null);
  const [moving, setMoving] = useState<Drawer | null>(null);
  const actions = useDrawerActions({ state, changes, open, setOpen, setEditing, setMoving });

  const takeOut = (drawer: Drawer, pluginId: PluginId): void =>
    void changes.make({ kind: 'take-out', drawerId: drawer.id, pluginIds: [pluginId] });
  const fronts = (parent: DrawerId | null): ReactNode[] =>
    drawersIn(state, chest.id, parent).map((drawer) => {
      const inside = contents.get(drawer.id) ?? [];
      const inner = fronts(drawer.id);
      return (
        <DrawerFront
          key={drawer.id}
          drawer={drawer}
          count={inside.length}
          isOpen={open.includes(drawer.id)}
          target={target}
          actions={actions}
        >
          <OpenDrawer
            drawer={drawer}
            contents={inside}
            actions={actions}
            takeOut={takeOut}
            addInner={(outer) => setMaking(outer.id)}
          >
            {inner.length > 0 && <div className="fronts inner">{inner}</div>}
          </OpenDrawer>
        </DrawerFront>
      );
    });
  const top = fronts(null);

  return (
    <div ref={setNodeRef} className="chest-area">
      <div className="fronts">
        {top}
        <button type="button" className="new-drawer" onClick={() => setMaking(null)}>
          New drawer <kbd>N</kbd>
        </button>
      </div>
      {making !== undefined && (
        <DrawerForm
          title={making === null ? 'New drawer' : `New drawer in ${state.drawer.get(making)?.name ?? ''}`}
          name=""
          rule={null}
          close={() => setMaking(undefined)}
          done={(name, rule) => {
            setMaking(undefined);
            const id = asId<DrawerId>(crypto.randomUUID());
            void changes.make({
              kind: 'make-drawer',
              id,
              chestId: chest.id,
              parentId: making,
              name,
              rule,
              pluginIds: [],
            });
          }}
        />
      )}
      {editing !== null && (
        <DrawerForm
          title={`Drawer ${editing.name}`}
          name={editing.name}
          rule={editing.rule}
          close={() => setEditing(null)}
          done={(name, rule) => {
            setEditing(null);
            if (name !== editing.name) void changes.make({ kind: 'rename-drawer', id: editing.id, name });
            if (!sameRow(rule, editing.rule)) void changes.make({ kind: 'set-rule', id: editing.id, rule });
          }}
        />
      )}
      {moving !== null && (
        <DrawerBox
          title={`Put ${moving.name} inside`}
          state={state}
          chest={chest.id}
          several={false}
          without={new Set(drawerAndInner(state, moving.id).map((one) => one.id))}
          top="The chest itself, in no drawer"
          close={() => setMoving(null)}
          done={([into]) => {
            setMoving(null);
            void changes.make({ kind: 'move-drawer', id: moving.id, parentId: into?.id ?? null, before: null });
          }}
        />
      )}
    </div>
  );
}

interface ActionNeeds extends Pick<Props, 'state' | 'changes' | 'open' | 'setOpen'> {
  readonly setEditing: (drawer: Drawer) => void;
  readonly setMoving: (drawer: Drawer) => void;
}

function useDrawerActions({ state, changes, open, setOpen, setEditing, setMoving }: ActionNeeds): DrawerActions {
  return {
    toggle: (drawer) =>
      setOpen(open.includes(drawer.id) ? open.filter((id) => id !== drawer.id) : [...open, drawer.id]),
    edit: setEditing,
    putInside: setMoving,
    shift: (drawer, by) => {
      const siblings = drawersIn(state, drawer.chestId, drawer.parentId);
      const at = siblings.findIndex((one) => one.id === drawer.id);
      if (at + by < 0 || at + by >= siblings.length) return;
      const before = siblings[by < 0 ? at - 1 : at + 2]?.id ?? null;
      void changes.make({ kind: 'move-drawer', id: drawer.id, parentId: drawer.parentId, before });
    },
    remove: (drawer) => {
      void changes.make({ kind: 'delete-drawer', id: drawer.id }).then((done) => {
        if (!done) return;
        const inner = drawerAndInner(state, drawer.id).length - 1;
        toast(
          `${drawer.name} is deleted${inner === 0 ? '' : ` with ${String(inner)} inner drawers`}. Its plugins stay in the catalogue and in every other drawer.`,
          {
            action: { label: 'Undo', onClick: () => void changes.step('undo') },
          },
        );
      });
    },
  };
}
