import { MAX_NAME_LENGTH } from '../chests/rows/row-kind.js';
import { bankAndName, presetKey } from '../catalogue/plugin-presets.js';
import type { Arrangement } from '../chests/arrangement.js';
import { slotsIn } from '../chests/chains.js';
import type { Change, Edit } from '../chests/edit.js';
import { keysBefore } from '../chests/order-keys.js';
import { group } from '../chests/row-groups.js';
import type { LaneKind, LaneWidth } from '../chests/rows/lane.js';
import type { Session } from '../chests/rows/session.js';
import type { SlotKind } from '../chests/rows/slot.js';
import { asId, type LaneId, type PluginId, type SessionId, type SlotId } from '../ids.js';
import { fold } from '../text/words.js';
import type { PluginReference, PresetReference } from './arrangement-document.js';
import type { Exported } from './export-arrangement.js';
import { matchReferences } from './import-arrangement.js';

/** The version of the document that is written. */
export const SESSION_SCHEMA = 'clever-drawer/session/1';

/** A slot of a documented session; plugin null for an empty one. */
export interface SlotDocument {
  readonly kind: SlotKind;
  readonly plugin: PluginId | null;
  readonly preset: PresetReference | null;
  readonly bypass: boolean;
  /** Whether a sidechain is fed there. */
  readonly sidechain: boolean;
}

/** A lane of a documented session, its slots in order. */
export interface LaneDocument {
  readonly name: string;
  readonly kind: LaneKind;
  readonly width: LaneWidth | null;
  readonly slots: readonly SlotDocument[];
}

/** A practice session in one document; its JSON Schema is docs/schemas/session-1.schema.json. Plugins are referred to by id. */
export interface SessionDocument {
  readonly schema: typeof SESSION_SCHEMA;
  readonly exportedAt: string;
  readonly name: string;
  readonly plugins: readonly PluginReference[];
  readonly lanes: readonly LaneDocument[];
}

/** Writes a session: lanes, slots and what is in them. */
export function exportSession(
  state: Arrangement,
  session: Session,
  plugins: ReadonlyMap<PluginId, Exported>,
  at: Date,
): SessionDocument {
  const used = new Set<PluginId>();
  const lanes = group(state, 'lanesOf', session.id).map(({ id, name, kind, width = null }) => ({
    name,
    kind,
    width,
    slots: slotsIn(state, id).map(({ kind: slot, pluginId, preset, bypass = false, sidechain = false }) => {
      if (pluginId !== null) used.add(pluginId);
      const named = preset === null ? null : bankAndName(preset);
      return { kind: slot, plugin: pluginId, preset: named, bypass, sidechain };
    }),
  }));
  const references = [...used].flatMap((id): PluginReference[] => {
    const plugin = plugins.get(id);
    if (plugin === undefined) return [];
    const builds = plugin.builds.map(({ format, identifier }) => ({ format, identifier }));
    return [{ id, name: plugin.name, vendor: plugin.vendor, builds }];
  });
  return { schema: SESSION_SCHEMA, exportedAt: at.toISOString(), name: session.name, plugins: references, lanes };
}

/** What bringing a session in comes to: the change, and the plugins that the catalogue lacks, which keep their slots. */
export interface SessionPlan {
  readonly sessionId: SessionId;
  readonly change: Change;
  readonly missing: readonly PluginReference[];
}

/** Plans a new session after a document. A plugin is known by its id, by an identifier of one of its builds, or by name and vendor when only one is called so. */
export function planBringSession(
  state: Arrangement,
  document: SessionDocument,
  plugins: ReadonlyMap<PluginId, Exported>,
  newId: () => string,
): SessionPlan {
  const matches = matchReferences(document.plugins, plugins);
  const named = byName(plugins);
  for (const reference of document.plugins) {
    const same = matches.has(reference.id) ? undefined : named.get(nameKey(reference));
    if (same != null) matches.set(reference.id, same);
  }
  const known = new Set(document.plugins.map((reference) => reference.id));
  const sessionId = asId<SessionId>(newId());
  const [order = ''] = keysBefore([...state.session.values()], null, 1);
  const name = freeName(
    document.name,
    [...state.session.values()].map((one) => one.name),
  );
  const session: Session = { id: sessionId, name, order, template: false };
  const laneOrders = keysBefore([], null, document.lanes.length);
  const edits: Edit[] = [{ of: 'session', id: sessionId, before: null, after: session }];
  document.lanes.forEach(({ name: laneName, kind, width, slots }, at) => {
    const id = asId<LaneId>(`${sessionId}.${String(at + 1)}`);
    edits.push({
      of: 'lane',
      id,
      before: null,
      after: { id, sessionId, kind, name: laneName, order: laneOrders[at] ?? '', width },
    });
    const orders = keysBefore([], null, slots.length);
    slots.forEach((slot, index) => {
      const slotId = asId<SlotId>(`${id}/${String(index + 1)}`);
      const pluginId =
        slot.plugin === null || !known.has(slot.plugin) ? null : (matches.get(slot.plugin) ?? slot.plugin);
      const preset = pluginId === null || slot.preset === null ? null : presetKey(slot.preset);
      const bypass = pluginId !== null && slot.bypass;
      const row = { id: slotId, laneId: id, kind: slot.kind, order: orders[index] ?? '', pluginId, preset, bypass };
      edits.push({ of: 'slot', id: slotId, before: null, after: { ...row, buildId: null, sidechain: slot.sidechain } });
    });
  });
  const missing = document.plugins.filter((reference) => !matches.has(reference.id));
  return { sessionId, change: { label: `import the session ${name}`, edits }, missing };
}

/** The name, with a number behind it where it is taken: "Scene 3 (2)". */
function freeName(name: string, taken: readonly string[]): string {
  for (let number = 1; ; number++) {
    const suffix = number === 1 ? '' : ` (${String(number)})`;
    const free = name.slice(0, MAX_NAME_LENGTH - suffix.length) + suffix;
    if (!taken.includes(free)) return free;
  }
}

const nameKey = ({ name, vendor }: { readonly name: string; readonly vendor: string | null }): string =>
  `${fold(name)}|${fold(vendor ?? '')}`;

/** Plugins by name and vendor; null where several are called alike. */
function byName(plugins: ReadonlyMap<PluginId, Exported>): ReadonlyMap<string, PluginId | null> {
  const named = new Map<string, PluginId | null>();
  for (const plugin of plugins.values()) named.set(nameKey(plugin), named.has(nameKey(plugin)) ? null : plugin.id);
  return named;
}
