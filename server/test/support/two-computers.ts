/** A studio of two computers with something of everything arranged on each, for databases that are to be brought over. */
import { mkdir, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { entryOfFile } from '@clever-drawer/core/chests/other-files';
import type { CatalogueView, FileFoldersView, FoundFiles, ScanView } from '@clever-drawer/contract/responses';
import type { Api } from './api';
import { lv2 } from './studio';

const ids = (letter: string) => (number: number) =>
  `${letter.repeat(8)}-0000-4000-8000-${String(number).padStart(12, '0')}`;

// The least PNG there is, and another one (its last byte is passed over by readers): two pictures of the producer's.
const PICTURE = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
  'base64',
);
const OTHER_PICTURE = Buffer.concat([PICTURE, Buffer.from([0])]);

interface Wanted {
  readonly name: string;
  readonly letter: string;
  readonly plugins: readonly (readonly [folder: string, name: string, kind: string, vendor: string | null])[];
}

const ROOM: Wanted = {
  name: 'Music room',
  letter: 'a',
  plugins: [
    ['plate', 'Vestry Plate', 'ReverbPlugin', 'Tollgate Sound'],
    ['eq', 'Copper EQ', 'EQPlugin', 'Tollgate Sound'],
    ['piano', 'Toybox Piano', 'InstrumentPlugin', 'Tollgate Sound'],
    ['delay', 'Lantern Echo', 'DelayPlugin', 'TOLLGATE SOUND Ltd.'],
    ['delay-two', 'Lantern Echo Two', 'DelayPlugin', 'Tollgate Sound'],
  ],
};
const WAGON: Wanted = {
  name: 'Puppet wagon',
  letter: 'b',
  plugins: [
    ['plate', 'Vestry Plate', 'ReverbPlugin', 'Tollgate Sound'],
    // The very same plugin, whose vendor is not known here.
    ['eq', 'Copper EQ', 'EQPlugin', null],
    ['piano', 'Toybox Piano', 'InstrumentPlugin', 'Tollgate Sound'],
    ['drum', 'Barn Drum', 'InstrumentPlugin', 'TOLLGATE SOUND Ltd.'],
    ['gate', 'Hatch Gate', 'GatePlugin', 'Tollgate Sound'],
  ],
};

/** Makes both computers; returns their ids in the order in which they were made. */
export async function fillTwoComputers(api: Api): Promise<[string, string]> {
  return [await fill(api, ROOM), await fill(api, WAGON)];
}

