import { randomUUID } from 'node:crypto';
import { asId, type ComputerId } from '@clever-drawer/core/ids';
import type { CatalogueView, PluginDetail } from '@clever-drawer/contract/responses';
import { KEPT_DAYS, KEPT_STEPS, NEXT_UNDO_SQL, MAX_STEPS, NEXT_UNDONE, trimJournal } from '../src/store/change-journal';
import { LOADS_OF_STEP } from '../src/store/load-store';
import {
  api,
  arrangement,
  catalogue,
  change,
  computer,
  get,
  post,
  installPlugin,
  scan,
  useStudio,
} from './support/studio';

useStudio();

const own = () => asId<ComputerId>(computer);
// The studio begins with the step that added its folder.
beforeEach(() => api.source.query('DELETE FROM change'));

/** So many steps straight into the journal, each so many days old. */
const fill = (from: number, to: number, days: number) =>
  api.source.query(
    `INSERT INTO change ("computerId", seq, label, edits, "madeAt")
     SELECT $1, n, 'step ' || n, '[]', now() - make_interval(days => $4) FROM generate_series($2::int, $3::int) AS n`,
    [computer, from, to, days],
  );
const count = async (): Promise<{ steps: number; first: number }> => {
  const [row] = await api.source.query<[{ steps: number; first: number }]>(
    'SELECT count(*)::int AS steps, min(seq) AS first FROM change WHERE "computerId" = $1',
    [computer],
  );
  return row;
};

describe('a journal of 100,000 steps', () => {
  // PostgreSQL's EXPLAIN says how a statement is carried out; with so many rows a sequential scan would take tens of milliseconds.
  it('is looked up along indexes', async () => {
    await fill(1, 100_000, 0);
    await api.source.query('ANALYZE change');
    await api.source.query('ANALYZE load');
    const plan = async (sql: string, values: unknown[]): Promise<string> =>
      (await api.source.query<{ 'QUERY PLAN': string }[]>(`EXPLAIN ${sql}`, values))
        .map((row) => row['QUERY PLAN'])
        .join('\n');
    for (const sql of [NEXT_UNDO_SQL, NEXT_UNDONE]) {
      const words = await plan(sql, [computer]);
      expect(words).toMatch(/Index (Only )?Scan/);
      expect(words).not.toContain('Seq Scan on change');
      expect(words).not.toContain('Sort');
    }
    // A small table is read whole whatever its indexes are: what counts is that one can be used.
    await api.source.transaction(async (db) => {
      await db.query('SET LOCAL enable_seqscan = off');
      const words = (await db.query<{ 'QUERY PLAN': string }[]>(`EXPLAIN ${LOADS_OF_STEP}`, [computer, 5, true])).map(
        (row) => row['QUERY PLAN'],
      );
      expect(words.join('\n')).toContain('IDX_7b14739640076ae064150e3db3');
    });
  });
});

describe('old steps', () => {
  it('are let go by age beyond the newest ones, and by number whatever their age', async () => {
    await fill(1, 30, KEPT_DAYS + 1);
    await fill(31, 30 + KEPT_STEPS, 0);
    await trimJournal(api.source.manager, own());
    expect(await count()).toEqual({ steps: KEPT_STEPS, first: 31 });
    await fill(31 + KEPT_STEPS, 30 + KEPT_STEPS + MAX_STEPS, KEPT_DAYS - 1);
    await trimJournal(api.source.manager, own());
    expect((await count()).steps).toBe(MAX_STEPS);
  });

  it('the newest are kept however old they are', async () => {
    await fill(1, 50, KEPT_DAYS * 4);
    await trimJournal(api.source.manager, own());
    expect((await count()).steps).toBe(50);
  });

  it('written by an earlier version are upgraded when they are read', async () => {
    const chestId = randomUUID();
    await change({ kind: 'make-chest', id: chestId, name: 'Everyday', slots: null });
    // As the first version wrote it: a chest without slots, form 1.
    await api.source.query(
      `UPDATE change SET form = 1, edits = jsonb_set(edits, '{0,after}', (edits->0->'after') - 'slots')
       WHERE "computerId" = $1`,
      [computer],
    );
    expect((await post(`/computers/${computer}/undo`)).status).toBe(200);
    expect((await post(`/computers/${computer}/redo`)).status).toBe(200);
    expect((await arrangement()).chest).toEqual([expect.objectContaining({ id: chestId, slots: null })]);
  });

  it('bear numbers that are never used twice', async () => {
    const make = async () =>
      (await change({ kind: 'make-chest', id: randomUUID(), name: 'Everyday', slots: null })).body.number;
    const first = await make();
    await post(`/computers/${computer}/undo`);
    expect(await make()).toBeGreaterThan(first);
  });
});

