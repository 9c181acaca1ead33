import type { MouseEvent, ReactNode } from 'react';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { asId, type ItemId } from '@clever-drawer/core/ids';
import type { Changes } from '../arrangement/changes';
import { useItemActs } from '../boxes/item-acts';
import type { ChosenCatalogue, ChosenItem } from '../catalogue/chosen-catalogue';
import { useActMenu } from '../parts/act-menu';
import type { MenuAct } from '../parts/menu-act';
import { ChooserParts } from './chooser-parts';
import type { Chooser } from './chooser';

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

/** Filing without leaving the chooser: a menu on what is marked, with drawers, names, setting aside, builds and trays, and the boxes that these open. */
export function ChooserFiling({ chooser, catalogue, state, changes, children }: Props) {
  const openMenu = useActMenu();
  const closed = (): void => void requestAnimationFrame(() => chooser.input.current?.focus());
  const { chest } = chooser;
  const acts = useItemActs({ catalogue, state, changes, chest, closed });
  const partsOf = (item: ChosenItem): MenuAct[] =>
    isMissing(item)
      ? []
      : [
          {
            key: 'parts',
            words: item.chain === undefined ? 'Load one of its builds …' : 'Load some of its plugins …',
            hint: '',
            act: () => chooser.openParts(item.id),
          },
        ];
  const onContextMenu = (event: MouseEvent): void => {
    const { item } = (event.target as Element).closest<HTMLElement>('[data-item]')?.dataset ?? {};
    const found = item === undefined ? undefined : catalogue.byId.get(asId<ItemId>(item));
    if (found !== undefined) openMenu(event, found.name, [...acts.of(found.id), ...partsOf(found)]);
  };
  return (
    <>
      {children(onContextMenu)}
      {acts.boxes}
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
            closed();
          }}
        />
      )}
    </>
  );
}
