import { isChain, pluginOfItem } from '@clever-drawer/core/chests/item';
import { isOwnEntry } from '@clever-drawer/core/chests/own-entries';
import { TRAYS } from '@clever-drawer/core/chests/rows/tray-entry';
import type { ItemId } from '@clever-drawer/core/ids';
import type { LineMove } from '../parts/list-keys';
import { reorderTrayIntent } from './filing/desk-wishes';
import { isWanted } from './list/is-wanted';
import { isAskedAbout } from './filing/desk-wishes';
import { ToFilePanel } from './filing/to-file-panel';
import type { SortBy } from './find/use-sort-view';
import { NothingFound } from './list/nothing-found';
import { PluginList } from './list/plugin-list';
import { ChainPanel } from './plugin/chain-panel';
import { OwnEntryPanel } from './plugin/own-entry-panel';
import { PluginPanel } from './plugin/plugin-panel';
import { isNew } from './ribbons/facets';
import type { Desk } from './use-desk-keys';
import styles from './sort.module.css';

/** The left side: the list, or what is to be filed; in front of it what is known of one plugin. */
export function DeskLeft({ desk }: { desk: Desk }) {
  const { catalogue, state, viewing, listed, openBox, about, setAbout, left } = desk;
  return (
    <div className={styles.deskLeft} ref={left}>
      {desk.queue !== null && desk.chest !== null ? (
        <ToFile desk={desk} chest={desk.chest} queue={desk.queue} />
      ) : listed.ids.length === 0 && desk.isSettled ? (
        <NothingFound
          typed={viewing.view.typed}
          outside={listed.outside}
          clear={viewing.clear}
          all={() => viewing.look({ typed: '' })}
        />
      ) : (
        <List desk={desk} />
      )}
      {about !== null && isChain(about) && (
        <ChainPanel
          key={about}
          id={about}
          state={state}
          catalogue={catalogue}
          close={() => setAbout(null)}
          name={() => openBox('names', [about])}
          about={setAbout}
        />
      )}
      {about !== null && isOwnEntry(about) && (
        <OwnEntryPanel
          key={about}
          id={pluginOfItem(about)}
          state={state}
          catalogue={catalogue}
          close={() => setAbout(null)}
          change={() => openBox('right', [about])}
          name={() => openBox('names', [about])}
          setAside={() => openBox('aside', [about])}
          remove={() => desk.deleteOwn([about])}
        />
      )}
      {about !== null && !isChain(about) && !isOwnEntry(about) && (
        <PluginPanel
          key={pluginOfItem(about)}
          id={pluginOfItem(about)}
          chosen={desk.subject.ids}
          choose={desk.subject.selectElsewhere}
          state={state}
          catalogue={catalogue}
          close={() => setAbout(null)}
          putRight={() => openBox('right', [about])}
          name={() => openBox('names', [about])}
          setAside={() => openBox('aside', [about])}
        />
      )}
    </div>
  );
}

interface ToFileProps {
  readonly desk: Desk;
  readonly chest: NonNullable<Desk['chest']>;
  readonly queue: readonly ItemId[];
}

function ToFile({ desk, chest, queue }: ToFileProps) {
  const { catalogue, listed, seenAt } = desk;
  const isFresh = (id: ItemId): boolean => {
    const plugin = catalogue.byId.get(id);
    return plugin?.aside === null && isNew(plugin, seenAt) && !listed.places.has(id) && !isAskedAbout(desk.state, id);
  };
  return (
    <ToFilePanel
      catalogue={catalogue}
      state={desk.state}
      chest={chest}
      changes={desk.changes}
      queue={queue}
      fresh={queue.filter(isFresh).length}
      byRules={catalogue.plugins.filter((one) => isFresh(one.id) && listed.places.isByRule(one.id)).length}
      isFiled={(id) => listed.places.has(id)}
      light={desk.light}
      other={() => void desk.keys.file?.()}
      shown={desk.setWaiting}
      fileIntoNew={desk.filing.fileIntoNew}
      here={() => desk.subject.selectElsewhere(null)}
      about={desk.setAbout}
      close={desk.leaveQueue}
    />
  );
}

function List({ desk }: { desk: Desk }) {
  const { state, changes, viewing, listed, subject, seenAt } = desk;
  const { view, look } = viewing;
  const sortBy = (column: SortBy): void => {
    // Up, down, and back to the order of the search.
    if (view.sortBy !== column) look({ sortBy: column, down: false });
    else look(view.down ? { sortBy: null, down: false } : { down: true });
  };
  const isInTrayOrder = view.filters.tray.length === 1 && view.sortBy === null && view.typed === '';
  const tray = TRAYS.find((one) => isInTrayOrder && String(one) === view.filters.tray[0]);
  const shiftOnTray = (to: LineMove): void => {
    const wish = tray === undefined ? null : reorderTrayIntent(state, tray, subject.ids, to);
    if (wish !== null) void changes.make(wish);
  };
  return (
    <PluginList
      memory={desk.memory}
      menu={desk.moreActs}
      listed={listed}
      state={state}
      seen={(plugin) => isNew(plugin, seenAt)}
      isWanted={(plugin) => isWanted(plugin, desk.chest)}
      selection={subject.selection}
      view={view}
      pictures={desk.pictures}
      columns={desk.columns}
      sortBy={sortBy}
      open={(id) => desk.setAbout(id ?? null)}
      whenFound={desk.whenFound}
      {...(tray === undefined ? {} : { shift: shiftOnTray })}
    />
  );
}
