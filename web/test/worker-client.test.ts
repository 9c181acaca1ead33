/** Workers that can't start, crash, and come back: HTML, "Web workers" (an error event at the worker object is all that is told). */
import type { Remote } from 'comlink';
import { WorkerClient, WorkerLost, type WorkerLike } from '../src/lib/worker-client';

interface Api {
  answer: () => Promise<number>;
}
class FakeWorker {
  isEnded = false;
  private readonly listeners = new Map<string, () => void>();
  addEventListener(type: string, listener: () => void): void {
    this.listeners.set(type, listener);
  }
  terminate(): void {
    this.isEnded = true;
  }
  fail(): void {
    this.listeners.get('error')?.();
  }
}

let workers: FakeWorker[];
let lost: number;
let givenUp: number;
let time: number;
let answer: () => Promise<number>;
const clientOf = (create?: () => FakeWorker) =>
  new WorkerClient<Api>({
    create: () => {
      const worker = create?.() ?? new FakeWorker();
      workers.push(worker);
      return worker as unknown as WorkerLike;
    },
    onLost: () => lost++,
    onGivenUp: () => givenUp++,
    wrapWorker: () => ({ answer: () => answer() }) as unknown as Remote<Api>,
    now: () => time,
  });
beforeEach(() => {
  workers = [];
  [lost, givenUp, time] = [0, 0, 0];
  answer = () => Promise.resolve(7);
});

it('one worker answers all calls', async () => {
  const client = clientOf();
  expect([await client.run((api) => api.answer()), await client.run((api) => api.answer())]).toEqual([7, 7]);
  expect(workers.length).toBe(1);
});

it('a call that was under way when the worker crashed is rejected, and the next one starts another worker', async () => {
  const client = clientOf();
  answer = () => new Promise(() => undefined);
  const call = client.run((api) => api.answer());
  workers[0]?.fail();
  await expect(call).rejects.toThrow(WorkerLost);
  expect([lost, workers[0]?.isEnded]).toEqual([1, true]);
  answer = () => Promise.resolve(8);
  expect(await client.run((api) => api.answer())).toBe(8);
  // The first one failing late takes nothing from the second.
  workers[0]?.fail();
  expect([lost, workers.length, workers[1]?.isEnded]).toEqual([1, 2, false]);
});

it('three failures within a minute end the attempts; failures far apart do not', async () => {
  const client = clientOf();
  for (const at of [0, 70_000, 140_000, 141_000, 142_000]) {
    time = at;
    await client.run((api) => api.answer());
    workers.at(-1)?.fail();
  }
  expect([givenUp, workers.length]).toEqual([1, 5]);
  await expect(client.run((api) => api.answer())).rejects.toThrow(WorkerLost);
  expect(workers.length).toBe(5);
});

it('a worker that can’t be made at all is a failure like any other', async () => {
  const client = clientOf(() => {
    throw new Error('blocked by a policy');
  });
  for (let tries = 0; tries < 4; tries++) await expect(client.run((api) => api.answer())).rejects.toThrow(WorkerLost);
  expect(givenUp).toBe(1);
});
