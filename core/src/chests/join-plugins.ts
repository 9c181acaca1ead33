import type { BuildId, ItemId, PluginId } from '../ids.js';
import { fold } from '../text/words.js';
import type { Arrangement } from './arrangement.js';
import type { Edit } from './edit.js';
import { itemId, itemParts } from './item.js';
import { byOrder } from './row-groups.js';
import type { Aside } from './rows/aside.js';
import type { Choice } from './rows/choice.js';
import { entryId } from './rows/entry.js';
import { neverInId } from './rows/never-in.js';
import { MAX_TAG_LENGTH, type Naming } from './rows/naming.js';
import { MAX_NOTE_LENGTH } from './rows/row-kind.js';
import { trayEntryId } from './rows/tray-entry.js';

/**
 * The edits by which one plugin takes over all that stands for others that are joined to it: places in drawers, on trays and in slots, the producer's
 * words, picture and corrections, and reasons for setting aside, which stay with the builds that they were meant for. What the plugin that stays has
 * wins; a picture or correction that finds no room stays where it is, for when the plugins are parted again.
 */
export function takeOver(
  state: Arrangement,
  others: readonly PluginId[],
  to: PluginId,
  buildsOf: (id: PluginId) => readonly BuildId[],
): Edit[] {
  return [
    ...takeEntries(state, others, to),
    ...takeNevers(state, others, to),
    ...takeTrays(state, others, to),
    ...[...state.slot.values()]
      .filter((slot) => slot.pluginId !== null && others.includes(slot.pluginId))
      .map((slot): Edit => ({ of: 'slot', id: slot.id, before: slot, after: { ...slot, pluginId: to } })),
    ...[...state.chainPart.values()]
      .filter((part) => others.includes(part.pluginId))
      .map((part): Edit => ({ of: 'chainPart', id: part.id, before: part, after: { ...part, pluginId: to } })),
    ...takeWords(state, others, to),
    ...takeFace(state, others, to),
    ...takeCorrections(state, others, to),
    ...takePreferredBuild(state, others, to),
    ...others.flatMap((id) => takeReasons(state, id, to, buildsOf(id))),
  ];
}

/** The places of plugins and of their presets, plugin by plugin in the given order. */
const inOrderOf = <Row extends { readonly id: string; readonly order: string; readonly pluginId: PluginId }>(
  ids: readonly PluginId[],
  rows: ReadonlyMap<string, Row>,
): Row[] => {
  const own = [...rows.values()].filter((row) => ids.includes(row.pluginId)).sort(byOrder);
  return ids.flatMap((id) => own.filter((row) => row.pluginId === id));
};

/** Places that the plugin has by now stay single; a name that the other had there is kept. */
function takeEntries(state: Arrangement, others: readonly PluginId[], to: PluginId): Edit[] {
  const edits = new Map<string, Edit>();
  for (const entry of inOrderOf(others, state.entry)) {
    edits.set(entry.id, { of: 'entry', id: entry.id, before: entry, after: null });
    const id = entryId(entry.drawerId, itemId({ ...entry, pluginId: to }));
    const before = state.entry.get(id) ?? null;
    const taken = edits.get(id)?.after as typeof before | undefined;
    const present = taken ?? before;
    const after = present === null ? { ...entry, id, pluginId: to } : { ...present, name: present.name ?? entry.name };
    if (present === null || after.name !== present.name) edits.set(id, { of: 'entry', id, before, after });
  }
  return [...edits.values()];
}

/** What the rule of a drawer never takes, it takes under no other id either; but what one of them is by hand wins. */
function takeNevers(state: Arrangement, others: readonly PluginId[], to: PluginId): Edit[] {
  const own = [...state.neverIn.values()].filter((row) => others.includes(row.pluginId));
  const edits = own.map((row): Edit => ({ of: 'neverIn', id: row.id, before: row, after: null }));
  const made = new Set<string>();
  for (const row of own) {
    const after = { ...row, id: neverInId(row.drawerId, itemId({ ...row, pluginId: to })), pluginId: to };
    const isAlways = [to, ...others].some((id) =>
      state.entry.has(entryId(row.drawerId, itemId({ ...row, pluginId: id }))),
    );
    if (isAlways || state.neverIn.has(after.id) || made.has(after.id)) continue;
    made.add(after.id);
    edits.push({ of: 'neverIn', id: after.id, before: null, after });
  }
  return edits;
}

function takeTrays(state: Arrangement, others: readonly PluginId[], to: PluginId): Edit[] {
  const edits = new Map<string, Edit>();
  for (const entry of inOrderOf(others, state.trayEntry)) {
    edits.set(entry.id, { of: 'trayEntry', id: entry.id, before: entry, after: null });
    const id = trayEntryId(entry.tray, itemId({ ...entry, pluginId: to }));
    if (!state.trayEntry.has(id) && !edits.has(id))
      edits.set(id, { of: 'trayEntry', id, before: null, after: { ...entry, id, pluginId: to } });
  }
  return [...edits.values()];
}

