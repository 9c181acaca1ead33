/** Practice sessions out and in. DAWproject is looked at with other readers than ours: fast-xml-parser for the XML, yauzl for the ZIP. */
import { promisify } from 'node:util';
import { strToU8, zipSync } from 'fflate';
import { XMLParser } from 'fast-xml-parser';
import yauzl from 'yauzl';
import { emptyArrangement, type Arrangement } from '../../src/chests/arrangement';
import { itemIn, slotsIn } from '../../src/chests/chains';
import { applyEdits } from '../../src/chests/edit';
import { planIntents } from '../../src/chests/plan-change';
import { group } from '../../src/chests/row-groups';
import { dawprojectOf, DEVICE_ELEMENTS, readDawproject } from '../../src/exchange/dawproject';
import type { Exported } from '../../src/exchange/export-arrangement';
import { exportSession, planBringSession, type SessionDocument } from '../../src/exchange/session-document';
import { asId, type ItemId, type LaneId, type PluginId, type SessionId, type SlotId } from '../../src/ids';

const AT = new Date('2026-11-26T12:00:00Z');
const plugin = (
  id: string,
  format: Exported['builds'][number]['format'],
  vendor: string | null = 'Tollgate Sound',
): Exported => ({
  id: asId<PluginId>(id),
  name: id,
  vendor,
  builds: [{ format, identifier: `${id} of ${format}` }],
});
const PLUGINS = new Map(
  [
    plugin('Toy Piano', 'VST3'),
    plugin('Gate & "Hatch"', 'CLAP', null),
    plugin('Plate', 'AU'),
    plugin('Old', 'VST2'),
    plugin('Linux', 'LV2'),
  ].map((one) => [one.id, one]),
);

function scene(): { readonly state: Arrangement; readonly document: SessionDocument } {
  const lane = (id: string, kind: 'instrument' | 'audio' | 'bus' | 'master', width: 'mono' | null = null) => ({
    id: asId<LaneId>(id),
    kind,
    name: id,
    width,
    inserts: 3,
  });
  const load = (slotId: string, id: string) =>
    ({ kind: 'load', slotId: asId<SlotId>(slotId), pluginId: asId<ItemId>(id), buildId: null }) as const;
  const plan = planIntents(
    emptyArrangement(),
    [
      {
        kind: 'make-session',
        id: asId<SessionId>('s'),
        name: 'Scene <3> & "more"',
        lanes: [
          lane('Piano', 'instrument'),
          lane('Goose', 'audio', 'mono'),
          lane('Voices', 'bus'),
          lane('Out', 'master'),
        ],
      },
      load('Piano/2', 'Toy Piano'),
      load('Piano/3', 'Gate & "Hatch"'),
      load('Goose/1', 'Plate'),
      load('Goose/2', 'Linux'),
      load('Out/1', 'Old'),
      { kind: 'bypass', slotId: asId<SlotId>('Goose/1'), bypass: true },
      { kind: 'feed-sidechain', slotId: asId<SlotId>('Goose/2'), sidechain: true },
    ],
    (id) => id,
  );
  if (!plan.ok) throw new Error(plan.refusal);
  const state = applyEdits(emptyArrangement(), plan.change.edits);
  const session = state.session.get('s');
  if (session === undefined) throw new Error('no session');
  return { state, document: exportSession(state, session, PLUGINS, AT) };
}

/** The files of a ZIP, by another reader. */
async function unzipped(bytes: Uint8Array): Promise<Map<string, string>> {
  const open = promisify(
    yauzl.fromBuffer as (
      buffer: Buffer,
      options: yauzl.Options,
      done: (error: Error | null, zip: yauzl.ZipFile) => void,
    ) => void,
  );
  const zip = await open(Buffer.from(bytes), { lazyEntries: true, validateEntrySizes: true });
  const files = new Map<string, string>();
  return new Promise((done, fail) => {
    zip.on('error', fail);
    zip.on('end', () => done(files));
    zip.on('entry', (entry: yauzl.Entry) => {
      zip.openReadStream(entry, (error, stream) => {
        if (error !== null) return fail(error);
        const parts: Buffer[] = [];
        stream.on('data', (part: Buffer) => parts.push(part));
        stream.on('end', () => {
          files.set(entry.fileName, Buffer.concat(parts).toString('utf8'));
          zip.readEntry();
        });
      });
    });
    zip.readEntry();
  });
}

describe('a session as a document', () => {
  it('comes back as it was, in a session of its own', () => {
    const { state, document } = scene();
    let number = 0;
    const plan = planBringSession(state, document, PLUGINS, () => `new ${String(++number)}`);
    expect(plan.missing).toEqual([]);
    const after = applyEdits(state, plan.change.edits);
    const content = (session: string) =>
      group(after, 'lanesOf', session).map(({ id, name, kind, width }) => [
        name,
        kind,
        width,
        slotsIn(after, id).map((slot) => [slot.kind, itemIn(slot), slot.bypass, slot.sidechain]),
      ]);
    expect(content(plan.sessionId)).toEqual(content('s'));
  });

  it('a missing plugin keeps its slot and is told of', () => {
    const { state, document } = scene();
    const few = new Map([...PLUGINS].filter(([id]) => id !== 'Plate'));
    const plan = planBringSession(state, document, few, () => 'new');
    expect(plan.missing.map((one) => one.name)).toEqual(['Plate']);
    const after = applyEdits(state, plan.change.edits);
    expect([...after.slot.values()].filter((slot) => slot.pluginId === 'Plate')).toHaveLength(2);
  });
});

