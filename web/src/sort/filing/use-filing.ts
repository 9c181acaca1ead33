import { useState } from 'react';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import type { Chest } from '@clever-drawer/core/chests/rows/chest';
import type { Drawer } from '@clever-drawer/core/chests/rows/drawer';
import { asId, type DrawerId, type ItemId } from '@clever-drawer/core/ids';
import type { Changes } from '../../arrangement/changes';

interface Filing {
  readonly file: (ids: readonly ItemId[], drawers: readonly Pick<Drawer, 'id'>[]) => void;
  readonly fileIntoNew: (ids: readonly ItemId[], name: string) => void;
  /** The drawers of the last filing that are still there. */
  readonly again: readonly Drawer[];
}

/** Files into drawers that are there or new, and remembers which, so that one key does it again. */
export function useFiling(state: Arrangement, chest: Chest | null, changes: Changes): Filing {
  const [last, setLast] = useState<readonly DrawerId[]>([]);
  return {
    file: (pluginIds, drawers) => {
      const drawerIds = drawers.map((drawer) => drawer.id);
      setLast(drawerIds);
      void changes.make({ kind: 'file', drawerIds, pluginIds });
    },
    fileIntoNew: (pluginIds, name) => {
      if (chest === null) return;
      const id = asId<DrawerId>(crypto.randomUUID());
      setLast([id]);
      void changes.make({ kind: 'make-drawer', id, chestId: chest.id, parentId: null, name, rule: null, pluginIds });
    },
    again: last.map((id) => state.drawer.get(id)).filter((drawer) => drawer !== undefined),
  };
}
