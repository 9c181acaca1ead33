/** DAWproject: an open exchange format for sessions of music programs, a ZIP with `project.xml` and `metadata.xml`. Source: the published XML schema (element and attribute names); from memory where docs say so. */
import { DOMImplementation, DOMParser, XMLSerializer, type Document, type Element } from '@xmldom/xmldom';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import type { Format } from '../facts/format.js';
import type { LaneKind } from '../chests/rows/lane.js';
import { MAX_NAME_LENGTH } from '../chests/rows/row-kind.js';
import type { SlotKind } from '../chests/rows/slot.js';
import { asId, type PluginId } from '../ids.js';
import type { PluginReference } from './arrangement-document.js';
import { SESSION_SCHEMA, type LaneDocument, type SessionDocument, type SlotDocument } from './session-document.js';

/** The elements of devices by the format of their plugin; other formats have none. */
export const DEVICE_ELEMENTS = {
  VST2: 'Vst2Plugin',
  VST3: 'Vst3Plugin',
  CLAP: 'ClapPlugin',
  AU: 'AuPlugin',
} as const satisfies Partial<Record<Format, string>>;
type DeviceFormat = keyof typeof DEVICE_ELEMENTS;
const FORMAT_OF = new Map<string, DeviceFormat>(
  Object.entries(DEVICE_ELEMENTS).map(([format, element]) => [element, format as DeviceFormat]),
);

const DEVICE_ROLES = {
  'midi-effect': 'noteFX',
  instrument: 'instrument',
  insert: 'audioFX',
} as const satisfies Readonly<Record<SlotKind, string>>;
const CHANNEL_ROLES: Readonly<Record<LaneKind, string>> = {
  instrument: 'regular',
  audio: 'regular',
  bus: 'effect',
  master: 'master',
};

/** What is written, and the plugins that could not be, each once: those without a build in one of its four formats whose identifier is known. */
export interface WrittenProject {
  readonly bytes: Uint8Array;
  readonly leftOut: readonly string[];
}

const MOST = { bytes: 64 * 1024 * 1024, xml: 16 * 1024 * 1024, lanes: 64, devices: 64 };

/** Writes a session as a DAWproject. Presets have no state to write: their names are written as the device's. */
export function dawprojectOf(session: SessionDocument, program: string, version: string): WrittenProject {
  const plugins = new Map(session.plugins.map((plugin) => [plugin.id, plugin]));
  const leftOut = new Map<PluginId, string>();
  const document = new DOMImplementation().createDocument(null, 'Project');
  const project = document.documentElement as Element;
  project.setAttribute('version', '1.0');
  let number = 0;
  const add = (parent: Element, name: string, attributes: Readonly<Record<string, string>> = {}): Element => {
    const element = document.createElement(name);
    for (const [key, value] of Object.entries(attributes)) element.setAttribute(key, xmlText(value));
    parent.appendChild(element);
    return element;
  };
  const id = (): string => `id${String(number++)}`;
  add(project, 'Application', { name: program, version });
  const structure = add(project, 'Structure');
  for (const lane of session.lanes) {
    const contentType = lane.kind === 'instrument' ? 'notes' : 'audio';
    const track = add(structure, 'Track', { contentType, loaded: 'true', id: id(), name: lane.name });
    const channels = lane.width === 'mono' ? '1' : '2';
    const role = CHANNEL_ROLES[lane.kind];
    const channel = add(track, 'Channel', { audioChannels: channels, role, solo: 'false', id: id() });
    const devices = add(channel, 'Devices');
    for (const slot of lane.slots) {
      const plugin = slot.plugin === null ? undefined : plugins.get(slot.plugin);
      if (plugin === undefined) continue;
      const build = plugin.builds.find((one) => one.format in DEVICE_ELEMENTS && one.identifier !== null);
      if (build === undefined) {
        leftOut.set(plugin.id, plugin.name);
        continue;
      }
      const device = add(devices, DEVICE_ELEMENTS[build.format as DeviceFormat], {
        deviceID: build.identifier ?? '',
        deviceName: plugin.name,
        deviceRole: DEVICE_ROLES[slot.kind],
        ...(plugin.vendor === null ? {} : { deviceVendor: plugin.vendor }),
        loaded: 'true',
        id: id(),
        name: slot.preset?.name ?? plugin.name,
      });
      add(device, 'Parameters');
      add(device, 'Enabled', { value: String(!slot.bypass), id: id(), name: 'On/Off' });
    }
  }
  const metadata = new DOMImplementation().createDocument(null, 'MetaData');
  const title = metadata.createElement('Title');
  title.appendChild(metadata.createTextNode(xmlText(session.name)));
  (metadata.documentElement as Element).appendChild(title);
  // The same session makes the same bytes: no time of day in it.
  const mtime = new Date(session.exportedAt);
  const bytes = zipSync(
    { 'project.xml': strToU8(asText(document)), 'metadata.xml': strToU8(asText(metadata)) },
    { mtime, level: 6 },
  );
  return { bytes, leftOut: [...leftOut.values()] };
}

const asText = (document: Document): string =>
  `<?xml version="1.0" encoding="UTF-8"?>\n${new XMLSerializer().serializeToString(document)}`;

// XML 1.0 has no room for these, whatever they are escaped as.
const NO_XML = /[\u0000-\u0008\u000B\u000C\u000E-\u001F\uFFFE\uFFFF]/g;
const xmlText = (text: string): string => text.toWellFormed().replace(NO_XML, '');

/** A session that was read, or why it could not be, in words. */
export type ReadProject =
  | { readonly ok: true; readonly session: SessionDocument; readonly leftOut: number }
  | { readonly ok: false; readonly why: string };

const no = (why: string): ReadProject => ({ ok: false, why });