/** One nickname is shown; another one becomes a tag, so that it is still found, or a line of the note. */
function takeWords(state: Arrangement, others: readonly PluginId[], to: PluginId): Edit[] {
  const named = [...state.naming.values()].filter((naming) => others.includes(itemParts(naming.id).pluginId));
  const items = new Set(named.map((naming) => itemId({ ...itemParts(naming.id), pluginId: to })));
  return [...items].flatMap((item) => {
    const { preset } = itemParts(item);
    const taken = others
      .map((pluginId) => state.naming.get(itemId({ pluginId, preset })))
      .filter((naming) => naming !== undefined);
    return takeWordsOf(state, taken, item);
  });
}

function takeWordsOf(state: Arrangement, taken: readonly Naming[], to: ItemId): Edit[] {
  const before = state.naming.get(to) ?? null;
  const after = taken.reduce<Naming>((own, other) => withWordsOf(own, other), {
    id: to,
    nickname: null,
    stripLabel: null,
    note: null,
    tags: [],
    ...before,
  });
  return [
    ...taken.map((naming): Edit => ({ of: 'naming', id: naming.id, before: naming, after: null })),
    { of: 'naming', id: to, before, after },
  ];
}

function withWordsOf(own: Naming, other: Naming): Naming {
  const tags = [...own.tags];
  const lines = [own.note, other.note];
  const tag = (word: string): void => {
    if (!tags.some((one) => fold(one) === fold(word))) tags.push(word);
  };
  for (const one of other.tags) tag(one);
  if (own.nickname !== null && other.nickname !== null && own.nickname !== other.nickname) {
    if (other.nickname.length <= MAX_TAG_LENGTH) tag(other.nickname);
    else lines.push(`also called ${other.nickname}`);
  }
  if (own.stripLabel !== null && other.stripLabel !== null && own.stripLabel !== other.stripLabel)
    lines.push(`strip label also ${other.stripLabel}`);
  const note = lines
    .filter((line) => line !== null)
    // What a note says already is not said twice.
    .reduce((whole, line) => (`\n${whole}\n`.includes(`\n${line}\n`) ? whole : `${whole}\n${line}`.trimStart()), '')
    .slice(0, MAX_NOTE_LENGTH);
  return {
    id: own.id,
    nickname: own.nickname ?? other.nickname,
    stripLabel: own.stripLabel ?? other.stripLabel,
    note: note === '' ? null : note,
    tags,
  };
}

function takeFace(state: Arrangement, others: readonly PluginId[], to: PluginId): Edit[] {
  const face = others.map((id) => state.face.get(id)).find((one) => one !== undefined);
  if (face === undefined || state.face.has(to)) return [];
  return [
    { of: 'face', id: face.id, before: face, after: null },
    { of: 'face', id: to, before: null, after: { ...face, id: to } },
  ];
}

const CORRECTED = ['role', 'types', 'vendor'] as const;

function takeCorrections(state: Arrangement, others: readonly PluginId[], to: PluginId): Edit[] {
  const before = state.choice.get(to) ?? null;
  const edits: Edit[] = [];
  let after: Choice = { id: to, role: null, types: null, vendor: null, ...before };
  for (const choice of others.map((id) => state.choice.get(id))) {
    if (choice === undefined) continue;
    const isRefused = CORRECTED.some((field) => choice[field] !== null && after[field] !== null);
    after = {
      id: to,
      role: after.role ?? choice.role,
      types: after.types ?? choice.types,
      vendor: after.vendor ?? choice.vendor,
    };
    if (!isRefused) edits.push({ of: 'choice', id: choice.id, before: choice, after: null });
  }
  const isNew = CORRECTED.some((field) => after[field] !== (before?.[field] ?? null));
  return isNew ? [...edits, { of: 'choice', id: to, before, after }] : edits;
}

function takePreferredBuild(state: Arrangement, others: readonly PluginId[], to: PluginId): Edit[] {
  const preferred = others.map((id) => state.preferredBuild.get(id)).find((one) => one !== undefined);
  if (preferred === undefined || state.preferredBuild.has(to)) return [];
  return [
    { of: 'preferredBuild', id: preferred.id, before: preferred, after: null },
    { of: 'preferredBuild', id: to, before: null, after: { ...preferred, id: to } },
  ];
}

const ASIDE_KINDS = ['aside', 'asideHere'] as const;

/** A plugin that is set aside as a whole has its builds set aside in the plugin that they join, which is not itself set aside by it. */
function takeReasons(state: Arrangement, id: PluginId, to: PluginId, builds: readonly BuildId[]): Edit[] {
  return ASIDE_KINDS.flatMap((of) => {
    const whole = state[of].get(id);
    const edits: Edit[] = whole === undefined ? [] : [{ of, id, before: whole, after: null }];
    for (const buildId of builds) {
      const before = state[of].get(buildId) ?? null;
      const reason = before ?? whole;
      if (reason === undefined) continue;
      const after: Aside = { ...reason, id: buildId, pluginId: to, buildId };
      edits.push({ of, id: buildId, before, after });
    }
    return edits;
  });
}
