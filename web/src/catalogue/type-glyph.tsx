import clsx from 'clsx';
import { familyOf, TYPE_TREE, type FamilyId, type TypeId } from '@clever-drawer/core/catalogue/type-tree';
import { ROLE_LABELS, type Role } from '@clever-drawer/core/catalogue/role';

// Line drawings in a field of 20 by 16 of what a process does to a signal.
const FAMILY_PATHS: Readonly<Record<FamilyId, string>> = {
  dynamics: 'M2 15 L10 7 L19 4',
  'eq-and-filter': 'M1 11 C5 11 6 3 10 3 S14 13 19 8',
  space: 'M3 8h1 M7 5q3 3 0 6 M11 3q5 5 0 10 M15 1q7 7 0 14',
  time: 'M3 2v12 M8 5v9 M13 8v6 M18 11v3',
  modulation: 'M1 8 C4 1 7 1 10 8 S16 15 19 8',
  colour: 'M1 12 C2 12 3 4 5 4 H8 C10 4 10 12 12 12 H15 C17 12 18 4 19 4',
  pitch: 'M1 12 H6 V8 H11 V4 H19 M15 1l4 3-4 3',
  stereo: 'M10 14 L2 3 M10 14 L18 3 M10 14 V2',
  repair: 'M1 9h4l1-5 2 9 1-4h2 M13 9h6',
  strips: 'M4 1v14 M10 1v14 M16 1v14 M2 5h4 M8 10h4 M14 7h4',
  keys: 'M2 3h16v10H2z M7 3v10 M13 3v10 M5.5 3v5h3V3 M11.5 3v5h3V3',
  synths: 'M1 13 L7 3 V13 L13 3 V13 L19 3',
  acoustic: 'M10 1v9 M10 10a3 3 0 1 1-1 0 M6 4c3 1 5 1 8 0',
  drums: 'M2 6c0-3 16-3 16 0v5c0 3-16 3-16 0z M2 6c0 3 16 3 16 0',
  notes: 'M4 13a2 2 0 1 1 0-.1 M6 12V3l9-2v9 M13 11a2 2 0 1 1 0-.1',
  measuring: 'M2 14a8 8 0 0 1 16 0 M10 14 L14 5',
  utility: 'M3 8h14 M6 5v6 M14 5v6',
};
const TYPE_PATHS: Readonly<Partial<Record<TypeId, string>>> = {
  gate: 'M1 14h5V4h8v10h5',
  limiter: 'M2 15 L9 5 H19 M2 2h17',
  filter: 'M1 4 H9 C12 4 13 9 19 15',
  'bit-crusher': 'M1 14h3v-4h3V6h3V2h3v4h3v4h3',
  'spectrum-analyser': 'M3 14V9 M8 14V4 M13 14V7 M18 14v-3',
  oscilloscope: 'M1 2h18v12H1z M4 8h2l2-3 3 6 2-3h3',
};
const UNKNOWN = 'M4 4h12v8H4z';

/** The glyph of a plugin's main type, or of its role when only that is known; shape carries the meaning, and the words stand behind it. */
export function TypeGlyph({
  types,
  role,
  likely = false,
}: {
  types: readonly TypeId[];
  role: Role | null;
  /** Worked out, and not sure: drawn in broken lines. */
  likely?: boolean;
}) {
  const [main] = types;
  const path = main === undefined ? ROLE_PATHS[role ?? 'unknown'] : (TYPE_PATHS[main] ?? FAMILY_PATHS[familyOf(main)]);
  const words = `${kindInWords(types, role)}${likely ? ', likely' : ''}`;
  return (
    <svg
      className={clsx('glyph', main === undefined && role === null && 'glyph-unknown', likely && 'glyph-likely')}
      viewBox="0 0 20 16"
      role="img"
      aria-label={words}
    >
      <title>{words}</title>
      <path d={path} />
    </svg>
  );
}

const ROLE_PATHS: Readonly<Record<Role | 'unknown', string>> = {
  'audio-effect': 'M1 8h5 M14 8h5 M6 3h8v10H6z',
  instrument: 'M6 3h8v10H6z M14 8h5',
  'midi-effect': FAMILY_PATHS.notes,
  tool: FAMILY_PATHS.measuring,
  unknown: UNKNOWN,
};

/** "reverb, delay"; the role when no type is known; "type unknown" when nothing is. */
export const kindInWords = (types: readonly TypeId[], role: Role | null): string =>
  types.map((type) => TYPE_TREE[type].label).join(', ') || (role === null ? 'type unknown' : ROLE_LABELS[role]);
