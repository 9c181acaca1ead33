/** Lists are kept as they were sent, for as long as their tag stays the same. */
import { gunzipSync } from 'node:zlib';
import fc from 'fast-check';
import type { CatalogueColumns } from '@clever-drawer/contract/responses';
import { fromColumns } from '@clever-drawer/contract/columns';
import { jsonParts, PackedAnswers } from '../src/http/packed-answers';
import { api, catalogue, change, computer, get, scan, useStudio } from './support/studio';

const read = (bytes: Buffer): unknown => JSON.parse(gunzipSync(bytes).toString('utf8'));

describe('the text', () => {
  it('is JSON, whatever its parts', () => {
    const value = fc.dictionary(
      fc.string(),
      fc.oneof(
        fc.json().map((text) => JSON.parse(text) as unknown),
        fc.constant(undefined),
      ),
    );
    fc.assert(
      fc.property(fc.oneof(value, fc.array(fc.jsonValue())), (answer) => {
        expect(JSON.parse([...jsonParts(answer)].join(''))).toEqual(JSON.parse(JSON.stringify(answer)));
      }),
      { seed: 20261126 },
    );
  });
  it('comes part by part where a list is long, also one level down', () => {
    const list = Array.from({ length: 1201 }, (_, n) => ({ n, words: 'a "b" – c' }));
    for (const answer of [list, { list, after: null }, { inner: { list, none: [] }, after: 1 }]) {
      const parts = [...jsonParts(answer)];
      expect(Math.max(...parts.map((part) => part.length))).toBeLessThan(JSON.stringify(list).length / 2);
      expect(parts.join('')).toBe(JSON.stringify(answer));
    }
  });
});

describe('what is kept', () => {
  let packed: PackedAnswers;
  let made: string[];
  const ask = (address: string, tag: string) =>
    packed.of(address, tag, () => Promise.resolve({ made: made.push(`${address} ${tag}`) }));
  beforeEach(() => {
    packed = new PackedAnswers();
    made = [];
  });
  afterEach(() => packed.close());

  it('is made once for a tag, also for several who ask at a time, and anew for another', async () => {
    const answers = await Promise.all([ask('a', '1'), ask('a', '1'), ask('a', '1')]);
    expect(answers.map(read)).toEqual([{ made: 1 }, { made: 1 }, { made: 1 }]);
    expect(read(await ask('a', '2'))).toEqual({ made: 2 });
    expect(read(await ask('b', '2'))).toEqual({ made: 3 });
    expect(made).toEqual(['a 1', 'a 2', 'b 2']);
  });
  it('is not a failure', async () => {
    await expect(packed.of('a', '1', () => Promise.reject(new Error('no')))).rejects.toThrow('no');
    const circle: Record<string, unknown> = {};
    circle.self = circle;
    await expect(packed.of('a', '1', () => Promise.resolve(circle))).rejects.toThrow();
    expect(read(await ask('a', '1'))).toEqual({ made: 1 });
  });
  it('is the youngest 64', async () => {
    for (let n = 0; n < 64; n++) await ask(String(n), '1');
    await ask('0', '1');
    await ask('64', '1');
    await ask('0', '1');
    await ask('1', '1');
    expect(made.slice(64)).toEqual(['64 1', '1 1']);
  });
});

describe('through the interface', () => {
  useStudio();
  const columns = async () => fromColumns(await get<CatalogueColumns>(`/computers/${computer}/catalogue/columns`));
  const plain = async (list: string): Promise<unknown> =>
    (
      await fetch(`${api.url}/api/computers/${computer}/${list}`, { headers: { 'accept-encoding': 'identity' } })
    ).json();

  it('columns say what the catalogue says, packed and plain, before and after a scan and a change', async () => {
    expect((await columns()).plugins).toEqual([]);
    await scan();
    expect((await columns()).plugins).toHaveLength(3);
    expect(await columns()).toEqual(await catalogue());
    expect(fromColumns((await plain('catalogue/columns')) as CatalogueColumns)).toEqual(await catalogue());
    const before = await get(`/computers/${computer}/plugins`);
    const [plugin] = (await catalogue()).plugins;
    await change({ kind: 'name-plugins', pluginIds: [plugin?.id], naming: { nickname: 'Mine' } });
    const after = await get<readonly { name: string }[]>(`/computers/${computer}/plugins`);
    expect(after).not.toEqual(before);
    expect(after).toEqual(await plain('plugins'));
  });
});
