import type { ItemId, PluginId } from '../ids.js';
import { fold } from '../text/words.js';
import { LAST_LOOK } from './rows/look.js';
import { asideEdits } from './asides.js';
import type { Edit } from './edit.js';
import { sameRow } from './edit.js';
import { byOrder } from './look-up.js';
import type { NewNames } from './intent.js';
import type { Naming } from './rows/naming.js';
import { keysBefore } from './order-keys.js';
import type { NameOf, Planners } from './plan.js';
import { UNCHANGED, referencesPlugins, nothing, planned, refuse, what } from './plan.js';
import type { Aside } from './rows/aside.js';
import { asideLabel } from './rows/aside.js';

const NO_SEARCH = 'This search is not kept any more.';

/** What the producer says of plugins themselves, wherever they stand: names, tags, notes, pictures, set aside; and searches that are kept. */
export const NAME_PLANNERS: Planners<
  'name-plugins' | 'set-aside' | 'bring-back' | 'show-face' | 'keep-search' | 'forget-search' | 'look'
> = {
  'name-plugins': {
    names: referencesPlugins,
    plan: (state, { pluginIds, naming }, nameOf) => {
      const known = [...new Set(pluginIds)].filter((id) => nameOf(id) !== undefined);
      const edits = known.flatMap((id): Edit[] => {
        const before = state.naming.get(id) ?? null;
        const after = named(id, before, naming);
        return sameRow(before, after) ? [] : [{ of: 'naming', id, before, after }];
      });
      if (edits.length === 0) return refuse(UNCHANGED);
      return planned(namingLabel(naming, known, nameOf), edits);
    },
  },

  'set-aside': {
    names: ({ pluginIds, builds }) => ({ plugins: pluginIds, builds }),
    plan: (state, { pluginIds, builds, reason, until, note = null, here = false }, nameOf) => {
      const wanted = [
        ...pluginIds
          .filter((id) => nameOf(id) !== undefined)
          .map((id) => ({ id: String(id), pluginId: id, buildId: null })),
        ...builds.map(({ id, pluginId }) => ({ id: String(id), pluginId, buildId: id })),
      ];
      const edits = [...new Map(wanted.map((one) => [one.id, one])).values()].flatMap((one): Edit[] => {
        const after: Aside = { ...one, reason, until, note };
        return asideEdits(state, one.id, after, here).filter((edit) => !sameRow(edit.before, edit.after));
      });
      if (edits.length === 0) return refuse(wanted.length === 0 ? 'Nothing fits this rule.' : UNCHANGED);
      const where = here ? ' on this computer' : '';
      return planned(`set ${asideWords(pluginIds, builds.length, nameOf)} aside${where}: ${asideLabel(reason)}`, edits);
    },
  },

  'bring-back': {
    names: referencesPlugins,
    plan: (state, { pluginIds, builds }, nameOf) => {
      const edits = [...pluginIds, ...builds.map((build) => build.id)].flatMap((id) =>
        asideEdits(state, id, null, false),
      );
      if (edits.length === 0) return refuse('Nothing of it is set aside.');
      return planned(`bring back ${asideWords(pluginIds, builds.length, nameOf)}`, edits);
    },
  },

  'show-face': {
    names: ({ pluginId, picture }) => ({ plugins: [pluginId], picture }),
    plan: (state, { pluginId, picture }, nameOf) => {
      const name = nameOf(pluginId);
      if (name === undefined) return refuse('This plugin is not in the catalogue any more.');
      const before = state.face.get(pluginId) ?? null;
      const after = picture === null ? null : { id: pluginId, picture };
      if (sameRow(before, after)) return refuse(UNCHANGED);
      return planned(picture === null ? `take the picture off ${name}` : `set a picture for ${name}`, [
        { of: 'face', id: pluginId, before, after },
      ]);
    },
  },

  'keep-search': {
    names: nothing,
    plan: (state, { id, name, query }) => {
      if (state.keptSearch.has(id)) return refuse('This search is kept already.');
      const [order = ''] = keysBefore([...state.keptSearch.values()].sort(byOrder), null, 1);
      return planned(`keep the search ${name}`, [
        { of: 'keptSearch', id, before: null, after: { id, name, query, order } },
      ]);
    },
  },

  'forget-search': {
    names: nothing,
    plan: (state, { id }) => {
      const before = state.keptSearch.get(id);
      if (before === undefined) return refuse(NO_SEARCH);
      return planned(`forget the search ${before.name}`, [{ of: 'keptSearch', id, before, after: null }]);
    },
  },

  look: {
    names: nothing,
    plan: (state, { at }) => {
      const before = state.look.get(LAST_LOOK) ?? null;
      if (before !== null && before.at >= at) return refuse('All that is new has been seen already.');
      return planned('mark all as seen', [{ of: 'look', id: LAST_LOOK, before, after: { id: LAST_LOOK, at } }]);
    },
  },
};

function named(
  id: ItemId,
  before: Naming | null,
  { addTags = [], removeTags = [], ...fields }: NewNames,
): Naming | null {
  const gone = new Set(removeTags.map(fold));
  const kept = (before?.tags ?? []).filter((tag) => !gone.has(fold(tag)));
  const present = new Set(kept.map(fold));
  const tags = [...kept, ...addTags.filter((tag) => !present.has(fold(tag)))];
  const after: Naming = {
    id,
    nickname: fields.nickname === undefined ? (before?.nickname ?? null) : fields.nickname,
    stripLabel: fields.stripLabel === undefined ? (before?.stripLabel ?? null) : fields.stripLabel,
    note: fields.note === undefined ? (before?.note ?? null) : fields.note,
    tags,
  };
  const isEmpty = after.nickname === null && after.stripLabel === null && after.note === null && tags.length === 0;
  return isEmpty ? null : after;
}

function namingLabel(naming: NewNames, ids: readonly ItemId[], nameOf: NameOf): string {
  const of = what(ids, nameOf);
  const tags = naming.addTags ?? [];
  if (naming.nickname != null) return `call ${of} ${naming.nickname}`;
  if (naming.nickname === null) return `call ${of} by the given name`;
  if (naming.stripLabel !== undefined) return `change the strip label of ${of}`;
  if (naming.note !== undefined) return `change the note on ${of}`;
  return tags.length > 0 ? `tag ${of} ${tags.join(', ')}` : `take tags off ${of}`;
}

function asideWords(pluginIds: readonly PluginId[], builds: number, nameOf: NameOf): string {
  const parts = pluginIds.length === 0 ? [] : [what(pluginIds, nameOf)];
  if (builds > 0) parts.push(`${String(builds)} ${builds === 1 ? 'build' : 'builds'}`);
  return parts.join(' and ');
}
