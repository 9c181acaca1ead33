const CPU_TYPES = { 'x86-64': 0x01000007, arm64: 0x0100000c, x86: 7 } as const;
/** A processor of a Mac. */
export type MacProcessor = keyof typeof CPU_TYPES;

const SLICE = 4096;
const BUNDLE = 8; // MH_BUNDLE

/** A macOS program without code for these processors: one is a thin file, several a universal one. Mach-O header, mach-o/loader.h and fat.h. */
export function machOFile(processors: readonly MacProcessor[]): Uint8Array {
  const [only] = processors;
  if (processors.length === 1 && only !== undefined) return thin(only);
  const bytes = new Uint8Array(SLICE * (processors.length + 1));
  const view = new DataView(bytes.buffer);
  view.setUint32(0, 0xcafebabe);
  view.setUint32(4, processors.length);
  processors.forEach((processor, index) => {
    const at = 8 + index * 20;
    view.setUint32(at, CPU_TYPES[processor]);
    view.setUint32(at + 8, SLICE * (index + 1));
    view.setUint32(at + 12, 32);
    view.setUint32(at + 16, 12);
    bytes.set(thin(processor), SLICE * (index + 1));
  });
  return bytes;
}

function thin(processor: MacProcessor): Uint8Array {
  const bytes = new Uint8Array(32);
  const view = new DataView(bytes.buffer);
  view.setUint32(0, processor === 'x86' ? 0xfeedface : 0xfeedfacf, true);
  view.setUint32(4, CPU_TYPES[processor], true);
  view.setUint32(12, BUNDLE, true);
  return bytes;
}
