/** Thousands of rows in one change: written, answered, undone and found again as few are. */
import { randomUUID } from 'node:crypto';
import fc from 'fast-check';
import type { ChangeAnswer, JournalView, ProblemDetails, SavedChange } from '@clever-drawer/contract/responses';
import { hashEditResults } from '@clever-drawer/core/chests/edit';
import { runToCompletion } from '@clever-drawer/core/stepwise';
import { jsonForDatabase } from '../src/database/json';
import { readBodyInWorker } from '../src/http/read-body-in-worker';
import { api, arrangement, change, computer, get, post, useStudio } from './support/studio';

useStudio();

const COUNT = 2500;
const [chest, drawer] = [randomUUID(), randomUUID()];
const ids = Array.from({ length: COUNT }, (_, at) => `many/${String(at)}`);
const file = { kind: 'file', drawerIds: [drawer], pluginIds: ids };
const send = (body: object) => post<ChangeAnswer>(`/computers/${computer}/changes`, body);
const step = (way: 'undo' | 'redo', of = computer) => post<SavedChange & ProblemDetails>(`/computers/${of}/${way}`);
const entries = async () =>
  (await arrangement()).entry.map((entry) => entry).sort((a, b) => (a.order < b.order ? -1 : 1));

beforeEach(async () => {
  await api.source.query(
    `INSERT INTO plugin (id, name, vendor, role, "roleGrade", types, "typeGrade", contradictions)
     SELECT id, 'Plate ' || id, NULL, NULL, 'unknown', '[]', 'unknown', '[]' FROM unnest($1::text[]) AS id`,
    [ids],
  );
  await change({ kind: 'make-chest', id: chest, name: 'Everyday', slots: null });
  await change({
    ...{ kind: 'make-drawer', id: drawer, chestId: chest, parentId: null, name: 'Plates', rule: null },
    pluginIds: [],
  });
});

it('are saved in their order, and undone and redone from a step that stands in few columns', async () => {
  const { body } = await send({ intents: [file] });
  expect([body.edits?.length, body.comesTo]).toEqual([COUNT, null]);
  const filed = await entries();
  expect(filed.map((entry) => entry.pluginId)).toEqual(ids);
  expect(filed).toEqual(body.edits?.map((edit) => edit.after));
  const [row] = await api.source.query<{ kind: string }[]>(
    'SELECT jsonb_typeof(edits) AS kind FROM change ORDER BY seq DESC LIMIT 1',
  );
  expect(row?.kind).toBe('object');
  expect((await get<JournalView>(`/computers/${computer}/journal?limit=1&edits=yes`)).entries[0]?.edits).toEqual(
    body.edits,
  );
  expect((await step('undo')).status).toBe(200);
  expect(await entries()).toEqual([]);
  expect((await step('redo')).status).toBe(200);
  expect(await entries()).toEqual(filed);
});

it('are answered by a mark where that is asked for', async () => {
  const { body } = await send({ intents: [file], brief: true });
  expect(body.edits).toBeNull();
  const { entries: steps } = await get<JournalView>(`/computers/${computer}/journal?limit=1&edits=yes`);
  expect(body.comesTo).toBe(runToCompletion(hashEditResults(steps[0]?.edits ?? [])));
});

it('changed at another computer, they are in the way of an older step, which names them', async () => {
  const few = { ...file, pluginIds: ids.slice(0, 2) };
  await send({ intents: [few] });
  const other = (await post<{ id: string }>('/computers', { name: 'Stage box', system: 'linux' })).body.id;
  await send({ intents: [{ ...file, pluginIds: ids.slice(2) }] });
  await step('undo');
  await post(`/computers/${other}/changes`, { intents: [{ ...file, pluginIds: ids.slice(2) }] });
  await post(`/computers/${other}/changes`, { intents: [{ kind: 'take-out', drawerId: drawer, pluginIds: ids }] });
  const { status, body } = await step('undo');
  expect(status).toBe(409);
  expect(body.detail).toMatch(
    /what it touched has been changed since: “take 2500 plugins out of Plates” at Stage box\.$/,
  );
});