/** Reads the tracks and devices of a DAWproject as a session; everything else in it is passed over, and devices that are no plugins are counted. Never throws. */
export function readDawproject(bytes: Uint8Array, readAt: Date): ReadProject {
  if (bytes.length > MOST.bytes) return no('This file is larger than 64 MB, which no DAWproject without audio is.');
  let files: Readonly<Record<string, Uint8Array>>;
  const tooLarge: string[] = [];
  try {
    // Only the two texts are unpacked, and none that claims to be huge.
    files = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        if (name !== 'project.xml' && name !== 'metadata.xml') return false;
        if (originalSize > MOST.xml) tooLarge.push(name);
        return originalSize <= MOST.xml;
      },
    });
  } catch {
    return no('This is not a DAWproject: it is damaged, or not a ZIP file. Export it again.');
  }
  if (tooLarge.length > 0)
    return no('Its project.xml is larger than 16 MB. Export the tracks without their notes and automation.');
  const text = files['project.xml'];
  if (text === undefined) return no('This ZIP file has no project.xml, so it is no DAWproject.');
  const project = rootOf(text);
  if (project?.tagName !== 'Project') return no('Its project.xml can’t be understood. Export it again.');
  const metadata = files['metadata.xml'] === undefined ? null : rootOf(files['metadata.xml']);
  const title = metadata === null ? '' : (childrenOf(metadata, 'Title')[0]?.textContent ?? '');
  const plugins = new Map<string, PluginReference>();
  const lanes: LaneDocument[] = [];
  let leftOut = 0;
  for (const track of childrenOf(project, 'Structure').flatMap((structure) => tracksOf(structure))) {
    const [channel] = childrenOf(track, 'Channel');
    if (channel === undefined) continue;
    if (lanes.length >= MOST.lanes) {
      leftOut++;
      continue;
    }
    const own: SlotDocument[] = [];
    for (const device of childrenOf(channel, 'Devices').flatMap((devices) => childrenOf(devices))) {
      const format = FORMAT_OF.get(device.tagName);
      const reference = format === undefined ? null : referenceOf(device, format);
      if (reference === null || own.length >= MOST.devices) {
        leftOut++;
        continue;
      }
      plugins.set(reference.id, reference);
      const isOn = childrenOf(device, 'Enabled')[0]?.getAttribute('value') !== 'false';
      own.push({
        kind: slotOf(device.getAttribute('deviceRole')),
        plugin: reference.id,
        preset: null,
        sidechain: false,
        bypass: !isOn,
      });
    }
    lanes.push({
      name: nameOf(track.getAttribute('name'), `Track ${String(lanes.length + 1)}`),
      kind: kindOf(channel.getAttribute('role'), track.getAttribute('contentType'), own),
      width: channel.getAttribute('audioChannels') === '1' ? 'mono' : 'stereo',
      slots: own,
    });
  }
  if (lanes.length === 0) return no('This DAWproject has no tracks.');
  return {
    ok: true,
    leftOut,
    session: {
      schema: SESSION_SCHEMA,
      exportedAt: readAt.toISOString(),
      name: nameOf(title, 'Imported session'),
      plugins: [...plugins.values()],
      lanes,
    },
  };
}

function rootOf(bytes: Uint8Array): Element | null {
  try {
    const text = strFromU8(bytes);
    // Entities of its own are no part of the format, and a way to make much of little.
    if (/<!(?:DOCTYPE|ENTITY)/i.test(text)) return null;
    const parser = new DOMParser({ onError: () => undefined });
    return parser.parseFromString(text, 'text/xml').documentElement;
  } catch {
    return null;
  }
}

/** The child elements of a name, or all of them. */
function childrenOf(parent: Element, name?: string): Element[] {
  const found: Element[] = [];
  for (let node = parent.firstChild; node !== null; node = node.nextSibling)
    if (node.nodeType === 1 && (name === undefined || (node as Element).tagName === name)) found.push(node as Element);
  return found;
}

/** Tracks in order, those of groups after the group itself. Walked without recursion: groups may be nested to any depth. */
function tracksOf(structure: Element): Element[] {
  const found: Element[] = [];
  const waiting = childrenOf(structure, 'Track').reverse();
  for (let track = waiting.pop(); track !== undefined; track = waiting.pop()) {
    found.push(track);
    waiting.push(...childrenOf(track, 'Track').reverse());
  }
  return found;
}

const nameOf = (name: string | null, otherwise: string): string =>
  (name ?? '').trim().slice(0, MAX_NAME_LENGTH) || otherwise;

function referenceOf(device: Element, format: DeviceFormat): PluginReference | null {
  const identifier = (device.getAttribute('deviceID') ?? '').slice(0, 500);
  const name = nameOf(device.getAttribute('deviceName') ?? device.getAttribute('name'), '');
  if (identifier === '' && name === '') return null;
  const vendor = nameOf(device.getAttribute('deviceVendor'), '');
  return {
    id: asId<PluginId>(`dawproject ${format} ${identifier === '' ? name : identifier}`),
    name: name === '' ? identifier : name,
    vendor: vendor === '' ? null : vendor,
    builds: [{ format, identifier: identifier === '' ? null : identifier }],
  };
}

const slotOf = (role: string | null): SlotKind =>
  role === 'instrument' ? 'instrument' : role === 'noteFX' ? 'midi-effect' : 'insert';

function kindOf(role: string | null, content: string | null, slots: readonly SlotDocument[]): LaneKind {
  if (role === 'master') return 'master';
  if (role === 'effect' || role === 'submix' || role === 'vca') return 'bus';
  return (content ?? '').includes('notes') || slots.some((slot) => slot.kind !== 'insert') ? 'instrument' : 'audio';
}
