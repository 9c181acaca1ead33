import type { ItemId } from '../ids.js';
import type { Drawer } from './rows/drawer.js';
import type { Entry } from './rows/entry.js';
import { entryId } from './rows/entry.js';
import { neverInId } from './rows/never-in.js';
import { DRAWER_SORT_LABELS } from './drawer-sort.js';
import type { Edit } from './edit.js';
import { endNever, fileInto, linesIn } from './file-into.js';
import { itemId, itemParts, pluginOfItem } from './item.js';
import { keysBefore } from './order-keys.js';
import { group } from './row-groups.js';
import type { NameOf, Planners } from './plan.js';
import { UNCHANGED, referencesPlugin, referencesPlugins, nothing, planned, refuse, what } from './plan.js';
import { GONE } from './plan-level.js';

const NO_DIVIDER = 'This divider is not there any more. It was removed in another window.';

/** What stands in drawers: filed, placed in order, sorted, parted by dividers, named, taken out. */
export const FILING_PLANNERS: Planners<
  | 'file'
  | 'place'
  | 'take-out'
  | 'take-out-everywhere'
  | 'never-in'
  | 'decide-by-rule'
  | 'arrange'
  | 'add-divider'
  | 'label-divider'
  | 'remove-divider'
  | 'name-entry'
  | 'bind-entry'
