import { Format, NtExecutable, NtExecutableResource } from 'pe-library';
import { Resource } from 'resedit';

/** What a Windows binary is to say of itself. */
export interface PeWish {
  readonly machine: 'x86-64' | 'x86' | 'arm64';
  readonly exports: readonly string[];
  readonly version?: Readonly<Record<string, string>>;
}

const MACHINES = { 'x86-64': 0x8664, x86: 0x14c, arm64: 0xaa64 } as const;
const { ImageDirectoryEntry } = Format;
const CHARACTERISTICS = 0x40000040; // initialised data, readable

/** A Windows library without code: header, export table, version resource. Microsoft PE Format. */
export function peFile({ machine, exports, version = {} }: PeWish): Uint8Array {
  const exe = NtExecutable.createEmpty(machine === 'x86', true);
  exe.newHeader.fileHeader.machine = MACHINES[machine];
  const put = (rva: number): void => {
    const data = exportTable(exports, rva);
    const info = {
      name: '.edata',
      virtualSize: data.byteLength,
      virtualAddress: 0,
      sizeOfRawData: data.byteLength,
      pointerToRawData: 0,
      pointerToRelocations: 0,
      pointerToLineNumbers: 0,
      numberOfRelocations: 0,
      numberOfLineNumbers: 0,
      characteristics: CHARACTERISTICS,
    };
    exe.setSectionByEntry(ImageDirectoryEntry.Export, { info, data });
  };
  put(0);
  // The table holds addresses of its own parts, and the library only now tells where it lies.
  put(exe.getSectionByEntry(ImageDirectoryEntry.Export)?.info.virtualAddress ?? 0);
  if (Object.keys(version).length > 0) {
    const resource = NtExecutableResource.from(exe);
    const info = Resource.VersionInfo.createEmpty();
    info.setStringValues({ lang: 1033, codepage: 1200 }, version);
    info.outputToResourceEntries(resource.entries);
    resource.outputResource(exe);
  }
  return new Uint8Array(exe.generate());
}

function exportTable(names: readonly string[], rva: number): ArrayBuffer {
  const sorted = [...names].sort();
  const functions = 40;
  const pointers = functions + sorted.length * 4;
  const ordinals = pointers + sorted.length * 4;
  const texts = ordinals + sorted.length * 2;
  const encoded = sorted.map((name) => new TextEncoder().encode(`${name}\0`));
  const bytes = new Uint8Array(texts + encoded.reduce((sum, text) => sum + text.length, 0));
  const view = new DataView(bytes.buffer);
  view.setUint32(12, rva + texts, true);
  view.setUint32(16, 1, true);
  view.setUint32(20, sorted.length, true);
  view.setUint32(24, sorted.length, true);
  view.setUint32(28, rva + functions, true);
  view.setUint32(32, rva + pointers, true);
  view.setUint32(36, rva + ordinals, true);
  let at = texts;
  encoded.forEach((text, index) => {
    view.setUint32(functions + index * 4, rva, true);
    view.setUint32(pointers + index * 4, rva + at, true);
    view.setUint16(ordinals + index * 2, index, true);
    bytes.set(text, at);
    at += text.length;
  });
  return bytes.buffer;
}
