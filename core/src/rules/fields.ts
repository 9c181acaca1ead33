/** What a rule can ask of a plugin: one table, which the reader of rules, the printer, the words and the screen are made from. */
import { GRADES, type Grade } from '../catalogue/evidence.js';
import { ROLE_LABELS, ROLES } from '../catalogue/role.js';
import { FAMILIES, TYPE_IDS, TYPE_TREE } from '../catalogue/type-tree.js';
import { ARCHITECTURES, FORMATS } from '../facts/format.js';

/** A value that a field may have: as it is written in a rule, and as people say it. */
export interface FieldValue {
  readonly value: string;
  readonly label: string;
}

interface TextSpec {
  readonly kind: 'text';
  readonly label: string;
}
interface ValueSpec {
  readonly kind: 'value';
  readonly label: string;
  readonly values: readonly FieldValue[];
  /** Whether it can be asked how sure it must be. */
  readonly graded: boolean;
}
interface NumberSpec {
  readonly kind: 'number';
  readonly label: string;
}
interface DateSpec {
  readonly kind: 'date';
  readonly label: string;
}
interface FlagSpec {
  readonly kind: 'flag';
  readonly label: string;
  readonly values: readonly FieldValue[];
}
interface DrawerSpec {
  readonly kind: 'drawer';
  readonly label: string;
}
type FieldSpec = TextSpec | ValueSpec | NumberSpec | DateSpec | FlagSpec | DrawerSpec;

const plain = (values: readonly string[]): FieldValue[] => values.map((value) => ({ value, label: value }));
const text = (label: string): TextSpec => ({ kind: 'text', label });
const value = (label: string, values: readonly FieldValue[], graded = false): ValueSpec => ({
  kind: 'value',
  label,
  values,
  graded,
});
const number = (label: string): NumberSpec => ({ kind: 'number', label });

const FLAGS = {
  filed: 'filed by hand',
  aside: 'set aside',
  here: 'on this computer',
  tagged: 'tagged',
  sidechain: 'sidechain',
  'notes-in': 'MIDI in',
  'notes-out': 'MIDI out',
} as const;
/** Something that a plugin is or is not. */
export type Flag = keyof typeof FLAGS;

/** The fields, as they are written in front of the colon. */
export const FIELDS = {
  name: text('name'),
  vendor: text('vendor'),
  tag: text('tag'),
  description: text('description'),
  preset: text('preset name'),
  folder: text('folder'),
  aside: text('set aside as'),
  text: text('any text'),
  role: value(
    'role',
    ROLES.map((role) => ({ value: role, label: ROLE_LABELS[role] })),
    true,
  ),
  type: value(
    'type',
    TYPE_IDS.map((type) => ({ value: type, label: TYPE_TREE[type].label })),
    true,
  ),
  family: value(
    'family',
    Object.entries(FAMILIES).map(([family, label]) => ({ value: family, label })),
    true,
  ),
  format: value('format', plain(FORMATS)),
  processor: value('processor', plain(ARCHITECTURES)),
  bits: value('bits', plain(['32', '64'])),
  width: value('width', plain(['mono', 'stereo'])),
  tray: value('tray', plain(['1', '2', '3', '4', '5', '6', '7', '8', '9', 'any'])),
  item: value('item', plain(['plugin', 'preset', 'chain'])),
  way: value('loaded from', [
    { value: 'typing', label: 'typing' },
    { value: 'drawer', label: 'a drawer' },
    { value: 'tray', label: 'a tray' },
    { value: 'list', label: 'the list' },
    { value: 'usual', label: 'what is usual' },
    { value: 'recent', label: 'what is recent' },
    { value: 'drag', label: 'a drag' },
    { value: 'pick', label: 'the pick window' },
  ]),
  drawer: { kind: 'drawer', label: 'drawer' },
  version: number('version'),
  inputs: number('audio inputs'),
  outputs: number('audio outputs'),
  builds: number('builds'),
  loads: number('loads'),
  presets: number('presets'),
  arrived: { kind: 'date', label: 'arrived' },
  loaded: { kind: 'date', label: 'last loaded' },
  is: {
    kind: 'flag',
    label: 'is or has',
    values: Object.entries(FLAGS).map(([flag, label]) => ({ value: flag, label })),
  },
} as const satisfies Readonly<Record<string, FieldSpec>>;

/** The name of a field. */
export type Field = keyof typeof FIELDS;
type FieldOf<Kind> = { [Name in Field]: (typeof FIELDS)[Name] extends { kind: Kind } ? Name : never }[Field];
/** A field of words. */
export type TextField = FieldOf<'text'>;
/** A field with a list of values. */
export type ValueField = FieldOf<'value'>;
/** A field that is counted. */
export type NumberField = FieldOf<'number'>;
/** A field that is a day. */
export type DateField = FieldOf<'date'>;

/** Every field, in the order in which they are offered. */
export const FIELD_NAMES = Object.keys(FIELDS) as readonly Field[];
/** Whether a text names a field. */
export const isField = (name: string): name is Field => Object.hasOwn(FIELDS, name);

/** The grades that a rule can ask for at least, the surest first, with their words. */
export const ASKED_GRADES = ['chosen', 'declared', 'strong', 'likely'] as const satisfies readonly Grade[];
/** A grade that a rule can ask for at least. */
export type MinimumGrade = (typeof ASKED_GRADES)[number];
/** How sure it must be, in words. */
export const GRADE_LABELS: Readonly<Record<MinimumGrade, string>> = {
  chosen: 'put right by hand',
  declared: 'at least declared',
  strong: 'at least strong',
  likely: 'at least likely',
};
/** Whether a grade is at least the asked one. */
export const isGradeAtLeast = (grade: Grade, asked: MinimumGrade): boolean =>
  GRADES.indexOf(grade) <= GRADES.indexOf(asked);

/** How a value is called; the value itself where the field has no such value any more. */
export function valueLabel(field: ValueField | 'is', of: string): string {
  const values: readonly FieldValue[] = FIELDS[field].values;
  return values.find((one) => one.value === of)?.label ?? of;
}