async function fill(api: Api, { name, letter, plugins }: Wanted): Promise<string> {
  const send = async <T>(path: string, body: unknown = {}): Promise<T> => {
    const answer = await api.call('POST', path, body);
    if (answer.status >= 300) throw new Error(`${path}: ${JSON.stringify(answer.body)}`);
    return answer.body;
  };
  const { id: computer } = await send<{ id: string }>('/computers', { name, system: 'linux' });
  const folder = join(api.folder, letter);
  for (const [place, plugin, kind, vendor] of plugins) {
    const file = join(folder, `${place}.lv2`, 'manifest.ttl');
    await mkdir(dirname(file), { recursive: true });
    const whole = lv2(plugin, kind);
    await writeFile(
      file,
      vendor === null
        ? whole.replace(/ ; doap:maintainer \[[^\]]*\]/, '')
        : whole.replace('"Tollgate Sound"', JSON.stringify(vendor)),
    );
  }
  await writeFile(join(folder, 'broken.so'), 'no library');
  const at = `/computers/${computer}`;
  await send(`${at}/folders`, { path: folder });
  let scan = await send<ScanView>(`${at}/scans`);
  while (scan.state === 'waiting' || scan.state === 'running') scan = (await api.call('GET', `/scans/${scan.id}`)).body;

  const catalogue: CatalogueView = (await api.call('GET', `${at}/catalogue`)).body;
  const plugin = (named: string) => {
    const found = catalogue.plugins.find((one) => one.name === named && one.builds.length > 0);
    if (found === undefined) throw new Error(`no ${named}`);
    return found;
  };
  const id = (named: string) => plugin(named).id;
  const buildsOf = (named: string) => plugin(named).builds.map((build) => ({ id: build.id, pluginId: id(named) }));
  const keyedBuildsOf = (named: string) =>
    plugin(named).builds.map((build) => ({ id: build.id, key: build.key, pluginId: id(named) }));
  const own = ids(letter);
  // What the other computer has arranged already is refused, and stands.
  const change = async (...intents: object[]): Promise<void> => {
    const { status, body } = await api.call('POST', `${at}/changes`, { intents });
    if (status >= 300 && status !== 422) throw new Error(JSON.stringify([intents, body]));
  };
  const picture = async (bytes: Buffer): Promise<string> => {
    const response = await fetch(`${api.url}/api${at}/pictures`, {
      method: 'POST',
      body: new Uint8Array(bytes),
      headers: { 'content-type': 'image/png' },
    });
    return ((await response.json()) as { picture: string }).picture;
  };
  const isRoom = letter === 'a';
  const [tail, extra] = isRoom ? ['Lantern Echo', 'Lantern Echo Two'] : ['Barn Drum', 'Hatch Gate'];

  await change({ kind: 'make-chest', id: own(1), name: 'Everyday', slots: isRoom ? null : ['insert'] });
  await change({ kind: 'make-chest', id: own(2), name: isRoom ? 'Mixing' : 'Puppets', slots: null });
  const drawer = { kind: 'make-drawer', chestId: own(1), parentId: null, rule: null, pluginIds: [] };
  await change({ ...drawer, id: own(10), name: 'Space' });
  await change({ ...drawer, id: own(11), name: 'Halls', parentId: own(10) });
  const words = ['echo', 'plate'];
  await change({ ...drawer, id: own(12), name: 'By word', rule: { kind: 'keywords', words } });
  await change({ kind: 'set-most', id: own(12), most: 20 });
  await change({ kind: 'set-split', id: own(10), split: 'vendor' });
  await change({ kind: 'never-in', drawerId: own(12), pluginIds: [id(extra)] });
  await change({ kind: 'set-sort', id: own(11), sort: 'name' });
  await change({ kind: 'file', drawerIds: [own(10)], pluginIds: [id('Copper EQ'), id('Vestry Plate'), id(tail)] });
  await change({ kind: 'file', drawerIds: [own(11)], pluginIds: [id('Toybox Piano'), id(extra)] });
  await change({
    kind: 'name-entry',
    drawerId: own(10),
    pluginId: id('Vestry Plate'),
    name: isRoom ? 'Big plate' : 'Plate',
  });
  const before = `${own(10)}/${id('Vestry Plate')}`;
  await change({ kind: 'add-divider', id: own(20), drawerId: own(10), label: 'long', before });
  await change({ kind: 'tray-on', tray: 1, pluginIds: [id('Copper EQ'), id(tail)] });
  await change({ kind: 'tray-on', tray: 1, pluginIds: [id('Vestry Plate')] });
  const preset = `${id('Vestry Plate')}¶Rooms/Vocal Hall`;
  await change({ kind: 'file', drawerIds: [own(10)], pluginIds: [preset] });
  await change({ kind: 'name-plugins', pluginIds: [preset], naming: { nickname: 'the cave' } });
  const [keyed] = keyedBuildsOf('Vestry Plate');
  await change({ kind: 'bind-entry', drawerId: own(10), pluginId: id('Vestry Plate'), build: keyed });
  await change({ kind: 'keep-build', build: keyed, reason: 'the old album' });
  const link = 'https://tollgate.example/downloads';
  await change({ kind: 'note-vendor', vendor: 'Tollgate Sound', note: 'by post only', link });
  await change({ kind: 'set-sign', id: own(10), sign: 'wave' });
  await change({ kind: 'show-in-menus', id: own(12), shown: false });
  await change({ kind: 'divide-drawers', id: own(12), label: 'by rule' });
  await change({ kind: 'set-level-sort', chestId: own(1), parentId: own(10), sort: 'name' });
  await change({ kind: 'set-level-sort', chestId: own(1), parentId: null, sort: 'size' });
  await change({ kind: 'set-chest-selection', id: own(2), selection: true });
  await change({ kind: 'divide-chests', id: own(2), label: '' });
  await change({ kind: 'set-tray-sign', tray: 2, sign: 'moon' });
  await change({ kind: 'name-tray', tray: 2, name: isRoom ? 'Vocals' : 'Puppets' });
  const naming = isRoom
    ? { nickname: 'Church', stripLabel: 'Vstry', note: 'short for voices', addTags: ['wide', 'Old'] }
    : { nickname: 'Barn', stripLabel: 'Vstry', note: 'long for choirs', addTags: ['old', 'stage'] };
  await change({ kind: 'name-plugins', pluginIds: [id('Vestry Plate')], naming });
  await change({ kind: 'name-plugins', pluginIds: [id(extra)], naming: { note: 'only here' } });
  await change({
    kind: 'put-right',
    pluginIds: [id('Copper EQ')],
    right: isRoom ? { role: 'audio-effect', types: ['eq'] } : { role: 'instrument', types: ['eq'], vendor: 'Rookery' },
  });
  await change({ kind: 'prefer-build', pluginId: id('Vestry Plate'), buildId: buildsOf('Vestry Plate')[0]?.id });
  await change({ kind: 'prefer-build', pluginId: id('Toybox Piano'), buildId: buildsOf('Toybox Piano')[0]?.id });
  await change({
    kind: 'prefer-builds',
    preference: { criteria: ['format', 'bits', 'version'], formats: isRoom ? ['LV2', 'CLAP'] : ['VST3', 'LV2'] },
  });
  await change({
    kind: 'set-aside',
    pluginIds: [id('Toybox Piano')],
    builds: [],
    reason: isRoom ? 'demo' : 'faulty',
    until: isRoom ? '2027-01-31' : null,
  });
  await change({
    kind: 'set-aside',
    pluginIds: [],
    builds: buildsOf('Copper EQ'),
    reason: 'older-build',
    until: null,
  });
  await change({ kind: 'keep-search', id: own(30), name: 'Wide', query: isRoom ? 'q=wide' : 'q=stage' });
  await change({ kind: 'keep-search', id: own(31), name: 'Echoes', query: 'q=echo' });
  const device = { name: 'Stage Reverb', maker: null, role: 'audio-effect', types: ['reverb'], width: 'stereo' };
  const program = isRoom ? 'Marquee Desk' : 'Pit Recorder';
  await change({
    kind: 'add-own-entries',
    entries: [{ id: `own:${own(32)}`, ...device, program, addedAt: '2026-12-01T12:00:00.000Z' }],
  });
  const racks = join(api.folder, `${letter}-racks`);
  await mkdir(join(racks, 'Bass'), { recursive: true });
  await writeFile(join(racks, 'Bass', 'Deep bellows.rack'), '');
  const ofFiles = { path: racks, endings: ['rack'], program, role: 'instrument' };
  await send(`${at}/file-folders`, ofFiles);
  for (let reading: unknown = racks; reading !== null;)
    reading = ((await api.call('GET', `${at}/file-folders`)).body as FileFoldersView).reading;
  const { files } = (await api.call('GET', `${at}/files?words=deep`)).body as FoundFiles;
  const addedAt = '2026-12-01T12:00:00.000Z';
  await change({ kind: 'take-in-files', entries: files.map((file) => entryOfFile(file, addedAt)) });
  await change({ kind: 'file-loose', chestId: own(2), id: own(13), pluginIds: [id('Vestry Plate')] });
  await change({
    kind: 'set-aside',
    pluginIds: [id(tail)],
    builds: [],
    reason: 'not-licensed',
    until: null,
    here: true,
  });
  const face = await picture(isRoom ? PICTURE : OTHER_PICTURE);
  await change({ kind: 'show-face', pluginId: id('Copper EQ'), picture: face });
  await change({
    kind: 'name-vendor',
    spellings: ['TOLLGATE SOUND Ltd.'],
    name: isRoom ? 'Tollgate' : 'Gate',
    apart: !isRoom,
  });
  if (isRoom)
    await change({
      kind: 'join-plugins',
      intoId: id('Lantern Echo'),
      pluginIds: [id('Lantern Echo Two')],
      builds: keyedBuildsOf('Lantern Echo Two'),
    });
  await change({ kind: 'look', at: isRoom ? '2026-11-01T10:00:00.000Z' : '2026-11-02T10:00:00.000Z' });
  const lane = { id: own(41), kind: 'audio', name: 'Voice', inserts: 2 };
  await change({ kind: 'make-session', id: own(40), name: 'Rehearsal', lanes: [lane] });
  const { slot } = (await api.call('GET', `${at}/arrangement`)).body as { slot: { id: string; laneId: string }[] };
  const slotId = slot.find((one) => one.laneId === own(41))?.id;
  const load = { slotId, pluginId: id('Vestry Plate'), way: 'typing', milliseconds: 900 };
  await send(`${at}/loads`, load);
  await send(`${at}/loads`, { ...load, way: 'drawer' });
  const chain = `chain¶${own(42)}`;
  await change({ kind: 'keep-chain', id: chain, name: 'Marionette voice', slotIds: [slotId] });
  await change({ kind: 'file', drawerIds: [own(10)], pluginIds: [chain] });
  await change({ kind: 'rename-chest', id: own(2), name: 'Was undone' });
  await send(`${at}/undo`);
  return computer;
}
