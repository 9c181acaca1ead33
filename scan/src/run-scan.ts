import { setMaxListeners } from 'node:events';
import { resolve } from 'node:path';
import { withAnswer } from '@clever-drawer/core/facts/asked';
import { cappedReading } from '@clever-drawer/core/facts/caps';
import type { BuildFacts } from '@clever-drawer/core/facts/build-facts';
import type { Fault } from '@clever-drawer/core/facts/fault';
import type { LeftOut, LookedAt, PlaceOutcome } from '@clever-drawer/core/facts/left-out';
import { leftOutOf, placeOutcome } from '@clever-drawer/core/facts/left-out';
import { Asker } from './ask/asker.js';
import { withPresets } from './attach-presets.js';
import type { FoundPlace } from './find-places.js';
import { PlaceFinder } from './find-places.js';
import type { PlaceReaders } from './place-readers.js';
import { readInThreads } from './place-readers.js';
import type { PlaceReading } from './read-place.js';
import { stillStands, WALKED } from './stamp.js';

/** How far a scan has come: places found, read or found unchanged, and the one being read. */
export interface ScanProgress {
  readonly found: number;
  readonly read: number;
  readonly current: string | null;
}

/** What a scan brought: every place with its builds and faults, and whether it was cancelled before its end. */
export interface ScanResult {
  readonly folders: readonly string[];
  readonly places: readonly PlaceReading[];
  /** Those of them that were read in this scan. */
  readonly fresh: readonly PlaceReading[];
  /** How many of the places were as an earlier scan had left them, and were not read again. */
  readonly unchanged: number;
  /** The builds of these places, with their presets. */
  readonly builds: readonly BuildFacts[];
  /** Faults of folders and links, met on the way to the places. */
  readonly walkFaults: readonly Fault[];
  /** What the walk left out before reading: links to what is found elsewhere, and side files. */
  readonly walkLeftOut: readonly LeftOut[];
  readonly lookedAt: LookedAt;
  /** All faults: of the walk, and of the places. */
  readonly faults: readonly Fault[];
  readonly cancelled: boolean;
}

/** How a scan is to go. */
export interface ScanOptions {
  readonly onProgress?: (progress: ScanProgress) => void;
  readonly signal?: AbortSignal;
  /** All folders of the producer's list, where not all of them are scanned: a place that several lead to stands in one of them. */
  readonly added?: readonly string[];
  /** Places of earlier scans by path: what still stands as it did is neither read nor asked again. */
  readonly known?: ReadonlyMap<string, PlaceReading>;
  /** Whether plugins of this place may be asked, by loading them in a process of their own. By default none is. */
  readonly mayAsk?: (path: string) => boolean;
  /** Who asks; by default processes of this machine. */
  readonly asker?: Asker;
  /** Where places are read: by default in threads with limits. */
  readonly readers?: () => PlaceReaders;
}

const HANDFUL = 32;
/** So long the walk may go on before messages (a cancel, say) are heard. */
const BREATH_MS = 30;

/** Scans folders (or single bundles and files). What was read before a cancel is kept. Never throws for what is on disk. */
export async function runScan(folders: readonly string[], options: ScanOptions = {}): Promise<ScanResult> {
  const scan = new Scan(options);
  const paths = [...new Set(folders.map((folder) => resolve(folder)))];
  try {
    return await scan.run(paths);
  } finally {
    await scan.close();
  }
}

class Scan {
  private readonly unchanged: PlaceReading[] = [];
  private readonly fresh: PlaceReading[] = [];
  private readonly faults: Fault[] = [];
  private readonly leftOut: LeftOut[] = [];
  private readonly work: Promise<void>[] = [];
  private handful: FoundPlace[] = [];
  private threads: PlaceReaders | null = null;
  private asker: Asker | null = null;
  private readonly counts = { found: 0, read: 0 };

  constructor(private readonly options: ScanOptions) {
    // Each handful of places listens for the cancel.
    if (options.signal !== undefined) setMaxListeners(0, options.signal);
  }

