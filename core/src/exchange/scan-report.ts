import type { Plugin } from '../catalogue/plugin.js';
import { catalogueOf } from '../catalogue/plugin.js';
import type { BuildFacts } from '../facts/build-facts.js';
import type { Fault } from '../facts/fault.js';
import { describeFault } from '../facts/fault-texts.js';
import type { System } from '../facts/format.js';

/** What names the form of a report. */
export const SCAN_REPORT_SCHEMA = 'clever-drawer/scan-report/3';

/** The document that `npm run scan -- --json` writes; its JSON Schema is docs/schemas/scan-report-3.schema.json. */
export interface ScanReport {
  readonly schema: typeof SCAN_REPORT_SCHEMA;
  readonly computer: ScannedComputer;
  readonly scannedAt: string;
  readonly folders: readonly string[];
  readonly plugins: readonly ReportedPlugin[];
  readonly problems: readonly (ReportedProblem & { readonly line: number | null; readonly detail: string | null })[];
}

/** The computer that was looked at. */
export interface ScannedComputer {
  readonly name: string;
  readonly system: System;
}

type ReportedPlugin = Pick<
  Plugin,
  'id' | 'name' | 'vendor' | 'role' | 'roleGrade' | 'types' | 'typeGrade' | 'contradictions'
> & { readonly builds: readonly BuildFacts[] };

/** A problem of a scan, with its file. */
export interface ReportedProblem {
  readonly path: string;
  readonly code: string;
  readonly message: string;
  readonly remedy: string;
}

/** A fault with its wording. */
export const reportProblem = (fault: Fault): ReportedProblem => ({
  path: fault.path,
  code: fault.code,
  ...describeFault(fault),
});

/** The report of one scan on a computer; plugins in order of name, builds in order of preference. */
export function scanReport(
  scan: { folders: readonly string[]; builds: readonly BuildFacts[]; faults: readonly Fault[] },
  computer: ScannedComputer,
  at: Date,
): ScanReport {
  return {
    schema: SCAN_REPORT_SCHEMA,
    computer,
    scannedAt: at.toISOString(),
    folders: scan.folders,
    plugins: catalogueOf(scan.builds).map((plugin) => ({
      id: plugin.id,
      name: plugin.name,
      vendor: plugin.vendor,
      role: plugin.role,
      roleGrade: plugin.roleGrade,
      types: plugin.types,
      typeGrade: plugin.typeGrade,
      contradictions: plugin.contradictions,
      builds: plugin.builds,
    })),
    problems: scan.faults.map((fault) => ({
      ...reportProblem(fault),
      line: fault.line ?? null,
      detail: fault.detail ?? null,
    })),
  };
}
