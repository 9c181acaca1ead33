/** A folder of thousands of files that are none: each is counted and can be listed, part by part; and what can't be kept of a scan takes nothing else along. */
import { randomBytes } from 'node:crypto';
import { rm, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { LeftOutView, ProblemsView, ScanStory } from '@clever-drawer/contract/responses';
import { MAX_OF_A_KIND } from '@clever-drawer/core/catalogue/scan-story';
import type { PlaceReading } from '@clever-drawer/scan/read-place';
import type { ScanResult } from '@clever-drawer/scan/run-scan';
import { api, catalogue, computer, get, plugins, installPlugin, scan, spoilScans, useStudio } from './support/studio';

useStudio();

const problems = (query = '') => get<ProblemsView>(`/computers/${computer}/problems${query}`);
const leftOut = (query = '') => get<LeftOutView>(`/computers/${computer}/left-out${query}`);

/** Files that are called like plugins of Windows and are none, and side files. */
async function fill(count: number): Promise<void> {
  for (let at = 0; at < count; at++) {
    const number = String(at).padStart(5, '0');
    await writeFile(join(plugins, `${number}.dll`), 'no program');
    if (at % 10 === 0) await writeFile(join(plugins, `._${number}.dll`), '');
  }
}

it('problems come part by part, each once and in order of their paths', async () => {
  await fill(60);
  expect(await scan()).toMatchObject({ problems: 60, outcome: { failed: 60, builds: 3 } });
  const first = await problems('?limit=25');
  const rest = await problems('?from=25&limit=500');
  expect([first.total, first.list.length, rest.total, rest.list.length]).toEqual([60, 25, 60, 35]);
  const paths = [...first.list, ...rest.list].map((one) => one.path);
  expect(paths).toEqual([...new Set(paths)].sort());
  expect((await problems('?from=60')).list).toEqual([]);
  expect((await api.call('GET', `/computers/${computer}/problems?limit=100000`)).status).toBe(400);
});

it('what was left out comes part by part for each reason', async () => {
  await fill(60);
  await scan();
  expect(await leftOut('?limit=0')).toEqual({ lookedAt: 69, counts: [{ reason: 'side-file', count: 6 }], list: [] });
  const { list } = await leftOut('?reason=side-file&from=4&limit=10');
  expect(list.map((one) => one.path)).toEqual(['00040', '00050'].map((name) => join(plugins, `._${name}.dll`)));
  expect((await leftOut('?reason=double')).list).toEqual([]);
});

it('trying all problems again reads them alone, and however many there are', async () => {
  await fill(30);
  await scan();
  await installPlugin('Ash Delay', 'DelayPlugin');
  for (let at = 0; at < 10; at++) await rm(join(plugins, `0000${String(at)}.dll`));
  const { outcome } = await scan({ problems: true });
  // The three plugins had not changed, and were not read.
  expect(outcome).toMatchObject({ recovered: 10, arrived: 1, unchanged: 3 });
  expect((await problems()).total).toBe(20);
});

it('of a story as many of each kind are kept as can be looked at; its scan counts all', async () => {
  const faulty = (at: number): PlaceReading => {
    const path = join(plugins, `${String(at)}.dll`);
    return { path, stamp: ['r'], reading: { builds: [], faults: [{ code: 'binary-empty', path }] } };
  };
  const many = Array.from({ length: MAX_OF_A_KIND + 10 }, (_, at) => faulty(at));
  spoilScans((result) => adding(result, many));
  const { id, outcome } = await scan();
  expect(outcome).toMatchObject({ failed: MAX_OF_A_KIND + 10, arrived: 3 });
  const story = await get<ScanStory>(`/scans/${id}/story`);
  expect(story).toHaveLength(MAX_OF_A_KIND + 3);
});

const adding = (result: ScanResult, more: readonly PlaceReading[]): ScanResult => ({
  ...result,
  fresh: [...result.fresh, ...more],
  places: [...result.places, ...more],
  faults: [...result.faults, ...more.flatMap((place) => place.reading.faults)],
});

describe('a place that can’t be written down', () => {
  // No index of PostgreSQL holds a text of 5,000 characters that can't be made shorter (PostgreSQL 15, 67.4: a third of a page).
  const tooLong = (): PlaceReading => ({
    path: join(plugins, randomBytes(5000).toString('hex')),
    stamp: ['r'],
    reading: { builds: [], faults: [] },
  });

  it('is a problem of its own, and all the rest is kept', async () => {
    const spoilt = [tooLong(), tooLong()];
    spoilScans((result) => adding(result, spoilt));
    expect(await scan()).toMatchObject({
      state: 'done',
      failure: null,
      problems: 2,
      outcome: { builds: 3, failed: 2 },
    });
    expect((await catalogue()).plugins).toHaveLength(3);
    const { list } = await problems();
    expect(list.map((one) => one.code)).toEqual(['not-kept', 'not-kept']);
    expect(list[0]?.message).toContain('could not be saved in the catalogue');
    spoilScans((result) => result);
    expect((await scan()).outcome).toMatchObject({ recovered: 2, failed: 0, unchanged: 3 });
  });

  it('is not looked for among very many: then the scan has failed, and the catalogue is as it was', async () => {
    spoilScans((result) => adding(result, Array.from({ length: 30 }, tooLong)));
    expect(await scan()).toMatchObject({ state: 'failed', outcome: null });
    expect((await catalogue()).plugins).toEqual([]);
  });
});
