import { randomUUID } from 'node:crypto';
import equal from 'fast-deep-equal';
import type { EntityManager } from 'typeorm';
import { scanDifference } from '@clever-drawer/core/catalogue/scan-difference';
import { keptStory, scanStory } from '@clever-drawer/core/catalogue/scan-story';
import { cappedBuild, cappedPath } from '@clever-drawer/core/facts/caps';
import { faultsOfReport, isCovered, type ScanReport } from '@clever-drawer/core/exchange/scan-report';
import type { ComputerId } from '@clever-drawer/core/ids';
import type { ScanOutcome } from '@clever-drawer/contract/responses';
import { BuildRow } from '../database/entities/catalogue.js';
import { jsonForDatabase } from '../database/json.js';
import { lockCatalogue } from './catalogue-lock.js';
import { loadPlaces, writePlaces } from './place-store.js';
import { faultPlaces, knownBuild, leftOutPlace, outcomeOf, writeBuilds } from './scan-result-store.js';
import { foldersScanned, forgetOldStories } from './scan-store.js';
import { nextCatalogue } from './studio-store.js';

/** What a place of another computer was read by: never taken for a place that a scan here has read. */
const BY_REPORT = ['by report'];

/**
 * Brings the catalogue of another computer up to its report, and notes it as a scan. Builds outside of the folders that were scanned stay as they are. The
 * same report again changes nothing.
 */
export async function applyReport(db: EntityManager, computerId: ComputerId, report: ScanReport): Promise<ScanOutcome> {
  await lockCatalogue(db);
  const rows = await db.findBy(BuildRow, { computerId });
  const before = await loadPlaces(db, computerId);
  // Pictures are files of that computer: a path of this one that is called the same is none of them.
  const seen = report.plugins
    .flatMap((plugin) => plugin.builds)
    .map((build) => ({ ...cappedBuild(build), path: cappedPath(build.path), pictures: [] }));
  const difference = scanDifference(rows.map(knownBuild), seen, (path) => isCovered(report, path));
  const faults = faultsOfReport(report);
  const leftOut = report.lookedAt.leftOut.map((one) => leftOutPlace({ ...one, path: cappedPath(one.path) }, BY_REPORT));
  const places = [...leftOut, ...faultPlaces(faults, BY_REPORT)];
  const stood = [...before.values()].filter((place) => isCovered(report, place.path));
  const failedBefore = new Set(stood.flatMap((place) => place.reading.faults.map((fault) => fault.path)));
  const story = scanStory(difference, failedBefore, faults, (path) => isCovered(report, path));
  const known = await foldersScanned(db, computerId);
  const isFirstScan = (path: string): boolean => !isCovered({ folders: known, computer: report.computer }, path);
  const written = await writeBuilds(db, computerId, rows, difference, isFirstScan);
  const met = new Set(places.map((place) => place.path));
  const gone = stood.filter((place) => !met.has(place.path)).map((place) => place.path);
  const fresh = places.filter((place) => !equal(before.get(place.path), place));
  await writePlaces(db, computerId, fresh, gone);
  if (written.rows + fresh.length + gone.length > 0) await nextCatalogue(db);
  const outcome = outcomeOf(written, story, 0);
  const read = seen.length;
  await db.query(
    `INSERT INTO scan (id, "computerId", state, folders, progress, "endedAt", outcome, problems, story)
     VALUES ($1, $2, 'done', $3::jsonb, $4::jsonb, clock_timestamp(), $5::jsonb, $6, $7::jsonb)`,
    [
      randomUUID(),
      computerId,
      jsonForDatabase(report.folders),
      JSON.stringify({ found: read, read, current: null }),
      JSON.stringify(outcome),
      faults.length,
      jsonForDatabase(keptStory(story)),
    ],
  );
  await forgetOldStories(db, computerId);
  return outcome;
}
