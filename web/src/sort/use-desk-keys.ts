import { asidesOf } from '@clever-drawer/core/chests/asides';
import { useMemo } from 'react';
import { pluginOfItem } from '@clever-drawer/core/chests/item';
import { isOwnEntry } from '@clever-drawer/core/chests/own-entries';
import { chestsOf } from '@clever-drawer/core/chests/look-up';
import { TRAYS } from '@clever-drawer/core/chests/rows/tray-entry';
import type { ItemId } from '@clever-drawer/core/ids';
import { useKeys, type KeyHandlers } from '../keys/use-keys';
import { tell } from '../lib/telling';
import { openMenuHere } from '../parts/act-menu';
import { actsOf, type MenuAct } from '../parts/menu-act';
import { trayId } from './drag/drag';
import { focusFront } from './drawer/drawer-actions';
import { bringBackWish, trayWish } from './filing/desk-wishes';
import { focusPanelPart, type PanelPart } from './plugin/panel-parts';
import { NO_FILTERS, QUESTIONS } from './find/use-sort-view';
import type { DeskState } from './use-desk';

/** What the keys of Sort do; null where there is nothing to do it to. */
export type DeskKeys = KeyHandlers<'sort'>;

const MENU = [
  'file',
  'fileAgain',
  'names',
  'correct',
  'setAside',
  'asideOthers',
  'bringBack',
  'offTrays',
  'outOfAll',
  'newByRule',
  'deleteOwn',
] as const;

/** The desk with its keys. */
export interface Desk extends DeskState {
  readonly keys: DeskKeys;
  /** What can be done with what is selected, for menus. */
  readonly moreActs: () => readonly MenuAct[];
}

