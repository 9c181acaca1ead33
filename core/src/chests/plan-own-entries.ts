import type { PluginId } from '../ids.js';
import { sameRow, type Edit } from './edit.js';
import { ownEntriesByKey, ownEntryKey } from './own-entries.js';
import { placesOfItem } from './item-places.js';
import type { Planners } from './plan.js';
import { nothing, planned, refuse, UNCHANGED } from './plan.js';
import { EMPTY } from './plan-slots.js';
import type { OwnEntry } from './rows/own-entry.js';

/** The most own entries that are added at once. */
export const MAX_OWN_ENTRIES = 2000;

const inWords = (entries: readonly { readonly name: string }[], many = 'own entries'): string => {
  const [only] = entries;
  return entries.length === 1 && only !== undefined ? only.name : `${String(entries.length)} ${many}`;
};

/** Own entries: added, changed, deleted with every place that they stand in. */
export const OWN_ENTRY_PLANNERS: Planners<
  'add-own-entries' | 'take-in-files' | 'change-own-entry' | 'delete-own-entries'
> = {
  'add-own-entries': {
    names: nothing,
    plan: (state, { entries }) => {
      const known = new Set(ownEntriesByKey(state).keys());
      for (const entry of entries) {
        if (state.ownEntry.has(entry.id) || known.has(ownEntryKey(entry)))
          return refuse(`${entry.program} has an own entry called ${entry.name} already.`);
        known.add(ownEntryKey(entry));
      }
      if (entries.length === 0) return refuse(UNCHANGED);
      return planned(
        `add ${inWords(entries)}`,
        entries.map((row): Edit => ({ of: 'ownEntry', id: row.id, before: null, after: { ...row, file: null } })),
      );
    },
  },

  'take-in-files': {
    names: ({ entries }) => ({ files: entries }),
    plan: (state, { entries }) => {
      const fresh = [...new Map(entries.map((row) => [row.id, row])).values()].filter(
        (row) => !state.ownEntry.has(row.id),
      );
      return planned(
        `add ${inWords(fresh, 'files')}`,
        fresh.map((row): Edit => ({ of: 'ownEntry', id: row.id, before: null, after: row })),
      );
    },
  },

  'change-own-entry': {
    names: nothing,
    plan: (state, { kind: _, id, ...fields }) => {
      const before = state.ownEntry.get(id);
      if (before === undefined) return refuse(NO_ENTRY);
      const after: OwnEntry = { ...before, ...fields };
      const other = ownEntriesByKey(state).get(ownEntryKey(after));
      if (other !== undefined && other.id !== id)
        return refuse(`${after.program} has an own entry called ${other.name} already.`);
      if (sameRow(before, after)) return refuse(UNCHANGED);
      return planned(`change the own entry ${before.name}`, [{ of: 'ownEntry', id, before, after }]);
    },
  },

  'delete-own-entries': {
    names: nothing,
    plan: (state, { ids }) => {
      const rows = [...new Set(ids)].flatMap((id) => state.ownEntry.get(id) ?? []);
      if (rows.length === 0) return refuse(NO_ENTRY);
      const wanted = new Set<PluginId>(rows.map((row) => row.id));
      const part = [...state.chainPart.values()].find((one) => wanted.has(one.pluginId));
      if (part !== undefined)
        return refuse(
          `${state.ownEntry.get(part.pluginId)?.name ?? 'It'} is in the chain ${state.chain.get(part.chainId)?.name ?? ''}. Take it out of the chain first.`,
        );
      const slots = [...state.slot.values()].filter((slot) => slot.pluginId !== null && wanted.has(slot.pluginId));
      return planned(`delete ${inWords(rows)}`, [
        ...placesOfItem(state, wanted),
        ...slots.map((slot): Edit => ({ of: 'slot', id: slot.id, before: slot, after: { ...slot, ...EMPTY } })),
        ...rows.map((row): Edit => ({ of: 'ownEntry', id: row.id, before: row, after: null })),
      ]);
    },
  },
};

const NO_ENTRY = 'This own entry is not there any more. It was deleted in another window; undo there brings it back.';
