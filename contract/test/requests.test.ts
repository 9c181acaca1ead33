import { ValidationError } from 'yup';
import { arrangementDocument } from '../src/arrangement-document';
import { changeRequest, type INTENT_SCHEMAS } from '../src/intents';
import { chestRequest, folderRequest, loadRequest, scanRequest } from '../src/requests';

const uuid = '3f2504e0-4f89-41d3-9a0c-0305e82c3301';
const wrong = (schema: { validateSync: (value: unknown, options: object) => unknown }, value: unknown): string => {
  try {
    schema.validateSync(value, { abortEarly: false });
    return 'fits';
  } catch (error) {
    return error instanceof ValidationError ? error.errors.join('; ') : `threw ${String(error)}`;
  }
};
const change = (intent: unknown): string => wrong(changeRequest, { intents: [intent] });

const OWN_ID = `own:${uuid}`;
const OWN_ENTRY = {
  name: 'Stage Reverb',
  maker: null,
  program: 'Marquee Desk',
  role: 'audio-effect',
  types: ['reverb'],
  width: 'stereo',
};

/** One well-formed intent of each kind. */
const GOOD: Record<keyof typeof INTENT_SCHEMAS, Record<string, unknown>> = {
  'make-chest': { id: uuid, name: 'Everyday', slots: ['insert', 'bus'] },
  'set-chest-slots': { id: 'c', slots: null },
  'move-chest': { id: 'c', before: null },
  'copy-chest': { id: 'c', newId: uuid, name: 'Everyday (2)' },
  'set-sort': { id: 'd', sort: 'vendor' },
  'set-most': { id: 'd', most: 10 },
  'rename-session': { id: 's', name: 'Scene 4' },
  'copy-session': { id: 's', newId: uuid, name: 'Scene 4', filled: true },
  'mark-template': { id: 's', template: true },
  'move-session': { id: 's', before: null },
  'delete-session': { id: 's' },
  'add-lane': { sessionId: 's', lane: { id: uuid, kind: 'audio', name: 'Goose', width: 'mono', inserts: 3 } },
  'change-lane': { id: 'l', name: 'Goose', width: null },
  'move-lane': { id: 'l', before: null },
  'copy-lane': { id: 'l', newId: uuid },
  'delete-lane': { id: 'l' },
  'add-slot': { id: uuid, laneId: 'l', slot: 'insert', before: null },
  'delete-slot': { slotId: 'l/1' },
  bypass: { slotId: 'l/1', bypass: true },
  'feed-sidechain': { slotId: 'l/1', sidechain: true },
  'move-slot': { slotId: 'l/1', toId: 'l/2', copy: false },
  'keep-chain': { id: `chain¶${uuid}`, name: 'Marionette voice', slotIds: ['l/1'] },
  'rename-chain': { id: 'chain¶c', name: 'Marionette voice' },
  'arrange-chain': { id: 'chain¶c', parts: [{ item: 'p', bypass: false }] },
  'add-own-entries': { entries: [{ ...OWN_ENTRY, id: OWN_ID, addedAt: '2026-12-01T12:00:00.000Z' }] },
  'take-in-files': {
    entries: [{ ...OWN_ENTRY, id: OWN_ID, file: 'Racks/Deep.rack', addedAt: '2026-12-01T12:00:00.000Z' }],
  },
  'file-loose': { chestId: 'c', id: uuid, pluginIds: ['p'] },
  'change-own-entry': { ...OWN_ENTRY, id: OWN_ID },
  'delete-own-entries': { ids: [OWN_ID] },
  'take-out-everywhere': { pluginIds: ['p'] },
  'delete-chain': { id: 'chain¶c' },
  'set-split': { id: 'd', split: 'vendor' },
  'copy-drawer': { id: 'd', newId: uuid, chestId: 'c', parentId: null },
  place: { drawerId: 'd', pluginIds: ['p'], dividerIds: [], before: 'd/q' },
  arrange: { drawerId: 'd', ids: ['d/p'], by: 'name' },
  'add-divider': { id: uuid, drawerId: 'd', label: '', before: null },
  'label-divider': { id: 'v', label: 'long tails' },
  'remove-divider': { id: 'v' },
  'name-entry': { drawerId: 'd', pluginId: 'p', name: null },
  'place-on-tray': { tray: 2, pluginIds: ['p'], before: 'q' },
  'clear-trays': { trays: [1, 2], pluginIds: null },
  'name-tray': { tray: 3, name: 'Goose' },
  'swap-trays': { tray: 1, with: 2 },
  'name-plugins': { pluginIds: ['p'], naming: { nickname: 'the big plate', addTags: ['dark'] } },
  'set-aside': { pluginIds: ['p'], builds: [], reason: 'demo', until: '2026-12-01' },
  'bring-back': { pluginIds: ['p'], builds: [{ id: 'b', pluginId: 'p' }] },
  'show-face': { pluginId: 'p', picture: 'a'.repeat(64) },
  'keep-search': { id: uuid, name: 'Dark rooms', query: 'q=plate' },
  'forget-search': { id: 's' },
  look: { at: '2026-11-24T12:00:00.000Z' },
  'rename-chest': { id: 'c', name: 'Mix day' },
  'delete-chest': { id: 'c' },
  'make-drawer': {
    id: uuid,
    chestId: 'c',
    parentId: null,
    name: 'Space',
    rule: { kind: 'keywords', words: ['hall'] },
    pluginIds: [],
  },
  'rename-drawer': { id: 'd', name: 'Rooms' },
  'bind-entry': { drawerId: 'd', pluginId: 'p', build: { id: 'b', pluginId: 'p', key: 'k' } },
  'keep-build': { build: { id: 'b', pluginId: 'p', key: 'k' }, reason: 'the old album' },
  'note-vendor': { vendor: 'Lintel DSP', note: null, link: 'https://lintel.example/downloads' },
  'merge-drawers': { intoId: 'd', ids: ['e', 'f'] },
  'set-sign': { id: 'd', sign: 'wave' },
  'show-in-menus': { id: 'd', shown: false },
  'divide-drawers': { id: 'd', label: '' },
  'set-level-sort': { chestId: 'c', parentId: null, sort: 'size' },
  'arrange-drawers': { chestId: 'c', parentId: 'd', ids: ['e', 'f'], by: 'name' },
  'set-tray-sign': { tray: 2, sign: null },
  'show-tray-in-menus': { tray: 2, shown: true },
  'set-chest-selection': { id: 'c', selection: true },
  'divide-chests': { id: 'c', label: null },
  'set-rule': { id: 'd', rule: null },
  'move-drawer': { id: 'd', chestId: 'c', parentId: null, before: 'e' },
  'delete-drawer': { id: 'd' },
  file: { drawerIds: ['d'], pluginIds: ['p'] },
  'take-out': { drawerId: 'd', pluginIds: ['p'] },
  'never-in': { drawerId: 'd', pluginIds: ['p'] },
  'decide-by-rule': { drawerId: 'd', pluginIds: ['p'] },
  'tray-on': { tray: 1, pluginIds: ['p'] },
  'tray-off': { tray: 9, pluginIds: ['p'] },
  'clear-slot': { slotId: 's' },
  'put-right': { pluginIds: ['p'], right: { role: 'tool', types: ['tuner'], vendor: null } },
  'prefer-build': { pluginId: 'p', buildId: null },
  'prefer-builds': { preference: { criteria: ['format', 'bits'], formats: ['CLAP', 'VST3'] } },
  'join-plugins': { intoId: 'p', pluginIds: ['q'], builds: [{ id: 'b', key: 'VST3 x', pluginId: 'q' }] },
  'split-plugin': { pluginId: 'p', newId: uuid, builds: [{ id: 'b', key: 'VST3 b', pluginId: 'p' }] },
  'release-builds': { keys: ['VST3 b'] },
  'name-vendor': { spellings: ['Copperhat VST'], name: 'Copperhat', apart: false },
  'make-session': { id: uuid, name: 'Scene', lanes: [{ id: uuid, kind: 'audio', name: 'Goose', inserts: 4 }] },
};

