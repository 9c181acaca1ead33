import clsx from 'clsx';
import Button from 'react-bootstrap/Button';
import { useArrivals } from '../catalogue/queries';
import { useComputer } from '../lib/use-computer';
import { useStartScan } from '../catalogue/scanning';
import styles from './intake.module.css';

const SHOWN = 6;

/** What came or went in the watched folders, with the scan of just that. */
export function ArrivalNote() {
  const computer = useComputer();
  const arrivals = useArrivals(computer.id).data ?? [];
  const scan = useStartScan();
  if (arrivals.length === 0) return null;
  const came = arrivals.filter((one) => one.kind === 'arrived').length;
  const went = arrivals.length - came;
  const parts = [came > 0 ? `${String(came)} arrived or changed` : '', went > 0 ? `${String(went)} gone` : ''];
  return (
    <section className={clsx('panel', styles.notePanel)} aria-labelledby="arrivals-title">
      <div className="panel-head">
        <h2 id="arrivals-title">In the watched folders: {parts.filter((part) => part !== '').join(', ')}</h2>
        <Button
          size="sm"
          disabled={scan.isPending}
          onClick={() => scan.mutate({ paths: arrivals.map((one) => one.path) })}
        >
          Scan only {arrivals.length === 1 ? 'this' : `these ${String(arrivals.length)}`}
        </Button>
      </div>
      <ul className="plain-list">
        {arrivals.slice(0, SHOWN).map(({ path, kind }) => (
          <li key={path} className="mono one-line" title={path}>
            {kind === 'vanished' && <span className="flag">gone</span>} <bdi>{path}</bdi>
          </li>
        ))}
        {arrivals.length > SHOWN && <li className="quiet">and {arrivals.length - SHOWN} more</li>}
      </ul>
    </section>
  );
}
