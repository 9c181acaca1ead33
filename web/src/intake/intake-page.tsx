import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { useFolders, useScans, keys } from '../shared/queries';
import { Failed, Loading } from '../shared/empty-note';
import { StatusLine } from '../shared/status-line';
import { useComputer } from '../shared/use-place';
import { FolderList } from './folder-list';
import { ScanHistory } from './scan-history';
import { ScanPanel } from './scan-panel';

/** Intake: the computer's plugin folders, the scan, and what it found and could not read. */
export function IntakePage() {
  const computer = useComputer();
  const folders = useFolders(computer.id);
  const scans = useScans(computer.id);
  useRefreshAfterScan();
  if (folders.isError) return <Failed error={folders.error} again={() => void folders.refetch()} />;
  if (scans.isError) return <Failed error={scans.error} again={() => void scans.refetch()} />;
  if (folders.data === undefined || scans.data === undefined) return <Loading what="the folders" />;
  const [last] = scans.data;
  const running = last?.state === 'running';
  return (
    <>
      <main className="intake">
        <h1 className="visually-hidden">Intake</h1>
        <FolderList folders={folders.data} scanRuns={running} />
        <div className="intake-result">
          <ScanPanel scan={last ?? null} hasFolders={folders.data.length > 0} />
          <ScanHistory scans={scans.data.slice(1)} />
        </div>
      </main>
      <StatusLine>
        <span>
          <b>{computer.plugins}</b> plugins in <b>{computer.builds}</b> builds on {computer.name}
        </span>
        <span>Plugin files are only ever read.</span>
      </StatusLine>
    </>
  );
}

/** When a scan ends, everything that shows the catalogue looks at it again. */
function useRefreshAfterScan(): void {
  const computer = useComputer();
  const client = useQueryClient();
  const last = useScans(computer.id).data?.[0];
  const state = last === undefined ? null : `${last.id} ${last.state}`;
  const before = useRef(state);
  useEffect(() => {
    if (before.current !== state && before.current !== null && last?.state !== 'running') {
      for (const queryKey of [keys.computers, keys.folders(computer.id), keys.catalogue(computer.id)]) {
        void client.invalidateQueries({ queryKey });
      }
    }
    before.current = state;
  }, [state, last?.state, client, computer.id]);
}
