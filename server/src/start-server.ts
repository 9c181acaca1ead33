import { createServer, type RequestListener, type Server } from 'node:http';
import { homedir } from 'node:os';
import { fileURLToPath } from 'node:url';
import { pino } from 'pino';
import type { DataSource } from 'typeorm';
import type { System } from '@clever-drawer/core/facts/format';
import { asId, type ComputerId } from '@clever-drawer/core/ids';
import { Asker, STANDARD_LIMITS } from '@clever-drawer/scan/ask/asker';
import type { AskLimits } from '@clever-drawer/scan/ask/asking-process';
import type { Room } from '@clever-drawer/scan/ask/room';
import { thisSystem } from '@clever-drawer/scan/this-system';
import { presentFolders } from '@clever-drawer/scan/usual-folders';
import { isSignInNeeded, openSignIn } from './http/sign-in.js';
import { makeAhead } from './http/tagged.js';
import { PackedAnswers } from './http/packed-answers.js';
import { readBodyInWorker } from './http/read-body-in-worker.js';
import { readProjectInWorker } from './jobs/read-project.js';
import { createApp } from './app.js';
import { startCluster, type Cluster } from './database/cluster.js';
import { openDatabase } from './database/data-source.js';
import { ComputerRow } from './database/entities/computer.js';
import { openHere, settleHere } from './here.js';
import { ownFolder, type Settings } from './settings.js';
import { lockFolder } from './lock-folder.js';
import { StartupError } from './startup-error.js';
import { regroupOnce } from './store/carry-over.js';
import { trimJournal } from './store/change-journal.js';
import { lockStudio, mustRegroup, renewEpoch } from './store/studio-store.js';
import { ArrangementService } from './jobs/arrangement-service.js';
import { Catalogues } from './jobs/catalogues.js';
import { FileReadings } from './jobs/file-readings.js';
import { Arrivals } from './jobs/arrivals.js';
import { subscribeToNotifications } from './jobs/listening.js';
import { inThread, ScanQueue } from './jobs/scan-queue.js';
import { endLostScans, endWaitingScans } from './store/scan-store.js';

/** A server that answers. */
export interface RunningServer {
  readonly url: string;
  /** The address to open: with the code that signs a browser in, where one must. */
  readonly address: string;
  /** The key that scripts send; null where they need none. */
  readonly key: string | null;
  /** Stops answering, then the database. */
  stop(): Promise<void>;
}

/** How a server is to start. */
export interface StartOptions {
  /** Whether an empty database begins with this computer, named after the machine. */
  readonly withThisComputer: boolean;
  /** For tests: a database that is faster and unsafe against power loss. */
  readonly throwaway?: boolean;
  /** For tests: how long one statement may take, in milliseconds. */
  readonly longestStatement?: number | undefined;
}

const WEB = fileURLToPath(new URL('../../web/dist', import.meta.url));