describe('intents', () => {
  it.each(Object.entries(GOOD))('%s is taken when it is whole, and refused when a field is missing', (kind, fields) => {
    expect(change({ kind, ...fields })).toBe('fits');
    for (const field of Object.keys(fields)) {
      const { [field]: _left, ...rest } = fields;
      expect(change({ kind, ...rest })).not.toBe('fits');
    }
  });

  it.each([
    ['an unknown kind', { kind: 'explode' }, "an intent's kind must be one of make-chest"],
    ['no kind', {}, 'must be one of'],
    ['nothing', undefined, 'must be one of'],
    ['a name of blanks', { kind: 'rename-drawer', id: 'd', name: '  ' }, 'must not begin or end with a blank'],
    ['a name of 121 characters', { kind: 'rename-drawer', id: 'd', name: 'x'.repeat(121) }, 'at most 120'],
    ['an id that is no UUID', { kind: 'make-chest', id: 'c', name: 'x', slots: null }, 'must be a UUID'],
    ['a rule without words', { kind: 'set-rule', id: 'd', rule: { kind: 'keywords', words: [] } }, 'at least one word'],
    ['a rule of another kind', { kind: 'set-rule', id: 'd', rule: { kind: 'magic', words: ['x'] } }, 'a rule is {'],
    [
      'a rule with a mistake',
      { kind: 'set-rule', id: 'd', rule: { kind: 'written', text: 'hall or type:revreb' } },
      'at character 9',
    ],
    ['tray 0', { kind: 'tray-on', tray: 0, pluginIds: ['p'] }, 'a tray is a number from 1 to 9'],
    ['a tray in words', { kind: 'tray-on', tray: '1', pluginIds: ['p'] }, 'number'],
    ['no plugin', { kind: 'file', drawerIds: ['d'], pluginIds: [] }, 'at least 1'],
    ['plugins that are numbers', { kind: 'file', drawerIds: ['d'], pluginIds: [7] }, 'string'],
    [
      'a lane of a strange kind',
      { kind: 'make-session', id: uuid, name: 'S', lanes: [{ id: uuid, kind: 'moon', name: 'x', inserts: 1 }] },
      'must be one of',
    ],
    [
      '17 inserts',
      { kind: 'make-session', id: uuid, name: 'S', lanes: [{ id: uuid, kind: 'bus', name: 'x', inserts: 17 }] },
      'less than or equal to 16',
    ],
  ])('%s is refused, saying what is expected', (_what, intent, words) => expect(change(intent)).toContain(words));
});