it('only go into a drawer that is there, and keep it as long as they stand in it', async () => {
  await send({ intents: [file] });
  const refused = async (statement: string): Promise<string> => {
    const error: unknown = await api.source.query(statement).then(
      () => null,
      (reason: unknown) => reason,
    );
    return (error as { code?: string } | null)?.code ?? 'done';
  };
  // PostgreSQL, appendix A: 23503 is a foreign key that is violated.
  const add = (to: string) =>
    `INSERT INTO entry (id, "drawerId", "pluginId", "order") VALUES ('x', '${to}', 'p', 'a'), ('y', '${drawer}', 'p', 'a')`;
  expect(await refused(add('nowhere'))).toBe('23503');
  expect(await refused(`UPDATE entry SET "drawerId" = 'nowhere' WHERE "pluginId" = '${ids[7] ?? ''}'`)).toBe('23503');
  expect(await refused(`DELETE FROM drawer WHERE id = '${drawer}'`)).toBe('23503');
  expect((await entries()).length).toBe(COUNT);
  expect(await refused(add(drawer))).toBe('done');
  expect(await refused('DELETE FROM entry')).toBe('done');
  expect(await refused(`DELETE FROM drawer WHERE id = '${drawer}'`)).toBe('done');
});

it('a long list of ids is checked at once, and what else is large apart', async () => {
  const bytes = (body: unknown) => new TextEncoder().encode(JSON.stringify(body));
  const gone = new AbortController();
  gone.abort();
  // The client has gone away any more: a thread is not begun for it, and what needs none is there all the same.
  const read = (body: unknown) => readBodyInWorker('POST /computers/{computer}/changes', bytes(body), gone.signal);
  const many = { intents: [{ ...file, pluginIds: Array.from({ length: 50_000 }, () => randomUUID()) }] };
  expect(await read(many)).toEqual(many);
  await expect(read({ intents: [{ ...file, pluginIds: [...ids, 7] }] })).rejects.toThrow('`string`');
  const tags = Array.from({ length: 100 }, (_, at) => `tag ${String(at)}`);
  const naming = { kind: 'name-plugins', pluginIds: ids, naming: { addTags: tags } };
  await expect(read({ intents: Array.from({ length: 100 }, () => naming) })).rejects.toThrow(
    'The client has gone away',
  );
  // Parsed here it would end in an error of ours: it is nested deeper than any stack.
  const deep = new TextEncoder().encode('['.repeat(1_200_000) + ']'.repeat(1_200_000));
  await expect(readBodyInWorker('POST /computers/{computer}/changes', deep, gone.signal)).rejects.toThrow(
    'The client has gone away',
  );
});

it('JSON for the database is without what it does not take, and else as it is', () => {
  const takes = (text: string): string => text.replaceAll('\0', '').toWellFormed();
  const clean = (value: unknown): unknown =>
    typeof value === 'string'
      ? takes(value)
      : Array.isArray(value)
        ? value.map(clean)
        : typeof value === 'object' && value !== null
          ? Object.fromEntries(Object.entries(value).map(([name, inner]) => [name, clean(inner)]))
          : value;
  const unit = fc.oneof(
    fc.constantFrom('\0', '\ud800', '\udfff', '\\u0000', '\\ud800', '\u{1f3b9}', '\\', 'u', '0000'),
    fc.string({ maxLength: 3 }),
  );
  const words = fc.array(unit, { maxLength: 6 }).map((parts) => parts.join(''));
  fc.assert(
    fc.property(fc.array(fc.record({ name: words, list: fc.array(words, { maxLength: 2 }) })), (value) => {
      expect(JSON.parse(jsonForDatabase(value))).toEqual(clean(value));
    }),
    { seed: 26, numRuns: 500 },
  );
});
