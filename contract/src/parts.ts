/** What requests are made of: names, ids, rules. */
import { array, number, object, string, ValidationError, type Schema } from 'yup';
import type { IntentKind } from '@clever-drawer/core/chests/intent';
import { CHAIN_MARK } from '@clever-drawer/core/chests/item';
import { OWN_ENTRY_MARK } from '@clever-drawer/core/chests/own-entries';
import { SIGNS } from '@clever-drawer/core/chests/sign';
import { CHEST_SLOTS } from '@clever-drawer/core/chests/rows/chest';
import { MAX_NAME_LENGTH } from '@clever-drawer/core/chests/rows/row-kind';
import { RULE_LIMITS } from '@clever-drawer/core/rules/condition';
import { ANY_DRAWERS, KEPT_DRAWERS, type DrawerNameResolver } from '@clever-drawer/core/rules/drawer-names';
import { readRule } from '@clever-drawer/core/rules/read';
import type { Rule } from '@clever-drawer/core/rules/rule';
import { utf8Length } from '@clever-drawer/core/text/utf8-length';
import { jsonSchemaOf } from './json-schema.js';
import { thing, written, type AnySchema } from './schema.js';

/** The most characters of an id: a preset's holds bank and name besides its plugin's. */
export const MAX_ID_LENGTH = 1200;
/** The most bytes of one: what an index of the database takes, less the drawer that goes in front of it. */
const ID_BYTES = 2400;
const anId = () =>
  string()
    .strict()
    .min(1)
    .max(MAX_ID_LENGTH)
    .test(
      'bytes',
      'this name is too long to be kept; give the plugin or preset a shorter one where it was made',
      (value) => value == null || utf8Length(value) <= ID_BYTES,
    );
/** The most things of one kind in a request. */
export const MANY = 100_000;

/** A name of what is said: not empty, and not longer than fits. */
export const name = (what: string) =>
  string()
    .strict()
    .trim(`${what} must not begin or end with a blank`)
    .min(1, `${what} must not be empty`)
    .max(MAX_NAME_LENGTH)
    .required(`${what} must not be empty`);
/** The id of something that is there. */
export const id = () => anId().required();
/** See id; null stands for nothing. */
export const optionalId = () => anId().nullable().defined();
/** The id of something that is to be made. */
export const newId = () => string().strict().uuid('a new id must be a UUID').required();
const CHAIN_ID = new RegExp(`^${CHAIN_MARK}[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$`);
/** The id of a chain that is to be made. */
export const chainId = () =>
  string().strict().matches(CHAIN_ID, 'a new chain’s id must be its mark and a UUID').required();

const OWN_ENTRY_ID = new RegExp(`^${OWN_ENTRY_MARK}[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$`);
/** The id of an own entry that is to be added. */
export const ownEntryId = () =>
  string().strict().matches(OWN_ENTRY_ID, 'a new own entry’s id must be its mark and a UUID').required();

/** A text of so many units has no more bytes than ID_BYTES, whatever they are: UTF-8 takes three at most for each. */
const SURELY_FITS = ID_BYTES / 3;
const isId = (value: unknown): boolean =>
  typeof value === 'string' &&
  value !== '' &&
  (value.length <= SURELY_FITS || (value.length <= MAX_ID_LENGTH && utf8Length(value) <= ID_BYTES));

/** A list that is looked at as a whole: to ask a schema of each of 100,000 entries takes a second. `fits` is what `of` says, of one entry. */
const wholeList = <T>(of: AnySchema, fits: (entry: unknown) => boolean, min: number, type: unknown = 'array') =>
  written<T[]>({
    type,
    items: jsonSchemaOf(of),
    maxItems: MANY,
    ...(min === 0 ? {} : { minItems: min }),
  }).test('list', (value: unknown, context) => {
    if (value === null) return true;
    const wrong = (words: string) => context.createError({ message: `${context.path} ${words}` });
    if (!Array.isArray(value)) return wrong('must be a list');
    if (value.length < min) return wrong(`must have at least ${String(min)} ${min === 1 ? 'entry' : 'entries'}`);
    if (value.length > MANY) return wrong(`must have at most ${String(MANY)} entries`);
    const at = value.findIndex((entry) => !fits(entry));
    if (at < 0) return true;
    const path = `${context.path}[${String(at)}]`;
    return context.createError({ path, message: problemOf(of, value[at], path) });
  });

/** What a schema says of a value that does not fit, in its own words. */
function problemOf(of: AnySchema, value: unknown, path: string): string {
  try {
    (of as unknown as Schema).validateSync(value);
  } catch (error) {
    if (error instanceof ValidationError) return error.message.replace('this', path);
  }
  return `${path} is not what it should be`;
}

