/**
 * Requests drawn with a seed from the interface's own schemas, most of them spoilt: none is answered with a fault of the server's own, none hangs, and what
 * was arranged by those that were taken can be undone. `npm run fuzz` goes on for longer.
 */
import { randomUUID } from 'node:crypto';
import type { ComputerView } from '@clever-drawer/contract/responses';
import { numbersFrom, RandomRequests } from './support/random-requests';
import { api, arrangement, catalogue, change, computer, get, post, scan, useStudio } from './support/studio';

const SECONDS = Number(process.env.FUZZ_SECONDS ?? 0);
const SEED = Number(process.env.FUZZ_SEED ?? 14);
const REQUESTS = 1500;
// They keep a line open, or ask another program.
const WITHOUT = new Set([
  'GET /computers/{computer}/events',
  'GET /hand-over/selected',
  'POST /computers/{computer}/picks',
]);

useStudio();

async function knownIds(): Promise<string[]> {
  await scan();
  const [chest, drawer, session, lane] = [randomUUID(), randomUUID(), randomUUID(), randomUUID()];
  await change({ kind: 'make-chest', id: chest, name: 'Everyday', slots: null });
  await change({ kind: 'make-drawer', id: drawer, name: 'Space', chestId: chest, parentId: null, rule: null });
  await change({
    kind: 'make-session',
    id: session,
    name: 'Scene',
    lanes: [{ id: lane, kind: 'audio', name: 'Goose', inserts: 3 }],
  });
  const { plugins } = await catalogue();
  const builds = plugins.flatMap((plugin) => plugin.builds.map((build) => build.id));
  return [
    computer,
    computer,
    computer,
    chest,
    drawer,
    session,
    lane,
    `${lane}/1`,
    ...plugins.map(({ id }) => id),
    ...builds,
  ];
}

it(
  'no request is a fault of the server’s own',
  async () => {
    const known = await knownIds();
    const requests = new RandomRequests(numbersFrom(SEED), known, WITHOUT);
    const failures: string[] = [];
    const statuses = new Map<number, number>();
    const until = Date.now() + SECONDS * 1000;
    for (let count = 0; count < REQUESTS || Date.now() < until; count++) {
      const { key, method, path, body } = requests.next();
      const began = performance.now();
      const response = await fetch(`${api.url}/api${path}`, {
        method,
        ...(body === null ? {} : { body, headers: { 'content-type': 'application/json' } }),
        signal: AbortSignal.timeout(20_000),
      });
      await response.arrayBuffer();
      statuses.set(response.status, (statuses.get(response.status) ?? 0) + 1);
      const took = performance.now() - began;
      if (response.status >= 500 || took > 10_000)
        failures.push(
          `${String(response.status)} ${key} ${path} ${(body ?? '').slice(0, 1500)} (${String(Math.round(took))} ms)`,
        );
      if (failures.length > 5) break;
    }
    expect(failures).toEqual([]);
    // Some are taken, most refused: else nothing was tried.
    expect(statuses.get(200) ?? 0).toBeGreaterThan(50);
    expect((statuses.get(400) ?? 0) + (statuses.get(422) ?? 0)).toBeGreaterThan(200);
    if (SECONDS > 0) process.stdout.write(`${[...statuses].map((one) => one.join(': ')).join(', ')}\n`);
    // Whatever was taken is the arrangement of now, and the next step back works.
    const own = (await get<ComputerView[]>('/computers')).find(({ id }) => id === computer);
    expect(own).toBeDefined();
    const { undo } = (await arrangement()).steps;
    expect(undo).not.toBeNull();
    expect((await post(`/computers/${computer}/undo`, {})).status).toBe(200);
  },
  120_000 + SECONDS * 1000,
);
