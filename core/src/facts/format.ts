/** The plugin formats that are told apart. */
export const FORMATS = ['LV2', 'VST3', 'VST2', 'AU', 'CLAP', 'LADSPA', 'AAX'] as const;
/** A plugin format. */
export type Format = (typeof FORMATS)[number];

/** Processor architectures as they are written in reports. */
export const ARCHITECTURES = ['x86-64', 'x86', 'arm64', 'arm', 'ppc', 'riscv64'] as const;
/** A processor that a binary is for. */
export type Architecture = (typeof ARCHITECTURES)[number];

/** The systems that a studio computer runs. */
export const SYSTEMS = ['linux', 'mac', 'windows'] as const;
/** An operating system that a studio computer runs. */
export type System = (typeof SYSTEMS)[number];
