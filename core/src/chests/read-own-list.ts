import { workOutKind } from '../catalogue/kind.js';
import { ROLE_LABELS, ROLES, type Role } from '../catalogue/role.js';
import { typesNamed } from '../catalogue/type-synonyms.js';
import { TYPE_TREE, type TypeId } from '../catalogue/type-tree.js';
import { truncateText } from '../facts/caps.js';
import { fold } from '../text/words.js';
import { MAX_NAME_LENGTH } from './rows/row-kind.js';

/** An own entry as it is proposed from a line of a pasted list. */
export interface ProposedEntry {
  readonly name: string;
  readonly maker: string | null;
  readonly role: Role;
  /** The main type alone; empty when neither the line nor the name says one. */
  readonly types: readonly TypeId[];
}

const BULLET = /^\s*(?:[-–—•*·]|\d+[.)])\s+/u;
const SEPARATORS = ['\t', ';', ','] as const;

/**
 * Reads a list of names, one a line: "Name", "Name, type" or "Name, type, maker", parted by tabs, semicolons or commas. A second part that names no type is
 * taken for the maker. Bullets, numbers, empty lines and repeated names are left out. `most` caps the lines that are read.
 */
export function readOwnList(text: string, most: number): ProposedEntry[] {
  const entries = new Map<string, ProposedEntry>();
  // The same few types and makers stand in most lines, and to look one up takes a millisecond.
  const kindNamed = memoizeKinds();
  for (const line of text.split(/\r\n|\r|\n/)) {
    if (entries.size === most) break;
    const entry = readLine(line, kindNamed);
    const key = entry === null ? '' : fold(entry.name);
    if (entry !== null && !entries.has(key)) entries.set(key, entry);
  }
  return [...entries.values()];
}

function readLine(line: string, kindNamed: KindNamed): ProposedEntry | null {
  const bare = line.replace(BULLET, '');
  const separator = SEPARATORS.find((one) => bare.includes(one)) ?? ',';
  const [first = '', ...more] = bare.split(separator).map((part) => truncateText(part.trim(), MAX_NAME_LENGTH));
  if (first === '') return null;
  const said = more.filter((part) => part !== '');
  const kinds = said.map(kindNamed);
  const kind = kinds.find((one) => one !== null) ?? kindOfName(first);
  const maker = said.find((_, at) => kinds[at] === null) ?? null;
  return { name: first, maker, ...kind };
}

type Kind = Pick<ProposedEntry, 'role' | 'types'>;

/** The role and type that a word stands for; null when it stands for neither. */
type KindNamed = (word: string) => Kind | null;

function memoizeKinds(): KindNamed {
  const known = new Map<string, Kind | null>();
  return (word) => {
    const before = known.get(word);
    if (before !== undefined) return before;
    const kind = lookUpKind(word);
    known.set(word, kind);
    return kind;
  };
}

/** See KindNamed: "reverb", "MIDI effect". */
function lookUpKind(word: string): Kind | null {
  const wanted = fold(word);
  const role =
    ROLES.find((one) => fold(ROLE_LABELS[one]) === wanted) ?? (wanted === 'effect' ? 'audio-effect' : undefined);
  if (role !== undefined) return { role, types: [] };
  const [type] = typesNamed(word);
  return type === undefined ? null : { role: TYPE_TREE[type].roles[0] ?? 'audio-effect', types: [type] };
}

/** The role and type that a name tells; an audio effect where it tells nothing. */
export function kindOfName(name: string): Kind {
  const { role, types } = workOutKind(name, []);
  const [type] = types;
  return {
    role: role ?? (type === undefined ? 'audio-effect' : (TYPE_TREE[type].roles[0] ?? 'audio-effect')),
    types: type === undefined ? [] : [type],
  };
}
