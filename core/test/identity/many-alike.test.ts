/** Thousands of builds, names and vendors that are alike are put in order as quickly as any others: each of these took minutes, and the server with it. */
import fc from 'fast-check';
import { unknownFacts, type BuildFacts } from '../../src/facts/build-facts';
import { differentOnes } from '../../src/identity/different-ones';
import { groupBuilds } from '../../src/identity/group-builds';
import type { Known } from '../../src/identity/known-build';
import { completedNames } from '../../src/identity/link-builds';
import { productName } from '../../src/identity/product-name';
import { proposeVendors } from '../../src/identity/propose-vendors';

const knownOf = (build: BuildFacts): Known => ({
  build,
  given: build.name,
  vendor: build.vendor,
  vendorKey: build.vendor,
  persons: [],
  name: productName(build.name, build.vendor, build),
});
const build = (facts: Partial<BuildFacts>): BuildFacts => ({ ...unknownFacts('VST3', '/a', 'Plate'), ...facts });

describe('builds of one name', () => {
  /** Word for word: a build goes to the first part in which it can be one with each other build. */
  function oneByOne(members: readonly Known[]): Known[][] {
    const parts: Known[][] = [];
    const kind = ({ build: { format, audioInputs, audioOutputs }, name }: Known) =>
      `${format} ${name.channels ?? `${String(audioInputs)}>${String(audioOutputs)}`}`;
    const canBeOne = (one: Known, other: Known): boolean => {
      const [a, b] = [one.build, other.build];
      if (a.identifier === null || b.identifier === null || a.identifier === b.identifier) return true;
      return kind(one) !== kind(other) || a.replaces.includes(b.identifier) || b.replaces.includes(a.identifier);
    };
    const rank = (one: Known): string => one.build.identifier ?? '~';
    for (const one of [...members].sort((a, b) => (rank(a) < rank(b) ? -1 : rank(a) > rank(b) ? 1 : 0))) {
      const part = parts.find((others) => others.every((other) => canBeOne(one, other)));
      if (part === undefined) parts.push([one]);
      else part.push(one);
    }
    return parts;
  }

  it('are parted as they are when each is compared with each', () => {
    const identifier = fc.constantFrom('a', 'b', 'c', 'd', 'e', '~~');
    const one = fc.record({
      format: fc.constantFrom('VST3', 'CLAP' as const),
      identifier: fc.option(identifier),
      replaces: fc.array(identifier, { maxLength: 3 }),
      audioInputs: fc.constantFrom(1, 2),
    });
    fc.assert(
      fc.property(fc.array(one, { maxLength: 14 }), (facts) => {
        const members = facts.map((own) => knownOf(build(own)));
        expect(differentOnes(members)).toEqual(oneByOne(members));
      }),
      { seed: 20261127, numRuns: 2000 },
    );
  });

  it('may be 16,000', () => {
    const builds = Array.from({ length: 16_000 }, (_, n) => build({ identifier: String(n), vendor: 'Copperhat' }));
    expect(groupBuilds(builds, new Map())).toHaveLength(16_000);
  });

  it('may be 16,000 that replace one and the same, which is there as often', () => {
    const old = (n: number) =>
      build({ identifier: n % 2 === 0 ? 'old' : String(n), replaces: n % 2 === 0 ? [] : ['old'] });
    const builds = Array.from({ length: 16_000 }, (_, n) => old(n));
    expect(groupBuilds(builds, new Map()).map((one) => one.builds.length)[0]).toBe(8001);
  });
});

describe('names that were cut', () => {
  const START = 'Plate for the Travelling Copper';
  const cut = (vendor: string | null) => knownOf(build({ name: START, vendor, format: 'VST2' }));
  const whole = (end: string, vendor: string | null) => knownOf(build({ name: `${START}${end}`, vendor }));
  const given = (...known: Known[]) => completedNames(known).map((one) => one.given);

  it('are completed by the one longer name of their vendor, or of any when they have none', () => {
    const one = whole(' Hat', 'Copperhat');
    expect(given(cut('Copperhat'), one)).toEqual([one.given, one.given]);
    expect(given(cut(null), one)).toEqual([one.given, one.given]);
    expect(given(cut('Tollgate'), one)).toEqual([START, one.given]);
    expect(given(cut('Tollgate'), whole(' Hat', null))[0]).toBe(one.given);
    expect(given(cut('Copperhat'), one, whole(' Pan', 'Copperhat'))[0]).toBe(START);
  });

  it('may be 16,000 of no vendor', () => {
    const numbered = (n: number) => `Plate ${String((n * 7919) % 1_000_003).padStart(25, '0')}`;
    const builds = Array.from({ length: 16_000 }, (_, n) => build({ name: numbered(n), format: 'VST2' }));
    expect(groupBuilds(builds, new Map())).toHaveLength(16_000);
  });
});

it('vendors that begin alike may be 4,000; one letter apart is still seen among as many as any studio has', () => {
  const vendor = (name: string, plugins = 1) => ({ name, plugins, written: [name], byHand: false });
  const numbered = (length: number) =>
    Array.from({ length }, (_, n) => vendor(`Maker ${String((n * 7919) % 100_003).padStart(6, '0')}`));
  expect(proposeVendors(numbered(4000)).length).toBeGreaterThan(0);
  const others = Array.from({ length: 900 }, (_, n) => vendor(`Co ${'x'.repeat(1 + (n % 30))} ${'y'.repeat(n / 30)}`));
  expect(proposeVendors([vendor('Copperhat', 4), ...others, vendor('Coperhat')])).toContainEqual({
    name: 'Coperhat',
    of: 'Copperhat',
    reason: 'one letter apart',
  });
});
