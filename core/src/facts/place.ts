import type { Fault, Outcome } from './fault.js';
import type { BuildFacts } from './build-facts.js';

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

/** A preset found in an LV2 bundle, for a plugin that may live in another one. */
export interface FoundPreset {
  readonly uri: string;
  readonly appliesTo: string;
}

/** What a reader brings back: builds, faults, or both (a bundle with one good and one broken part). */
export interface Reading {
  readonly builds: readonly BuildFacts[];
  readonly faults: readonly Fault[];
  readonly presets?: readonly FoundPreset[];
}

/** A description (manifest, plist, moduleinfo) larger than this is not one. 8 MiB. */
export const DESCRIPTION_LIMIT = 8 * 1024 * 1024;

export const NOTHING: Reading = { builds: [], faults: [] };

/** The name without its last ending: "Plate.vst3" → "Plate". */
export const stem = (name: string): string => name.replace(/\.[^.]+$/, '');

/** Bytes as UTF-8 text without a byte order mark; broken sequences become U+FFFD. */
export const decodeText = (bytes: Uint8Array): string => new TextDecoder('utf-8').decode(bytes);
