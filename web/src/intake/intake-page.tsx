import { isUnderWay, useFolders, useScans } from '../catalogue/queries';
import { Failed, Loading } from '../parts/empty-note';
import { StatusLine } from '../frame/status-line';
import { useComputer } from '../lib/use-computer';
import { AsideChangedPanel } from './aside-changed-panel';
import { ArrivalNote } from './arrival-note';
import { FileFoldersPanel } from './file-folders-panel';
import { FolderList } from './folder-list';
import { LeftOutPanel } from './left-out-panel';
import { ElsewherePanel, OtherComputers } from './other-computers';
import { PreferencePanel } from './preference-panel';
import { ProblemPanel } from './problem-panel';
import { ScanHistory } from './scan-history';
import { ScanPanel } from './scan-panel';
import { VendorPanel } from './vendor-panel';
import styles from './intake.module.css';

/** Intake: the computer's plugin folders, the scan, what it found, what it could not read, and how builds and vendors belong together. */
export function IntakePage() {
  const computer = useComputer();
  const folders = useFolders(computer.id);
  const scans = useScans(computer.id);
  if (folders.isError) return <Failed error={folders.error} again={() => void folders.refetch()} />;
  if (scans.isError) return <Failed error={scans.error} again={() => void scans.refetch()} />;
  if (folders.data === undefined || scans.data === undefined) return <Loading what="the folders" />;
  const underWay = scans.data.filter(isUnderWay);
  const ended = scans.data.filter((scan) => !isUnderWay(scan));
  return (
    <>
      <main className={styles.intake}>
        <h1 className="visually-hidden">Intake</h1>
        <div className={styles.intakeColumn}>
          {computer.here ? <FolderList folders={folders.data} /> : <ElsewherePanel />}
          {computer.here && <FileFoldersPanel />}
          {computer.here && <OtherComputers />}
          <PreferencePanel />
          <VendorPanel />
        </div>
        <div className={styles.intakeColumn}>
          {computer.here && <ArrivalNote />}
          <ScanPanel underWay={underWay} last={ended[0] ?? null} hasFolders={folders.data.length > 0} />
          <AsideChangedPanel scan={ended[0] ?? null} />
          <ProblemPanel busy={underWay.length > 0} />
          <LeftOutPanel />
          <ScanHistory scans={ended.slice(1)} />
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
