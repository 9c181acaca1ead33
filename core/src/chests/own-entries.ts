import type { Grade } from '../catalogue/evidence.js';
import type { Role } from '../catalogue/role.js';
import type { TypeId } from '../catalogue/type-tree.js';
import { asId, type PluginId } from '../ids.js';
import { compareNames, fold } from '../text/words.js';
import type { Arrangement } from './arrangement.js';
import type { LaneWidth } from './rows/lane.js';
import type { OwnEntry } from './rows/own-entry.js';

/** With what the ids of own entries begin. Ids of scanned plugins hold letters, digits, blanks and slashes only. */
export const OWN_ENTRY_MARK = 'own:';

/** Whether an item is an own entry. */
export const isOwnEntry = (id: string): boolean => id.startsWith(OWN_ENTRY_MARK);

/** The id of a new own entry, from a UUID. */
export const ownEntryIdOf = (uuid: string): PluginId => asId<PluginId>(OWN_ENTRY_MARK + uuid);

/** How often an own entry was loaded, and when last. */
export interface OwnEntryLoads {
  readonly loads: number;
  readonly lastLoad: string | null;
}

/** An own entry in the shape of a plugin of the catalogue: without builds, and always there unless it is a file. */
export interface OwnPlugin extends OwnEntryLoads {
  readonly id: PluginId;
  readonly name: string;
  /** The maker, or the program where no maker is given. */
  readonly vendor: string | null;
  readonly role: Role;
  readonly roleGrade: Grade;
  readonly types: readonly TypeId[];
  readonly typeGrade: Grade;
  readonly contradictions: readonly string[];
  readonly found: boolean;
  readonly arrivedAt: string;
  readonly arrivedWithFolder: boolean;
  readonly calledToo: readonly string[];
  readonly builds: readonly never[];
  readonly program: string;
  readonly width: LaneWidth | null;
  /** See OwnEntry. */
  readonly file: string | null;
}

const NONE: readonly never[] = [];
const NEVER: OwnEntryLoads = { loads: 0, lastLoad: null };

const remembered = new WeakMap<OwnEntry, OwnPlugin>();

/** What of own entries is known besides their rows: how often they were loaded, and which of the files are on this computer. */
export interface OwnEntryFacts {
  readonly loadsOf?: (id: PluginId) => OwnEntryLoads | undefined;
  /** Whether the file of an entry is on this computer; undefined while it is not known: no file is called missing then. */
  readonly isFileHere?: (id: PluginId) => boolean | undefined;
}

/** The own entries of a studio as plugins; the very same objects for as long as a row and what is known of it stay the same. */
export const ownPlugins = (
  { ownEntry }: Pick<Arrangement, 'ownEntry'>,
  { loadsOf = () => undefined, isFileHere = () => undefined }: OwnEntryFacts = {},
): OwnPlugin[] =>
  [...ownEntry.values()].map((row) =>
    ownPlugin(row, loadsOf(row.id) ?? NEVER, row.file === null || isFileHere(row.id) !== false),
  );

function ownPlugin(row: OwnEntry, { loads, lastLoad }: OwnEntryLoads, found: boolean): OwnPlugin {
  const known = remembered.get(row);
  if (known?.loads === loads && known.lastLoad === lastLoad && known.found === found) return known;
  const { id, name, maker, program, role, types, width, addedAt, file } = row;
  const plugin: OwnPlugin = {
    id,
    name,
    vendor: maker ?? program,
    role,
    roleGrade: 'chosen',
    types,
    typeGrade: types.length === 0 ? 'unknown' : 'chosen',
    contradictions: NONE,
    found,
    arrivedAt: addedAt,
    // What was typed by hand is no news.
    arrivedWithFolder: true,
    calledToo: NONE,
    builds: NONE,
    loads,
    lastLoad,
    program,
    width,
    file,
  };
  remembered.set(row, plugin);
  return plugin;
}

/** What names an own entry among all: its name and its program, whatever their capitals; or the file that it is. */
export const ownEntryKey = ({
  name,
  program,
  file = null,
}: Pick<OwnEntry, 'name' | 'program'> & Partial<Pick<OwnEntry, 'file'>>): string =>
  file === null ? `${fold(program)}\n${fold(name)}` : `\n\n${file}`;

/** The own entries by what names them; see ownEntryKey. */
export const ownEntriesByKey = ({ ownEntry }: Pick<Arrangement, 'ownEntry'>): ReadonlyMap<string, OwnEntry> =>
  new Map([...ownEntry.values()].map((row) => [ownEntryKey(row), row]));

/** Own entries as sessions refer to plugins: by id, name and vendor, without builds. */
export const ownReferences = ({
  ownEntry,
}: Pick<Arrangement, 'ownEntry'>): ReadonlyMap<
  PluginId,
  { readonly id: PluginId; readonly name: string; readonly vendor: string; readonly builds: readonly never[] }
> =>
  new Map(
    [...ownEntry.values()].map(({ id, name, maker, program }) => [
      id,
      { id, name, vendor: maker ?? program, builds: NONE },
    ]),
  );

interface Named {
  readonly name: string;
}

/** Plugins that are in order of name, with own entries sorted in among them. */
export function withOwnPlugins<P extends Named>(plugins: readonly P[], own: readonly (P & Named)[]): readonly P[] {
  if (own.length === 0) return plugins;
  const sorted = [...own].sort((a, b) => compareNames(a.name, b.name));
  const merged: P[] = [];
  let at = 0;
  for (const plugin of plugins) {
    for (let next = sorted[at]; next !== undefined && compareNames(next.name, plugin.name) < 0; next = sorted[++at])
      merged.push(next);
    merged.push(plugin);
  }
  return [...merged, ...sorted.slice(at)];
}

/** The programs that own entries belong to, each once, in order of name. */
export const programsOf = ({ ownEntry }: Pick<Arrangement, 'ownEntry'>): string[] =>
  [...new Set([...ownEntry.values()].map((row) => row.program))].sort((a, b) => a.localeCompare(b, 'en'));
