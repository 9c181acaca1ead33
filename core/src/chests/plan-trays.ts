import type { ItemId } from '../ids.js';
import type { Arrangement } from './arrangement.js';
import type { TrayEntry } from './rows/tray-entry.js';
import { TRAYS, trayEntryId } from './rows/tray-entry.js';
import type { TrayName } from './rows/tray-name.js';
import type { Edit } from './edit.js';
import { sameRow } from './edit.js';
import { itemId, itemParts } from './item.js';
import { trayEntries, trayName } from './look-up.js';
import { keysBefore } from './order-keys.js';
import type { Plan, Planners } from './plan.js';
import { UNCHANGED, referencesPlugins, nothing, planned, refuse, what } from './plan.js';

const off = (entry: TrayEntry): Edit => ({ of: 'trayEntry', id: entry.id, before: entry, after: null });

/** The nine trays: plugins on and off, in order, named, changed about, cleared. */
export const TRAY_PLANNERS: Planners<
  | 'tray-on'
  | 'tray-off'
  | 'place-on-tray'
  | 'clear-trays'
  | 'name-tray'
  | 'set-tray-sign'
  | 'show-tray-in-menus'
  | 'swap-trays'
> = {
  'tray-on': {
    names: referencesPlugins,
    plan: (state, { tray, pluginIds }, nameOf) => {
      const fresh = [...new Set(pluginIds)].filter(
        (id) => nameOf(id) !== undefined && !state.trayEntry.has(trayEntryId(tray, id)),
      );
      if (fresh.length === 0) return refuse(`Already on ${trayName(state, tray)}.`);
      const orders = keysBefore(trayEntries(state, tray), null, fresh.length);
      const edits = fresh.map((item, index): Edit => {
        const id = trayEntryId(tray, item);
        const after = { id, tray, ...itemParts(item), order: orders[index] ?? '' };
        return { of: 'trayEntry', id, before: null, after };
      });
      return planned(`put ${what(fresh, nameOf)} on ${trayName(state, tray)}`, edits);
    },
  },

  'tray-off': {
    names: referencesPlugins,
    plan: (state, { tray, pluginIds }, nameOf) => {
      const edits = [...new Set(pluginIds)]
        .map((pluginId) => state.trayEntry.get(trayEntryId(tray, pluginId)))
        .filter((entry) => entry !== undefined)
        .map(off);
      if (edits.length === 0) return refuse(`Not on ${trayName(state, tray)}.`);
      return planned(`take ${what(pluginIds, nameOf)} off ${trayName(state, tray)}`, edits);
    },
  },

  'place-on-tray': {
    names: referencesPlugins,
    plan: (state, { tray, pluginIds, before: neighbour }, nameOf) => {
      const moved = [...new Set(pluginIds)].filter((id) => nameOf(id) !== undefined);
      if (neighbour !== null && moved.includes(neighbour)) return refuse(UNCHANGED);
      const ids = new Set(moved.map((id) => trayEntryId(tray, id)));
      const rest = trayEntries(state, tray).filter((entry) => !ids.has(entry.id));
      const orders = keysBefore(rest, neighbour === null ? null : trayEntryId(tray, neighbour), moved.length);
      const edits = moved.map((item, at): Edit => {
        const id = trayEntryId(tray, item);
        const after = { id, tray, ...itemParts(item), order: orders[at] ?? '' };
        return { of: 'trayEntry', id, before: state.trayEntry.get(id) ?? null, after };
      });
      if (edits.length === 0) return refuse(UNCHANGED);
      return planned(`place ${what(moved, nameOf)} on ${trayName(state, tray)}`, edits);
    },
  },

  'clear-trays': {
    names: referencesPlugins,
    plan: (state, { trays, pluginIds }, nameOf) => {
      const wanted = pluginIds === null ? null : new Set<ItemId>(pluginIds);
      const edits = trays.flatMap((tray) =>
        trayEntries(state, tray)
          .filter((entry) => wanted === null || wanted.has(itemId(entry)))
          .map(off),
      );
      const [only] = trays.length === 1 ? trays : [];
      const from = only === undefined ? 'all trays' : trayName(state, only);
      if (edits.length === 0) return refuse(`Nothing of it is on ${from}.`);
      return planned(pluginIds === null ? `clear ${from}` : `take ${what(pluginIds, nameOf)} off ${from}`, edits);
    },
  },

  'name-tray': {
    names: nothing,
    plan: (state, { tray, name }) => {
      const id = String(tray);
      return changeTray(
        state,
        tray,
        { name },
        name === null ? `take the name off tray ${id}` : `name tray ${id} ${name}`,
      );
    },
  },

  'set-tray-sign': {
    names: nothing,
    plan: (state, { tray, sign }) => {
      const words = sign === null ? 'take the sign off' : `give the sign ${sign} to`;
      return changeTray(state, tray, { sign }, `${words} ${trayName(state, tray)}`);
    },
  },

  'show-tray-in-menus': {
    names: nothing,
    plan: (state, { tray, shown }) => {
      const words = shown ? 'show' : 'leave';
      return changeTray(
        state,
        tray,
        { notInMenus: !shown },
        `${words} ${trayName(state, tray)} ${shown ? 'in' : 'out of'} menus`,
      );
    },
  },

  'swap-trays': {
    names: nothing,
    plan: (state, { tray, with: other }) => {
      const known: readonly number[] = TRAYS;
      if (tray === other || !known.includes(tray) || !known.includes(other)) return refuse(UNCHANGED);
      const edits = [...swapNames(state, tray, other), ...swapEntries(state, tray, other)];
      if (edits.length === 0) return refuse('Both trays are empty and without names.');
      return planned(`swap trays ${String(tray)} and ${String(other)}`, edits);
    },
  },
};

