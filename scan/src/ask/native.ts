import koffi, { type TypeObject } from 'koffi';
import type { AskedPlugin, AskedPorts } from '@clever-drawer/core/facts/asked';

/** An address in the process; 0 or null is none. */
export type Address = bigint | null;

const process_ = koffi.load(null);
const dlopen = process_.func('void *dlopen(const char *path, int flags)') as (path: string, flags: number) => Address;
const dlsym = process_.func('void *dlsym(void *handle, const char *name)') as (
  handle: Address,
  name: string,
) => Address;
const dlerror = process_.func('const char *dlerror()') as () => string | null;

const RTLD_LAZY = 1;
const RTLD_GLOBAL = process.platform === 'darwin' ? 8 : 0x100;

/** The plugin's file could not be loaded, in the system's words. */
export class Refused extends Error {}

/** Loads a shared library for itself alone. Throws Refused. It is never unloaded: the process ends instead. */
export function openLibrary(path: string): Address {
  const handle = dlopen(path, RTLD_LAZY);
  if (handle === null) throw new Refused((dlerror() ?? 'no reason given').replaceAll(path, 'it'));
  return handle;
}

/** Real hosts bring libraries along that plugins forget to name as needed. Common practice. What is not there is left out. */
export function preloadCommonLibraries(): void {
  for (const name of ['libm.so.6', 'libpthread.so.0', 'libdl.so.2', 'libgcc_s.so.1', 'libstdc++.so.6']) {
    dlopen(name, RTLD_LAZY | RTLD_GLOBAL);
  }
}

/** The address of an exported symbol; null when there is none. */
export const symbolOf = (library: Address, name: string): Address => dlsym(library, name);

/** Calls a function at an address. */
export const callAt = (address: Address, prototype: TypeObject, ...values: unknown[]): unknown =>
  koffi.call(address, prototype, ...values);

/** The pointer stored at an address. */
export const pointerAt = (address: Address, offset = 0): Address => koffi.decode(address, offset, 'void *') as Address;

/** The n-th function of an object: its first pointer leads to the table of them. */
export const method = (object: Address, index: number): Address => pointerAt(pointerAt(object), index * 8);

/** What a library answered; `ports` asks its plugins for theirs, which starts them, and so comes second. */
export interface Answered {
  readonly plugins: readonly AskedPlugin[];
  readonly ports?: () => AskedPorts[];
}

/** The text up to the first zero in a field of fixed length, trimmed; null for none. */
export function fieldText(bytes: Uint8Array): string | null {
  const end = bytes.indexOf(0);
  return clean(new TextDecoder('utf-8').decode(end < 0 ? bytes : bytes.subarray(0, end)));
}

/** Text as a plugin gave it, trimmed; null when nothing is left. */
export const clean = (text: string | null | undefined): string | null => text?.trim() || null;
