import koffi from 'koffi';
import type { AskedPlugin } from '@clever-drawer/core/facts/asked';
import type { Address, Answered } from './native.js';
import { askClapPorts } from './ask-clap-ports.js';
import { callAt, clean, pointerAt, Refused, symbolOf } from './native.js';

// CLAP 1.x, clap/entry.h, clap/factory/plugin-factory.h, clap/plugin.h. Memory.
const VERSION = koffi.struct({ major: 'uint32', minor: 'uint32', revision: 'uint32' });
const PLUGIN_ENTRY = koffi.struct({ version: VERSION, init: 'void *', deinit: 'void *', get_factory: 'void *' });
const DESCRIPTOR = koffi.struct({
  version: VERSION,
  id: 'const char *',
  name: 'const char *',
  vendor: 'const char *',
  url: 'const char *',
  manual_url: 'const char *',
  support_url: 'const char *',
  plugin_version: 'const char *',
  description: 'const char *',
  features: 'void *',
});
const INIT = koffi.proto('bool clap_init(const char *path)');
const GET_FACTORY = koffi.proto('void *clap_get_factory(const char *id)');
const COUNT = koffi.proto('uint32_t clap_count(void *factory)');
const DESCRIBE = koffi.proto('void *clap_describe(void *factory, uint32_t index)');
const MAX_FEATURES = 100;
// No library holds as many.
const MOST = 4096;

interface Descriptor {
  id: string | null;
  name: string | null;
  vendor: string | null;
  plugin_version: string | null;
  description: string | null;
  features: Address;
}

/** Asks a CLAP for its plugins, and then for their ports. `path` is the bundle or file, as the entry wants it. Throws Refused when it does not want to start. */
export function askClap(library: Address, path: string): Answered {
  const address = symbolOf(library, 'clap_entry');
  if (address === null) return { plugins: [] };
  const entry = koffi.decode(address, PLUGIN_ENTRY) as { init: Address; get_factory: Address };
  if (callAt(entry.init, INIT, path) !== true) throw new Refused('its init() answered no');
  const factory = callAt(entry.get_factory, GET_FACTORY, 'clap.plugin-factory') as Address;
  if (factory === null) return { plugins: [] };
  const count = Math.min(callAt(pointerAt(factory), COUNT, factory) as number, MOST);
  const found: AskedPlugin[] = [];
  for (let index = 0; index < count; index++) {
    const described = callAt(pointerAt(factory, 8), DESCRIBE, factory, index) as Address;
    if (described === null) continue;
    const one = koffi.decode(described, DESCRIPTOR) as Descriptor;
    const features = featuresAt(one.features);
    found.push({
      identifier: clean(one.id),
      name: clean(one.name),
      vendor: clean(one.vendor),
      version: clean(one.plugin_version),
      description: clean(one.description),
      declaredTypes: features,
      // Notes are what makes an instrument or a note effect; other features leave it open.
      midiInput: features.includes('instrument') || features.includes('note-effect') ? true : null,
    });
  }
  return { plugins: found, ports: () => askClapPorts(factory, found) };
}

function featuresAt(list: Address): string[] {
  const found: string[] = [];
  for (let index = 0; list !== null && index < MAX_FEATURES; index++) {
    if (pointerAt(list, index * 8) === null) break;
    const word = clean(koffi.decode(list, index * 8, 'const char *') as string | null);
    if (word !== null) found.push(word);
  }
  return found;
}
