import type { Evidence, Grade } from '@clever-drawer/core/catalogue/kind';
import type { ScanEvent } from '@clever-drawer/core/catalogue/scan-story';
import type { Role } from '@clever-drawer/core/catalogue/role';
import type { TypeId } from '@clever-drawer/core/catalogue/type-tree';
import type { RowKind, Rows } from '@clever-drawer/core/chests/arrangement';
import type { Edit } from '@clever-drawer/core/chests/edit';
import type { ReportedProblem } from '@clever-drawer/core/exchange/scan-report';
import type { BuildFacts } from '@clever-drawer/core/facts/build-facts';
import type { Architecture, Format, System } from '@clever-drawer/core/facts/format';
import type { BuildId, ComputerId, PluginId } from '@clever-drawer/core/ids';

/** Every error: RFC 9457 problem details. `detail` says what was wrong and what to do; `errors` where, for a request that did not fit. */
export interface ProblemDetails {
  readonly type: string;
  readonly title: string;
  readonly status: number;
  readonly detail: string;
  readonly errors?: readonly { readonly path: string; readonly message: string }[];
}

export interface ComputerView {
  readonly id: ComputerId;
  readonly name: string;
  readonly system: System;
  readonly plugins: number;
  readonly builds: number;
}

export interface FolderView {
  readonly id: string;
  readonly path: string;
  /** Builds that were found in it by the last scan. */
  readonly builds: number;
  readonly lastScannedAt: string | null;
  /** Whether its plugins may be loaded and asked, and whether arrivals in it are watched for. */
  readonly asks: boolean;
  readonly watches: boolean;
}

export interface ProposedFolder {
  readonly path: string;
  readonly formats: readonly Format[];
  /** Whether it holds presets and no plugins. */
  readonly presets?: true;
}

export const SCAN_STATES = ['waiting', 'running', 'done', 'cancelled', 'failed', 'interrupted'] as const;
export type ScanState = (typeof SCAN_STATES)[number];

/** Counts of what a scan changed in the catalogue. */
export interface ScanOutcome {
  readonly plugins: number;
  readonly builds: number;
  readonly arrived: number;
  readonly changed: number;
  readonly vanished: number;
  readonly returned: number;
  /** Places that can't be read or asked now and could before, and the other way round; absent for scans of before this was counted. */
  readonly failed?: number;
  readonly recovered?: number;
  /** Places that were as an earlier scan had left them, and were not read again. */
  readonly unchanged?: number;
}

export interface ScanView {
  readonly id: string;
  readonly state: ScanState;
  readonly folders: readonly string[];
  readonly progress: { readonly found: number; readonly read: number; readonly current: string | null };
  /** Null while it runs, and when it failed. */
  readonly outcome: ScanOutcome | null;
  readonly problems: number;
  readonly startedAt: string;
  readonly endedAt: string | null;
  /** Why it failed; null otherwise. */
  readonly failure: string | null;
}

/** The places that can't be read or asked now, whichever scan met them. */
export type ProblemsView = readonly ReportedProblem[];

/** What a scan did to each build and place, by kind; a fault comes in words. */
export type ScanStory = readonly (Omit<ScanEvent, 'fault'> & { readonly problem?: ReportedProblem })[];

/** A plugin that arrived or vanished in a watched folder, and has not been scanned yet. */
export interface Arrival {
  readonly path: string;
  readonly kind: 'arrived' | 'vanished';
  readonly at: string;
}

/** A vendor with the spellings that are taken for it. */
export interface VendorView {
  readonly name: string;
  readonly plugins: number;
  readonly spellings: readonly { readonly spelling: string; readonly builds: number; readonly byHand: boolean }[];
}

/** A plugin as lists show it. `found` is false when no build of it was there at the last look. */
export interface PluginView {
  readonly id: PluginId;
  readonly name: string;
  readonly vendor: string | null;
  readonly role: Role | null;
  readonly roleGrade: Grade;
  readonly types: readonly TypeId[];
  readonly typeGrade: Grade;
  readonly contradictions: readonly string[];
  readonly found: boolean;
  /** When it was first met, as an ISO time. */
  readonly arrivedAt: string;
  /** How often it has been loaded. */
  readonly loads: number;
  readonly builds: readonly BuildView[];
}

/** In order of preference. */
export interface BuildView {
  readonly id: BuildId;
  readonly format: Format;
  readonly architectures: readonly Architecture[];
  readonly version: string | null;
  readonly path: string;
  readonly found: boolean;
  /** Whether it did not answer when it was asked. */
  readonly failed: boolean;
  /** How many pictures came with it. */
  readonly pictures: number;
}

export interface CatalogueView {
  readonly revision: number;
  /** When the first plugins were met, as an ISO time; null for an empty catalogue. What came later is new until it is seen. */
  readonly firstArrival: string | null;
  readonly plugins: readonly PluginView[];
}

/** All that is known of a plugin; role, types and grades are what was worked out, before the producer's choice. */
export interface PluginDetail extends Omit<PluginView, 'builds' | 'loads' | 'arrivedAt'> {
  readonly evidence: readonly Evidence[];
  readonly builds: readonly (BuildFacts & { readonly id: BuildId; readonly found: boolean })[];
}

/** What undo and redo would do next, in words; null when there is nothing. */
export interface Steps {
  readonly undo: string | null;
  readonly redo: string | null;
}

export type ArrangementView = { readonly [Kind in RowKind]: readonly Rows[Kind][] } & {
  readonly revision: number;
  readonly steps: Steps;
};

/** A change that was saved: the edits that it came to, and the revision that the arrangement has now. */
export interface SavedChange {
  readonly revision: number;
  readonly label: string;
  readonly edits: readonly Edit[];
  readonly steps: Steps;
  readonly savedAt: string;
}

export interface ImportReport {
  readonly matched: number;
  readonly missing: readonly { readonly name: string; readonly vendor: string | null }[];
  readonly saved: SavedChange;
}

/** What open windows of a computer are told: a change of the arrangement, with the window that made it, or a catalogue that is another now. */
export type WindowEvent =
  | { readonly kind: 'changed'; readonly window: string | null; readonly saved: SavedChange }
  | { readonly kind: 'catalogue' };
