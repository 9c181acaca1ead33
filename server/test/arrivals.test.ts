/** A watched folder that goes away with its disk is told of, and is watched again when it is back. */
import { mkdir, rename } from 'node:fs/promises';
import { basename, join } from 'node:path';
import { pino } from 'pino';
import { asId, type ComputerId } from '@clever-drawer/core/ids';
import { Arrivals } from '../src/jobs/arrivals';
import { api, computer, plugins, installPlugin, scan, useStudio } from './support/studio';

useStudio();

const LOOKS_AGAIN_MS = 200;
const until = async <T>(look: () => T, wanted: T): Promise<void> => {
  const end = Date.now() + 15_000;
  while (look() !== wanted && Date.now() < end) await new Promise((done) => setTimeout(done, 50));
  expect(look()).toEqual(wanted);
};

it('a folder that is gone says so, and tells of arrivals again when it is back, without anybody doing anything', async () => {
  const everywhere = { is: () => true };
  const arrivals = new Arrivals(api.source, pino({ level: 'silent' }), everywhere, null, LOOKS_AGAIN_MS);
  try {
    await arrivals.look();
    await arrivals.begun;
    expect(arrivals.whyNot(plugins)).toBeNull();
    await new Promise((done) => setTimeout(done, 500));
    await rename(plugins, `${plugins}-away`);
    await until(() => arrivals.whyNot(plugins), 'missing');
    await rename(`${plugins}-away`, plugins);
    await until(() => arrivals.whyNot(plugins), null);
    await new Promise((done) => setTimeout(done, 500));
    await mkdir(join(plugins, 'new'));
    await installPlugin('new/Ash Delay', 'DelayPlugin');
    await until(() => arrivals.of(asId<ComputerId>(computer))[0]?.path, join(plugins, 'new', 'Ash Delay.lv2'));
  } finally {
    await arrivals.close();
  }
}, 60_000);

it('what a scan has covered is not told of afterwards; what comes while it runs, or before one that fails, is', async () => {
  const arrivals = new Arrivals(api.source, pino({ level: 'silent' }), { is: () => true });
  const id = asId<ComputerId>(computer);
  const paths = () => arrivals.of(id).map((arrival) => basename(arrival.path));
  const settled = () => new Promise((done) => setTimeout(done, 2500));
  try {
    await arrivals.look();
    await arrivals.begun;
    await new Promise((done) => setTimeout(done, 500));
    // Installed, and scanned before the watch has told of it.
    await installPlugin('Ash Delay', 'DelayPlugin');
    await new Promise((done) => setTimeout(done, 20));
    const startedAt = Date.now();
    const { id: scanId } = await scan();
    const job = { id: scanId, computerId: id, folders: [plugins], wish: {} };
    await installPlugin('Late Echo', 'DelayPlugin');
    await arrivals.scanEnded(job, startedAt);
    await settled();
    expect(paths()).toEqual(['Late Echo.lv2']);
    await api.source.query(`UPDATE scan SET state = 'cancelled' WHERE id = $1`, [scanId]);
    await arrivals.scanEnded(job, Date.now());
    expect(paths()).toEqual(['Late Echo.lv2']);
    await api.source.query(`UPDATE scan SET state = 'done' WHERE id = $1`, [scanId]);
    await arrivals.scanEnded(job, Date.now());
    expect(paths()).toEqual([]);
  } finally {
    await arrivals.close();
  }
}, 60_000);
