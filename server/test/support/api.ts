import { createServer, request as httpRequest } from 'node:http';
import { mkdtemp, rm, chmod } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pino } from 'pino';
import { readDawproject } from '@clever-drawer/core/exchange/dawproject';
import type { DataSource } from 'typeorm';
import { STANDARD_LIMITS } from '@clever-drawer/scan/ask/asker';
import { runScan } from '@clever-drawer/scan/run-scan';
import { createApp } from '../../src/app';
import { PackedAnswers } from '../../src/http/packed-answers';
import { Catalogues } from '../../src/jobs/catalogues';
import { FileReadings } from '../../src/jobs/file-readings.js';
import type { Here } from '../../src/here';
import { startCluster } from '../../src/database/cluster';
import { openDatabase } from '../../src/database/data-source';
import { readBodyInWorker } from '../../src/http/read-body-in-worker';
import { ArrangementService } from '../../src/jobs/arrangement-service';
import { Arrivals } from '../../src/jobs/arrivals';
import { subscribeToNotifications } from '../../src/jobs/listening';
import { runScanJob } from '../../src/jobs/scan-job';
import { ScanQueue } from '../../src/jobs/scan-queue';
import { misfits } from './interface';

export interface Answer {
  readonly status: number;
  readonly body: never;
  readonly headers: Headers;
}

export interface Api {
  readonly source: DataSource;
  readonly folder: string;
  readonly url: string;
  readonly databaseUrl: string;
  readonly call: (method: string, path: string, body?: unknown) => Promise<Answer>;
  /** A request with headers that fetch would not send. */
  readonly raw: (path: string, headers: Record<string, string>, method?: string) => Promise<number>;
  /** Lets go of everything that the server remembers: the next answers are worked out. */
  readonly forget: () => void;
  /** Takes everything out of the database, as if it had just been made. */
  readonly empty: () => Promise<void>;
  readonly stop: () => Promise<void>;
}

/** Each computer counts as the one at hand. */
const EVERYWHERE: Here = { is: () => true, settle: () => Promise.resolve() };

/** The application on a real, throwaway PostgreSQL. The scan runs in this thread unless another runner is given. */
export async function startApi(scan: typeof runScan = runScan, here: Here = EVERYWHERE): Promise<Api> {
  const folder = await mkdtemp(join(tmpdir(), 'clever-drawer-api-'));
  // The database's own user must pass through it when the tests run as root.
  await chmod(folder, 0o755);
  const cluster = await startCluster(join(folder, 'data'), { throwaway: true });
  const source = await openDatabase(cluster.url);
  const log = pino({ level: process.env.LOG_LEVEL ?? 'silent' });
  const arrivals = new Arrivals(source, log, here);
  const fileReadings = new FileReadings(source, log, (id) => here.is(id));
  const arranging = new ArrangementService(source, (id, { edits }) => {
    if (edits.some(({ of }) => of === 'fileFolder')) fileReadings.start(id);
  });
  const line = await subscribeToNotifications(
    cluster.url,
    log,
    (news) => arranging.heard(news),
    () => arranging.tellHowFar(),
  );
  const catalogues = new Catalogues();
  const packed = new PackedAnswers();
  const app = createApp(
    {
      source,
      log,
      arrivals,
      arranging,
      catalogues,
      fileReadings,
      packed,
      here,
      ownData: null,
      users: [],
      signIn: null,
      askingRoom: () => Promise.resolve('open'),
      readLarge: readBodyInWorker,
      readProject: (bytes) => Promise.resolve(readDawproject(bytes, new Date())),
      scans: new ScanQueue(
        source,
        log,
        (job) => runScanJob(source, log, job, STANDARD_LIMITS, scan),
        (job, startedAt) => void arrivals.scanEnded(job, startedAt),
      ),
      presentFolders: () => [{ path: '/usr/lib/lv2', formats: ['LV2'] }],
    },
    null,
  );
  const server = createServer(app);
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  const address = server.address();
  const port = typeof address === 'object' && address !== null ? address.port : 0;
  const url = `http://127.0.0.1:${String(port)}`;
  return {
    source,
    folder,
    url,
    databaseUrl: cluster.url,
    call: async (method, path, body) => {
      const response = await fetch(`${url}/api${path}`, {
        method,
        ...(body === undefined
          ? {}
          : {
              body: typeof body === 'string' ? body : JSON.stringify(body),
              headers: { 'content-type': 'application/json' },
            }),
      });
      const text = await response.text();
      const answer = (text === '' ? null : JSON.parse(text)) as never;
      const wrong = misfits(method, path, response.status, response.headers.get('content-type'), answer);
      if (wrong.length > 0) throw new Error(wrong.join('\n'));
      return {
        status: response.status,
        body: answer,
        headers: response.headers,
      };
    },
    raw: (path, headers, method = 'GET') =>
      new Promise((done, fail) => {
        httpRequest({ host: '127.0.0.1', port, path, method, headers }, (response) => {
          response.resume();
          done(response.statusCode ?? 0);
        })
          .on('error', fail)
          .end();
      }),
    forget: () => {
      catalogues.close();
      packed.close();
      arranging.close();
    },
    empty: async () => {
      const tables = await source.query<{ name: string }[]>(
        `SELECT relname AS name FROM pg_class WHERE relkind = 'r' AND relnamespace = 'public'::regnamespace
           AND relname NOT IN ('migrations', 'studio')`,
      );
      await source.query(`TRUNCATE ${tables.map((table) => `"${table.name}"`).join(', ')}`);
      await source.query('UPDATE studio SET "arrangementRevision" = 0, "catalogueRevision" = 0');
      arranging.close();
    },
    stop: async () => {
      await arrivals.close();
      arranging.close();
      await line.close();
      server.closeAllConnections();
      await new Promise((done) => server.close(done));
      await source.destroy();
      await cluster.stop();
      await rm(folder, { recursive: true, force: true });
    },
  };
}
