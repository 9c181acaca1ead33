import type { Architecture } from './format.js';
import type { BinaryKind } from './binary/binary-facts.js';
import type { Fault, Outcome } from './fault.js';
import type { BuildFacts, PresetFacts } from './build-facts.js';
import type { LeftOut } from './left-out.js';

/**
 * One place on disk that may hold plugins: a bundle (folder) or a single file. Read-only, and injected, so that readers know no disk.
 * Paths inside are relative with forward slashes; '' is the place itself.
 */
export interface Place {
  readonly path: string;
  /** Last component of the path: "Plate.vst3". */
  readonly name: string;
  readonly isFolder: boolean;
  /** Names in a folder of the bundle, sorted; empty when there is no such folder. */
  list(inside: string): Promise<string[]>;
  /** Size in bytes; null when there is no such file. */
  size(inside: string): Promise<number | null>;
  /** The whole file, unless it is larger than the limit (fault file-too-large). */
  whole(inside: string, limit: number): Promise<Outcome<Uint8Array>>;
  /** At most `length` bytes from `offset`; shorter at the end of the file. */
  part(inside: string, offset: number, length: number): Promise<Outcome<Uint8Array>>;
}

/** A preset found on disk, for a plugin that may live elsewhere. */
export interface FoundPreset extends PresetFacts {
  /** LV2 URI, VST3 class id or AU type/subtype/manufacturer of the plugin. */
  readonly appliesTo: string;
}

/** A binary whose plugins say nothing from outside, so that they must be asked. */
export interface Askable {
  /** Absolute path of the file to load. */
  readonly path: string;
  readonly kind: BinaryKind;
  readonly architectures: readonly Architecture[];
}

/** Who makes what belongs to a project that a bundle describes. */
export interface ProjectMaker {
  readonly project: string;
  readonly maker: string;
}

/** What a reader brings back: builds, faults, or both (a bundle with one good and one broken part). */
export interface Reading {
  readonly builds: readonly BuildFacts[];
  readonly faults: readonly Fault[];
  readonly presets?: readonly FoundPreset[];
  /** Projects that are described here, with their makers. */
  readonly projects?: readonly ProjectMaker[];
  /** Builds without a maker of their own, and the project that each belongs to; it may be described in another bundle. */
  readonly ofProjects?: readonly { readonly identifier: string; readonly project: string }[];
  /** One for each processor and system that the place has a binary for. */
  readonly askable?: readonly Askable[];
  /** The builds stand only when the binary says that it is a plugin: without its word it is left out, or kept where `keptUnasked`. */
  readonly unsure?: { readonly keptUnasked: boolean };
  /** Why a place without builds, presets and faults is left out; absent for a library that is no plugin. */
  readonly leftOut?: Omit<LeftOut, 'path'>;
}

/** A description (manifest, plist, moduleinfo) larger than this is not one. 8 MiB. */
export const MAX_DESCRIPTION_BYTES = 8 * 1024 * 1024;

export const NOTHING: Reading = { builds: [], faults: [] };

/** The name without its last ending: "Plate.vst3" → "Plate". */
export const stem = (name: string): string => name.replace(/\.[^.]+$/, '');

const decoder = new TextDecoder('utf-8');

/** Bytes as UTF-8 text without a byte order mark; broken sequences become U+FFFD. */
export const decodeText = (bytes: Uint8Array): string => decoder.decode(bytes);
