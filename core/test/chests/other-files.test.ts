import { emptyArrangement } from '../../src/chests/arrangement';
import { applyEdits, inverse } from '../../src/chests/edit';
import {
  endingOf,
  entryOfFile,
  fileKeyOf,
  fileTitle,
  fileWords,
  readEndings,
  type OtherFile,
} from '../../src/chests/other-files';
import { ownEntriesByKey, ownEntryIdOf, ownPlugins } from '../../src/chests/own-entries';
import { planIntents } from '../../src/chests/plan-change';
import { tellApart } from '../../src/identity/tell-apart';
import { asId, type ChestId, type DrawerId } from '../../src/ids';

const file = (number: number, path: string, role: OtherFile['role'] = null): OtherFile => ({
  id: ownEntryIdOf(`00000000-0000-8000-8000-00000000000${String(number)}`),
  name: fileTitle(path),
  file: path,
  program: 'Marquee Desk',
  role,
});
const ADDED = '2026-12-01T12:00:00.000Z';
const chestId = asId<ChestId>('c');
const drawerId = asId<DrawerId>('d');

it('is known by the last name of its folder and its path in it, on any system', () => {
  expect(fileKeyOf('/home/bench/Racks/', 'Bass/Deep.rack')).toBe('Racks/Bass/Deep.rack');
  expect(fileKeyOf('D:\\Music\\Racks', 'Deep.rack')).toBe('Racks/Deep.rack');
  // A Mac's disk hands out names in pieces (Unicode Standard Annex 15, NFD).
  expect(fileKeyOf('/Racks', 'U\u0308ber.rack')).toBe('Racks/\u00dcber.rack');
});

it.each([
  ['Bass/Deep bellows.rack', 'Deep bellows', 'rack'],
  ['Kit 1.2.RACK', 'Kit 1.2', 'rack'],
  ['no ending', 'no ending', null],
  ['.rack', '.rack', null],
])('%s is called %s and has the ending %s', (path, title, ending) => {
  expect(fileTitle(path)).toBe(title);
  expect(endingOf(path.split('/').at(-1) ?? '')).toBe(ending);
});

it('is found by the words of its name, its folders and its ending', () => {
  expect(fileWords('Racks/Bass/DeepBellows 2.rack')).toEqual(['racks', 'bass', 'deep', 'bellows', '2', 'rack']);
});

it.each([
  ['rack', ['rack']],
  [' .Rack, *.preset;WAV  rack ', ['rack', 'preset', 'wav']],
  ['', []],
  ['tar.gz', null],
  ['a/b', null],
  ['averyveryverylongending', null],
])('endings typed as “%s” are %j', (typed, endings) => {
  expect(readEndings(typed)).toEqual(endings);
});

it.each([
  ['Racks/  Deep  .rack', 'Deep'],
  ['Racks/   .rack', 'rack'],
  [`Racks/${'a'.repeat(119)} b.rack`, `${'a'.repeat(119)}…`],
])('%j becomes an entry with a name that fits', (path, name) =>
  expect(entryOfFile(file(1, path), ADDED).name).toBe(name),
);

it('a word that never ends is cut where it can be looked up', () => {
  expect(fileWords('ä'.repeat(600))).toEqual(['a'.repeat(100)]);
});

it('becomes an entry of its folder’s role, else of what its name tells', () => {
  expect(entryOfFile(file(1, 'Racks/Rain reverb.rack'), ADDED)).toMatchObject({
    name: 'Rain reverb',
    program: 'Marquee Desk',
    role: 'audio-effect',
    types: ['reverb'],
    file: 'Racks/Rain reverb.rack',
  });
  expect(entryOfFile(file(1, 'Racks/Rain reverb.rack', 'instrument'), ADDED)).toMatchObject({
    role: 'instrument',
    types: [],
  });
});

describe('a file that is arranged', () => {
  const entry = entryOfFile(file(1, 'Racks/Init.rack'), ADDED);
  const made = [
    { kind: 'make-chest', id: chestId, name: 'Everyday', slots: null },
    { kind: 'make-drawer', id: drawerId, chestId, parentId: null, name: 'Racks', rule: null, pluginIds: [] },
  ] as const;
  const nameOf = (id: string): string | undefined => (id === entry.id ? entry.name : undefined);
  const first = planIntents(emptyArrangement(), made, nameOf);
  const state = first.ok ? applyEdits(emptyArrangement(), first.change.edits) : emptyArrangement();
  const wish = [
    { kind: 'take-in-files', entries: [entry] },
    { kind: 'file', drawerIds: [drawerId], pluginIds: [entry.id] },
  ] as const;
  const plan = planIntents(state, wish, nameOf);
  if (!plan.ok) throw new Error(plan.refusal);
  const after = applyEdits(state, plan.change.edits);

  it('is one step, told as what was done with it, and undone as one', () => {
    expect(plan.change.label).toBe('file Init into Racks');
    expect([after.ownEntry.size, after.entry.size]).toEqual([1, 1]);
    expect(applyEdits(after, inverse(plan.change.edits))).toEqual(state);
  });

  it('is taken in once, whoever asks a second time', () => {
    const again = planIntents(after, [wish[0], { kind: 'tray-on', tray: 1, pluginIds: [entry.id] }], nameOf);
    expect(again.ok && again.change.edits.map((edit) => edit.of)).toEqual(['trayEntry']);
    expect(ownEntriesByKey(after).size).toBe(1);
  });

  it('is missing where the computer has it not, and not while that is unknown', () => {
    const found = (isFileHere?: () => boolean | undefined) => ownPlugins(after, { isFileHere })[0]?.found;
    expect([found(), found(() => undefined), found(() => true), found(() => false)]).toEqual([true, true, true, false]);
  });
});

it('two of one name are told apart by where they stand', () => {
  const twins = [file(1, 'Racks/Voices/Init.rack'), file(2, 'Racks/Bass/Init.rack')].map((one) =>
    entryOfFile(one, ADDED),
  );
  const plugins = ownPlugins({ ownEntry: new Map(twins.map((one) => [one.id, one])) });
  expect([...tellApart(plugins).values()]).toEqual(['Voices/Init.rack', 'Bass/Init.rack']);
});
