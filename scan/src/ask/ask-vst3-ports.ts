import koffi from 'koffi';
import type { AskedPlugin, AskedPorts } from '@clever-drawer/core/facts/asked';
import type { Address } from './native.js';
import { callAt, method } from './native.js';

// VST3 interface headers, ivstcomponent.h and ivsthostapplication.h: the order of the functions, the fields of BusInfo, the interface ids.
const COMPONENT = Buffer.from('E831FF31F2D54301928EBBEE25697802', 'hex');
const HOST_APPLICATION = Buffer.from('58E595CCDB2D49698B6AAF8C36A664E5', 'hex');
const UNKNOWN = Buffer.from('0000000000000000C000000000000046', 'hex');
const BUS_INFO_BYTES = 276;
const BUS = { channels: 8, type: 268 };
const MAIN = 0;
const MEDIA = { audio: 0, event: 1 };
const DIRECTION = { in: 0, out: 1 };
const OK = 0;
const NO_INTERFACE = -1;
const NAME_UNITS = 128;
// More buses or channels than any desk has are a damaged answer.
const MAX_BUSES = 256;
const MAX_CHANNELS = 1024;

const CREATE = koffi.proto('int32_t vst3_create(void *self, uint8_t *cid, uint8_t *iid, _Out_ uint8_t *object)');
const INITIALIZE = koffi.proto('int32_t vst3_initialize(void *self, void *host)');
const PLAIN = koffi.proto('int32_t vst3_plain(void *self)');
const BUS_COUNT = koffi.proto('int32_t vst3_bus_count(void *self, int32_t media, int32_t direction)');
const BUS_INFO = koffi.proto(
  'int32_t vst3_bus_info(void *self, int32_t media, int32_t direction, int32_t index, _Out_ uint8_t *info)',
);
const HOST_QUERY = koffi.proto('int32_t vst3_host_query(void *self, void *id, void *object)');
const HOST_NAME = koffi.proto('int32_t vst3_host_name(void *self, void *name)');
const HOST_CREATE = koffi.proto('int32_t vst3_host_create(void *self, void *cid, void *iid, void *object)');

/** Asks the plugins of a module for their buses: each is made, initialised with a host that offers nothing, asked and ended. One that can't be made has no answer. */
export function askVst3Ports(factory: Address, plugins: readonly AskedPlugin[]): AskedPorts[] {
  return plugins.flatMap(({ identifier }) => {
    const found = Buffer.alloc(8);
    const cid = Buffer.from(identifier ?? '', 'hex');
    if (cid.length !== 16 || callAt(method(factory, 6), CREATE, factory, cid, COMPONENT, found) !== OK) return [];
    const component = found.readBigUInt64LE();
    if (component === 0n) return [];
    if (callAt(method(component, 3), INITIALIZE, component, theHost()) !== OK) return [];
    const ports = portsOf(component);
    callAt(method(component, 4), PLAIN, component);
    callAt(method(component, 2), PLAIN, component);
    return [{ identifier, ...ports }];
  });
}

function portsOf(component: Address): Omit<AskedPorts, 'identifier'> {
  const count = (media: number, direction: number): number =>
    Math.min(Math.max(0, callAt(method(component, 7), BUS_COUNT, component, media, direction) as number), MAX_BUSES);
  const channels = (direction: number) => {
    const sums = { main: 0, auxiliary: 0 };
    for (let index = 0; index < count(MEDIA.audio, direction); index++) {
      const info = Buffer.alloc(BUS_INFO_BYTES);
      if (callAt(method(component, 8), BUS_INFO, component, MEDIA.audio, direction, index, info) !== OK) continue;
      const own = Math.min(Math.max(0, info.readInt32LE(BUS.channels)), MAX_CHANNELS);
      if (info.readInt32LE(BUS.type) === MAIN) sums.main += own;
      else sums.auxiliary += own;
    }
    return sums;
  };
  const inputs = channels(DIRECTION.in);
  return {
    audioInputs: inputs.main,
    audioOutputs: channels(DIRECTION.out).main,
    sidechainInputs: inputs.auxiliary,
    midiInput: count(MEDIA.event, DIRECTION.in) > 0,
    midiOutput: count(MEDIA.event, DIRECTION.out) > 0,
  };
}

let host: Address = null;

/** The host that plugins meet: it tells its name and has nothing else to give. It lives as long as the process. */
function theHost(): Address {
  if (host !== null) return host;
  const query = koffi.register((self: Address, id: Address, object: Address) => {
    const wanted = Buffer.from(koffi.decode(id, 'uint8_t', 16) as Uint8Array);
    const isOurs = wanted.equals(UNKNOWN) || wanted.equals(HOST_APPLICATION);
    koffi.encode(object, 'void *', isOurs ? self : null);
    return isOurs ? OK : NO_INTERFACE;
  }, koffi.pointer(HOST_QUERY));
  const count = koffi.register(() => 1, koffi.pointer(PLAIN));
  const name = koffi.register((_self: Address, into: Address) => {
    const units = Array.from({ length: NAME_UNITS }, (_, at) => 'Clever Drawer'.charCodeAt(at) || 0);
    koffi.encode(into, 'uint16_t', units, NAME_UNITS);
    return OK;
  }, koffi.pointer(HOST_NAME));
  const create = koffi.register((_self: Address, _cid: Address, _iid: Address, object: Address) => {
    koffi.encode(object, 'void *', null);
    return NO_INTERFACE;
  }, koffi.pointer(HOST_CREATE));
  const table = koffi.alloc('void *', 5) as Address;
  [query, count, count, name, create].forEach((one, index) => koffi.encode(table, index * 8, 'void *', one));
  host = koffi.alloc('void *', 1) as Address;
  koffi.encode(host, 'void *', table);
  return host;
}
