import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import ProgressBar from 'react-bootstrap/ProgressBar';
import type { ScanOutcome, ScanView } from '@clever-drawer/contract/responses';
import { useNavigate } from 'react-router';
import { counted } from '../lib/counted';
import { TO_FILE, wayTo } from '../lib/visited';
import { useComputer } from '../lib/use-computer';
import { EmptyNote } from '../parts/empty-note';
import { FiledByRules } from './filed-by-rules';
import { StoryList } from './story-list';
import { useCancelScan } from '../catalogue/scanning';
import { PlainButton } from '../parts/plain-button';
import styles from './intake.module.css';

/** The scans that run or wait, and what the last one brought. */
export function ScanPanel({
  underWay,
  last,
  hasFolders,
}: {
  underWay: readonly ScanView[];
  last: ScanView | null;
  hasFolders: boolean;
}) {
  const { here } = useComputer();
  const running = underWay.find((scan) => scan.state === 'running') ?? underWay.at(-1);
  const waiting = underWay.filter((scan) => scan !== running);
  if (running === undefined && last === null) {
    return (
      <EmptyNote title="Nothing scanned yet">
        <p>
          {!here
            ? 'Import its scan report.'
            : hasFolders
              ? 'Scan the folders to see what is installed. Nothing on disk is changed by it. Plugins whose files say too little are loaded, in a process of their own, to read their details, unless that is switched off for their folder.'
              : 'Add a plugin folder, then scan it.'}
        </p>
      </EmptyNote>
    );
  }
  return (
    <>
      {running !== undefined && <Running scan={running} />}
      {waiting.map((scan) => (
        <Waiting key={scan.id} scan={scan} />
      ))}
      {last !== null && <Ended scan={last} />}
    </>
  );
}

function Waiting({ scan }: { scan: ScanView }) {
  const cancel = useCancelScan();
  return (
    <section className="panel panel-head" aria-label="Waiting scan">
      <span>
        Waits for its turn: {scan.folders.length === 1 ? scan.folders[0] : `${String(scan.folders.length)} folders`}
      </span>
      <PlainButton onClick={() => cancel.mutate(scan.id)}>Cancel scan</PlainButton>
    </section>
  );
}

/** The scan that goes on now. */
function Running({ scan }: { scan: ScanView }) {
  const cancel = useCancelScan();
  const { found, read, current } = scan.progress;
  return (
    <section className="panel" aria-labelledby="scan-title">
      <div className="panel-head">
        <h2 id="scan-title">Scanning</h2>
        <Button
          size="sm"
          variant="outline-primary"
          disabled={cancel.isPending || cancel.isSuccess}
          onClick={() => cancel.mutate(scan.id)}
        >
          {cancel.isSuccess ? 'Stopping …' : 'Cancel, and keep what was read'}
        </Button>
      </div>
      <ProgressBar now={read} max={Math.max(found, 1)} aria-label={`${String(read)} of ${String(found)} read`} />
      <p className="mono progress-words" role="status">
        {read} of {found} found places read
      </p>
      <p className="mono quiet one-line" title={current ?? ''}>
        <bdi>{current ?? 'looking through the folders'}</bdi>
      </p>
    </section>
  );
}

const STATE_TITLES = {
  done: 'What the last scan found',
  cancelled: 'The last scan was cancelled; what it had read is kept',
  failed: 'The last scan failed',
  interrupted: 'The last scan was interrupted; the catalogue is as it was before',
} as const;

function Ended({ scan }: { scan: ScanView }) {
  const title = scan.state === 'running' || scan.state === 'waiting' ? '' : STATE_TITLES[scan.state];
  const [open, setOpen] = useState(false);
  const computer = useComputer();
  const navigate = useNavigate();
  return (
    <section className="panel" aria-labelledby="scan-title">
      <div className="panel-head">
        <h2 id="scan-title">{title}</h2>
        <span className="quiet">{new Date(scan.startedAt).toLocaleString()}</span>
      </div>
      {scan.failure !== null && <p role="alert">{scan.failure}</p>}
      {scan.outcome !== null && (
        <>
          <Counts outcome={scan.outcome} problems={scan.problems} />
          {scan.outcome.arrived > 0 && (
            <p className={styles.afterCounts}>
              {counted(scan.outcome.arrived, 'build')} {scan.outcome.arrived === 1 ? 'is' : 'are'} new.{' '}
              <FiledByRules scan={scan} />
              <Button size="sm" onClick={() => void navigate(wayTo(computer.id, 'sort'), { state: TO_FILE })}>
                File them
              </Button>
            </p>
          )}
          <p className={styles.afterCounts}>
            <PlainButton aria-expanded={open} onClick={() => setOpen(!open)}>
              {open ? 'Hide the details' : 'Show the details'}
            </PlainButton>
            {(scan.outcome.unchanged ?? 0) > 0 && (
              <span className="quiet"> {scan.outcome.unchanged} places have not changed and were not read again</span>
            )}
          </p>
          {open && <StoryList scan={scan} />}
        </>
      )}
    </section>
  );
}

function Counts({ outcome, problems }: { outcome: ScanOutcome; problems: number }) {
  const cells: readonly (readonly [string, number, boolean])[] = [
    ['plugins', outcome.plugins, false],
    ['builds', outcome.builds, false],
    ['arrived', outcome.arrived, false],
    ['changed', outcome.changed, false],
    ['came back', outcome.returned, false],
    ['gone', outcome.vanished, outcome.vanished > 0],
    ['read again', outcome.recovered ?? 0, false],
    // Scans of before this was counted know their problems only, old and new together.
    ['failed', outcome.failed ?? problems, (outcome.failed ?? problems) > 0],
  ];
  return (
    <dl className={styles.counts}>
      {cells.map(([name, count, alerts]) => (
        <div key={name} className={alerts ? 'attention' : ''}>
          <dd>{count}</dd>
          <dt>{name}</dt>
        </div>
      ))}
    </dl>
  );
}
