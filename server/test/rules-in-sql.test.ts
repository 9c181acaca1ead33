/**
 * What AND, OR, NOT and parentheses mean in a rule is held to what they mean in SQL (ISO/IEC 9075), in the real PostgreSQL: the very same text is the
 * condition of a query over columns and a rule over words.
 */
import fc from 'fast-check';
import { KEPT_DRAWERS } from '@clever-drawer/core/rules/drawer-names';
import { readRule } from '@clever-drawer/core/rules/read';
import { RuleBook } from '@clever-drawer/core/rules/rule-book';
import { plugin } from '../../core/test/rules/random-rules';
import { startApi, type Api } from './support/api';

const WORDS = ['alder', 'birch', 'cedar', 'ebony', 'hazel'];
let api: Api;
const book = new RuleBook();

beforeAll(async () => {
  api = await startApi();
  const columns = WORDS.map((word) => `${word} boolean NOT NULL`).join(', ');
  await api.source.query(`CREATE TABLE tree (id int PRIMARY KEY, ${columns})`);
  // Every combination of the words once.
  const rows = Array.from({ length: 2 ** WORDS.length }, (_, id) => WORDS.map((_word, at) => ((id >> at) & 1) === 1));
  for (const [id, has] of rows.entries())
    await api.source.query(`INSERT INTO tree VALUES (${[String(id), ...has.map(String)].join(', ')})`);
  const facts = rows.map((has, id) =>
    plugin({ id: String(id) as never, names: [WORDS.filter((_, at) => has[at]).join(' ') || 'none'] }),
  );
  // The invented plugin is typed by the sources of core, the book by what was built of them.
  book.change({ facts: facts as never, today: '2026-11-25' });
});
afterAll(() => api.stop());

/** Text of a condition with all its parentheses left to chance, so that what binds first is asked as well. */
const text = fc.letrec<{ text: string }>((tie) => ({
  text: fc.oneof(
    { maxDepth: 4 },
    { weight: 2, arbitrary: fc.constantFrom(...WORDS) },
    fc.tuple(tie('text'), fc.constantFrom('AND', 'OR', 'and', 'or'), tie('text')).map((parts) => parts.join(' ')),
    tie('text').map((one) => `NOT ${one}`),
    tie('text').map((one) => `(${one})`),
  ),
})).text;

it('a text is met by the same plugins as rows of PostgreSQL', async () => {
  await fc.assert(
    fc.asyncProperty(text, async (typed) => {
      const read = readRule(typed, KEPT_DRAWERS);
      if (!read.ok) throw new Error(read.problem.words);
      const rows = await api.source.query<{ id: number }[]>(`SELECT id FROM tree WHERE ${typed} ORDER BY id`);
      expect(book.ask(read.condition).map(Number)).toEqual(rows.map((row) => row.id));
    }),
    { seed: 18, numRuns: 400 },
  );
});
