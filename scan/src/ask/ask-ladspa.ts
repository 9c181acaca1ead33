import koffi from 'koffi';
import type { AskedPlugin } from '@clever-drawer/core/facts/asked';
import type { Address } from './native.js';
import { callAt, clean, symbolOf } from './native.js';

// LADSPA 1.1, ladspa.h: LADSPA_Descriptor up to PortNames, and the flags of a port.
const DESCRIPTOR = koffi.struct({
  UniqueID: 'ulong',
  Label: 'const char *',
  Properties: 'int',
  Name: 'const char *',
  Maker: 'const char *',
  Copyright: 'const char *',
  PortCount: 'ulong',
  PortDescriptors: 'void *',
});
const PORT_INPUT = 1;
const PORT_OUTPUT = 2;
const PORT_AUDIO = 8;
const ENTRY = koffi.proto('void *ladspa_descriptor(unsigned long index)');

interface Descriptor {
  UniqueID: number;
  Label: string | null;
  Name: string | null;
  Maker: string | null;
  PortCount: number;
  PortDescriptors: Address;
}
// No library holds as many; one that never answers NULL would be asked for ever.
const MOST = 4096;

/** Asks a LADSPA library for its plugins. LADSPA knows no notes and no version. */
export function askLadspa(library: Address): AskedPlugin[] {
  const entry = symbolOf(library, 'ladspa_descriptor');
  if (entry === null) return [];
  const found: AskedPlugin[] = [];
  for (let index = 0; index < MOST; index++) {
    const address = callAt(entry, ENTRY, index) as Address;
    if (address === null) break;
    const one = koffi.decode(address, DESCRIPTOR) as Descriptor;
    const ports = one.PortDescriptors === null ? [] : portsAt(one.PortDescriptors, one.PortCount);
    const audio = ports.filter((port) => (port & PORT_AUDIO) !== 0);
    found.push({
      identifier: `${String(one.UniqueID)}/${one.Label ?? ''}`,
      name: clean(one.Name) ?? clean(one.Label),
      vendor: clean(one.Maker),
      audioInputs: audio.filter((port) => (port & PORT_INPUT) !== 0).length,
      audioOutputs: audio.filter((port) => (port & PORT_OUTPUT) !== 0).length,
      midiInput: false,
      midiOutput: false,
    });
  }
  return found;
}

const portsAt = (address: Address, count: number): number[] => [...(koffi.decode(address, 'int', count) as Int32Array)];
