/** What requests are made of: names, ids, rules. */
import { array, number, object, string } from 'yup';
import { CHEST_SLOTS } from '@clever-drawer/core/chests/rows/chest';
import { NAME_LENGTH } from '@clever-drawer/core/chests/rows/row-kind';
import { utf8Length } from '@clever-drawer/core/text/utf8-length';

/** The most characters of an id: a preset's holds bank and name besides its plugin's. */
export const ID_LENGTH = 1200;
/** The most bytes of one: what an index of the database takes, less the drawer that goes in front of it. */
const ID_BYTES = 2400;
const anId = () =>
  string()
    .strict()
    .min(1)
    .max(ID_LENGTH)
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
    .max(NAME_LENGTH)
    .required(`${what} must not be empty`);
/** The id of something that is there. */
export const id = () => anId().required();
/** See id; null stands for nothing. */
export const optionalId = () => anId().nullable().defined();
/** The id of something that is to be made. */
export const newId = () => string().strict().uuid('a new id must be a UUID').required();
/** What names a build on every computer. */
export const buildKey = () => id();
/** Ids of plugins, as many as a request may name. */
export const pluginIds = () => array().of(id()).strict().max(MANY).required();

/** A rule as it is sent and kept: a list of keywords. */
export const ruleSchema = object({
  kind: string().strict().oneOf(['keywords']).required(),
  words: array()
    .of(string().strict().trim().min(1).max(60).required())
    .min(1, 'a keyword rule needs at least one word')
    .max(200)
    .required(),
}).noUnknown();
/** A rule, or null. */
export const rule = () => ruleSchema.nullable().defined();

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