describe('DAWproject', () => {
  it('has the elements and attributes of the published schema, told by other readers', async () => {
    const { bytes, leftOut } = dawprojectOf(scene().document, 'Clever Drawer', '0.1.0');
    expect(leftOut).toEqual(['Linux']);
    const files = await unzipped(bytes);
    expect([...files.keys()].sort()).toEqual(['metadata.xml', 'project.xml']);
    const xml = files.get('project.xml') ?? '';
    const parser = new XMLParser({
      ignoreAttributes: false,
      attributeNamePrefix: '',
      isArray: (name) => /^(Track|\w+Plugin)$/.test(name),
    });
    const { Project } = parser.parse(xml) as {
      Project: { version: string; Structure: { Track: Record<string, never>[] } };
    };
    expect(Project.version).toBe('1.0');
    const tracks = Project.Structure.Track as unknown as {
      name: string;
      contentType: string;
      Channel: {
        role: string;
        audioChannels: string;
        Devices:
          | Record<string, { deviceName: string; deviceID: string; deviceRole: string; Enabled: { value: string } }[]>
          | '';
      };
    }[];
    expect(tracks.map((one) => [one.name, one.contentType, one.Channel.role, one.Channel.audioChannels])).toEqual([
      ['Piano', 'notes', 'regular', '2'],
      ['Goose', 'audio', 'regular', '1'],
      ['Voices', 'audio', 'effect', '2'],
      ['Out', 'audio', 'master', '2'],
    ]);
    const devices = tracks.flatMap(({ Channel: { Devices } }) =>
      Devices === ''
        ? []
        : Object.entries(Devices).flatMap(([element, own]) =>
            own.map((one) => [element, one.deviceName, one.deviceID, one.deviceRole, one.Enabled.value]),
          ),
    );
    expect(devices).toEqual([
      [DEVICE_ELEMENTS.VST3, 'Toy Piano', 'Toy Piano of VST3', 'instrument', 'true'],
      [DEVICE_ELEMENTS.CLAP, 'Gate & "Hatch"', 'Gate & "Hatch" of CLAP', 'audioFX', 'true'],
      [DEVICE_ELEMENTS.AU, 'Plate', 'Plate of AU', 'audioFX', 'false'],
      [DEVICE_ELEMENTS.VST2, 'Old', 'Old of VST2', 'audioFX', 'true'],
    ]);
    const ids = [...xml.matchAll(/ id="([^"]+)"/g)].map(([, id]) => id);
    expect(new Set(ids).size).toBe(ids.length);
  });

  it('read back it is the same session, but for what it has no room for', () => {
    const { document } = scene();
    const read = readDawproject(dawprojectOf(document, 'Clever Drawer', '0.1.0').bytes, AT);
    if (!read.ok) throw new Error(read.why);
    expect(read.session.name).toBe(document.name);
    const content = ({ lanes, plugins }: SessionDocument) =>
      lanes.map(({ name, kind, slots }) => [
        name,
        kind,
        slots.flatMap(({ plugin: id, kind: slot, bypass }) => {
          const name_ = plugins.find((one) => one.id === id)?.name;
          return name_ === undefined || name_ === 'Linux' ? [] : [[slot, name_, bypass]];
        }),
      ]);
    expect(content(read.session)).toEqual(content(document));
    // Another studio knows them by what their builds are called.
    const plan = planBringSession(emptyArrangement(), read.session, PLUGINS, () => 'new');
    expect(plan.missing).toEqual([]);
  });

  const zip = (files: Record<string, string>) =>
    zipSync(Object.fromEntries(Object.entries(files).map(([name, text]) => [name, strToU8(text)])));
  it.each([
    ['no-zip.dawproject', new Uint8Array([1, 2, 3]), 'not a ZIP'],
    ['no-project.dawproject', zip({ 'other.txt': 'x' }), 'no project.xml'],
    ['cut-xml.dawproject', zip({ 'project.xml': '<Project><Structure>' }), 'can’t be understood'],
    [
      'entities.dawproject',
      zip({ 'project.xml': '<!DOCTYPE x [<!ENTITY a "b">]><Project>&a;</Project>' }),
      'can’t be understood',
    ],
    ['no-tracks.dawproject', zip({ 'project.xml': '<Project><Structure/></Project>' }), 'no tracks'],
    ['huge-xml.dawproject', zip({ 'project.xml': `<Project>${' '.repeat(17 * 1024 * 1024)}</Project>` }), '16 MB'],
  ])('%s is refused in words', (_name, bytes, words) => {
    const read = readDawproject(bytes, AT);
    expect(read.ok ? '' : read.why).toContain(words);
  });

  it('groups nested to any depth are read, and what is no plugin is counted', () => {
    const nested = `${'<Track name="g" contentType="tracks">'.repeat(2000)}<Channel role="regular" audioChannels="2"><Devices><Equalizer deviceName="e"/><Vst3Plugin deviceID="a" deviceName="A" deviceRole="audioFX"/></Devices></Channel>${'</Track>'.repeat(2000)}`;
    const read = readDawproject(
      zip({ 'project.xml': `<Project version="1.0"><Structure>${nested}</Structure></Project>` }),
      AT,
    );
    expect(read.ok && [read.leftOut, read.session.lanes.length, read.session.plugins.map((one) => one.name)]).toEqual([
      1,
      1,
      ['A'],
    ]);
  });
});
