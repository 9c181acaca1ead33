import type { BuildFacts, Told } from './build-facts.js';
import { overlay, unknownFacts } from './build-facts.js';
import type { Fault } from './fault.js';
import { readBinary } from './binary/read-binary.js';
import type { FoundPreset, Place, ProjectMaker, Reading } from './place.js';
import { decodeText, MAX_DESCRIPTION_BYTES, stem } from './place.js';
import { partsOf } from './read-binary-file.js';
import { BRAND, Graph, RDF_TYPE } from './turtle.js';

const LV2 = 'http://lv2plug.in/ns/lv2core#';
const ATOM = 'http://lv2plug.in/ns/ext/atom#';
const EVENT = 'http://lv2plug.in/ns/ext/event#';
const MIDI = 'http://lv2plug.in/ns/ext/midi#MidiEvent';
const PRESETS = 'http://lv2plug.in/ns/ext/presets#';
const PRESET = `${PRESETS}Preset`;
/** The bank that a preset belongs to, and whose label is its name. LV2 presets extension. */
const PRESET_BANK = `${PRESETS}bank`;
const DOAP = 'http://usefulinc.com/ns/doap#';
const RDFS = 'http://www.w3.org/2000/01/rdf-schema#';
const FOAF_NAME = 'http://xmlns.com/foaf/0.1/name';
const SEE_ALSO = `${RDFS}seeAlso`;
const PORT_PROPERTY = `${LV2}portProperty`;
/** A port that only steers: LV2 core, "isSideChain". */
const STEERING = new Set([`${LV2}isSideChain`]);
const DC_REPLACES = 'http://purl.org/dc/terms/replaces';

/** What this reader asks for: ports alone make most of a description, and of their properties it wants three. */
const WANTED = new Set([
  ...[RDF_TYPE, SEE_ALSO, PORT_PROPERTY, `${RDFS}comment`, `${RDFS}label`, DC_REPLACES, FOAF_NAME, PRESET_BANK],
  ...['name', 'shortdesc', 'description', 'maintainer', 'developer'].map((name) => DOAP + name),
  ...['project', 'port', 'binary', 'minorVersion', 'microVersion', 'appliesTo'].map((name) => LV2 + name),
  ...[`${ATOM}supports`, `${EVENT}supportsEvent`],
]);

// Files inside the bundle are resolved against this; it never leaves the reader.
const BASE = 'bundle:///';

/** Reads an LV2 bundle: manifest.ttl and what it refers to. A data-only bundle (presets, the specification) has no builds. LV2 specification. */
export async function readLv2(place: Place): Promise<Reading> {
  const faults: Fault[] = [];
  const graph = new Graph(WANTED);
  if ((await place.size('manifest.ttl')) === null) {
    const detail = 'manifest.ttl';
    return { builds: [], faults: [{ code: 'bundle-without-manifest', path: place.path, detail }] };
  }
  const loaded = new Set<string>();
  const load = async (inside: string): Promise<boolean> => {
    if (loaded.has(inside)) return true;
    loaded.add(inside);
    const bytes = await place.whole(inside, MAX_DESCRIPTION_BYTES);
    if (!bytes.ok) {
      faults.push(bytes.fault);
      return false;
    }
    const fault = graph.add(decodeText(bytes.value), BASE + encodeURI(inside), `${place.path}/${inside}`);
    if (fault !== null) faults.push(fault);
    return fault === null;
  };
  await load('manifest.ttl');
  for (const file of await filesOfProjects(graph, place)) await load(file);
  const plugins = graph.subjectsOfType(`${LV2}Plugin`);
  const builds: BuildFacts[] = [];
  for (const uri of plugins) {
    let whole = true;
    for (const iri of graph.nodes(uri, SEE_ALSO)) {
      const file = await fileAt(place, iri);
      // Description in another format (a web page, say) is not ours to parse; an absent file is, and has a fault.
      if (file !== null && /\.(ttl|n3|nt)$/i.test(file)) whole = (await load(file)) && whole;
    }
    // A plugin whose own description broke off is a fault, not a half-known entry in the catalogue.
    if (!whole) continue;
    builds.push(await factsOf(graph, uri, place, faults));
  }
  for (const file of await filesOfNamelessPresets(graph, place)) await load(file);
  const projects = graph
    .subjectsOfType(`${DOAP}Project`)
    .map((project) => ({ project, maker: makerOf(graph, [project]) }))
    .filter((one): one is ProjectMaker => one.maker !== null);
  const ofProjects = builds.flatMap(({ identifier, vendor }): { identifier: string; project: string }[] => {
    const [project] = identifier === null || vendor !== null ? [] : projectsOf(graph, identifier);
    return identifier === null || project === undefined ? [] : [{ identifier, project }];
  });
  return { builds, faults, presets: presetsOf(graph), projects, ofProjects, leftOut: { reason: 'data-only' } };
}

