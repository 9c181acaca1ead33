/** Lists of ids are looked at as wholes: the same lists fit as by the schemas that ask of each entry. */
import fc from 'fast-check';
import { array, object, type AnySchema, type Schema } from 'yup';
import { INTENT_SCHEMAS } from '../src/intents';
import { jsonSchemaOf } from '../src/json-schema';
import { id, idRows, ids, idsOrNull, MANY, WHOLE_LISTS } from '../src/parts';

const fits = (schema: unknown, value: unknown): boolean => (schema as Schema).isValidSync(value);

const anyId = fc.oneof(
  { weight: 8, arbitrary: fc.string({ minLength: 1, maxLength: 5 }) },
  fc.constantFrom('', 'x'.repeat(1200), 'x'.repeat(1201), '山'.repeat(800), '山'.repeat(801), 'é'.repeat(1200)),
  fc.constantFrom(null, undefined, 7, true, {}, ['x'] as unknown),
);
const row = fc.oneof(
  { weight: 6, arbitrary: fc.record({ id: fc.constantFrom('a', 'b'), pluginId: fc.constantFrom('p', 'q') }) },
  fc.record({ id: anyId, pluginId: anyId }, { requiredKeys: [] }),
  fc.record({ id: fc.constant('a'), pluginId: fc.constant('p'), more: anyId }),
  anyId,
);
const listOr = (of: fc.Arbitrary<unknown>) =>
  fc.oneof({ weight: 9, arbitrary: fc.array(of, { maxLength: 6 }) }, fc.constantFrom(null, undefined, 'x', 7, {}));

it.each([
  ['ids', ids(), array().of(id()).strict().max(MANY).required(), anyId],
  ['ids, one at least', ids(1), array().of(id()).strict().min(1).max(MANY).required(), anyId],
  ['ids, or null for all', idsOrNull(), array().of(id()).strict().max(MANY).nullable().defined(), anyId],
  [
    'rows of ids',
    idRows(['id', 'pluginId'], 1),
    array()
      .of(object({ id: id(), pluginId: id() }).noUnknown().strict())
      .strict()
      .min(1)
      .max(MANY)
      .required(),
    row,
  ],
])('%s fit where Yup’s own list does', (_what, whole, each, of) => {
  const seen = { fit: 0, not: 0 };
  fc.assert(
    fc.property(listOr(of), (drawn) => {
      // As JSON brings it.
      const value: unknown = drawn === undefined ? undefined : JSON.parse(JSON.stringify(drawn));
      const does = fits(each, value);
      seen[does ? 'fit' : 'not']++;
      expect(fits(whole, value)).toBe(does);
    }),
    { seed: 26, numRuns: 1500 },
  );
  expect(Math.min(seen.fit, seen.not)).toBeGreaterThan(100);
});

it('what is too long is refused before its entries are looked at, and what is wrong is named', () => {
  const wrong = (value: unknown): string => {
    try {
      object({ list: ids(1) }).validateSync({ list: value });
      return 'fits';
    } catch (error) {
      return String(error);
    }
  };
  expect(wrong(Array.from({ length: MANY + 1 }, () => null))).toContain('list must have at most 100000 entries');
  expect(wrong(Array.from({ length: MANY }, () => 'x'))).toBe('fits');
  expect(wrong([])).toContain('list must have at least 1 entry');
  expect(wrong('x')).toContain('list must be a list');
  expect(wrong(['x', 7])).toContain('list[1] must be a `string` type');
  expect(wrong(['x', ''])).toContain('list[1] must be at least 1 characters');
});

it('their names are those that are taken for such lists, and no other field bears one', () => {
  const names = new Set<string>();
  for (const schema of Object.values(INTENT_SCHEMAS)) {
    for (const [name, field] of Object.entries((schema as unknown as { fields: Record<string, AnySchema> }).fields)) {
      const { maxItems } = jsonSchemaOf(field);
      if (maxItems === MANY) {
        names.add(name);
        expect([name, (field as Schema).type]).toEqual([name, 'mixed']);
      } else expect(WHOLE_LISTS.has(name)).toBe(false);
    }
  }
  expect([...names].sort()).toEqual([...WHOLE_LISTS].sort());
});
