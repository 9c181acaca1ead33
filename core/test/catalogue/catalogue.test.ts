import { AU_MEANINGS, declaredKind, LV2_MEANINGS, VST3_MEANINGS } from '../../src/catalogue/declared-types';
import { byPreference, catalogueOf } from '../../src/catalogue/plugin';
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
  ])('every meaning of a %s word is on the tree, with a role that its type has', (_format, table) => {
    for (const { role, type } of Object.values(table)) {
      if (type !== undefined) expect(TYPE_IDS).toContain(type);
      if (role !== undefined) expect(ROLES).toContain(role);
      if (role !== undefined && type !== undefined) expect(TYPE_TREE[type].roles).toContain(role);
    }
  });
});

describe('what a build declares', () => {
  it.each([
    [['Fx', 'Reverb'], 'audio-effect', ['reverb']],
    [['Instrument', 'Synth'], 'instrument', ['synth']],
    [['Fx', 'Analyzer'], 'tool', ['analyser']],
    [['Fx'], 'audio-effect', []],
    [[], null, []],
    [['Something New'], null, []],
  ])('VST3 %j is %s %j', (declaredTypes, role, types) => {
    expect(declaredKind(build({ name: 'x', declaredTypes }))).toEqual({ role, types });
  });

  it('an LV2 plugin without a class is known by its ports where they leave no doubt', () => {
    const ports = (audioInputs: number, audioOutputs: number, midiInput: boolean, midiOutput: boolean) =>
      declaredKind(build({ name: 'x', format: 'LV2', audioInputs, audioOutputs, midiInput, midiOutput })).role;
    expect(ports(0, 2, true, false)).toBe('instrument');
    expect(ports(2, 2, false, false)).toBe('audio-effect');
    expect(ports(0, 0, true, true)).toBe('midi-effect');
    expect(ports(0, 1, false, false)).toBeNull();
  });
});

describe('the catalogue', () => {
  it('takes the role that most builds name, and the types of those', () => {
    const [plugin] = catalogueOf([
      build({ name: 'Saltlamp', vendor: 'V', format: 'VST3', declaredTypes: ['Fx', 'Synth'] }),
      build({ name: 'Saltlamp', vendor: 'V', format: 'AU', declaredTypes: ['aumu'] }),
      build({ name: 'Saltlamp', vendor: 'V', format: 'LV2', declaredTypes: ['InstrumentPlugin'] }),
    ]);
    expect(plugin?.role).toBe('instrument');
  });

  it('prefers 64 bits, then the newer format, then the newer version', () => {
    const builds = [
      build({ name: 'a', format: 'VST2', architectures: ['x86-64'], path: '/vst2' }),
      build({ name: 'a', format: 'VST3', architectures: ['x86'], path: '/old' }),
      build({ name: 'a', format: 'VST3', architectures: ['x86-64'], version: '1.9', path: '/1.9' }),
      build({ name: 'a', format: 'VST3', architectures: ['x86-64'], version: '1.10', path: '/1.10' }),
    ];
    expect(byPreference(builds).map((one) => one.path)).toEqual(['/1.10', '/1.9', '/vst2', '/old']);
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
