import { useState, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { trayName } from '@clever-drawer/core/chests/look-up';
import { TRAYS, trayEntryId } from '@clever-drawer/core/chests/rows/tray-entry';
import { asId, type ChestId, type DrawerId, type ItemId } from '@clever-drawer/core/ids';
import type { Changes } from '../arrangement/changes';
import { isPlugin, type ChosenCatalogue } from '../catalogue/chosen-catalogue';
import { useComputer } from '../lib/use-computer';
import type { MenuAct } from '../parts/menu-act';
import { fileLoose } from './file-loose';
import { AsideBox } from './aside-box';
import { DrawerBox } from './drawer-box';
import { NamesBox, tagsIn } from './names-box';

interface Needs {
  readonly catalogue: ChosenCatalogue;
  readonly state: Arrangement;
  readonly changes: Changes;
  /** The chest whose drawers are filed into; null for none. */
  readonly chest: string | null;
  /** The trays that it is put on and taken off; absent: all. */
  readonly trays?: readonly number[];
  /** Called when a box is closed. */
  readonly closed: () => void;
}

type Box = { readonly kind: 'drawers' | 'names' | 'aside'; readonly id: ItemId };

/** What can be done with an item away from Sort: file it, name it, set it aside, put it on trays, show it in Sort; with the boxes that these open. */
export interface ItemActs {
  readonly of: (id: ItemId) => readonly MenuAct[];
  readonly boxes: ReactNode;
}

/** See ItemActs. */
export function useItemActs(needs: Needs): ItemActs {
  const { catalogue, state, changes, chest, trays: shown = TRAYS, closed } = needs;
  const [box, setBox] = useState<Box | null>(null);
  const computer = useComputer();
  const navigate = useNavigate();
  const close = (): void => {
    setBox(null);
    closed();
  };
  const act = (key: string, words: string, run: () => void): MenuAct => ({ key, words, hint: '', act: run });
  const of = (id: ItemId): MenuAct[] => {
    const item = catalogue.byId.get(id);
    const trays = shown.map((tray) => {
      const on = state.trayEntry.has(trayEntryId(tray, id));
      const words = `${on ? 'Off' : 'On'} ${trayName(state, tray)}`;
      return act(
        `tray ${String(tray)}`,
        words,
        () => void changes.make({ kind: on ? 'tray-off' : 'tray-on', tray, pluginIds: [id] }),
      );
    });
    const showInSort = (): void => {
      const way = `/${computer.id}/sort?${new URLSearchParams({ q: item?.givenName ?? '' }).toString()}`;
      // The pick window stays beside the music program.
      if (location.pathname.endsWith('/pick')) window.open(way, '_blank', 'noopener');
      else void navigate(way);
    };
    return [
      ...(chest === null ? [] : [act('drawers', 'File into drawers …', () => setBox({ kind: 'drawers', id }))]),
      act('names', 'Names and notes: nickname, strip label, tags …', () => setBox({ kind: 'names', id })),
      ...(item !== undefined && isPlugin(item)
        ? [act('aside', 'Set aside …', () => setBox({ kind: 'aside', id }))]
        : []),
      ...(item === undefined ? [] : [act('show', 'Show it in Sort', showInSort)]),
      ...trays,
    ];
  };
  const item = box === null ? undefined : catalogue.byId.get(box.id);
  const fileInto = (drawerIds: readonly DrawerId[]): void => {
    if (box !== null && drawerIds.length > 0) void changes.make({ kind: 'file', drawerIds, pluginIds: [box.id] });
    close();
  };
  const boxes = (
    <>
      {box?.kind === 'drawers' && item !== undefined && chest !== null && (
        <DrawerBox
          title={`File ${item.name} into`}
          state={state}
          chest={asId<ChestId>(chest)}
          done={(drawers) => fileInto(drawers.map((one) => one.id))}
          loose={() => {
            void changes.make(fileLoose(asId<ChestId>(chest), [box.id]));
            close();
          }}
          make={(name) => {
            const id = asId<DrawerId>(crypto.randomUUID());
            const chestId = asId<ChestId>(chest);
            void changes.make({
              kind: 'make-drawer',
              id,
              chestId,
              parentId: null,
              name,
              rule: null,
              pluginIds: [box.id],
            });
            close();
          }}
          close={close}
        />
      )}
      {box?.kind === 'names' && item !== undefined && (
        <NamesBox plugins={[item]} known={tagsIn(state)} all={catalogue.items} changes={changes} close={close} />
      )}
      {box?.kind === 'aside' && item !== undefined && (
        <AsideBox
          plugins={isPlugin(item) ? [item] : []}
          catalogue={catalogue}
          state={state}
          changes={changes}
          close={close}
        />
      )}
    </>
  );
  return { of, boxes };
}
