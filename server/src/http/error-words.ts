/** Says what is wrong with a document in sentences for people. */
import type { ValidationError } from 'yup';

const ORDINALS = ['first', 'second', 'third', 'fourth', 'fifth', 'sixth', 'seventh', 'eighth', 'ninth', 'tenth'];
const TYPE_WORDS: Readonly<Record<string, string>> = {
  string: 'a text',
  number: 'a number',
  boolean: 'true or false',
  array: 'a list',
  object: 'an object',
};
const LONGEST_VALUE = 40;

const singularOf = (list: string): string => (list.endsWith('ies') ? `${list.slice(0, -3)}y` : list.replace(/s$/, ''));

const ordinal = (index: number, list: string): string => {
  const one = singularOf(list);
  return index < ORDINALS.length ? `the ${ORDINALS[index] ?? ''} ${one}` : `${one} ${String(index + 1)}`;
};

/** "chests[0].drawers[2].name" as "“name” of the third drawer in the first chest". */
export function placeInWords(path: string): string {
  const steps = [...path.matchAll(/([^.[\]"]+)(?:\[(\d+)\])?/g)].map(([, name = '', index]) => ({ name, index }));
  const owners = steps
    .filter(({ index }) => index !== undefined)
    .map(({ name, index }) => ordinal(Number(index), name));
  const last = steps.at(-1);
  const within = owners.reverse().join(' in ');
  if (last === undefined) return 'the request';
  if (last.index !== undefined) return within;
  return within === '' ? `“${path}”` : `“${last.name}” of ${within}`;
}

function valueInWords(value: unknown): string {
  if (value === null) return 'null';
  if (value === undefined) return 'missing';
  if (Array.isArray(value)) return 'a list';
  if (typeof value === 'object') return 'an object';
  const text = JSON.stringify(value);
  return text.length > LONGEST_VALUE ? `${text.slice(0, LONGEST_VALUE)}…` : text;
}

/** What a validation error says, as a sentence without its full stop. */
export function sentenceOf({ type, path, message, params }: ValidationError): string {
  const place = path === undefined || path === '' ? 'the request' : placeInWords(path);
  if (/is a required field|must be defined/.test(message) || type === 'optionality') return `${place} is missing`;
  if (type !== 'typeError') return message;
  const expected = TYPE_WORDS[String(params?.type)] ?? 'something else';
  return `${place} must be ${expected}, and is ${valueInWords(params?.value ?? params?.originalValue)}`;
}
