import { descriptionOf } from '../descriptions.js';
import type { DemoPreset } from '../presets.js';
import type { DemoPlugin } from '../studio.js';
import { roleOf } from '../studio.js';

/** LV2 class of a kind, where the core specification has one. */
const CLASSES: Readonly<Record<string, string>> = {
  eq: 'EQPlugin',
  compressor: 'CompressorPlugin',
  reverb: 'ReverbPlugin',
  limiter: 'LimiterPlugin',
  delay: 'DelayPlugin',
  chorus: 'ChorusPlugin',
  filter: 'FilterPlugin',
  gate: 'GatePlugin',
  tremolo: 'ModulatorPlugin',
  vibrato: 'ModulatorPlugin',
  rotary: 'ModulatorPlugin',
  'auto-pan': 'ModulatorPlugin',
  panner: 'SpatialPlugin',
  ambisonics: 'SpatialPlugin',
  surround: 'SpatialPlugin',
  utility: 'UtilityPlugin',
  velocity: 'MIDIPlugin',
};

/** Kinds that listen to a sidechain. */
const STEERED: ReadonlySet<string> = new Set(['compressor', 'gate']);

const PREFIXES = `@prefix lv2: <http://lv2plug.in/ns/lv2core#> .
@prefix rdfs: <http://www.w3.org/2000/01/rdf-schema#> .
@prefix doap: <http://usefulinc.com/ns/doap#> .
@prefix foaf: <http://xmlns.com/foaf/0.1/> .
@prefix atom: <http://lv2plug.in/ns/ext/atom#> .
@prefix midi: <http://lv2plug.in/ns/ext/midi#> .
@prefix pset: <http://lv2plug.in/ns/ext/presets#> .
`;

const literal = (text: string): string => JSON.stringify(text);

/** What an LV2 bundle is to say. */
export interface Lv2Wish {
  readonly plugin: DemoPlugin;
  readonly uri: string;
  readonly name: string;
  readonly vendor: string;
  readonly channels: 1 | 2;
  /** The name in further languages, by language tag. */
  readonly names?: Readonly<Record<string, string>>;
  readonly presets: readonly DemoPreset[];
}

/** The text files of an LV2 bundle with one plugin; the binary is plugin.dylib. */
export function lv2Files(wishes: readonly Lv2Wish[]): Record<string, string> {
  const files: Record<string, string> = {};
  const manifest = wishes.map(({ uri }, index) => {
    const file = `plugin${index === 0 ? '' : String(index + 1)}.ttl`;
    return `<${uri}> a lv2:Plugin ;\n  lv2:binary <plugin.dylib> ;\n  rdfs:seeAlso <${file}> .\n`;
  });
  const presets = wishes.flatMap(({ uri, presets: own }) => [
    ...own.map(({ name, bank }, at) => {
      const inBank = bank === null ? '' : `  pset:bank <${uri}#${encodeURIComponent(bank)}> ;\n`;
      return `<${uri}#preset${String(at + 1)}> a pset:Preset ;\n  lv2:appliesTo <${uri}> ;\n${inBank}  rdfs:label ${literal(name)} .\n`;
    }),
    ...[...new Set(own.map(({ bank }) => bank))]
      .filter((bank) => bank !== null)
      .map((bank) => `<${uri}#${encodeURIComponent(bank)}> a pset:Bank ;\n  rdfs:label ${literal(bank)} .\n`),
  ]);
  files['manifest.ttl'] = PREFIXES + [...manifest, ...presets].join('\n');
  wishes.forEach((wish, index) => {
    files[`plugin${index === 0 ? '' : String(index + 1)}.ttl`] = PREFIXES + describe(wish);
  });
  return files;
}

/** Audio inputs and outputs: instruments and generators have no inputs, MIDI effects neither. */
function audioPorts(kind: string, channels: number): [inputs: number, outputs: number] {
  const role = roleOf(kind);
  if (role === 'midi-effect') return [0, 0];
  if (role === 'instrument' || kind === 'test-generator') return [0, channels];
  if (kind === 'surround') return [2, 6];
  if (kind === 'ambisonics') return [1, 4];
  return [channels, channels];
}

function describe({ plugin, uri, name, vendor, channels, names = {} }: Lv2Wish): string {
  const role = roleOf(plugin.kind);
  const declared =
    role === 'instrument' ? 'InstrumentPlugin' : role === 'tool' ? 'AnalyserPlugin' : CLASSES[plugin.kind];
  const type = declared === undefined ? 'lv2:Plugin' : `lv2:Plugin , lv2:${declared}`;
  const [audioIn, audioOut] = audioPorts(plugin.kind, channels);
  const ports: string[] = [];
  const port = (kind: string, symbol: string, more = ''): void => {
    ports.push(
      `[ a ${kind} ; lv2:index ${String(ports.length)} ; lv2:symbol "${symbol}" ; lv2:name "${symbol}"${more} ]`,
    );
  };
  const notes = ' ; atom:supports midi:MidiEvent ; atom:bufferType atom:Sequence';
  if (role === 'instrument' || role === 'midi-effect') port('lv2:InputPort , atom:AtomPort', 'notes_in', notes);
  if (role === 'midi-effect') port('lv2:OutputPort , atom:AtomPort', 'notes_out', notes);
  for (let index = 1; index <= audioIn; index++) port('lv2:InputPort , lv2:AudioPort', `in_${String(index)}`);
  if (STEERED.has(plugin.kind)) port('lv2:InputPort , lv2:AudioPort', 'key_in', ' ; lv2:portProperty lv2:isSideChain');
  for (let index = 1; index <= audioOut; index++) port('lv2:OutputPort , lv2:AudioPort', `out_${String(index)}`);
  port('lv2:InputPort , lv2:ControlPort', 'amount', ' ; lv2:default 0.5 ; lv2:minimum 0.0 ; lv2:maximum 1.0');
  const description = descriptionOf(plugin);
  const comment = description === null ? '' : `  rdfs:comment ${literal(description)} ;\n`;
  const otherNames = Object.entries(names).map(([tag, text]) => ` , ${literal(text)}@${tag}`);
  return `<${uri}> a ${type} ;
  doap:name ${literal(name)}${otherNames.join('')} ;
  doap:maintainer [ foaf:name ${literal(vendor)} ] ;
${comment}  lv2:minorVersion ${String(plugin.number % 5)} ; lv2:microVersion ${String((plugin.number * 2) % 8)} ;
  lv2:port ${ports.join(' , ')} .
`;
}