> = {
  file: {
    names: referencesPlugins,
    plan: (state, { drawerIds, pluginIds }, nameOf) => {
      const drawers = [...new Set(drawerIds)].map((id) => state.drawer.get(id));
      if (drawers.length === 0 || drawers.includes(undefined)) return refuse(GONE);
      const chosen = drawers.filter((drawer) => drawer !== undefined);
      const edits = chosen.flatMap((drawer) => fileInto(state, drawer, pluginIds, nameOf));
      const names = chosen.map((drawer) => drawer.name).join(', ');
      if (edits.length === 0) {
        return refuse(`${pluginIds.length === 1 ? 'It stands' : 'They all stand'} in ${names} already.`);
      }
      const filed: ItemId[] = [];
      for (const edit of edits) if (edit.of === 'entry') filed.push(itemId(edit.after as Entry));
      const each = chosen.length === 1 ? filed : [...new Set(filed)];
      return planned(`file ${what(each, nameOf)} into ${names}`, edits);
    },
  },

  place: {
    names: referencesPlugins,
    plan: (state, { drawerId, pluginIds, dividerIds, before: neighbour }, nameOf) => {
      const drawer = state.drawer.get(drawerId);
      if (drawer === undefined) return refuse(GONE);
      const plugins = [...new Set(pluginIds)].filter((id) => nameOf(id) !== undefined);
      const dividers = dividerIds.map((id) => state.divider.get(id)).filter((row) => row?.drawerId === drawerId);
      const moved = new Set([...plugins.map((id) => entryId(drawerId, id)), ...dividerIds]);
      if (neighbour !== null && moved.has(neighbour)) return refuse(UNCHANGED);
      const lines = linesIn(state, drawer).filter((line) => !moved.has(line.id));
      const orders = keysBefore(lines, neighbour, plugins.length + dividers.length);
      const edits = plugins.map((item, at): Edit => {
        const id = entryId(drawerId, item);
        const before = state.entry.get(id) ?? null;
        const order = orders[at] ?? '';
        return {
          of: 'entry',
          id,
          before,
          after: { name: null, build: null, ...before, id, drawerId, ...itemParts(item), order },
        };
      });
      edits.push(...plugins.flatMap((item) => endNever(state, drawer, item)));
      dividers.forEach((before, at) => {
        if (before === undefined) return;
        const after = { ...before, order: orders[plugins.length + at] ?? '' };
        edits.push({ of: 'divider', id: before.id, before, after });
      });
      if (edits.length === 0) return refuse(UNCHANGED);
      const isFiling = edits.some((edit) => edit.of === 'entry' && edit.before === null);
      const of = plugins.length === 0 ? 'a divider' : what(plugins, nameOf);
      return planned(isFiling ? `file ${of} into ${drawer.name}` : `move ${of} in ${drawer.name}`, edits);
    },
  },

  'take-out': {
    names: referencesPlugins,
    plan: (state, { drawerId, pluginIds }, nameOf) => {
      const drawer = state.drawer.get(drawerId);
      if (drawer === undefined) return refuse(GONE);
      const edits = [...new Set(pluginIds)]
        .map((pluginId) => state.entry.get(entryId(drawerId, pluginId)))
        .filter((entry) => entry !== undefined)
        .map((entry): Edit => ({ of: 'entry', id: entry.id, before: entry, after: null }));
      if (edits.length > 0) return planned(`take ${what(pluginIds, nameOf)} out of ${drawer.name}`, edits);
      return refuse(whyItStays(drawer, pluginIds[0], nameOf));
    },
  },

  'take-out-everywhere': {
    names: referencesPlugins,
    plan: (state, { pluginIds }, nameOf) => {
      const ids = [...new Set(pluginIds)];
      const entries = ids.flatMap((id) => group(state, 'entriesOf', id));
      const onTrays = ids.flatMap((id) => group(state, 'traysOf', id));
      const places = entries.length + onTrays.length;
      if (places === 0) return refuse('They were filed into no drawer by hand, and are on no tray.');
      const from = `${String(places)} ${places === 1 ? 'place' : 'places'} in drawers and on trays`;
      return planned(`take ${what(ids, nameOf)} out of ${from}`, [
        ...entries.map((row): Edit => ({ of: 'entry', id: row.id, before: row, after: null })),
        ...onTrays.map((row): Edit => ({ of: 'trayEntry', id: row.id, before: row, after: null })),
      ]);
    },
  },

  'never-in': {
    names: referencesPlugins,
    plan: (state, { drawerId, pluginIds }, nameOf) => {
      const drawer = state.drawer.get(drawerId);
      if (drawer === undefined) return refuse(GONE);
      if (drawer.rule === null)
        return refuse(`${drawer.name} has no rule that could put it there. Take it out instead.`);
      const fresh = [...new Set(pluginIds)].filter(
        (id) => nameOf(id) !== undefined && !state.neverIn.has(neverInId(drawerId, id)),
      );
      if (fresh.length === 0)
        return refuse(`${drawer.name} never takes ${pluginIds.length === 1 ? 'it' : 'them'} as it is.`);
      const edits = fresh.flatMap((item): Edit[] => {
        const id = neverInId(drawerId, item);
        const entry = state.entry.get(entryId(drawerId, item));
        return [
          { of: 'neverIn', id, before: null, after: { id, drawerId, ...itemParts(item) } },
          ...(entry === undefined ? [] : [{ of: 'entry' as const, id: entry.id, before: entry, after: null }]),
        ];
      });
      return planned(`never file ${what(fresh, nameOf)} in ${drawer.name}`, edits);
    },
  },

  'decide-by-rule': {
    names: referencesPlugins,
    plan: (state, { drawerId, pluginIds }, nameOf) => {
      const drawer = state.drawer.get(drawerId);
      if (drawer === undefined) return refuse(GONE);
      if (drawer.rule === null) return refuse(`${drawer.name} has no rule.`);
      const edits = [...new Set(pluginIds)].flatMap((item): Edit[] => {
        const entry = state.entry.get(entryId(drawerId, item));
        return [
          ...endNever(state, drawer, item),
          ...(entry === undefined ? [] : [{ of: 'entry' as const, id: entry.id, before: entry, after: null }]),
        ];
      });
      if (edits.length === 0)
        return refuse(`The rule of ${drawer.name} decides on ${what(pluginIds, nameOf)} already.`);
      return planned(`let the rule of ${drawer.name} decide on ${what(pluginIds, nameOf)}`, edits);
    },
  },

  arrange: {
    names: nothing,
    plan: (state, { drawerId, ids, by }) => {
      const drawer = state.drawer.get(drawerId);
      if (drawer === undefined) return refuse(GONE);
      const lines = new Map(linesIn(state, drawer).map((line) => [line.id, line]));
      if (new Set(ids).size !== lines.size || ids.some((id) => !lines.has(id)))
        return refuse(`${drawer.name} has been changed in another window. Look at it, then sort it again.`);
      const orders = keysBefore([], null, ids.length);
      const edits = ids.flatMap((id, at): Edit[] => {
        const order = orders[at] ?? '';
        const [entry, divider] = [state.entry.get(id), state.divider.get(id)];
        if (entry !== undefined && entry.order !== order)
          return [{ of: 'entry', id, before: entry, after: { ...entry, order } }];
        if (divider !== undefined && divider.order !== order)
          return [{ of: 'divider', id, before: divider, after: { ...divider, order } }];
        return [];
      });
      // Sorted once means by hand from then on: a standing order ends with it, in the same step.
      if (drawer.sort !== null)
        edits.push({ of: 'drawer', id: drawerId, before: drawer, after: { ...drawer, sort: null } });
      if (edits.length === 0) return refuse(`${drawer.name} is in this order already.`);
      return planned(`sort ${drawer.name} ${DRAWER_SORT_LABELS[by]}`, edits);
    },
  },

  'add-divider': {
    names: nothing,
    plan: (state, { id, drawerId, label, before }) => {
      const drawer = state.drawer.get(drawerId);
      if (drawer === undefined) return refuse(GONE);
      if (state.divider.has(id)) return refuse('This divider has been made already.');
      const [order = ''] = keysBefore(linesIn(state, drawer), before, 1);
      const words = label === '' ? `add a divider in ${drawer.name}` : `add the divider ${label} in ${drawer.name}`;
      return planned(words, [{ of: 'divider', id, before: null, after: { id, drawerId, label, order } }]);
    },
  },

  'label-divider': {
    names: nothing,
    plan: (state, { id, label }) => {
      const before = state.divider.get(id);
      if (before === undefined) return refuse(NO_DIVIDER);
      if (before.label === label) return refuse(UNCHANGED);
      return planned(label === '' ? 'take the label off a divider' : `label a divider ${label}`, [
        { of: 'divider', id, before, after: { ...before, label } },
      ]);
    },
  },

  'remove-divider': {
    names: nothing,
    plan: (state, { id }) => {
      const before = state.divider.get(id);
      if (before === undefined) return refuse(NO_DIVIDER);
      const words = before.label === '' ? 'remove a divider' : `remove the divider ${before.label}`;
      return planned(words, [{ of: 'divider', id, before, after: null }]);
    },
  },

  'name-entry': {
    names: referencesPlugin,
    plan: (state, { drawerId, pluginId, name }, nameOf) => {
      const drawer = state.drawer.get(drawerId);
      const before = state.entry.get(entryId(drawerId, pluginId));
      const given = nameOf(pluginId) ?? 'a plugin';
      if (drawer === undefined) return refuse(GONE);
      if (before === undefined)
        return refuse(`${given} was not put into ${drawer.name} by hand; file it there first, then name it.`);
      if (before.name === name) return refuse(UNCHANGED);
      const words =
        name === null ? `use the own name of ${given} in ${drawer.name}` : `call ${given} ${name} in ${drawer.name}`;
      return planned(words, [{ of: 'entry', id: before.id, before, after: { ...before, name } }]);
    },
  },
  'bind-entry': {
    names: ({ pluginId, build }) => ({
      plugins: [pluginOfItem(pluginId)],
      ...(build === null ? {} : { builds: [build] }),
    }),
    plan: (state, { drawerId, pluginId, build }, nameOf) => {
      const drawer = state.drawer.get(drawerId);
      const before = state.entry.get(entryId(drawerId, pluginId));
      const given = nameOf(pluginId) ?? 'a plugin';
      if (drawer === undefined) return refuse(GONE);
      if (before === undefined)
        return refuse(`${given} was not put into ${drawer.name} by hand; file it there first, then choose a build.`);
      const key = build?.key ?? null;
      if (key !== null && before.preset !== null)
        return refuse(`${given} is loaded by a build that has this preset. Choose a build for the plugin itself.`);
      if (before.build === key) return refuse(UNCHANGED);
      const words = `load ${key === null ? 'the usual build' : 'one certain build'} of ${given} from ${drawer.name}`;
      return planned(words, [{ of: 'entry', id: before.id, before, after: { ...before, build: key } }]);
    },
  },
};

function whyItStays(drawer: Drawer, item: ItemId | undefined, nameOf: NameOf): string {
  const name = item === undefined ? undefined : nameOf(item);
  if (drawer.rule === null || name === undefined) return `Not in ${drawer.name}.`;
  return `${name} was not put into ${drawer.name} by hand. If its rule takes it, choose “Never in this drawer”, or change the rule.`;
}