/** Ids, as many as a request may name. */
export const ids = (min = 0) => wholeList<string>(id(), isId, min);
/** Ids of plugins, as many as a request may name. */
export const pluginIds = ids;
/** See ids; null stands for all. */
export const idsOrNull = () => wholeList<string>(id(), isId, 0, ['array', 'null']).nullable();
/** Things that are named by several ids each, as many as a request may name. */
export const idRows = <Field extends string>(fields: readonly Field[], min = 0) =>
  wholeList<Record<Field, string>>(
    thing(null, Object.fromEntries(fields.map((field) => [field, id()]))),
    (entry) =>
      typeof entry === 'object' &&
      entry !== null &&
      Object.keys(entry).length === fields.length &&
      fields.every((field) => isId((entry as Readonly<Record<string, unknown>>)[field])),
    min,
  );
/** The names of such lists in the intents. Anything else in a request is looked at value by value. */
export const WHOLE_LISTS: ReadonlySet<string> = new Set(['pluginIds', 'dividerIds', 'ids', 'builds', 'keys']);

const KEYWORDS = { length: 60, most: 200 };

const RULE_FORMS = [
  {
    type: 'object',
    properties: {
      kind: { const: 'written' },
      text: { type: 'string', minLength: 1, maxLength: RULE_LIMITS.characters },
    },
    required: ['kind', 'text'],
    additionalProperties: false,
  },
  {
    type: 'object',
    properties: {
      kind: { const: 'keywords' },
      words: {
        type: 'array',
        items: { type: 'string', minLength: 1, maxLength: KEYWORDS.length },
        minItems: 1,
        maxItems: KEYWORDS.most,
      },
    },
    required: ['kind', 'words'],
    additionalProperties: false,
  },
];

/** A rule as it is sent and kept, or null: its text (docs/rules.md), or a list of keywords as earlier versions wrote it. */
export const rule = () => ruleWith(KEPT_DRAWERS);
/** A rule in a document: drawers stand in it by name. */
export const documentRuleSchema = () => ruleWith(ANY_DRAWERS);

const ruleWith = (drawers: DrawerNameResolver) =>
  written<Rule>({ title: 'Rule', anyOf: [...RULE_FORMS, { type: 'null' }] })
    .nullable()
    .test('rule', (value, context) => {
      const problem = value === null ? null : problemOfRule(value, drawers);
      return problem === null || context.createError({ message: problem });
    });

const NO_RULE =
  'a rule is { "kind": "written", "text": "type:reverb OR hall" } or { "kind": "keywords", "words": ["hall"] }';

function problemOfRule(value: unknown, drawers: DrawerNameResolver): string | null {
  if (typeof value !== 'object' || value === null) return NO_RULE;
  const { kind, text: asked, words, ...more } = value as Record<string, unknown>;
  if (Object.keys(more).length > 0) return NO_RULE;
  if (kind === 'written' && typeof asked === 'string' && words === undefined) {
    const read = readRule(asked, drawers);
    return read.ok ? null : `the rule has a mistake at character ${String(read.problem.at + 1)}: ${read.problem.words}`;
  }
  if (kind !== 'keywords' || asked !== undefined || !Array.isArray(words)) return NO_RULE;
  if (words.length === 0) return 'a keyword rule needs at least one word';
  if (words.length > KEYWORDS.most) return `a keyword rule has ${String(KEYWORDS.most)} words at most`;
  const isWord = (word: unknown): boolean =>
    typeof word === 'string' && word.trim() === word && word !== '' && word.length <= KEYWORDS.length;
  return words.every(isWord)
    ? null
    : `each keyword is a text of 1 to ${String(KEYWORDS.length)} characters without blanks around it`;
}

/** The number of a tray. */
export function tray() {
  return number()
    .strict()
    .integer()
    .min(1, 'a tray is a number from 1 to 9')
    .max(9, 'a tray is a number from 1 to 9')
    .required();
}

/** The slots that a chest is meant for; null for all. */
export const slots = () =>
  array().of(string().oneOf(CHEST_SLOTS).required()).min(1).max(CHEST_SLOTS.length).nullable().defined();

/** A text that is there: without blanks around it, and of one character at least. */
export const text = (max: number) => string().strict().trim().min(1).max(max);

/** A day as YYYY-MM-DD (ISO 8601), or null. */
export const day = () =>
  string()
    .strict()
    .matches(/^\d{4}-\d{2}-\d{2}$/, 'a day is written as YYYY-MM-DD')
    .nullable()
    .defined();

/** A picture's id: the SHA-256 of its bytes in hexadecimal. */
export const picture = () =>
  string()
    .strict()
    .matches(/^[0-9a-f]{64}$/, 'a picture is named by its SHA-256');

/** What tells an intent of one kind from others. */
export const kind = <K extends IntentKind>(value: K) => string<K>().strict().oneOf([value]).required();

/** The address of a page, of so many characters at most. */
export const webAddress = (most: number) =>
  text(most)
    .url('this is no address of a page')
    .matches(/^https?:/, 'a link begins with http:// or https://');

/** A sign of a drawer or tray, or null. */
export const sign = () => string().oneOf(SIGNS).nullable().defined();

/** A build with its plugin and what names it on every computer. */
export const keyedBuild = () => object({ id: id(), pluginId: id(), key: id() }).noUnknown();