describe('loads', () => {
  const [EQ, PLATE] = ['tollgatesound/copper' + 'eq', 'tollgatesound/vestryplate'];
  const lane = randomUUID();
  const load = (pluginId: string) =>
    post(`/computers/${computer}/loads`, { slotId: `${lane}/1`, pluginId, way: 'typing', milliseconds: 900 });
  const loads = async (id: string): Promise<number | undefined> =>
    (await catalogue()).plugins.find((plugin) => plugin.id === id)?.loads;
  beforeEach(async () => {
    await scan();
    await change({
      kind: 'make-session',
      id: randomUUID(),
      name: 'Scene',
      lanes: [{ id: lane, kind: 'audio', name: 'Goose', inserts: 1 }],
    });
  });

  it('count as use until they are undone, and again when they are redone', async () => {
    await load(EQ);
    await load(PLATE);
    await load(EQ);
    expect([await loads(EQ), await loads(PLATE)]).toEqual([2, 1]);
    await post(`/computers/${computer}/undo`);
    expect(await loads(EQ)).toBe(1);
    await post(`/computers/${computer}/redo`);
    expect(await loads(EQ)).toBe(2);
    await post(`/computers/${computer}/undo`);
    // A new step takes the place of the one that was undone: that load never comes back.
    await load(PLATE);
    expect([await loads(EQ), await loads(PLATE)]).toEqual([1, 2]);
  });

  it('go along with everything else when plugins are joined, and come back with one step', async () => {
    await load(PLATE);
    await change({ kind: 'name-plugins', pluginIds: [PLATE], naming: { nickname: 'the big one', addTags: ['dark'] } });
    await change({ kind: 'set-aside', pluginIds: [PLATE], builds: [], reason: 'demo', until: null });
    const before = await arrangement();
    const { builds } = await get<PluginDetail>(`/computers/${computer}/plugins/${encodeURIComponent(PLATE)}`);
    const named = builds.map(({ id, key }) => ({ id, key, pluginId: PLATE }));
    expect((await change({ kind: 'join-plugins', intoId: EQ, pluginIds: [PLATE], builds: named })).status).toBe(200);
    expect(await loads(EQ)).toBe(1);
    const joined = await arrangement();
    expect(joined.naming).toEqual([expect.objectContaining({ id: EQ, nickname: 'the big one', tags: ['dark'] })]);
    expect(joined.aside).toEqual([expect.objectContaining({ id: builds[0]?.id, pluginId: EQ, reason: 'demo' })]);
    await post(`/computers/${computer}/undo`);
    expect([await loads(EQ), await loads(PLATE)]).toEqual([0, 1]);
    const { revision: _after, steps: _steps, ...rows } = await arrangement();
    const { revision: _before, steps: _stepsBefore, ...rowsBefore } = before;
    expect(rows).toEqual(rowsBefore);
  });

  it('survive a rescan that changes nothing', async () => {
    await load(EQ);
    await installPlugin('Late Arrival', 'DelayPlugin');
    await scan();
    expect((await get<CatalogueView>(`/computers/${computer}/catalogue`)).plugins.map((one) => one.loads)).toEqual([
      1, 0, 0, 0,
    ]);
  });
});
