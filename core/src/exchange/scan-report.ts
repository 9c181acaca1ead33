import type { Plugin } from '../catalogue/plugin.js';
import { catalogueOf } from '../catalogue/plugin.js';
import { cappedFault } from '../facts/caps.js';
import type { BuildFacts } from '../facts/build-facts.js';
import { FAULT_CODES, type Fault, type FaultCode } from '../facts/fault.js';
import { describeFault } from '../facts/fault-texts.js';
import type { LookedAt } from '../facts/left-out.js';
import type { System } from '../facts/format.js';

/** What names the form of a report. */
export const SCAN_REPORT_SCHEMA = 'clever-drawer/scan-report/4';

/** The document that `npm run scan -- --json` writes; its JSON Schema is docs/schemas/scan-report-4.schema.json. */
export interface ScanReport {
  readonly schema: typeof SCAN_REPORT_SCHEMA;
  readonly computer: ScannedComputer;
  readonly scannedAt: string;
  readonly folders: readonly string[];
  readonly plugins: readonly ReportedPlugin[];
  readonly problems: readonly (ReportedProblem & { readonly line: number | null; readonly detail: string | null })[];
  readonly lookedAt: LookedAt;
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
  scan: {
    folders: readonly string[];
    builds: readonly BuildFacts[];
    faults: readonly Fault[];
    lookedAt: LookedAt;
  },
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
    lookedAt: scan.lookedAt,
  };
}

/** The faults of a report. A code that this version does not know is told as a reader's failure, with the words of the report. */
export const faultsOfReport = (report: Pick<ScanReport, 'problems'>): Fault[] =>
  report.problems.map(({ path, code, line, detail, message }) => {
    const isKnown = (FAULT_CODES as readonly string[]).includes(code);
    const words = isKnown ? detail : message;
    return cappedFault({
      code: isKnown ? (code as FaultCode) : 'reader-failed',
      path,
      ...(line === null ? {} : { line }),
      ...(words === null ? {} : { detail: words }),
    });
  });

/** Whether a path lies in one of the folders that were scanned, by the way in which the system of the report writes paths. */
export function isCovered({ folders, computer }: Pick<ScanReport, 'folders' | 'computer'>, path: string): boolean {
  const written = (text: string): string =>
    computer.system === 'windows' ? text.replaceAll('\\', '/').toLowerCase() : text;
  const own = written(path);
  return folders.some((folder) => own === written(folder) || own.startsWith(`${written(folder).replace(/\/+$/, '')}/`));
}
