import Button from 'react-bootstrap/Button';
import ProgressBar from 'react-bootstrap/ProgressBar';
import type { ScanOutcome, ScanView } from '@clever-drawer/contract/responses';
import { EmptyNote } from '../shared/empty-note';
import { ProblemList } from './problem-list';
import { useCancelScan } from './use-scan';

/** The scan that runs, or what the last one brought. */
export function ScanPanel({ scan, hasFolders }: { scan: ScanView | null; hasFolders: boolean }) {
  if (scan === null) {
    return (
      <EmptyNote title="Nothing scanned yet">
        <p>
          {hasFolders
            ? 'Scan the folders to see what is installed. No plugin is run or changed by it.'
            : 'Add a plugin folder, then scan it.'}
        </p>
      </EmptyNote>
    );
  }
  return scan.state === 'running' ? <Running scan={scan} /> : <Ended scan={scan} />;
}

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
  const title = scan.state === 'running' ? '' : STATE_TITLES[scan.state];
  return (
    <section className="panel" aria-labelledby="scan-title">
      <div className="panel-head">
        <h2 id="scan-title">{title}</h2>
        <span className="quiet">{new Date(scan.startedAt).toLocaleString()}</span>
      </div>
      {scan.failure !== null && <p role="alert">{scan.failure}</p>}
      {scan.outcome !== null && <Counts outcome={scan.outcome} problems={scan.problems.length} />}
      <ProblemList problems={scan.problems} />
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
    ['problems', problems, problems > 0],
  ];
  return (
    <dl className="counts">
      {cells.map(([name, count, alerts]) => (
        <div key={name} className={alerts ? 'attention' : ''}>
          <dd>{count}</dd>
          <dt>{name}</dt>
        </div>
      ))}
    </dl>
  );
}
