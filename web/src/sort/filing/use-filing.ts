import { useQueryClient } from '@tanstack/react-query';
import { useMemo, useRef, useState, useLayoutEffect } from 'react';
import { toast } from 'sonner';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import type { Chest } from '@clever-drawer/core/chests/rows/chest';
import type { Drawer } from '@clever-drawer/core/chests/rows/drawer';
import { entryId } from '@clever-drawer/core/chests/rows/entry';
import { trayEntryId } from '@clever-drawer/core/chests/rows/tray-entry';
import type { Intent } from '@clever-drawer/core/chests/intent';
import { asId, type DrawerId, type ItemId } from '@clever-drawer/core/ids';
import { drawersIn } from '@clever-drawer/core/chests/look-up';
import { compareNames } from '@clever-drawer/core/text/words';
import { knownIn } from '../../arrangement/arrangement-query';
import type { Changes } from '../../arrangement/changes';
import type { ChosenCatalogue, ChosenItem } from '../../catalogue/chosen-catalogue';
import { useComputer } from '../../lib/use-computer';
import { bringBackWish } from './desk-wishes';

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

/** The items that an act puts into drawers or on trays where they do not stand yet. */
const placedBy = (intents: readonly Intent[], state: Arrangement): readonly ItemId[] =>
  intents.flatMap((intent): readonly ItemId[] => {
    switch (intent.kind) {
      case 'file':
      case 'make-drawer':
      case 'tray-on':
        return intent.pluginIds;
      case 'place':
        return intent.pluginIds.filter((id) => !state.entry.has(entryId(intent.drawerId, id)));
      case 'place-on-tray':
        return intent.pluginIds.filter((id) => !state.trayEntry.has(trayEntryId(intent.tray, id)));
      default:
        return [];
    }
  });

/** Tells that menus will not show what was just filed, because it is set aside or not on this computer. */
function tellHidden(ids: readonly ItemId[], catalogue: ChosenCatalogue, { make }: Changes): void {
  const items = ids.flatMap((id) => catalogue.byId.get(id) ?? []);
  const aside = items.filter((item) => item.aside !== null);
  const missing = items.filter((item) => item.aside === null && !item.found);
  const inWords = (hidden: readonly ChosenItem[]): string =>
    hidden.length === 1 ? `${hidden[0]?.name ?? ''} is` : `${String(hidden.length)} of them are`;
  if (aside.length > 0)
    toast(`${inWords(aside)} set aside, and left out of menus.`, {
      action: {
        label: 'Bring back',
        onClick: () =>
          void make(
            bringBackWish(
              catalogue,
              aside.map((item) => item.id),
            ),
          ),
      },
    });
  if (missing.length > 0) toast(`${inWords(missing)} not on this computer, and left out of menus here.`);
}

/** Files into drawers that are there or new, and remembers which, however it was done, so that one key does it again. */
export function useFiling(
  catalogue: ChosenCatalogue,
  state: Arrangement,
  chest: Chest | null,
  own: Changes,
  first: readonly DrawerId[],
): Filing {
  const client = useQueryClient();
  const computer = useComputer();
  const [last, setLast] = useState(first);
  const latest = useRef({ state, catalogue });
  useLayoutEffect(() => {
    latest.current = { state, catalogue };
  });
  const changes = useMemo(
    (): Changes => ({
      ...own,
      make: (...intents) => {
        const into = filedInto(intents, latest.current.state);
        if (into.length > 0) setLast(into);
        const placed = placedBy(intents, latest.current.state);
        return own.make(...intents).then((done) => {
          if (done && placed.length > 0) tellHidden(placed, latest.current.catalogue, own);
          return done;
        });
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
