import fc from 'fast-check';
import { groupAgain, type Belonging } from '../../src/catalogue/regroup-catalogue';
import { scanDifference, type KnownBuild } from '../../src/catalogue/scan-difference';
import { scanStory } from '../../src/catalogue/scan-story';
import type { BuildFacts } from '../../src/facts/build-facts';
import { asId, type BuildId, type PluginId } from '../../src/ids';
import { build } from '../builds';

const id = (text: string) => asId<PluginId>(text);
const NONE: Belonging = { pluginId: undefined, hold: undefined };

describe('grouping after the producer joined and split', () => {
  const plate = build({ name: 'Plate', vendor: 'V', path: '/plate.vst3' });
  const sheet = build({ name: 'Sheet', vendor: 'V', path: '/sheet.vst3' });
  const group = (builds: readonly BuildFacts[], belongings: ReadonlyMap<BuildFacts, Belonging>) =>
    groupAgain(builds, new Map(), (one) => belongings.get(one) ?? NONE).map((one) => [
      one.id,
      one.name,
      one.builds.length,
    ]);

  it('joined builds are in the plugin that they were joined to, under its name', () => {
    const hold = { pluginId: id('v/plate'), whole: true };
    expect(group([plate, sheet], new Map([[sheet, { pluginId: id('v/sheet'), hold }]]))).toEqual([
      ['v/plate', 'Plate', 2],
    ]);
  });

  it('what arrives later for a plugin that was joined as a whole goes the same way', () => {
    const later = build({ name: 'Sheet', vendor: 'V', format: 'CLAP', path: '/sheet.clap' });
    const hold = { pluginId: id('v/plate'), whole: true };
    expect(group([plate, sheet, later], new Map([[sheet, { pluginId: id('v/sheet'), hold }]]))).toEqual([
      ['v/plate', 'Plate', 3],
    ]);
  });

  it('split builds are a plugin of their own, and the rest keeps its id', () => {
    const other = build({ name: 'Plate', vendor: 'V', format: 'CLAP', path: '/plate.clap' });
    const belongings = new Map<BuildFacts, Belonging>([
      [plate, { pluginId: id('v/plate'), hold: undefined }],
      [other, { pluginId: id('v/plate'), hold: { pluginId: id('new'), whole: false } }],
    ]);
    expect(group([plate, other], belongings)).toEqual([
      ['v/plate', 'Plate', 1],
      ['new', 'Plate', 1],
    ]);
  });

  it('every build stands in exactly one plugin, whatever was held where (any order, seeded)', () => {
    const names = fc.constantFrom('Plate', 'Sheet', 'Plate 2', 'CH Plate', 'Hall (Mono)', 'Hall');
    const one = fc.record({
      name: names,
      vendor: fc.constantFrom('Copper Hat', 'V', null),
      format: fc.constantFrom('VST3' as const, 'LV2' as const),
      identifier: fc.option(fc.constantFrom('a', 'b', 'c')),
      held: fc.option(fc.constantFrom('x', 'y')),
      whole: fc.boolean(),
    });
    fc.assert(
      fc.property(fc.array(one, { maxLength: 12 }), (wishes) => {
        const builds = wishes.map((wish, index) => build({ ...wish, path: `/${String(index)}` }));
        const groups = groupAgain(builds, new Map(), (facts) => {
          const wish = wishes[builds.indexOf(facts)];
          return { pluginId: undefined, hold: wish?.held ? { pluginId: id(wish.held), whole: wish.whole } : undefined };
        });
        expect(groups.flatMap((group_) => group_.builds.map((facts) => facts.path)).sort()).toEqual(
          builds.map((facts) => facts.path).sort(),
        );
        expect(new Set(groups.map((group_) => group_.id)).size).toBe(groups.length);
        for (const wish of wishes.filter((one_) => one_.held))
          expect(groups.some((group_) => group_.id === wish.held)).toBe(true);
      }),
      { seed: 4310, numRuns: 300 },
    );
  });
});

describe('the story of a scan', () => {
  const known = (facts: Parameters<typeof build>[0]): KnownBuild => ({
    id: asId<BuildId>(facts.path ?? ''),
    pluginId: id('p'),
    facts: build(facts),
    found: true,
  });

  it('tells which facts changed, before and after', () => {
    const difference = scanDifference(
      [known({ name: 'Plate', path: '/Plate.vst3', version: '1', audioInputs: 1 })],
      [build({ name: 'Plate', path: '/Plate.vst3', version: '2', audioInputs: 2, declaredTypes: ['Fx', 'Reverb'] })],
      () => true,
    );
    expect(scanStory(difference, new Set(), [], () => true)).toEqual([
      {
        kind: 'changed',
        path: '/Plate.vst3',
        name: 'Plate',
        vendor: null,
        format: 'VST3',
        facts: [
          { fact: 'version', before: '1', after: '2' },
          { fact: 'declaredTypes', before: '', after: 'Fx, Reverb' },
          { fact: 'audioInputs', before: '1', after: '2' },
        ],
      },
    ]);
  });

  it('a place fails once, and recovers once; what was not looked at does neither', () => {
    const nothing = scanDifference([], [], () => true);
    const fault = { code: 'asked-crashed', path: '/a.so' } as const;
    const kinds = (before: string[], faults: (typeof fault)[]) =>
      scanStory(nothing, new Set(before), faults, (path) => path !== '/other.so').map(
        (event) => `${event.kind} ${event.path}`,
      );
    expect(kinds([], [fault])).toEqual(['failed /a.so']);
    expect(kinds(['/a.so'], [fault])).toEqual([]);
    expect(kinds(['/a.so', '/other.so'], [])).toEqual(['recovered /a.so']);
  });

  it('a binary that could be asked for the first time is the same build', () => {
    const before = known({ name: 'plate', format: 'VST2', path: '/plate.so' });
    const difference = scanDifference(
      [before],
      [build({ name: 'Copper Plate', format: 'VST2', identifier: '1A', path: '/plate.so' })],
      () => true,
    );
    expect([difference.arrived.length, difference.changed.length, difference.vanished.length]).toEqual([0, 1, 0]);
  });

  it('two plugins of one identifier that both moved are told apart by name', () => {
    const difference = scanDifference(
      [
        known({ name: 'Plate', format: 'VST2', identifier: '1A', path: '/a.so' }),
        known({ name: 'Hall', format: 'VST2', identifier: '1A', path: '/b.so' }),
      ],
      [
        build({ name: 'Hall', format: 'VST2', identifier: '1A', path: '/new/1.so' }),
        build({ name: 'Plate', format: 'VST2', identifier: '1A', path: '/new/2.so' }),
      ],
      () => true,
    );
    expect(difference.changed.map((one) => [one.known.facts.name, one.facts.name])).toEqual([
      ['Hall', 'Hall'],
      ['Plate', 'Plate'],
    ]);
  });
});
