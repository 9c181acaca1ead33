import fc from 'fast-check';
import { applyEdits, inverse, hashEditResults, type Edit } from '../../src/chests/edit';
import { packEdits, unpackEdits } from '../../src/chests/packed-edits';
import { runToCompletion } from '../../src/stepwise';
import { start } from './support';

const text = fc.oneof(fc.constant('same'), fc.string({ maxLength: 8 }));
const rows = {
  entry: fc.record({
    drawerId: fc.constantFrom('S', 'T'),
    pluginId: text,
    preset: fc.option(text),
    order: text,
    name: fc.option(text),
    build: fc.constant(null),
  }),
  naming: fc.record({
    nickname: fc.option(text),
    stripLabel: fc.constant(null),
    note: fc.option(text),
    tags: fc.array(text, { maxLength: 2 }),
  }),
} as const;

/** Edits that follow each other, all of one kind, and all made, removed or changed. */
const run = fc
  .record({
    of: fc.constantFrom('entry' as const, 'naming' as const),
    way: fc.constantFrom('made', 'removed', 'changed'),
    number: fc.nat(1000),
    count: fc.integer({ min: 1, max: 90 }),
  })
  .chain(({ of, way, number, count }) =>
    fc
      .array(fc.tuple(rows[of] as fc.Arbitrary<object>, rows[of] as fc.Arbitrary<object>), {
        minLength: count,
        maxLength: count,
      })
      .map((pairs) =>
        pairs.map(([one, other], at) => {
          const id = `${String(number)}/${String(at)}`;
          const before = way === 'made' ? null : { id, ...one };
          const after = way === 'removed' ? null : { id, ...other };
          return { of, id, before, after } as unknown as Edit;
        }),
      ),
  );
const edits = fc.array(run, { minLength: 1, maxLength: 6 }).map((runs) => runs.flat());

describe('many edits in few columns', () => {
  it('are the same edits in the same order when they are read again, also from JSON', () => {
    let packedOnce = 0;
    fc.assert(
      fc.property(edits, (all) => {
        const packed = runToCompletion(packEdits(all));
        if (packed === null) return;
        packedOnce++;
        const read = runToCompletion(unpackEdits(JSON.parse(JSON.stringify(packed)) as typeof packed));
        expect(read).toEqual(all);
        expect([...applyEdits(start, inverse(read)).entry]).toEqual([...applyEdits(start, inverse(all)).entry]);
      }),
      { seed: 26, numRuns: 150 },
    );
    expect(packedOnce).toBeGreaterThan(50);
  });

  it('are not packed where they are too mixed to win anything', () => {
    const of = (kind: 'entry' | 'naming', at: number) =>
      ({ of: kind, id: String(at), before: null, after: { id: String(at) } }) as unknown as Edit;
    const mixed = Array.from({ length: 100 }, (_, at) => of(at % 2 === 0 ? 'entry' : 'naming', at));
    expect(runToCompletion(packEdits(mixed))).toBeNull();
    expect(runToCompletion(packEdits(mixed.map((edit, at) => ({ ...edit, ...of('entry', at) }))))?.runs).toHaveLength(
      1,
    );
  });
});

describe('the mark of what edits leave', () => {
  const mark = (all: readonly Edit[]): string => runToCompletion(hashEditResults(all));

  it('is the same for the same, whatever stood before, and another one when any field is', () => {
    fc.assert(
      fc.property(edits, fc.nat(), text, (all, which, other) => {
        expect(mark(JSON.parse(JSON.stringify(all)) as Edit[])).toBe(mark(all));
        const at = which % all.length;
        const { after } = all[at] as Edit;
        expect(mark(all.filter((_edit, place) => place !== at))).not.toBe(mark(all));
        if (after === null) return;
        for (const field of Object.keys(after)) {
          if (field === 'id' || (after as unknown as Record<string, unknown>)[field] === other) continue;
          const changed = all.map((edit, place) =>
            place === at ? ({ ...edit, after: { ...after, [field]: other } } as Edit) : edit,
          );
          expect(mark(changed)).not.toBe(mark(all));
        }
      }),
      { seed: 26, numRuns: 60 },
    );
  });

  it('tells a text from where it ends', () => {
    const entry = (order: string, name: string): Edit[] => [
      {
        of: 'entry',
        id: 'a',
        before: null,
        after: { ...([...start.entry.values()][0] as NonNullable<Edit['after'] & { order: string }>), order, name },
      } as unknown as Edit,
    ];
    expect(mark(entry('ab', 'c'))).not.toBe(mark(entry('a', 'bc')));
  });
});
