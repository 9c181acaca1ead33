import { asId, type ComputerId } from '@clever-drawer/core/ids';
import { addressOf, ApiError, call, wordsOf } from '../src/lib/api';

const computer = asId<ComputerId>('a/b');
const realFetch = globalThis.fetch;
let asked: { address: string; init: RequestInit | undefined }[] = [];

/** Answers every request with the same. */
function answer(status: number, text: string): void {
  asked = [];
  globalThis.fetch = (input, init) => {
    asked.push({ address: typeof input === 'string' ? input : '', init });
    return Promise.resolve(new Response(status === 204 ? null : text, { status }));
  };
}
afterEach(() => {
  globalThis.fetch = realFetch;
});
const failure = async (work: Promise<unknown>): Promise<ApiError> => {
  const error: unknown = await work.then(
    () => null,
    (reason: unknown) => reason,
  );
  if (!(error instanceof ApiError)) throw new Error('it went well');
  return error;
};

describe('addresses of the interface', () => {
  it('are filled in and kept whole, whatever the ids hold', () => {
    // Percent-encoding of a path segment and a query: RFC 3986, 2.1 and 3.3.
    expect(addressOf('GET /computers/{computer}/catalogue', { path: { computer } })).toBe(
      '/api/computers/a%2Fb/catalogue',
    );
    expect(addressOf('GET /computers/{computer}/events', { path: { computer }, query: { window: 'x y' } })).toBe(
      '/api/computers/a%2Fb/events?window=x+y',
    );
  });
});

describe('asking the server', () => {
  it('sends JSON with the name of the window, and gives back what was answered', async () => {
    answer(200, '{"number":7}');
    const saved = await call('POST /computers/{computer}/undo', {
      path: { computer },
      body: { expects: 7 },
      window: 'mine',
    });
    expect(saved).toEqual({ number: 7 });
    const [{ address, init } = { address: '', init: undefined }] = asked;
    expect([address, init?.method, init?.body]).toEqual(['/api/computers/a%2Fb/undo', 'POST', '{"expects":7}']);
    expect(init?.headers).toEqual({ 'x-window': 'mine', 'content-type': 'application/json' });
  });

  it('sends a file as it is', async () => {
    answer(201, '{"picture":"x"}');
    const body = new Blob(['PNG']);
    await call('POST /computers/{computer}/pictures', { path: { computer }, body });
    expect(asked[0]?.init?.body).toBe(body);
    expect(asked[0]?.init?.headers).toEqual({ 'content-type': 'application/octet-stream' });
  });

  it('an empty answer is none', async () => {
    answer(204, '');
    await expect(call('GET /computers', {})).resolves.toBeUndefined();
  });

  it('a problem comes in the words of the server', async () => {
    answer(422, JSON.stringify({ type: 'x', title: 'x', status: 422, detail: 'Give it a name.', errors: [] }));
    expect(await failure(call('GET /computers', {}))).toMatchObject({ status: 422, message: 'Give it a name.' });
  });

  it('an answer that is no problem of ours says what to do, and shows no trace', async () => {
    answer(502, '<html>Bad gateway at line 3</html>');
    const error = await failure(call('GET /computers', {}));
    expect([error.status, error.message]).toEqual([502, 'The server answered with status 502. Reload the page.']);
  });

  it('a server that does not answer has the status 0 and a remedy', async () => {
    globalThis.fetch = () => Promise.reject(new TypeError('fetch failed'));
    const error = await failure(call('GET /computers', {}));
    expect([error.status, error.message]).toEqual([0, expect.stringContaining('Start it again')]);
    expect(wordsOf(error)).toBe(error.message);
    expect(wordsOf('odd')).toBe('odd');
  });
});
