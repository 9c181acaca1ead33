import { array, number, object, string, ValidationError } from 'yup';
import { placeInWords, sentenceOf } from '../src/http/error-words';

it.each([
  ['name', '“name”'],
  ['chests[0].name', '“name” of the first chest'],
  ['chests[0].drawers[2].name', '“name” of the third drawer in the first chest'],
  ['entries[11]', 'entry 12'],
  ['settings.size', '“settings.size”'],
])('%s is told as %s', (path, words) => {
  expect(placeInWords(path)).toBe(words);
});

const schema = object({
  chests: array()
    .of(object({ name: string().strict().required(), order: number().strict().max(3) }))
    .required(),
});
const wrong = (value: unknown): string => {
  try {
    schema.validateSync(value, { strict: true });
    return 'fits';
  } catch (error) {
    return error instanceof ValidationError ? sentenceOf(error) : String(error);
  }
};

it('what is missing, of another type or out of bounds is a sentence', () => {
  expect(wrong({})).toBe('“chests” is missing');
  expect(wrong({ chests: [{ name: 'a' }, {}] })).toBe('“name” of the second chest is missing');
  expect(wrong({ chests: [{ name: 7 }] })).toBe('“name” of the first chest must be a text, and is 7');
  expect(wrong({ chests: 'all' })).toBe('“chests” must be a list, and is "all"');
  expect(wrong({ chests: [{ name: { a: 1 } }] })).toBe('“name” of the first chest must be a text, and is an object');
  expect(wrong({ chests: [{ name: 'a', order: 4 }] })).toContain('less than or equal to 3');
});
