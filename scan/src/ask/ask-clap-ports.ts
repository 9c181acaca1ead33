import koffi from 'koffi';
import type { AskedPlugin, AskedPorts } from '@clever-drawer/core/facts/asked';
import type { Address } from './native.js';
import { callAt, pointerAt } from './native.js';

// CLAP 1.x, clap/plugin.h, clap/host.h, ext/audio-ports.h, ext/note-ports.h: where the functions and fields stand. Tried on real plugins.
const PLUGIN = { init: 16, destroy: 24, getExtension: 80 };
const PORTS = { count: 0, get: 8 };
const INFO_BYTES = 288;
const INFO = { flags: 260, channels: 264 };
const IS_MAIN = 1;
// More ports or channels than any desk has are a damaged answer.
const MAX_PORTS = 256;
const MAX_CHANNELS = 1024;

const CREATE = koffi.proto('void *clap_create(void *factory, void *host, const char *id)');
const INIT_PLUGIN = koffi.proto('bool clap_init_plugin(void *plugin)');
const DESTROY = koffi.proto('void clap_destroy(void *plugin)');
const EXTENSION = koffi.proto('void *clap_extension(void *plugin, const char *id)');
const PORT_COUNT = koffi.proto('uint32_t clap_port_count(void *plugin, bool is_input)');
const PORT_INFO = koffi.proto('bool clap_port_info(void *plugin, uint32_t index, bool is_input, _Out_ uint8_t *info)');
const HOST_EXTENSION = koffi.proto('void *clap_host_extension(void *host, const char *id)');
const HOST_REQUEST = koffi.proto('void clap_host_request(void *host)');
const HOST = koffi.struct({
  major: 'uint32',
  minor: 'uint32',
  revision: 'uint32',
  data: 'void *',
  name: 'const char *',
  vendor: 'const char *',
  url: 'const char *',
  version: 'const char *',
  get_extension: 'void *',
  request_restart: 'void *',
  request_process: 'void *',
  request_callback: 'void *',
});

/** Asks the plugins of a factory for their ports: each is made, initialised, asked and destroyed. One that can't be made has no answer. */
export function askClapPorts(factory: Address, plugins: readonly AskedPlugin[]): AskedPorts[] {
  return plugins.flatMap(({ identifier }) => {
    if (identifier === null) return [];
    const plugin = callAt(pointerAt(factory, 16), CREATE, factory, theHost(), identifier) as Address;
    if (plugin === null) return [];
    const isReady = callAt(pointerAt(plugin, PLUGIN.init), INIT_PLUGIN, plugin) === true;
    const ports = isReady ? [{ identifier, ...portsOf(plugin) }] : [];
    callAt(pointerAt(plugin, PLUGIN.destroy), DESTROY, plugin);
    return ports;
  });
}

function portsOf(plugin: Address): Omit<AskedPorts, 'identifier'> {
  const extension = (id: string): Address =>
    callAt(pointerAt(plugin, PLUGIN.getExtension), EXTENSION, plugin, id) as Address;
  const count = (ports: Address, isInput: boolean): number =>
    ports === null
      ? 0
      : Math.min(callAt(pointerAt(ports, PORTS.count), PORT_COUNT, plugin, isInput) as number, MAX_PORTS);
  const audio = extension('clap.audio-ports');
  const notes = extension('clap.note-ports');
  const channels = (isInput: boolean) => {
    const own = Array.from({ length: count(audio, isInput) }, (_, index) => {
      const info = Buffer.alloc(INFO_BYTES);
      const told = callAt(pointerAt(audio, PORTS.get), PORT_INFO, plugin, index, isInput, info) === true;
      const channelCount = Math.min(info.readUInt32LE(INFO.channels), MAX_CHANNELS);
      return { isMain: (info.readUInt32LE(INFO.flags) & IS_MAIN) !== 0, channels: told ? channelCount : 0 };
    });
    // A plugin need not say which of its ports is the main one: then all are.
    const main = own.some((one) => one.isMain) ? own.filter((one) => one.isMain) : own;
    const sum = (ports: typeof own): number => ports.reduce((all, one) => all + one.channels, 0);
    return { main: sum(main), auxiliary: sum(own) - sum(main) };
  };
  const inputs = channels(true);
  return {
    audioInputs: inputs.main,
    audioOutputs: channels(false).main,
    sidechainInputs: inputs.auxiliary,
    midiInput: count(notes, true) > 0,
    midiOutput: count(notes, false) > 0,
  };
}

let host: Address = null;

/** The host that plugins meet: it tells its name and has nothing else to give. It lives as long as the process. */
function theHost(): Address {
  if (host !== null) return host;
  const nothing = koffi.register(() => null, koffi.pointer(HOST_EXTENSION));
  const ignored = koffi.register(() => undefined, koffi.pointer(HOST_REQUEST));
  host = koffi.alloc(HOST, 1) as Address;
  koffi.encode(host, HOST, {
    ...{ major: 1, minor: 2, revision: 0, data: null },
    ...{ name: 'Clever Drawer', vendor: 'Clever Drawer', url: '', version: '1' },
    ...{ get_extension: nothing, request_restart: ignored, request_process: ignored, request_callback: ignored },
  });
  return host;
}
