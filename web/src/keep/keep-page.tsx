import { ARRANGEMENT_SCHEMA } from '@clever-drawer/core/exchange/arrangement-document';
import { noop, useMutation, useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import ProgressBar from 'react-bootstrap/ProgressBar';
import type { ImportReport } from '@clever-drawer/contract/responses';
import type { ComputerId } from '@clever-drawer/core/ids';
import { useChanges } from '../arrangement/changes';
import { addressOf, ApiError, wordsOf } from '../lib/api';
import { keys } from '../catalogue/queries';
import { knownIn, resync, useArrangement } from '../arrangement/arrangement-query';
import type { StepRef } from '../arrangement/history';
import { StatusLine } from '../frame/status-line';
import { useComputer } from '../lib/use-computer';
import { FileButton } from '../parts/file-button';
import { PlainButton } from '../parts/plain-button';
import { UnionPanel } from './union-panel';
import { UsePanel } from './use-panel';
import styles from './keep.module.css';

/** Keep: the arrangement out to a file, and in from one. */
export function KeepPage() {
  const computer = useComputer();
  const arranged = useArrangement(computer.id).data;
  const chests = arranged?.state.chest.size ?? 0;
  const drawers = arranged?.state.drawer.size ?? 0;
  return (
    <>
      <main className={styles.keep}>
        <h1 className="visually-hidden">Keep</h1>
        <section className="panel" aria-labelledby="export-title">
          <h2 id="export-title">Export the arrangement</h2>
          <p>
            One JSON file with every chest, drawer, divider, rule, tray and chain, your names, tags and saved searches,
            what is set aside and why, and enough about each plugin to recognise it elsewhere. Pictures and corrections
            are not exported. Its format is described in{' '}
            <span className="mono">docs/schemas/arrangement-{ARRANGEMENT_SCHEMA.split('/').at(-1)}.schema.json</span>.
          </p>
          {chests === 0 ? (
            <p className="quiet">There is no chest yet. Make one in Sort first.</p>
          ) : (
            <a
              className="btn btn-primary"
              href={addressOf('GET /computers/{computer}/export', { path: { computer: computer.id } })}
              download
            >
              Export {chests} {chests === 1 ? 'chest' : 'chests'} with {drawers} {drawers === 1 ? 'drawer' : 'drawers'}
            </a>
          )}
        </section>
        <ImportPanel />
        <UsePanel />
        <UnionPanel />
      </main>
      <StatusLine>
        <span>Nothing here touches a plugin file.</span>
      </StatusLine>
    </>
  );
}

const lastStep = (client: QueryClient, computer: ComputerId): StepRef | null =>
  knownIn(client, computer)?.held.history.steps.undo ?? null;

function ImportPanel() {
  const computer = useComputer();
  const client = useQueryClient();
  const changes = useChanges(computer.id);
  const [{ name, size }, setFile] = useState({ name: '', size: 0 });
  const stop = useRef<AbortController | null>(null);
  const bringIn = useMutation({
    mutationFn: async (file: File) => {
      setFile(file);
      const { signal } = (stop.current = new AbortController());
      const before = lastStep(client, computer.id);
      try {
        return await changes.bringIn(await parse(file), signal);
      } catch (error) {
        if (!signal.aborted) throw error;
        // It may have been saved at that very moment: what stands is fetched, and tells.
        await resync(client, computer.id).catch(noop);
        const last = lastStep(client, computer.id);
        return last?.label.startsWith('import ') === true && last.number !== before?.number ? 'too-late' : 'cancelled';
      }
    },
    onSettled: () => client.invalidateQueries({ queryKey: keys.catalogue(computer.id) }),
  });
  return (
    <section className="panel" aria-labelledby="import-title">
      <h2 id="import-title">Import an arrangement</h2>
      <p>
        Chests of the same name are completed, others are added, and trays are filled up; nothing is replaced. Missing
        plugins keep their places, marked “not on this computer”.
      </p>
      <FileButton name="Arrangement file" disabled={bringIn.isPending} choose={(file) => bringIn.mutate(file)}>
        {bringIn.isPending ? 'Importing …' : 'Choose a file …'}
      </FileButton>
      {bringIn.isPending && size > LARGE && (
        <div role="status" className={styles.reading}>
          <ProgressBar animated now={100} aria-label="Reading" />
          <span>
            <b>{name}</b>, {Math.round(size / 100_000) / 10} MB, is read and checked. Everything else can be used
            meanwhile.
          </span>
          <PlainButton onClick={() => stop.current?.abort()}>Cancel the import</PlainButton>
        </div>
      )}
      {bringIn.isError && (
        <div className="note-box attention" role="alert">
          <p>
            <b>{name}</b> was not imported; nothing was changed. {wordsOf(bringIn.error)}
          </p>
          {bringIn.error instanceof ApiError && (bringIn.error.errors?.length ?? 0) > 1 && (
            <ul>
              {bringIn.error.errors?.map((one) => (
                <li key={one.path + one.message}>
                  <span className="mono">{one.path}</span>: {one.message}
                </li>
              ))}
            </ul>
          )}
        </div>
      )}
      {typeof bringIn.data === 'string' ? (
        <p role="status" className={styles.reading}>
          {bringIn.data === 'cancelled' ? (
            <span>
              The import of <b>{name}</b> was cancelled; nothing was changed.
            </span>
          ) : (
            <span>
              <b>{name}</b> was imported before it could be cancelled. Undo takes it back.
            </span>
          )}
        </p>
      ) : (
        bringIn.data !== undefined && <Report report={bringIn.data} />
      )}
    </section>
  );
}

/** Bytes of a file that takes longer than a moment. */
const LARGE = 1_000_000;

async function parse(file: File): Promise<unknown> {
  try {
    return JSON.parse(await file.text());
  } catch {
    throw new Error('It is damaged, or not an arrangement. Choose a file that was exported here.');
  }
}

function Report({ report }: { report: ImportReport }) {
  const { matched, elsewhere, missing } = report;
  return (
    <div className="note-box" role="status">
      <p>
        <b>{matched}</b> plugins are on this computer
        {elsewhere.length + missing.length === 0 ? ', and none is missing.' : '; all others keep their places.'}
      </p>
      <Absent words="are on other computers of the studio" plugins={elsewhere} />
      <Absent words="are on none of them" plugins={missing} />
    </div>
  );
}

function Absent({ words, plugins }: { words: string; plugins: ImportReport['missing'] }) {
  if (plugins.length === 0) return null;
  return (
    <>
      <p>
        <b>{plugins.length}</b> {words}:
      </p>
      <ul className="missing">
        {plugins.map((one) => (
          <li key={`${one.name} ${one.vendor ?? ''}`}>
            {one.name} <span className="quiet">{one.vendor ?? 'vendor unknown'}</span>
          </li>
        ))}
      </ul>
    </>
  );
}