/** A change of what is said of a tray; a row that says nothing is taken away. */
function changeTray(state: Arrangement, tray: number, change: Partial<Omit<TrayName, 'id'>>, label: string): Plan {
  const id = String(tray);
  const before = state.trayName.get(id) ?? null;
  const told: TrayName = { ...(before ?? { id, name: null, sign: null, notInMenus: false }), ...change };
  const after = told.name === null && told.sign === null && !told.notInMenus ? null : told;
  if (sameRow(before, after)) return refuse(UNCHANGED);
  return planned(label, [{ of: 'trayName', id, before, after }]);
}

function swapNames(state: Arrangement, tray: number, other: number): Edit[] {
  return [
    [tray, other],
    [other, tray],
  ].flatMap(([at, from]): Edit[] => {
    const id = String(at);
    const before = state.trayName.get(id) ?? null;
    const row = state.trayName.get(String(from));
    const after = row === undefined ? null : { ...row, id };
    return sameRow(before, after) ? [] : [{ of: 'trayName', id, before, after }];
  });
}

/** A plugin on both trays has a row on each that changes its place alone; no row is touched twice. */
function swapEntries(state: Arrangement, tray: number, other: number): Edit[] {
  const rows = (at: number): ReadonlyMap<ItemId, TrayEntry> =>
    new Map(trayEntries(state, at).map((entry) => [itemId(entry), entry]));
  const [one, two] = [rows(tray), rows(other)];
  const move = (at: number, before: TrayEntry | undefined, from: TrayEntry | undefined): Edit[] => {
    const row = before ?? from;
    if (row === undefined) return [];
    const id = trayEntryId(at, itemId(row));
    const after = from === undefined ? null : { ...from, id, tray: at };
    return sameRow(before ?? null, after) ? [] : [{ of: 'trayEntry', id, before: before ?? null, after }];
  };
  return [...new Set([...one.keys(), ...two.keys()])].flatMap((id) => [
    ...move(tray, one.get(id), two.get(id)),
    ...move(other, two.get(id), one.get(id)),
  ]);
}
