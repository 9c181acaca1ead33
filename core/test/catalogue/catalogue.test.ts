import {
  AU_MEANINGS,
  CLAP_MEANINGS,
  LV2_MEANINGS,
  VST2_MEANINGS,
  VST3_MEANINGS,
  type Meaning,
} from '../../src/catalogue/declared-types';
import { byPreference, type Preference } from '../../src/catalogue/preference';
import { ROLES } from '../../src/catalogue/role';
import { keepPluginIds, scanDifference, type KnownBuild } from '../../src/catalogue/scan-difference';
import { FAMILIES, TYPE_IDS, TYPE_TREE } from '../../src/catalogue/type-tree';
import { groupBuilds } from '../../src/identity/group-builds';
import { asId, type BuildId, type PluginId } from '../../src/ids';
import { build } from '../builds';

describe('the tree of types', () => {
  it('has each type once, in a family, with a role', () => {
    expect(new Set(TYPE_IDS).size).toBe(TYPE_IDS.length);
    for (const id of TYPE_IDS) {
      expect(id).toMatch(/^[a-z0-9]+(-[a-z0-9]+)*$/);
      expect(Object.keys(FAMILIES)).toContain(TYPE_TREE[id].family);
      expect(TYPE_TREE[id].roles.length).toBeGreaterThan(0);
    }
  });

  it.each([
    ['VST3', VST3_MEANINGS],
    ['LV2', LV2_MEANINGS],
    ['AU', AU_MEANINGS],
    ['CLAP', CLAP_MEANINGS],
    ['VST2', VST2_MEANINGS],
  ])('every meaning of a %s word is on the tree, with a role that its type has', (_format, table) => {
    for (const { role, type } of Object.values<Meaning>(table)) {
      if (type !== undefined) expect(TYPE_IDS).toContain(type);
      if (role !== undefined) expect(ROLES).toContain(role);
      if (role !== undefined && type !== undefined) expect(TYPE_TREE[type].roles).toContain(role);
    }
  });

  // The lists of the published interfaces, entry by entry. VST3: ivstaudioprocessor.h and its documentation, "PlugType"; CLAP: plugin-features.h,
  // AU: the component types of Audio Component Services, VST2: its categories; the last three from memory. LV2 is held to lv2core.ttl itself.
  it.each([
    [
      'VST3',
      VST3_MEANINGS,
      'Fx|Analyzer|Delay|Distortion|Dynamics|EQ|Filter|Generator|Instrument|Mastering|Modulation|Network|Pitch Shift|Restoration|Reverb|Spatial|Surround|Tools|Vocals|Drum|External|Piano|Sampler|Synth|Up-Downmix|Ambisonics|Mono|Stereo|OnlyRT|OnlyOfflineProcess|OnlyARA|NoOfflineProcess',
    ],
    ['AU', AU_MEANINGS, 'aumu|aufx|aumf|aumi|augn|aupn|aumx|aufc|auol|auou'],
    [
      'CLAP',
      CLAP_MEANINGS,
      'instrument|audio-effect|note-effect|note-detector|analyzer|synthesizer|sampler|drum|drum-machine|filter|phaser|equalizer|de-esser|phase-vocoder|granular|frequency-shifter|pitch-shifter|distortion|transient-shaper|compressor|expander|gate|limiter|flanger|chorus|delay|reverb|tremolo|glitch|utility|pitch-correction|restoration|multi-effects|mixing|mastering|mono|stereo|surround|ambisonic',
    ],
    [
      'VST2',
      VST2_MEANINGS,
      'unknown|effect|synth|analysis|mastering|spatialiser|room effect|surround effect|restoration|offline|shell|generator',
    ],
  ])('every %s class has its meaning, and no word is made up', (_format, table, published) => {
    expect(Object.keys(table).sort()).toEqual(published.split('|').sort());
  });
});

describe('the preferred build', () => {
  const builds = [
    build({ name: 'a', format: 'VST2', architectures: ['x86-64'], path: '/vst2' }),
    build({ name: 'a', format: 'VST3', architectures: ['x86'], path: '/old' }),
    build({ name: 'a', format: 'VST3', architectures: ['x86-64'], version: '1.9', path: '/1.9' }),
    build({ name: 'a', format: 'VST3', architectures: ['x86-64'], version: '1.10', path: '/1.10' }),
  ];
  const order = (preference?: Preference) => byPreference(builds, preference).map((one) => one.path);

  it('has 64 bits, then the newer format, then the newer version (common practice)', () =>
    expect(order()).toEqual(['/1.10', '/1.9', '/vst2', '/old']));

  it("follows the producer's own rule; a format that the rule does not name comes last", () => {
    expect(order({ criteria: ['format', 'bits'], formats: ['VST2'] })).toEqual(['/vst2', '/1.9', '/1.10', '/old']);
    expect(order({ criteria: [], formats: [] })).toEqual(['/1.9', '/1.10', '/old', '/vst2']);
  });
});

describe('the difference between two scans', () => {
  const known = (facts: Parameters<typeof build>[0], found = true): KnownBuild => ({
    id: asId<BuildId>(facts.path ?? ''),
    pluginId: asId<PluginId>('p'),
    facts: build(facts),
    found,
  });

  it('tells arrived, changed, moved, vanished and returned builds apart', () => {
    const before = [
      known({ name: 'Same', path: '/f/Same.vst3' }),
      known({ name: 'Changed', path: '/f/Changed.vst3', version: '1' }),
      known({ name: 'Moved', path: '/f/Moved.vst3', identifier: 'M' }),
      known({ name: 'Gone', path: '/f/Gone.vst3' }),
      known({ name: 'Back', path: '/f/Back.vst3' }, false),
      known({ name: 'Elsewhere', path: '/g/Elsewhere.vst3' }),
    ];
    const seen = [
      build({ name: 'Same', path: '/f/Same.vst3' }),
      build({ name: 'Changed', path: '/f/Changed.vst3', version: '2' }),
      build({ name: 'Moved', path: '/f/sub/Moved.vst3', identifier: 'M' }),
      build({ name: 'Back', path: '/f/new/Back.vst3' }),
      build({ name: 'New', path: '/f/New.vst3' }),
    ];
    const difference = scanDifference(before, seen, (path) => path.startsWith('/f/'));
    expect(difference.arrived.map((one) => one.name)).toEqual(['New']);
    expect(difference.changed.map((one) => one.facts.name)).toEqual(['Changed', 'Moved']);
    expect(difference.returned.map((one) => one.facts.name)).toEqual(['Back']);
    expect(difference.vanished.map((one) => one.facts.name)).toEqual(['Gone']);
    expect(difference.untouched.map((one) => one.facts.name)).toEqual(['Elsewhere']);
    expect(difference.same.map((one) => one.facts.name)).toEqual(['Same']);
  });

  it('a plugin keeps its id when its vendor becomes known', () => {
    const groups = groupBuilds([build({ name: 'Plate', vendor: 'Tollgate', path: '/1' })]);
    const ids = keepPluginIds(groups, () => asId<PluginId>('?/plate'));
    expect([...ids.values()]).toEqual(['?/plate']);
  });

  it('two groups never share an id', () => {
    const groups = groupBuilds([
      build({ name: 'Plate', vendor: 'A', path: '/1' }),
      build({ name: 'Plate', vendor: 'B', path: '/2' }),
    ]);
    const ids = [...keepPluginIds(groups, () => asId<PluginId>('?/plate')).values()];
    expect(new Set(ids).size).toBe(2);
  });
});
