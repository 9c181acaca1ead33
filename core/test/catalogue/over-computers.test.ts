/** Grouping over several computers: it hangs on no order, and a plugin keeps what was said of it when a further computer knows more. */
import fc from 'fast-check';
import { groupAgain } from '../../src/catalogue/regroup-catalogue';
import { whereTo } from '../../src/catalogue/where-to';
import type { BuildFacts } from '../../src/facts/build-facts';
import { groupBuilds } from '../../src/identity/group-builds';
import { buildKey } from '../../src/identity/build-key';
import { asId, type PluginId } from '../../src/ids';
import { build } from '../builds';

const fact = fc.record({
  name: fc.constantFrom('Plate', 'Plate (Mono)', 'Sheet', 'CH Plate', 'CopperHat Plate', 'Plate 2'),
  vendor: fc.constantFrom('Copper Hat', 'COPPER HAT Ltd.', 'V', null),
  format: fc.constantFrom('VST3' as const, 'LV2' as const, 'VST2' as const),
  identifier: fc.option(fc.constantFrom('a', 'b', 'c')),
  audioInputs: fc.constantFrom(1, 2),
  replaces: fc.constantFrom([], ['a']),
});
const builds = fc
  .array(fact, { minLength: 1, maxLength: 10 })
  .map((facts) => facts.map((one, at) => build({ ...one, path: `/${String(at)}` })));

/** The groups by the paths in them, with the ids that they have. */
const partition = (
  groups: readonly { id: PluginId; name: string; vendor: string | null; builds: readonly BuildFacts[] }[],
) =>
  groups
    .map(
      (group) =>
        [
          group.id,
          group.name,
          group.vendor,
          group.builds
            .map((one) => one.path)
            .sort()
            .join(' '),
        ] as const,
    )
    .sort((a, b) => (a[0] < b[0] ? -1 : 1));

const order = builds.chain((all) =>
  fc.tuple(fc.constant(all), fc.shuffledSubarray(all, { minLength: all.length, maxLength: all.length })),
);

describe('grouping over several computers', () => {
  it('is the same in whatever order their builds come (seeded)', () => {
    fc.assert(
      fc.property(order, ([one, other]) => {
        expect(partition(groupBuilds(other))).toEqual(partition(groupBuilds(one)));
      }),
      { seed: 4310, numRuns: 2000 },
    );
  });

  it('keeps ids in whatever order builds come that had them before (seeded)', () => {
    fc.assert(
      fc.property(order, fc.array(fc.constantFrom('x', 'y', 'v/plate', undefined)), ([one, other], known) => {
        const before = new Map(
          one.map((facts, at) => [facts, known[at] === undefined ? undefined : asId<PluginId>(known[at])]),
        );
        const again = (facts: readonly BuildFacts[]) =>
          partition(groupAgain(facts, new Map(), (own) => ({ pluginId: before.get(own), hold: undefined })));
        expect(again(other)).toEqual(again(one));
      }),
      { seed: 4311, numRuns: 2000 },
    );
  });

  it('a plugin of one computer is the same one, or wholly another that takes over what was said of it, when a second computer comes (seeded)', () => {
    fc.assert(
      fc.property(builds, fc.nat(9), (all, cut) => {
        const [first, second] = [all.slice(0, cut), all.slice(cut)];
        const idOf = new Map(
          groupBuilds(first).flatMap((group) => group.builds.map((one) => [one, group.id] as const)),
        );
        const after = groupAgain([...second, ...first], new Map(), (own) => ({
          pluginId: idOf.get(own),
          hold: undefined,
        }));
        const now = new Map(after.flatMap((group) => group.builds.map((one) => [one, group.id] as const)));
        const gone = whereTo(first.map((one) => ({ from: idOf.get(one) as PluginId, to: now.get(one) as PluginId })));
        const present = new Set(after.map((group) => group.id));
        for (const id of new Set(idOf.values()))
          expect(present.has(id) || present.has(gone.get(id) as PluginId)).toBe(true);
      }),
      { seed: 4312, numRuns: 1000 },
    );
  });

  it('a plugin whose vendor only one computer knows is one', () => {
    const here = build({ name: 'Plate', vendor: 'Copper Hat', format: 'VST3', path: '/here' });
    const there = build({ name: 'Plate', vendor: null, format: 'LV2', path: '/there' });
    expect(groupBuilds([there])[0]?.id).toBe('?/plate');
    expect(partition(groupBuilds([there, here]))).toEqual([['copperhat/plate', 'Plate', 'Copper Hat', '/here /there']]);
  });
});

describe('what names a build on every computer', () => {
  it('is format and identifier; where makers give the same identifier, or none, the name too; never a path', () => {
    const keys = [
      build({ format: 'LV2', identifier: 'urn:plate', name: 'Plate', path: '/a' }),
      build({ format: 'LV2', identifier: 'urn:plate', name: 'Plate, renamed', path: '/b' }),
      build({ format: 'VST2', identifier: 'CcPl', name: 'Plate' }),
      build({ format: 'VST2', identifier: 'CcPl', name: 'Sheet' }),
      build({ format: 'VST3', identifier: null, name: 'Plate' }),
      build({ format: 'CLAP', identifier: null, name: 'Plate' }),
    ].map(buildKey);
    expect(keys[0]).toBe(keys[1]);
    expect(new Set(keys).size).toBe(5);
  });
});

describe('where what was said of a plugin goes', () => {
  const p = (text: string) => asId<PluginId>(text);
  it('nowhere while a build is left; else to where most of its builds went, of equals to the first by name', () => {
    const going = (...pairs: readonly (readonly [string, string])[]) => [
      ...whereTo(pairs.map(([from, to]) => ({ from: p(from), to: p(to) }))),
    ];
    expect(going(['a', 'a'], ['a', 'b'], ['a', 'b'])).toEqual([]);
    expect(going(['a', 'b'], ['a', 'c'], ['a', 'c'], ['d', 'd'])).toEqual([['a', 'c']]);
    expect(going(['a', 'c'], ['a', 'b'])).toEqual([['a', 'b']]);
  });
});