/** Starts database and server and answers on loopback. Rejects with StartupError, in a sentence, when it can't; then nothing is left running. */
export async function startServer(settings: Settings, options: StartOptions): Promise<RunningServer> {
  const log = pino({ level: settings.logLevel }, pino.destination({ dest: 2, sync: true }));
  const undo: (() => Promise<unknown>)[] = [];
  const stop = async (): Promise<void> => {
    for (const step of undo.splice(0).reverse())
      await step().catch((error: unknown) => log.warn({ err: error }, 'stopping'));
  };
  try {
    // The port is taken before the database is started: "in use" is told at once. It answers 503 until all is ready.
    const notNow: RequestListener = (_request, response) => response.writeHead(503).end();
    const server = createServer(notNow);
    const port = await listen(server, settings.port);
    undo.push(() => close(server));
    const url = `http://127.0.0.1:${String(port)}`;
    let cluster: Cluster | null = null;
    if (settings.databaseUrl === null) {
      undo.push(await lockFolder(settings.dataFolder, url, (words) => log.warn(words)));
      cluster = await startCluster(settings.dataFolder, { throwaway: options.throwaway });
      const started = cluster;
      undo.push(() => started.stop());
    }
    const databaseUrl = settings.databaseUrl ?? cluster?.url ?? '';
    const source = await openDatabase(databaseUrl, options.longestStatement);
    undo.push(() => source.destroy());
    await source.transaction(renewEpoch);
    await endLostScans(source.manager);
    if (cluster !== null) await endWaitingScans(source.manager);
    // What could not be done now is done at the next start; until then each computer's plugins are as they were.
    await regroupWhereNeeded(source).catch((error: unknown) =>
      log.warn({ err: error }, 'plugins are not grouped anew'),
    );
    for (const { id } of await source.manager.find(ComputerRow, { select: { id: true } }))
      await trimJournal(source.manager, asId<ComputerId>(id));
    const isOwnData = settings.databaseUrl === null;
    const here = await openHere(ownFolder(settings));
    await settleHere(source, here, { isOwnData, adds: options.withThisComputer });
    const around = (system: System) => ({ system, home: homedir(), env: process.env });
    const ownData = isOwnData ? settings.dataFolder : null;
    const arrivals = new Arrivals(source, log, here, ownData);
    undo.push(() => arrivals.close());
    const fileReadings = new FileReadings(source, log, (id) => here.is(id));
    undo.push(() => Promise.resolve(fileReadings.close()));
    const arranging = new ArrangementService(source, (id, { edits }) => {
      // Also after undo and redo.
      if (edits.some(({ of }) => of === 'fileFolder')) fileReadings.start(id);
    });
    undo.push(() => Promise.resolve(arranging.close()));
    const catalogues = new Catalogues();
    undo.push(() => Promise.resolve(catalogues.close()));
    const packed = new PackedAnswers();
    undo.push(() => Promise.resolve(packed.close()));
    cluster?.onChange((isThere) => {
      log.warn(isThere ? 'the database runs again' : 'the database ended, and is started again');
      arranging.tellDatabase(isThere);
    });
    const line = await subscribeToNotifications(
      databaseUrl,
      log,
      (news) => arranging.heard(news),
      () => arranging.tellHowFar(),
    );
    undo.push(() => line.close());
    const notesIn = ownFolder(settings);
    const signs = settings.signsIn || isSignInNeeded() ? await openSignIn(notesIn) : null;
    const limits = { ...STANDARD_LIMITS, seconds: settings.askSeconds, megabytes: settings.askMegabytes };
    const scans = new ScanQueue(
      source,
      log,
      inThread(source, log, { databaseUrl, limits, notesIn }),
      (job, startedAt) => {
        void arrivals.scanEnded(job, startedAt);
      },
    );
    const context = {
      readProject: readProjectInWorker,
      readLarge: readBodyInWorker,
      users: settings.users,
      signIn: signs === null ? null : { ...signs, always: settings.signsIn },
      askingRoom: memoizedRoom(limits),
      source,
      log,
      scans,
      arrivals,
      arranging,
      catalogues,
      fileReadings,
      packed,
      here,
      ownData,
      presentFolders: (system: System) => (system === thisSystem() ? presentFolders(around(system)) : []),
    };
    server.removeAllListeners('request');
    server.on('request', createApp(context, WEB));
    // Whoever still asks while the database is let go is told so, and not of a fault.
    undo.push(() => {
      server.removeAllListeners('request');
      server.on('request', notNow);
      return Promise.resolve();
    });
    // Large folders take a while to be watched; nobody waits for it.
    void arrivals.look();
    // Nor for the first list, which is worked out while the page is still being opened.
    const at = here.id();
    if (at !== null) fileReadings.start(asId<ComputerId>(at));
    if (at !== null) void makeAhead(context, asId<ComputerId>(at)).catch(() => undefined);
    const address = signs === null ? url : `${url}/?code=${signs.code}`;
    return { url, address, key: signs?.key ?? null, stop };
  } catch (error) {
    await stop();
    throw error;
  }
}

/** Tries once in which room a process for plugins starts, when that is first asked. */
function memoizedRoom(limits: AskLimits): () => Promise<Room['kind']> {
  let found: Promise<Room['kind']> | null = null;
  const find = async (): Promise<Room['kind']> => {
    const asker = new Asker(limits);
    try {
      return (await asker.roomAtHand()).kind;
    } finally {
      asker.close();
    }
  };
  return () => (found ??= find());
}

/** After several arrangements were made one: what their computers know of a plugin is put together. */
const regroupWhereNeeded = (source: DataSource): Promise<void> =>
  source.transaction(async (db) => {
    await lockStudio(db);
    const [computer] = await db.find(ComputerRow, { order: { createdAt: 'ASC', id: 'ASC' }, take: 1 });
    if (computer !== undefined && (await mustRegroup(db))) await regroupOnce(db, asId<ComputerId>(computer.id));
  });

function listen(server: Server, port: number): Promise<number> {
  return new Promise((done, fail) => {
    server.once('error', (error: NodeJS.ErrnoException) => {
      const told: Record<string, string> = {
        EADDRINUSE: `Port ${String(port)} is in use, maybe by Clever Drawer itself in another window. Stop that, or choose another port: PORT=${String(port + 1)} npm start`,
        EACCES: `No right to use port ${String(port)}. Choose one above 1023: PORT=4310 npm start`,
      };
      fail(new StartupError(told[error.code ?? ''] ?? `Port ${String(port)} can't be used (${error.message}).`));
    });
    server.listen(port, '127.0.0.1', () => {
      const address = server.address();
      done(typeof address === 'object' && address !== null ? address.port : port);
    });
  });
}

const close = (server: Server): Promise<void> =>
  new Promise((done) => {
    server.close(() => done());
    server.closeAllConnections();
  });