  async run(folders: readonly string[]): Promise<ScanResult> {
    const added = this.options.added ?? folders;
    const known = [...(this.options.known?.values() ?? [])].filter((place) => place.stamp[0] !== WALKED[0]);
    const finder = new PlaceFinder(
      added,
      known.map((place) => place.path),
    );
    let breath = performance.now();
    for (const folder of folders) {
      for (const found of finder.find(folder)) {
        if (this.isCancelled()) break;
        if ('fault' in found) this.faults.push(found.fault);
        else if ('leftOut' in found) this.leftOut.push(found.leftOut);
        else this.take(found.place);
        if (performance.now() - breath > BREATH_MS) {
          await new Promise((done) => setImmediate(done));
          breath = performance.now();
        }
      }
    }
    this.send();
    await Promise.all(this.work);
    this.tell(null);
    const places = [...this.unchanged, ...this.fresh].sort((a, b) => (a.path < b.path ? -1 : 1));
    const count = (outcome: PlaceOutcome): number =>
      places.filter((place) => placeOutcome(place.reading) === outcome).length;
    return {
      folders,
      places,
      fresh: this.fresh,
      unchanged: this.unchanged.length,
      builds: withPresets(places.map((place) => place.reading)),
      walkFaults: this.faults,
      walkLeftOut: this.leftOut,
      lookedAt: {
        found: count('found'),
        problems: count('problem') + new Set(this.faults.map((fault) => fault.path)).size,
        leftOut: [...this.leftOut, ...leftOutOf(places)].sort((a, b) => (a.path < b.path ? -1 : 1)),
      },
      faults: [...this.faults, ...places.flatMap((place) => place.reading.faults)],
      cancelled: this.isCancelled(),
    };
  }

  async close(): Promise<void> {
    await this.threads?.close();
    if (this.options.asker === undefined) this.asker?.close();
  }

  private isCancelled(): boolean {
    return this.options.signal?.aborted ?? false;
  }

  private tell(current: string | null): void {
    const { found, read } = this.counts;
    this.options.onProgress?.({ found, read, current });
  }

  private take(place: FoundPlace): void {
    this.counts.found++;
    const known = this.options.known?.get(place.path);
    if (known !== undefined && !this.wantsAsking(known) && stillStands(place.path, known.stamp)) {
      this.counts.read++;
      this.unchanged.push(known);
      return;
    }
    this.handful.push(place);
    if (this.handful.length >= HANDFUL) this.send();
  }

  /** A place that was not asked because its folder's switch was off, and may be now. */
  private wantsAsking({ path, reading }: PlaceReading): boolean {
    const switchedOff =
      reading.leftOut?.reason === 'unasked' || reading.builds.some((build) => build.asked === 'switched-off');
    return switchedOff && this.options.mayAsk?.(path) === true;
  }

  /** Has the places at hand read, in threads that can be ended. */
  private send(): void {
    const places = this.handful;
    this.handful = [];
    if (places.length === 0) return;
    this.threads ??= (this.options.readers ?? readInThreads)();
    this.work.push(this.readAll(places, this.threads));
  }

  private async readAll(places: readonly FoundPlace[], readers: PlaceReaders): Promise<void> {
    if (this.isCancelled()) return;
    this.tell(places[0]?.path ?? null);
    await Promise.all((await readers.read(places, this.options.signal)).map((place) => this.askAndKeep(place)));
  }

  private async askAndKeep(place: PlaceReading): Promise<void> {
    const { askable } = place.reading;
    const [build] = place.reading.builds;
    if (askable === undefined || build === undefined) {
      this.keep(place);
      return;
    }
    if (this.isCancelled()) return;
    if (this.options.mayAsk?.(place.path) !== true) {
      const answer = { state: 'switched-off', fault: null, printed: null } as const;
      this.keep({ ...place, reading: cappedReading(withAnswer(place.reading, answer), place.path) });
      return;
    }
    this.asker ??= this.options.asker ?? new Asker();
    this.tell(place.path);
    const answer = await this.asker.ask(place.path, build.format, askable, this.options.signal);
    // Interrupted by the cancel: as if it had not been met.
    if (answer !== null) this.keep({ ...place, reading: cappedReading(withAnswer(place.reading, answer), place.path) });
  }

  private keep(place: PlaceReading): void {
    this.counts.read++;
    this.fresh.push(place);
    this.tell(place.path);
  }
}