/** The file that an IRI names. A hash in it should begin a fragment, but bundles exist that mean a file with a hash in its name, and liblilv agrees. */
async function fileAt(place: Place, iri: string): Promise<string | null> {
  const whole = insideOf(iri);
  if (whole === null || !whole.includes('#')) return whole;
  return (await place.size(whole)) === null ? whole.replace(/#.*$/, '') : whole;
}

function insideOf(iri: string): string | null {
  if (!iri.startsWith(BASE)) return null;
  try {
    return decodeURIComponent(iri.slice(BASE.length));
  } catch {
    return iri.slice(BASE.length);
  }
}

async function factsOf(graph: Graph, uri: string, place: Place, faults: Fault[]): Promise<BuildFacts> {
  const told: Told = {
    name: graph.text(uri, `${DOAP}name`),
    vendor: makerOf(graph, [uri, ...projectsOf(graph, uri)]),
    version: versionOf(graph, uri),
    description: descriptionOf(graph, uri),
    declaredTypes: graph
      .types(uri)
      // What is said of the project that a plugin is says nothing of what it does.
      .filter((type) => type !== `${LV2}Plugin` && !type.startsWith(DOAP))
      .map(shortClass),
    ...portsOf(graph, uri),
  };
  const byPerson = overlay(unknownFacts('LV2', place.path, stem(place.name)), told, 'manifest');
  // A brand is who it is by, and the person behind it is kept beside.
  const described = overlay(byPerson, { vendor: graph.text(uri, BRAND) }, 'manifest');
  const architectures = await architecturesOf(graph, uri, place, faults);
  return {
    ...overlay(described, { architectures }, 'header'),
    identifier: uri,
    replaces: graph.nodes(uri, DC_REPLACES),
  };
}

const shortClass = (type: string): string => (type.startsWith(LV2) ? type.slice(LV2.length) : type);

function descriptionOf(graph: Graph, uri: string): string | null {
  const texts = [`${DOAP}shortdesc`, `${RDFS}comment`, `${DOAP}description`].map((name) => graph.text(uri, name));
  // "..." stands where a generator wanted something.
  return texts.find((text) => text !== null && /\p{L}{2}/u.test(text)) ?? null;
}

const projectsOf = (graph: Graph, uri: string): string[] => graph.nodes(uri, `${LV2}project`);

/** Maker of a plugin, else of the project it belongs to. The order of properties is liblilv's, plus the developer. */
function makerOf(graph: Graph, subjects: readonly string[]): string | null {
  for (const subject of subjects) {
    for (const property of [`${DOAP}maintainer`, `${DOAP}developer`]) {
      for (const maker of graph.nodes(subject, property)) {
        const name = graph.text(maker, FOAF_NAME);
        if (name !== null) return name;
      }
    }
  }
  return null;
}

function versionOf(graph: Graph, uri: string): string | null {
  const minor = graph.text(uri, `${LV2}minorVersion`);
  const micro = graph.text(uri, `${LV2}microVersion`);
  return minor === null && micro === null ? null : `${minor ?? '0'}.${micro ?? '0'}`;
}

function portsOf(graph: Graph, uri: string): Told {
  const ports = {
    ...{ audioInputs: 0, audioOutputs: 0, sidechainInputs: 0, controlInputs: 0, controlOutputs: 0 },
    ...{ midiInput: false, midiOutput: false },
  };
  const described = graph.nodes(uri, `${LV2}port`);
  // A description without any port has left them out.
  if (described.length === 0) return {};
  for (const port of described) {
    const types = graph.types(port);
    const into = types.includes(`${LV2}InputPort`);
    const out = types.includes(`${LV2}OutputPort`);
    if (types.includes(`${LV2}AudioPort`)) {
      const steers = into && graph.nodes(port, PORT_PROPERTY).some((property) => STEERING.has(property));
      if (steers) ports.sidechainInputs++;
      else if (into) ports.audioInputs++;
      if (out) ports.audioOutputs++;
    }
    if (types.includes(`${LV2}CVPort`)) {
      if (into) ports.controlInputs++;
      if (out) ports.controlOutputs++;
    }
    const events = [...graph.nodes(port, `${ATOM}supports`), ...graph.nodes(port, `${EVENT}supportsEvent`)];
    if (events.includes(MIDI)) {
      ports.midiInput ||= into;
      ports.midiOutput ||= out;
    }
  }
  return ports;
}

async function architecturesOf(graph: Graph, uri: string, place: Place, faults: Fault[]) {
  const [iri] = graph.nodes(uri, `${LV2}binary`);
  const binary = iri === undefined ? null : await fileAt(place, iri);
  if (binary === null) return [];
  const size = await place.size(binary);
  const path = `${place.path}/${binary}`;
  if (size === null) {
    faults.push({ code: 'binary-missing', path: place.path, detail: binary });
    return [];
  }
  if (size === 0) {
    faults.push({ code: 'binary-empty', path });
    return [];
  }
  const header = await readBinary(partsOf(place, binary), 'header');
  if (header === null) faults.push({ code: 'binary-unrecognised', path });
  return header?.architectures ?? [];
}

const MAX_PROJECT_FILES = 20;

/** Files that describe a project, which plugins of other bundles may belong to. */
async function filesOfProjects(graph: Graph, place: Place): Promise<string[]> {
  const files = new Set<string>();
  for (const project of graph.subjectsOfType(`${DOAP}Project`)) {
    for (const iri of graph.nodes(project, SEE_ALSO)) {
      const file = await fileAt(place, iri);
      if (file !== null && /\.ttl$/i.test(file)) files.add(file);
    }
  }
  return [...files].slice(0, MAX_PROJECT_FILES);
}

const MAX_PRESET_FILES = 500;

/** Files that describe presets which the manifest gives no name: one bundle may hold a file for each preset, so their number has a limit. */
async function filesOfNamelessPresets(graph: Graph, place: Place): Promise<string[]> {
  const files = new Set<string>();
  for (const preset of graph.subjectsOfType(PRESET)) {
    if (graph.text(preset, `${RDFS}label`) !== null) continue;
    for (const iri of graph.nodes(preset, SEE_ALSO)) {
      const file = await fileAt(place, iri);
      if (file !== null && /\.ttl$/i.test(file)) files.add(file);
    }
  }
  return [...files].slice(0, MAX_PRESET_FILES);
}

function presetsOf(graph: Graph): FoundPreset[] {
  return graph.subjectsOfType(PRESET).flatMap((preset) => {
    const name = graph.text(preset, `${RDFS}label`) ?? lastPart(preset);
    const [bankNode] = graph.nodes(preset, PRESET_BANK);
    const bank = bankNode === undefined ? null : (graph.text(bankNode, `${RDFS}label`) ?? lastPart(bankNode));
    return graph.nodes(preset, `${LV2}appliesTo`).map((appliesTo) => ({ appliesTo, key: preset, name, bank }));
  });
}

/** What stands behind the last slash, colon or hash of a URI: a name of last resort. */
const lastPart = (uri: string): string => /[^/#:]+$/.exec(uri)?.[0] ?? uri;
