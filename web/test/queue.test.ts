import { QueryClient } from '@tanstack/react-query';
import { asId, type ComputerId } from '@clever-drawer/core/ids';
import { queued, queueKey } from '../src/arrangement/queue';

const here = asId<ComputerId>('here');
const there = asId<ComputerId>('there');

/** Work that is done when the test says so. */
function held(log: string[], name: string) {
  let finish: (fails: boolean) => void = () => undefined;
  const done = new Promise<string>((resolve, reject) => {
    finish = (fails) => (fails ? reject(new Error(name)) : resolve(name));
  });
  return {
    work: () => {
      log.push(name);
      return done;
    },
    finish: (fails = false) => finish(fails),
  };
}
const turn = (): Promise<void> => new Promise((done) => setTimeout(done, 5));

describe('the queue of changes', () => {
  let client: QueryClient;
  let log: string[];
  beforeEach(() => {
    client = new QueryClient();
    log = [];
  });
  afterEach(() => client.clear());
  const underWay = (computer = here): number => client.isMutating({ mutationKey: queueKey(computer) });

  it('sends one after the other, in the order in which they were made, and counts those that wait', async () => {
    const [first, second] = [held(log, 'first'), held(log, 'second')];
    const all = [queued(client, here, first.work), queued(client, here, second.work)];
    await turn();
    expect([log, underWay()]).toEqual([['first'], 2]);
    first.finish();
    await turn();
    expect([log, underWay()]).toEqual([['first', 'second'], 1]);
    second.finish();
    expect(await Promise.all(all)).toEqual(['first', 'second']);
    expect(underWay()).toBe(0);
  });

  it('a failure is told to whom it belongs, and the next one goes all the same', async () => {
    const [first, second] = [held(log, 'first'), held(log, 'second')];
    const failing = queued(client, here, first.work).catch((error: unknown) => String(error));
    const going = queued(client, here, second.work);
    first.finish(true);
    second.finish();
    expect(await failing).toBe('Error: first');
    expect(await going).toBe('second');
    expect(underWay()).toBe(0);
  });

  it('computers do not wait for one another, and neither do windows', async () => {
    const [first, second, third] = [held(log, 'here'), held(log, 'there'), held(log, 'other window')];
    const other = new QueryClient();
    const all = [queued(client, here, first.work), queued(client, there, second.work), queued(other, here, third.work)];
    await turn();
    expect([log, underWay(), underWay(there)]).toEqual([['here', 'there', 'other window'], 1, 1]);
    for (const one of [third, second, first]) one.finish();
    await Promise.all(all);
    other.clear();
  });
});
