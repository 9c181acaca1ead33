import { versionText } from './vst2-version.js';
import koffi from 'koffi';
import { VST2_CATEGORIES } from '@clever-drawer/core/catalogue/declared-types';
import type { AskedPlugin } from '@clever-drawer/core/facts/asked';
import type { Address } from './native.js';
import { callAt, fieldText, Refused, symbolOf } from './native.js';

// The VST2 effect block and the numbers of its questions. Memory.
const EFFECT = koffi.struct({
  magic: 'int32',
  dispatcher: 'void *',
  process: 'void *',
  setParameter: 'void *',
  getParameter: 'void *',
  numPrograms: 'int32',
  numParams: 'int32',
  numInputs: 'int32',
  numOutputs: 'int32',
  flags: 'int32',
  reserved1: 'intptr_t',
  reserved2: 'intptr_t',
  initialDelay: 'int32',
  realQualities: 'int32',
  offQualities: 'int32',
  ioRatio: 'float',
  object: 'void *',
  user: 'void *',
  uniqueID: 'int32',
  version: 'int32',
});
interface Effect {
  magic: number;
  dispatcher: Address;
  numPrograms: number;
  numInputs: number;
  numOutputs: number;
  flags: number;
  uniqueID: number;
  version: number;
}
const MAGIC = 0x56737450; // "VstP"
const IS_SYNTH = 1 << 8;
const ASK = {
  open: 0,
  programName: 29,
  category: 35,
  name: 45,
  vendor: 47,
  product: 48,
  version: 49,
  canDo: 51,
  nextInShell: 70,
};
const SHELL = VST2_CATEGORIES.indexOf('shell');
const FIELD_BYTES = 512;
const MOST = 4096;
const MAX_PROGRAMS = 1024;

const DISPATCH = koffi.proto(
  'intptr_t vst2_dispatch(void *effect, int32_t opcode, int32_t index, intptr_t value, _Inout_ uint8_t *text, float option)',
);
const HOST = koffi.proto(
  'intptr_t vst2_host(void *effect, int32_t opcode, int32_t index, intptr_t value, void *text, float option)',
);
const MAIN = koffi.proto('void *vst2_main(void *host)');

// What a plugin may ask of the host while it starts: the interface's version, and which plugin of a shell is wanted.
const HOST_VERSION = 1;
const HOST_CURRENT_ID = 2;
let wanted = 0;
const host = koffi.register((_effect: Address, opcode: number) => {
  if (opcode === HOST_VERSION) return 2400;
  return opcode === HOST_CURRENT_ID ? wanted : 0;
}, koffi.pointer(HOST));

/** Asks a VST2 library for its plugin, or for those of a shell. Throws Refused when it does not want to start. */
export function askVst2(library: Address): AskedPlugin[] {
  const newer = symbolOf(library, 'VSTPluginMain');
  const isOlder = newer === null;
  const entry = newer ?? symbolOf(library, 'main');
  if (entry === null) return [];
  wanted = 0;
  const effect = start(entry);
  // Any library may export a "main": only the answer tells whether that is a plugin's.
  if (effect === null && isOlder) return [];
  if (effect === null) throw new Refused('its VSTPluginMain() gave no VST2 plugin');
  const first = new Instance(effect);
  if (first.category() !== SHELL) return [first.describe()];
  const listed: { id: number; name: string | null }[] = [];
  for (let id = first.nextInShell(); id.id !== 0 && listed.length < MOST; id = first.nextInShell()) listed.push(id);
  return listed.map(({ id, name }) => {
    wanted = id;
    const started = start(entry);
    // The shell lists it and does not bring it: then its name is all that is known.
    if (started === null) return { identifier: hex(id), name };
    const one = new Instance(started).describe();
    return { ...one, identifier: hex(id), name: name ?? one.name ?? null };
  });
}

/** A plugin's block by its entry; null when it gives none, or one without the magic word. */
function start(entry: Address): Address {
  const effect = callAt(entry, MAIN, host) as Address;
  if (effect === null) return null;
  return (koffi.decode(effect, EFFECT) as Effect).magic === MAGIC ? effect : null;
}

class Instance {
  private readonly block: Effect;

  constructor(private readonly effect: Address) {
    this.block = koffi.decode(effect, EFFECT) as Effect;
    this.ask(ASK.open);
  }

  category(): number {
    return this.ask(ASK.category).value;
  }

  nextInShell(): { id: number; name: string | null } {
    const { value, text } = this.ask(ASK.nextInShell);
    return { id: value, name: text };
  }

  describe(): AskedPlugin {
    const isSynth = (this.block.flags & IS_SYNTH) !== 0;
    const category = VST2_CATEGORIES[this.category()] ?? 'unknown';
    const takesNotes = isSynth || this.ask(ASK.canDo, 'receiveVstMidiEvent').value > 0;
    const product = this.ask(ASK.product).text;
    const version = this.ask(ASK.version).value || this.block.version;
    return {
      identifier: hex(this.block.uniqueID),
      name: this.ask(ASK.name).text ?? product,
      product,
      programs: this.programs(),
      vendor: this.ask(ASK.vendor).text,
      version: version === 0 ? null : versionText(version),
      declaredTypes: isSynth ? ['synth'] : category === 'unknown' ? [] : [category],
      audioInputs: this.block.numInputs,
      audioOutputs: this.block.numOutputs,
      midiInput: takesNotes,
    };
  }

  /** The names of its programs; those without one are left out. */
  private programs(): string[] {
    const count = Math.min(Math.max(0, this.block.numPrograms), MAX_PROGRAMS);
    if (count < 2) return [];
    return Array.from({ length: count }, (_, index) => this.ask(ASK.programName, '', index).text).filter(
      (name) => name !== null,
    );
  }

  private ask(opcode: number, text = '', index = 0): { value: number; text: string | null } {
    const bytes = Buffer.alloc(FIELD_BYTES);
    bytes.write(text);
    const value = Number(callAt(this.block.dispatcher, DISPATCH, this.effect, opcode, index, 0, bytes, 0));
    return { value, text: fieldText(bytes) };
  }
}

const hex = (id: number): string => (id >>> 0).toString(16).toUpperCase().padStart(8, '0');
