import koffi from 'koffi';
import type { AskedPlugin } from '@clever-drawer/core/facts/asked';
import type { Address, Answered } from './native.js';
import { callAt, fieldText, method, Refused, symbolOf } from './native.js';
import { askVst3Ports } from './ask-vst3-ports.js';

// VST3 interface headers, ipluginbase.h: the order of the functions and the fields' lengths. Interface ids from memory.
const FACTORY2 = Buffer.from('0007B650F24B4C0BA464EDB9F00B2ABB', 'hex');
const FACTORY_INFO_BYTES = 64 + 256 + 128 + 4;
const CLASS_BYTES = 16 + 4 + 32 + 64;
const CLASS2_BYTES = CLASS_BYTES + 4 + 128 + 64 + 64 + 64;
const OK = 0;

const MODULE_ENTRY = koffi.proto('bool vst3_module_entry(void *handle)');
const GET_FACTORY = koffi.proto('void *vst3_get_factory()');
const QUERY = koffi.proto('int32_t vst3_query(void *self, uint8_t *id, _Out_ uint8_t *object)');
const FILL = koffi.proto('int32_t vst3_factory_info(void *self, _Out_ uint8_t *info)');
const COUNT = koffi.proto('int32_t vst3_count(void *self)');
const CLASS_INFO = koffi.proto('int32_t vst3_class_info(void *self, int32_t index, _Out_ uint8_t *info)');

// No module holds as many classes.
const MOST = 4096;

/** Asks a VST3 module for its classes, and then for their ports. Throws Refused when the module does not want to start. */
export function askVst3(library: Address): Answered {
  const getFactory = symbolOf(library, 'GetPluginFactory');
  if (getFactory === null) return { plugins: [] };
  const entry = symbolOf(library, process.platform === 'darwin' ? 'bundleEntry' : 'ModuleEntry');
  if (entry !== null && callAt(entry, MODULE_ENTRY, library) !== true)
    throw new Refused('its ModuleEntry() answered no');
  const factory = callAt(getFactory, GET_FACTORY) as Address;
  if (factory === null) throw new Refused('its GetPluginFactory() gave nothing');
  const info = Buffer.alloc(FACTORY_INFO_BYTES);
  callAt(method(factory, 3), FILL, factory, info);
  const factoryVendor = fieldText(info.subarray(0, 64));
  const found = Buffer.alloc(8);
  const second = callAt(method(factory, 0), QUERY, factory, FACTORY2, found) === OK ? found.readBigUInt64LE() : 0n;
  const object = second === 0n ? factory : second;
  const count = callAt(method(object, 4), COUNT, object) as number;
  const plugins = Array.from({ length: Math.min(Math.max(0, count), MOST) }, (_, index) => {
    const bytes = Buffer.alloc(second === 0n ? CLASS_BYTES : CLASS2_BYTES);
    const answer = callAt(method(object, second === 0n ? 5 : 7), CLASS_INFO, object, index, bytes);
    return answer === OK ? classOf(bytes, factoryVendor) : null;
  }).filter((one) => one !== null);
  return { plugins, ports: () => askVst3Ports(factory, plugins) };
}

function classOf(bytes: Buffer, factoryVendor: string | null): AskedPlugin | null {
  if (fieldText(bytes.subarray(20, 52)) !== 'Audio Module Class') return null;
  const base = {
    identifier: bytes.subarray(0, 16).toString('hex').toUpperCase(),
    name: fieldText(bytes.subarray(52, 116)),
    vendor: factoryVendor,
  };
  if (bytes.length < CLASS2_BYTES) return base;
  const field = (at: number, length: number): string | null => fieldText(bytes.subarray(at, at + length));
  return {
    ...base,
    declaredTypes: (field(120, 128) ?? '').split('|').filter((word) => word !== ''),
    vendor: field(248, 64) ?? factoryVendor,
    version: field(312, 64),
  };
}
