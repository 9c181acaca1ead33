/** Strangers' ways of writing a rule, and what is proposed for them. */
import { namedDrawers } from '../../src/rules/drawer-names';
import { readRule } from '../../src/rules/read';
import { ruleHint } from '../../src/rules/rule-hints';

const drawers = namedDrawers(
  [{ id: 'd', name: 'Goose scenes' }],
  [
    { tray: 1, name: 'Favourites' },
    { tray: 3, name: 'Storm' },
  ],
);

it.each([
  ['reverbs', 'type:reverb'],
  ['compressors', 'type:compressor'],
  ['synths', 'type:synth'],
  ['guitar amps', 'type:amp-simulator'],
  ['favourites', 'tray:1'],
  ['storm', 'tray:3'],
  ['new', 'arrived:30d'],
  ['loads>10', 'loads:>10'],
  ['loads >= 3', 'loads:>=3'],
  ['vendor = quill', 'vendor:quill'],
  ['type=reverb, hall', 'type:reverb, hall'],
  ['reverb -spring', 'reverb but not spring'],
  ['reverb -spring -plate', 'reverb but not spring, plate'],
  ['reverb without spring', 'reverb but not spring'],
  ['reverb & hall', 'reverb AND hall'],
  ['hall, delays', 'hall, type:delay'],
  ['instruments', 'role:instrument'],
  ['goose scenes', 'drawer:"Goose scenes"'],
  ['delays but not tape', 'type:delay but not tape'],
])('“%s” proposes %s', (typed, rule) => {
  expect(ruleHint(typed, drawers)?.rule).toBe(rule);
  expect(readRule(rule, drawers).ok).toBe(true);
});

it.each(['copper', 'type:reverb but not plate', '"reverbs"', 'tx-73', 'drawer:"Goose scenes"', 'loads:>10'])(
  '“%s” says what it seems to say',
  (typed) => expect(ruleHint(typed, drawers)).toBeNull(),
);

it('trays and drawers are named in a rule, and a type that is none proposes the nearest', () => {
  expect(readRule('tray:storm', drawers)).toMatchObject({ condition: { field: 'tray', value: '3' } });
  expect(readRule('drawer:"goose scenes"', drawers)).toMatchObject({ condition: { kind: 'drawer', id: 'd' } });
  for (const typed of ['type:ampsim', 'type:amps', 'type:leslie', 'type:equaliser'])
    expect(readRule(typed, drawers)).toMatchObject({
      ok: false,
      problem: { proposal: expect.stringMatching(/^type:/) },
    });
});
