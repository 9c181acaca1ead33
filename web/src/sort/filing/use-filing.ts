import { useQueryClient } from '@tanstack/react-query';
import { useMemo, useRef, useState, useLayoutEffect } from 'react';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import type { Chest } from '@clever-drawer/core/chests/rows/chest';
import type { Drawer } from '@clever-drawer/core/chests/rows/drawer';
import { entryId } from '@clever-drawer/core/chests/rows/entry';
import type { Intent } from '@clever-drawer/core/chests/intent';
import { asId, type DrawerId, type ItemId } from '@clever-drawer/core/ids';
import { drawersIn } from '@clever-drawer/core/chests/look-up';
import { compareNames } from '@clever-drawer/core/text/words';
import { knownIn } from '../../arrangement/arrangement-query';
import type { Changes } from '../../arrangement/changes';
import { useComputer } from '../../lib/use-computer';

interface Filing {
  /** The changes of the desk: what files, by key, by drag or one after the other, is remembered. */
  readonly changes: Changes;
  readonly file: (ids: readonly ItemId[], drawers: readonly Pick<Drawer, 'id'>[]) => void;
  readonly fileIntoNew: (ids: readonly ItemId[], name: string) => void;
  /** The drawers of the last filing that are still there. */
  readonly again: readonly Drawer[];
  readonly last: readonly DrawerId[];
}

/** The drawers that an act files something into that does not stand there yet; none when it files nothing. */
export function filedInto(intents: readonly Intent[], state: Arrangement): readonly DrawerId[] {
  return intents.flatMap((intent): readonly DrawerId[] => {
    switch (intent.kind) {
      case 'file':
        return intent.drawerIds;
      case 'make-drawer':
        return intent.pluginIds.length > 0 ? [intent.id] : [];
      case 'place':
        return intent.pluginIds.some((id) => !state.entry.has(entryId(intent.drawerId, id))) ? [intent.drawerId] : [];
      default:
        return [];
    }
  });
}

/** Files into drawers that are there or new, and remembers which, however it was done, so that one key does it again. */
export function useFiling(state: Arrangement, chest: Chest | null, own: Changes, first: readonly DrawerId[]): Filing {
  const client = useQueryClient();
  const computer = useComputer();
  const [last, setLast] = useState(first);
  const latest = useRef(state);
  useLayoutEffect(() => {
    latest.current = state;
  });
  const changes = useMemo(
    (): Changes => ({
      ...own,
      make: (...intents) => {
        const into = filedInto(intents, latest.current);
        if (into.length > 0) setLast(into);
        return own.make(...intents);
      },
    }),
    [own],
  );
  return {
    changes,
    last,
    file: (pluginIds, drawers) =>
      void changes.make({ kind: 'file', drawerIds: drawers.map((drawer) => drawer.id), pluginIds }),
    fileIntoNew: (pluginIds, name) => {
      if (chest === null) return;
      // The key before may have made it: what is drawn is a moment behind.
      const now = knownIn(client, computer.id)?.state ?? state;
      const same = drawersIn(now, chest.id, null).find((one) => compareNames(one.name, name) === 0);
      if (same !== undefined) {
        void changes.make({ kind: 'file', drawerIds: [same.id], pluginIds });
        return;
      }
      const id = asId<DrawerId>(crypto.randomUUID());
      void changes.make({ kind: 'make-drawer', id, chestId: chest.id, parentId: null, name, rule: null, pluginIds });
    },
    again: last.map((id) => state.drawer.get(id)).filter((drawer) => drawer !== undefined),
  };
}