describe('other requests', () => {
  it.each([
    [folderRequest, { path: '/usr/lib/lv2' }, 'fits'],
    [folderRequest, { path: '' }, 'name a folder'],
    [folderRequest, { path: '/a\0b' }, 'no zero characters'],
    [scanRequest, {}, 'fits'],
    [scanRequest, { folderIds: 'all' }, 'array'],
    [chestRequest, { id: uuid, name: 'By type', by: 'type' }, 'fits'],
    [chestRequest, { id: uuid, name: 'By moon', by: 'moon' }, 'must be one of'],
    [loadRequest, { slotId: 's', pluginId: 'p', way: 'typing', milliseconds: 1400 }, 'fits'],
    [loadRequest, { slotId: 's', pluginId: 'p', way: 'luck', milliseconds: 1400 }, 'must be one of'],
    [loadRequest, { slotId: 's', pluginId: 'p', way: 'typing', milliseconds: -1 }, 'greater than or equal to 0'],
    [loadRequest, { slotId: 's', pluginId: 'p', way: 'typing', milliseconds: 1.5 }, 'integer'],
  ])('%#', (schema, value, words) => {
    expect(wrong(schema, value)).toContain(words);
  });
});

describe('an arrangement document', () => {
  const drawer = (name: string, inner: unknown[] = []) => ({ name, rule: null, plugins: [], drawers: inner });
  const document = (drawers: unknown[]) => ({
    schema: 'clever-drawer/arrangement/1',
    exportedAt: '2026-11-24T00:00:00Z',
    computer: 'Music room',
    plugins: [],
    chests: [{ name: 'Everyday', drawers }],
    trays: [],
  });

  it('may hold drawers to any depth', () => {
    const deep = Array.from({ length: 60 }).reduce<unknown>((inner) => drawer('D', [inner]), drawer('last'));
    expect(wrong(arrangementDocument as never, document([deep]))).toBe('fits');
  });

  it.each([
    ['another schema', { ...document([]), schema: 'x/1' }, 'no arrangement of Clever Drawer'],
    ['no schema', { ...document([]), schema: undefined }, 'no arrangement of Clever Drawer'],
    ['a nameless inner drawer', document([drawer('A', [drawer('')])]), 'must not be empty'],
    ['chests that are text', { ...document([]), chests: 'all' }, 'chests'],
  ])('%s is refused, saying where', (_what, value, words) =>
    expect(wrong(arrangementDocument as never, value)).toContain(words),
  );
});