/** The keys of Sort, which hold from now on wherever the keyboard stands, but in fields and boxes; and the same as a menu. */
export function useDeskKeys(desk: DeskState): Desk {
  const { catalogue, state, changes, viewing, chest, subject, filing, queue, whenFound } = desk;
  const { view, look } = viewing;
  // A plugin of which only some builds are set aside has something to bring back too.
  const withAside = useMemo(() => new Set([...asidesOf(state).values()].map((aside) => aside.pluginId)), [state]);
  const hasAside = (ids: readonly ItemId[]): boolean =>
    withAside.size > 0 && ids.some((id) => withAside.has(pluginOfItem(id)));
  /** Does something with what is selected, once the search has answered; nothing where nothing is. */
  const withChosen = (act: (ids: readonly ItemId[]) => void) => () =>
    whenFound(() => {
      const ids = subject.now();
      if (ids.length > 0) act(ids);
    });
  /** Leads to a part of the details of the one that is selected; they are opened where they are not. */
  const toPart = (part: PanelPart) =>
    withChosen((ids) => {
      const [only] = ids;
      if (only === undefined || ids.length > 1) return;
      if (desk.about === null) desk.setAbout(only);
      focusPanelPart(part);
    });
  const isChosen = subject.ids.length > 0;
  const ifChosen = (act: (ids: readonly ItemId[]) => void) => (isChosen ? withChosen(act) : null);
  const toChest = (by: number) => (): void => {
    const chests = chestsOf(state);
    const at = chests.findIndex((one) => one.id === chest?.id);
    const next = chests[(at + by + chests.length) % chests.length];
    if (next === undefined) return;
    look({ chest: next.id, open: [] });
    tell(`Chest ${next.name}`);
  };
  const keys: DeskKeys = {
    find: () => {
      const line = document.querySelector<HTMLInputElement>('#find');
      line?.focus();
      line?.select();
    },
    // Asked of what is selected when the key comes: the one before it may have changed that, and not be drawn yet.
    file: withChosen((ids) =>
      chest === null ? desk.beginWithChest({ kind: 'file', ids }) : desk.openBox('file', ids),
    ),
    fileAgain: filing.again.length > 0 ? withChosen((ids) => filing.file(ids, filing.again)) : null,
    tray: (digit) => withChosen((ids) => void changes.make(trayWish(state, Number(digit), ids)))(),
    offTrays: withChosen((ids) => void changes.make({ kind: 'clear-trays', trays: TRAYS, pluginIds: ids })),
    outOfAll: withChosen((ids) => void changes.make({ kind: 'take-out-everywhere', pluginIds: ids })),
    setAside: () => whenFound(() => desk.openBox('aside')),
    bringBack: hasAside(subject.ids) ? withChosen((ids) => void changes.make(bringBackWish(catalogue, ids))) : null,
    names: withChosen((ids) => desk.openBox('names', ids)),
    correct: withChosen((ids) => desk.openBox('right', ids)),
    menu: openMenuHere,
    toFile: chest === null ? () => desk.beginWithChest({ kind: 'to-file' }) : desk.workThrough,
    newDrawer: () => (chest === null ? desk.beginWithChest({ kind: 'new-drawer' }) : desk.setMaking(null)),
    newByRule: chest === null ? null : withChosen((ids) => desk.openBox('examples', ids)),
    toDrawer: chest === null ? null : () => desk.openBox('to-drawer', []),
    nextChest: state.chest.size > 1 ? toChest(1) : null,
    previousChest: state.chest.size > 1 ? toChest(-1) : null,
    pictures: () => desk.setPictures(!desk.pictures),
    addOwn: () => desk.openBox('own-entries', []),
    addFiles: () => desk.openBox('files', []),
    columns: () => desk.openBox('columns', []),
    asideOthers: withChosen((ids) => {
      const chosen = new Set(ids);
      const others = desk.listed.ids.filter((id) => !chosen.has(id));
      if (others.length === 0) tell('Nothing else is shown.');
      else desk.openBox('aside', others);
    }),
    // Asked of what is selected when the key comes; a plugin that was scanned is never deleted.
    deleteOwn: subject.ids.length > 0 && subject.ids.every(isOwnEntry) ? withChosen(desk.deleteOwn) : null,
    toPlaces: toPart('places'),
    toType: toPart('type'),
    toPresets: toPart('presets'),
    toBuilds: toPart('builds'),
    back: () => {
      const home = openAround(document.activeElement, view.open);
      if (desk.about !== null) desk.setAbout(null);
      else if (home !== null) {
        look({ open: view.open.filter((id) => id !== home) });
        focusFront(home);
      } else if (queue !== null) desk.leaveQueue();
      else if (isChosen) subject.selection.none();
      else if (QUESTIONS.some((question) => view.filters[question].length > 0)) look({ filters: NO_FILTERS });
      else if (view.typed !== '') look({ typed: '' });
      else return false;
      return true;
    },
  };
  useKeys('sort', keys);
  // What is shown as something that can be done is shown only while something is selected.
  const shown: DeskKeys = {
    ...keys,
    file: ifChosen((ids) => (chest === null ? desk.beginWithChest({ kind: 'file', ids }) : desk.openBox('file', ids))),
    fileAgain: isChosen ? keys.fileAgain : null,
  };
  return { ...desk, keys: shown, moreActs: () => [...actsOf('sort', keys, MENU), ...onFavourites(keys)] };
}

/** Of the trays the first one, which most is put on. */
const onFavourites = (keys: DeskKeys): readonly MenuAct[] =>
  actsOf('sort', keys, ['tray']).map((act) => ({ ...act, words: 'On Favourites, and off again' }));

/** The innermost open drawer or tray around what has the keyboard, as the view names it; null for none. */
function openAround(here: Element | null, open: readonly string[]): string | null {
  const home = here?.closest<HTMLElement>('[data-drawer], [data-split-part], [data-tray]');
  if (home == null) return null;
  const { drawer, splitPart, tray } = home.dataset;
  const id = drawer ?? splitPart ?? trayId(Number(tray));
  return open.includes(id) ? id : openAround(home.parentElement, open);
}
