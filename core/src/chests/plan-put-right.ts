import { shownVendor, vendorKey } from '../identity/vendor-name.js';
import type { PluginId } from '../ids.js';
import { joined } from '../text/words.js';
import type { Arrangement } from './arrangement.js';
import type { Choice } from './rows/choice.js';
import { GENERAL_PREFERENCE } from './rows/preference.js';
import type { Edit } from './edit.js';
import { sameRow } from './edit.js';
import type { Wish } from './intent.js';
import type { NameOf, Plan, Planners } from './plan.js';
import { referencesPlugins, nothing, planned, refuse, UNCHANGED, what } from './plan.js';

/** What the producer puts right: role, type, vendor and preferred build of plugins, the general rule for builds, names of vendors. */
export const CORRECTION_PLANNERS: Planners<
  'put-right' | 'prefer-build' | 'prefer-builds' | 'keep-build' | 'note-vendor' | 'name-vendor'
> = {
  'put-right': { names: referencesPlugins, plan: planPutRight },
  'prefer-build': {
    names: ({ pluginId, buildId }) => ({
      plugins: [pluginId],
      builds: buildId === null ? [] : [{ id: buildId, pluginId }],
    }),
    plan: planPreferBuild,
  },
  'prefer-builds': { names: nothing, plan: planPreferBuilds },
  'keep-build': { names: ({ build }) => ({ plugins: [build.pluginId], builds: [build] }), plan: planKeepBuild },
  'note-vendor': { names: nothing, plan: planNoteVendor },
  'name-vendor': { names: nothing, plan: planNameVendor },
};

function planPutRight(state: Arrangement, { pluginIds, right }: Wish<'put-right'>, nameOf: NameOf): Plan {
  const known = [...new Set(pluginIds)].filter((id) => nameOf(id) !== undefined);
  const edits = known.flatMap((id) => choiceEdit(state, id, right));
  if (edits.length === 0) return refuse(UNCHANGED);
  const fields = (['role', 'types', 'vendor'] as const).filter((field) => right[field] !== undefined);
  const back = fields.every((field) => right[field] === null);
  const words = fields.map((field) => (field === 'types' ? 'type' : field)).join(' and ');
  const of = what(known, nameOf);
  return planned(back ? `use the detected ${words} of ${of}` : `correct the ${words} of ${of}`, edits);
}

function planPreferBuild(state: Arrangement, wish: Wish<'prefer-build'>, nameOf: NameOf): Plan {
  const { pluginId, buildId } = wish;
  const name = nameOf(pluginId);
  if (name === undefined) return refuse('This plugin is not in the catalogue any more.');
  const before = state.preferredBuild.get(pluginId) ?? null;
  const after = buildId === null ? null : { id: pluginId, buildId };
  if (sameRow(before, after)) return refuse(UNCHANGED);
  const edit: Edit = { of: 'preferredBuild', id: pluginId, before, after };
  return planned(
    buildId === null ? `prefer builds of ${name} by the general preference` : `prefer another build of ${name}`,
    [edit],
  );
}

function planKeepBuild(state: Arrangement, { build, reason }: Wish<'keep-build'>, nameOf: NameOf): Plan {
  const { key, pluginId } = build;
  const name = nameOf(pluginId);
  if (name === undefined) return refuse('This plugin is not in the catalogue any more.');
  const before = state.keptBuild.get(key) ?? null;
  const after = reason === null ? null : { id: key, reason };
  if (sameRow(before, after)) return refuse(UNCHANGED);
  return planned(reason === null ? `keep a build of ${name} no longer` : `keep a build of ${name}, because ${reason}`, [
    { of: 'keptBuild', id: key, before, after },
  ]);
}

function planNoteVendor(state: Arrangement, { vendor, note, link }: Wish<'note-vendor'>): Plan {
  const before = state.vendorNote.get(vendor) ?? null;
  const after = note === null && link === null ? null : { id: vendor, note, link };
  if (sameRow(before, after)) return refuse(UNCHANGED);
  return planned(`${after === null ? 'delete the note on' : 'note on'} ${vendor}`, [
    { of: 'vendorNote', id: vendor, before, after },
  ]);
}

function planPreferBuilds(state: Arrangement, { preference }: Wish<'prefer-builds'>): Plan {
  const before = state.preference.get(GENERAL_PREFERENCE) ?? null;
  const after = preference === null ? null : { id: GENERAL_PREFERENCE, ...preference };
  if (sameRow(before, after)) return refuse(UNCHANGED);
  return planned('change which builds are preferred', [
    { of: 'preference', id: GENERAL_PREFERENCE, before, after } as Edit,
  ]);
}

/** Says which vendor some spellings stand for. `apart` keeps them from every other vendor, also from one that looks the same. */
function planNameVendor(state: Arrangement, { spellings, name, apart }: Wish<'name-vendor'>): Plan {
  const shown = name === null ? null : shownVendor(name);
  if (name !== null && shown === null) return refuse('Give the vendor a name of letters or digits.');
  const key = shown === null ? null : apart ? `=${joined(shown)}` : vendorKey(shown);
  if (shown !== null && (key === null || key === '=')) return refuse('Give the vendor a name of letters or digits.');
  const edits = [...new Set(spellings)].flatMap((id): Edit[] => {
    const before = state.vendorSpelling.get(id) ?? null;
    const after = shown === null || key === null ? null : { id, key, name: shown };
    return sameRow(before, after) ? [] : [{ of: 'vendorSpelling', id, before, after }];
  });
  if (edits.length === 0) return refuse(UNCHANGED);
  if (shown !== null) edits.push(...noteTaken(state, spellings, shown));
  const from = spellings.length === 1 ? (spellings[0] ?? '') : `${String(spellings.length)} spellings`;
  return planned(
    shown === null ? `leave the vendor ${from} as its files say` : `spell the vendor ${from} as ${shown}`,
    edits,
  );
}

function choiceEdit(state: Arrangement, id: PluginId, wish: Partial<Omit<Choice, 'id'>>): Edit[] {
  const before = state.choice.get(id) ?? null;
  const full: Choice = { id, role: null, types: null, vendor: null, ...before, ...wish };
  const isEmpty = full.role === null && full.types === null && full.vendor === null;
  const after = isEmpty ? null : full;
  return sameRow(before, after) ? [] : [{ of: 'choice', id, before, after }];
}

/** A note goes along with its vendor to another name, unless there is one under that name. */
function noteTaken(state: Arrangement, spellings: readonly string[], name: string): Edit[] {
  if (state.vendorNote.has(name)) return [];
  const [before] = spellings.flatMap((id) => state.vendorNote.get(id) ?? []);
  return before === undefined
    ? []
    : [
        { of: 'vendorNote', id: before.id, before, after: null },
        { of: 'vendorNote', id: name, before: null, after: { ...before, id: name } },
      ];
}
