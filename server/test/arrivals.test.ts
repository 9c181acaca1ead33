/** A watched folder that goes away with its disk is told of, and is watched again when it is back. */
import { mkdir, rename } from 'node:fs/promises';
import { join } from 'node:path';
import { pino } from 'pino';
import { asId, type ComputerId } from '@clever-drawer/core/ids';
import { Arrivals } from '../src/jobs/arrivals';
import { api, computer, plugins, put, useStudio } from './support/studio';

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
    await put('new/Ash Delay', 'DelayPlugin');
    await until(() => arrivals.of(asId<ComputerId>(computer))[0]?.path, join(plugins, 'new', 'Ash Delay.lv2'));
  } finally {
    await arrivals.close();
  }
}, 60_000);
