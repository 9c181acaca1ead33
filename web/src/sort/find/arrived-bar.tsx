import { useEffect, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { toast } from 'sonner';
import { isUnderWay, useArrivals, useScans } from '../../catalogue/queries';
import { useCancelScan, useStartScan } from '../../catalogue/scanning';
import { useComputer } from '../../lib/use-computer';
import { PlainButton } from '../../parts/plain-button';
import { NO_FILTERS, type SortViewController } from './use-sort-view';
import styles from './find.module.css';

/** What came into the watched folders: one click scans it and shows what is new. */
export function ArrivedBar({ viewing }: { viewing: SortViewController }) {
  const computer = useComputer();
  const arrivals = useArrivals(computer.id).data ?? [];
  const scans = useScans(computer.id).data ?? [];
  const start = useStartScan();
  const cancel = useCancelScan();
  const [begun, setBegun] = useState<string | null>(null);
  const own = scans.find((scan) => scan.id === begun);
  const isDone = own !== undefined && !isUnderWay(own);
  useEffect(() => {
    if (!isDone) return;
    setBegun(null);
    if (own.state === 'done') viewing.look({ typed: '', filters: { ...NO_FILTERS, state: ['new'] } });
    else if (own.state !== 'cancelled')
      toast.error(own.failure ?? 'The scan was interrupted; the catalogue is as it was before. Scan again.');
    // When it is done, and not whenever something else is looked at.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [isDone]);
  if (begun !== null)
    return (
      <div className={styles.arrived}>
        <span role="status">
          Scanning what arrived …
          {own !== undefined && ` ${String(own.progress.read)} of ${String(own.progress.found)} read`}
        </span>
        <PlainButton disabled={cancel.isPending} onClick={() => cancel.mutate(begun)}>
          Cancel scan
        </PlainButton>
      </div>
    );
  if (arrivals.length === 0) return null;
  return (
    <div className={styles.arrived}>
      <span>
        {arrivals.length} {arrivals.length === 1 ? 'change' : 'changes'} in the watched plugin folders.
      </span>
      <Button
        size="sm"
        disabled={start.isPending}
        onClick={() =>
          start.mutate({ paths: arrivals.map((one) => one.path) }, { onSuccess: ({ id }) => setBegun(id) })
        }
      >
        Scan and show what is new
      </Button>
    </div>
  );
}
