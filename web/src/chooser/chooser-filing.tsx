import { useState, type MouseEvent, type ReactNode } from 'react';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { trayName } from '@clever-drawer/core/chests/look-up';
import { TRAYS, trayEntryId } from '@clever-drawer/core/chests/rows/tray-entry';
import { asId, type ChestId, type DrawerId, type ItemId } from '@clever-drawer/core/ids';
import type { Changes } from '../arrangement/changes';
import { AsideBox } from '../boxes/aside-box';
import { DrawerBox } from '../boxes/drawer-box';
import { NamesBox, tagsIn } from '../boxes/names-box';
import { isPlugin, type ChosenCatalogue, type ChosenItem } from '../catalogue/chosen-catalogue';
import { useActMenu } from '../parts/act-menu';
import type { MenuAct } from '../parts/menu-act';
import { ChooserParts } from './chooser-parts';
import type { Chooser } from './use-chooser';

interface Props {
  readonly chooser: Chooser;
  readonly catalogue: ChosenCatalogue;
  readonly state: Arrangement;
  readonly changes: Changes;
  readonly children: (onContextMenu: (event: MouseEvent) => void) => ReactNode;
}

/** Whether nothing of an item can be loaded here. */
const isMissing = ({ chain, builds }: ChosenItem): boolean =>
  chain === undefined && !builds.some((build) => build.found);

type Box = { readonly kind: 'drawers' | 'names' | 'aside'; readonly id: ItemId };

/** Filing without leaving the chooser: a menu on what is marked, with trays, drawers, names and setting aside, and the boxes that these open. */
export function ChooserFiling({ chooser, catalogue, state, changes, children }: Props) {
  const [box, setBox] = useState<Box | null>(null);
  const openMenu = useActMenu();
  const close = (): void => {
    setBox(null);
    requestAnimationFrame(() => chooser.input.current?.focus());
  };
  const actsOn = (id: ItemId): MenuAct[] => {
    const item = catalogue.byId.get(id);
    const act = (key: string, words: string, act: () => void): MenuAct => ({ key, words, hint: '', act });
    const trays = TRAYS.map((tray) => {
      const on = state.trayEntry.has(trayEntryId(tray, id));
      const words = `${on ? 'Off' : 'On'} ${trayName(state, tray)}`;
      return act(
        `tray ${String(tray)}`,
        words,
        () => void changes.make({ kind: on ? 'tray-off' : 'tray-on', tray, pluginIds: [id] }),
      );
    });
    return [
      ...(chooser.chest === null ? [] : [act('drawers', 'File into drawers …', () => setBox({ kind: 'drawers', id }))]),
      act('names', 'Names and notes: nickname, strip label, tags …', () => setBox({ kind: 'names', id })),
      ...(item !== undefined && isPlugin(item)
        ? [act('aside', 'Set aside …', () => setBox({ kind: 'aside', id }))]
        : []),
      ...(item === undefined || isMissing(item)
        ? []
        : [
            act('parts', item.chain === undefined ? 'Load one of its builds …' : 'Load some of its plugins …', () =>
              chooser.openParts(id),
            ),
          ]),
      ...trays,
    ];
  };
  const onContextMenu = (event: MouseEvent): void => {
    const { item } = (event.target as Element).closest<HTMLElement>('[data-item]')?.dataset ?? {};
    const found = item === undefined ? undefined : catalogue.byId.get(asId<ItemId>(item));
    if (found !== undefined) openMenu(event, found.name, actsOn(found.id));
  };
  const item = box === null ? undefined : catalogue.byId.get(box.id);
  const fileInto = (drawerIds: readonly DrawerId[]): void => {
    if (box !== null && drawerIds.length > 0) void changes.make({ kind: 'file', drawerIds, pluginIds: [box.id] });
    close();
  };
  return (
    <>
      {children(onContextMenu)}
      {box?.kind === 'drawers' && item !== undefined && chooser.chest !== null && (
        <DrawerBox
          title={`File ${item.name} into`}
          state={state}
          chest={asId<ChestId>(chooser.chest)}
          done={(drawers) => fileInto(drawers.map((one) => one.id))}
          make={(name) => {
            const id = asId<DrawerId>(crypto.randomUUID());
            const chestId = asId<ChestId>(chooser.chest ?? '');
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
      {chooser.partsOf !== null && (
        <ChooserParts
          item={chooser.partsOf}
          catalogue={catalogue}
          state={state}
          take={(items, buildId) => {
            chooser.openParts(null);
            chooser.takeParts(items, buildId);
          }}
          close={() => {
            chooser.openParts(null);
            close();
          }}
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
}
