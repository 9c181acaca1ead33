import { useMemo } from 'react';
import type { FoundFile } from '@clever-drawer/contract/responses';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { entryOfFile } from '@clever-drawer/core/chests/other-files';
import { ownPlugins, type OwnPlugin } from '@clever-drawer/core/chests/own-entries';
import type { OwnEntry } from '@clever-drawer/core/chests/rows/own-entry';
import type { SlotKind } from '@clever-drawer/core/chests/rows/slot';
import { withChoices } from '@clever-drawer/core/chests/with-choices';
import type { ItemId } from '@clever-drawer/core/ids';
import { fits } from '@clever-drawer/core/menu/slot-menu';
import type { Changes } from '../arrangement/changes';
import type { ChosenItem } from '../catalogue/chosen-catalogue';
import { useFileFolders, useFoundFiles } from '../catalogue/files';
import { hasQuery } from '../catalogue/use-search';
import { useComputer } from '../lib/use-computer';

/** Files that have what is typed and fit into a slot, and are no entries yet. */
export interface FilesOffer {
  readonly items: readonly ChosenItem[];
  /** Whether the answer to what is typed is still on its way. */
  readonly isPending: boolean;
  /** Creates entries for the files among some items that have none yet, then calls `then`; calls it at once when there are none. */
  readonly takeIn: (items: readonly ChosenItem[], changes: Changes, then: () => void) => void;
}

const NONE: readonly OwnEntry[] = [];
const NO_FILES: readonly FoundFile[] = [];

/** See FilesOffer. Nothing is asked for where the computer has no folder of files. */
export function useFilesOffer(slot: SlotKind, state: Arrangement, typed: string): FilesOffer {
  const computer = useComputer();
  const folders = useFileFolders(computer.id).data?.folders ?? [];
  const asks = hasQuery(typed) && folders.some((folder) => folder.files > 0);
  const found = useFoundFiles(computer.id, typed, asks);
  const files = asks && !found.isPlaceholderData ? (found.data?.pages[0]?.files ?? NO_FILES) : NO_FILES;
  const entries = useMemo(() => {
    const addedAt = new Date().toISOString();
    const fitting = files
      .map((file) => entryOfFile(file, addedAt))
      .filter((entry) => fits(slot, entry.role) && !state.ownEntry.has(entry.id));
    // Of two copies of a file one is offered.
    return fitting.length === 0 ? NONE : [...new Map(fitting.map((entry) => [entry.id, entry])).values()];
  }, [files, slot, state.ownEntry]);
  const items = useMemo(() => itemsOf(entries, state), [entries, state]);
  return {
    items,
    isPending: asks && !found.isError && (found.data === undefined || found.isPlaceholderData),
    takeIn: (chosen, changes, then) => {
      const ids = new Set<ItemId>(chosen.map((item) => item.id));
      const fresh = entries.filter((entry) => ids.has(entry.id));
      if (fresh.length === 0) then();
      else void changes.make({ kind: 'take-in-files', entries: fresh }).then((isDone) => isDone && then());
    },
  };
}

function itemsOf(entries: readonly OwnEntry[], state: Arrangement): readonly ChosenItem[] {
  const plugins = ownPlugins({ ownEntry: new Map(entries.map((entry) => [entry.id, entry])) });
  return withChoices<never, OwnPlugin>(plugins, state);
}
