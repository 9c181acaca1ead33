import { resolve } from 'node:path';
import pLimit from 'p-limit';
import type { BuildFacts } from '@clever-drawer/core/facts/build-facts';
import type { Fault } from '@clever-drawer/core/facts/fault';
import type { FoundPreset, Reading } from '@clever-drawer/core/facts/place';
import { PlaceFinder, type Found } from './find-places.js';

/** How far a scan has come: places found and read so far, and the one being read. */
export interface ScanProgress {
  readonly found: number;
  readonly read: number;
  readonly current: string | null;
}

/** What a scan brought: every build and fault, and whether it was cancelled before its end. */
export interface ScanResult {
  readonly folders: readonly string[];
  readonly builds: readonly BuildFacts[];
  readonly faults: readonly Fault[];
  readonly cancelled: boolean;
}

export interface ScanOptions {
  readonly onProgress?: (progress: ScanProgress) => void;
  readonly signal?: AbortSignal;
}

const READ_AT_ONCE = 8;

/** Scans folders (or single bundles and files) without running any plugin. What was read before a cancel is kept. Never throws for what is on disk. */
export async function runScan(folders: readonly string[], options: ScanOptions = {}): Promise<ScanResult> {
  const isCancelled = (): boolean => options.signal?.aborted ?? false;
  const paths = [...new Set(folders.map((folder) => resolve(folder)))];
  const finder = new PlaceFinder(isCancelled);
  const limit = pLimit(READ_AT_ONCE);
  const readings: Promise<Reading>[] = [];
  let [found, read] = [0, 0];
  const tell = (current: string | null): void => options.onProgress?.({ found, read, current });

  for (const path of paths) {
    for await (const one of finder.find(path)) {
      if ('fault' in one) {
        readings.push(Promise.resolve({ builds: [], faults: [one.fault] }));
        continue;
      }
      found++;
      readings.push(
        limit(async () => {
          if (isCancelled()) return { builds: [], faults: [] };
          tell(one.place.path);
          const reading = await readPlace(one);
          read++;
          tell(one.place.path);
          return reading;
        }),
      );
    }
  }
  const all = await Promise.all(readings);
  tell(null);
  return {
    folders: paths,
    builds: countPresets(all),
    faults: all.flatMap((reading) => reading.faults),
    cancelled: isCancelled(),
  };
}

async function readPlace({ place, reader }: Exclude<Found, { fault: Fault }>): Promise<Reading> {
  try {
    return await reader.read(place);
  } catch (error) {
    // A reader returns its faults; that it throws is a bug of ours, and still no reason to lose the rest of the scan.
    const detail = error instanceof Error ? error.message : String(error);
    return { builds: [], faults: [{ code: 'reader-failed', path: place.path, detail }] };
  }
}

/** Presets may live in other bundles than the plugin they are for: they are counted over all of them. */
function countPresets(readings: readonly Reading[]): BuildFacts[] {
  const presets = new Map<string, Set<string>>();
  for (const { uri, appliesTo } of readings.flatMap((reading): readonly FoundPreset[] => reading.presets ?? [])) {
    presets.set(appliesTo, (presets.get(appliesTo) ?? new Set()).add(uri));
  }
  return readings.flatMap((reading) =>
    reading.builds.map((build) =>
      build.format === 'LV2' ? { ...build, presets: presets.get(build.identifier ?? '')?.size ?? 0 } : build,
    ),
  );
}
