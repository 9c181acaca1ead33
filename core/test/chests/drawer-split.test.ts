import { DRAWER_SPLITS, splitContents } from '../../src/chests/drawer-split';
import { FORMATS } from '../../src/facts/format';
import { TYPE_IDS } from '../../src/catalogue/type-tree';
import fc from 'fast-check';

const held = (name: string, plugin: Parameters<typeof splitContents>[0][number]['plugin'] = {}) => ({ name, plugin });
const told = (parts: ReturnType<typeof splitContents>) =>
  parts.map(({ label, contents }) => `${label}: ${contents.map((one) => one.name).join(', ')}`);

describe('a drawer split into inner drawers', () => {
  it('by vendor stands by name, what has none last', () => {
    const contents = [
      held('Slapboard', { vendor: 'Tollgate Sound' }),
      held('Nobody’s Echo'),
      held('Barn Drum', { vendor: 'Alder Works' }),
      held('Copper EQ', { vendor: 'Tollgate Sound' }),
    ];
    expect(told(splitContents(contents, 'vendor'))).toEqual([
      'Alder Works: Barn Drum',
      'Tollgate Sound: Slapboard, Copper EQ',
      'vendor unknown: Nobody’s Echo',
    ]);
  });

  it('by type parts synths by how they make their sound', () => {
    const contents = [
      held('Saltlamp', { types: ['synth', 'digital-synth'] }),
      held('Barn Keys', { types: ['synth'] }),
      held('Copper Lead', { types: ['synth', 'analog-synth', 'digital-synth'] }),
      held('Reel Box', { types: ['sampler', 'synth'] }),
    ];
    expect(told(splitContents(contents, 'type'))).toEqual([
      'synth: Barn Keys',
      'analog-style synth: Copper Lead',
      'digital synth: Saltlamp, Copper Lead',
      'sampler: Reel Box',
    ]);
  });

  it('by first letter looks at the name shown there, without accents, and puts digits together', () => {
    const contents = [
      held('Überhall'),
      held('73 Desk'),
      held('"Quiet" Gate'),
      held('upward'),
      held('９ Bands'),
      held('…'),
    ];
    expect(told(splitContents(contents, 'letter'))).toEqual([
      '0–9: 73 Desk, ９ Bands',
      'Q: "Quiet" Gate',
      'U: Überhall, upward',
      'other signs: …',
    ]);
  });

  it('by format names a plugin under each format that was found', () => {
    const builds = [
      { format: 'VST3', found: true },
      { format: 'CLAP', found: true },
      { format: 'LV2', found: false },
    ] as const;
    expect(told(splitContents([held('Copper EQ', { builds }), held('Gone', { builds: [] })], 'format'))).toEqual([
      ...FORMATS.filter((one) => one === 'VST3' || one === 'CLAP').map((one) => `${one}: Copper EQ`),
      'no build found: Gone',
    ]);
  });

  it('loses nothing and keeps the order of the drawer in each part', () => {
    const plugin = fc.record({
      name: fc.string(),
      plugin: fc.record({
        vendor: fc.option(fc.constantFrom('A', 'B', 'C')),
        types: fc.subarray([...TYPE_IDS].slice(0, 5)),
        builds: fc.array(fc.record({ format: fc.constantFrom(...FORMATS), found: fc.boolean() }), { maxLength: 3 }),
      }),
    });
    fc.assert(
      fc.property(fc.array(plugin), fc.constantFrom(...DRAWER_SPLITS), (contents, by) => {
        const parts = splitContents(contents, by);
        expect(new Set(parts.flatMap((part) => part.contents))).toEqual(new Set(contents));
        expect(new Set(parts.map((part) => part.key)).size).toBe(parts.length);
        for (const part of parts) {
          const places = part.contents.map((one) => contents.indexOf(one));
          expect(places).toEqual([...places].sort((a, b) => a - b));
        }
      }),
      { seed: 12, numRuns: 200 },
    );
  });
});
