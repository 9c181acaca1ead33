import { bankOfFile, keptPresetName, presetKey, presetsOf } from '../../src/catalogue/plugin-presets';
import { MAX_PRESET_NAME_LENGTH } from '../../src/facts/build-facts';
import { readLv2 } from '../../src/facts/read-lv2';
import { build } from '../builds';
import { MemoryPlace } from '../memory-place';

describe('the presets of a plugin', () => {
  const list = (...names: [string | null, string][]) =>
    names.map(([bank, name], at) => ({ bank, name, key: `/presets/${String(at)}` }));

  it('are one over its builds, by bank and name, those in no bank first; what is gone counts no longer', () => {
    const lv2 = build({ name: 'Plate', format: 'LV2', presetList: list([null, 'Gentle'], ['Rooms', 'Stage']) });
    const vst3 = build({ name: 'Plate', presetList: list(['Rooms', 'Stage'], ['Rooms', 'Bridge']) });
    const gone = build({ name: 'Plate', format: 'AU', presetList: list([null, 'Old']) });
    const found = presetsOf([
      { ...lv2, found: true },
      { ...vst3, found: true },
      { ...gone, found: false },
    ]);
    expect(found.map(({ bank, name, formats }) => [bank, name, formats.join()])).toEqual([
      [null, 'Gentle', 'LV2'],
      ['Rooms', 'Bridge', 'VST3'],
      ['Rooms', 'Stage', 'LV2,VST3'],
    ]);
  });

  it('have keys that no other bank and name can make', () => {
    const keys = [
      presetKey({ bank: null, name: 'a/b' }),
      presetKey({ bank: 'a', name: 'b' }),
      presetKey({ bank: 'a/b', name: '' }),
      presetKey({ bank: null, name: 'a' }),
      presetKey({ bank: 'a', name: '' }),
      presetKey({ bank: '%61', name: 'b' }),
    ];
    expect(new Set(keys).size).toBe(keys.length);
  });

  // Where the documents of VST3 and AU put presets: vendor/plugin/bank (memory).
  it.each([
    ['/Library/Audio/Presets/Copperhat/Copper Plate/Rooms/Stage.vstpreset', 'Rooms'],
    ['C:\\Users\\goose\\Documents\\VST3 Presets\\Copperhat\\Copper Plate\\Rooms\\Stage.vstpreset', 'Rooms'],
    ['/Library/Audio/Presets/Copperhat/Copper Plate/Stage.aupreset', null],
    ['/Library/Audio/Presets/Copperhat/Stage.aupreset', null],
    ['/Library/Audio/Presets/Stage.aupreset', null],
    ['/Library/Audio/Presets/Copperhat/Copper Plate/Rooms/Large/Stage.aupreset', 'Rooms / Large'],
    ['/somewhere/else/Stage.aupreset', null],
    ['Stage.aupreset', null],
  ])('the bank of %s', (path, bank) => {
    expect(bankOfFile(path, { name: 'CopperPlate' })).toBe(bank);
  });

  it('have names of a line, cut to what is kept', () => {
    expect(keptPresetName('  Wagon\nat \u0007Night ')).toBe('Wagon at  Night');
    expect(keptPresetName('x'.repeat(5000))).toHaveLength(MAX_PRESET_NAME_LENGTH);
  });
});

// LV2 presets extension: pset:Preset with lv2:appliesTo and rdfs:label, pset:bank, pset:Bank with rdfs:label; hosts follow rdfs:seeAlso (LV2 specification).
describe('presets of LV2 bundles', () => {
  const PREFIXES =
    '@prefix lv2: <http://lv2plug.in/ns/lv2core#> .\n@prefix rdfs: <http://www.w3.org/2000/01/rdf-schema#> .\n@prefix pset: <http://lv2plug.in/ns/ext/presets#> .\n';
  const presets = async (files: Record<string, string>) =>
    (await readLv2(new MemoryPlace('/p/presets.lv2', files))).presets?.map(({ name, bank }) => [bank, name]);

  it('stand in the bank that they belong to', async () => {
    const manifest = `${PREFIXES}<urn:p#1> a pset:Preset ; lv2:appliesTo <urn:p> ; rdfs:label "Stage" ; pset:bank <urn:p#rooms> .
      <urn:p#2> a pset:Preset ; lv2:appliesTo <urn:p> ; rdfs:label "Gentle" .
      <urn:p#rooms> a pset:Bank ; rdfs:label "Rooms" .`;
    expect(await presets({ 'manifest.ttl': manifest })).toEqual([
      ['Rooms', 'Stage'],
      [null, 'Gentle'],
    ]);
  });

  it('are called as the file says that the manifest refers to', async () => {
    const manifest = `${PREFIXES}<urn:p#1> a pset:Preset ; lv2:appliesTo <urn:p> ; rdfs:seeAlso <one.ttl> .
      <urn:p#2> a pset:Preset ; lv2:appliesTo <urn:p> ; rdfs:seeAlso <gone.ttl> .`;
    const files = { 'manifest.ttl': manifest, 'one.ttl': `${PREFIXES}<urn:p#1> rdfs:label "Under the Bridge" .` };
    expect(await presets(files)).toEqual([
      [null, 'Under the Bridge'],
      [null, '2'],
    ]);
  });
});
