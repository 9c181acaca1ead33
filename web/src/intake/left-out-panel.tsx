import clsx from 'clsx';
import { useState } from 'react';
import { LEFT_OUT_TEXTS, type LeftOutReason } from '@clever-drawer/core/facts/left-out';
import type { LeftOutView } from '@clever-drawer/contract/responses';
import { useLeftOut } from '../catalogue/queries';
import { useComputer } from '../lib/use-computer';
import { Failed } from '../parts/empty-note';
import { PlainButton } from '../parts/plain-button';
import styles from './intake.module.css';

const FIRST = 100;
const MORE = 500;

/** What scans looked at and left out: how many for each reason, and which. */
export function LeftOutPanel() {
  const leftOut = useLeftOut(useComputer().id);
  const [open, setOpen] = useState<LeftOutReason | null>(null);
  if (leftOut.isError) return <Failed error={leftOut.error} again={() => void leftOut.refetch()} />;
  if (leftOut.data === undefined || leftOut.data.counts.length === 0) return null;
  const { counts, list, lookedAt } = leftOut.data;
  const all = counts.reduce((sum, { count }) => sum + count, 0);
  return (
    <section className="panel" aria-labelledby="left-out-title">
      <h2 id="left-out-title">
        Left out <span className="mono quiet">{all}</span>
      </h2>
      <p className="quiet">Of {lookedAt} files, bundles and links that scans looked at.</p>
      <ul className={styles.leftOut}>
        {counts.map(({ reason, count }) => {
          const { one, many, why } = LEFT_OUT_TEXTS[reason];
          const isOpen = open === reason;
          return (
            <li key={reason}>
              <PlainButton aria-expanded={isOpen} onClick={() => setOpen(isOpen ? null : reason)}>
                {count} {count === 1 ? one : many}
              </PlainButton>
              {isOpen && (
                <>
                  <p className="quiet">{why}</p>
                  <LeftOutList key={reason} list={list.filter((entry) => entry.reason === reason)} count={count} />
                </>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}

function LeftOutList({ list, count }: { list: LeftOutView['list']; count: number }) {
  const [most, setMost] = useState(FIRST);
  const shown = list.slice(0, most);
  return (
    <ul className={styles.leftOutPaths}>
      {shown.map(({ path, of }) => (
        <li key={path} className={clsx('mono', styles.problemPath)}>
          <bdi>{path}</bdi>
          {of !== null && (
            <span className="quiet">
              {' '}
              leads to <bdi>{of}</bdi>
            </span>
          )}
        </li>
      ))}
      {shown.length < list.length && (
        <li>
          <PlainButton onClick={() => setMost(most + MORE)}>
            {list.length - most > MORE ? `the next ${String(MORE)} of ` : 'and '}
            {list.length - shown.length} more
          </PlainButton>
        </li>
      )}
      {shown.length === list.length && list.length < count && (
        <li className="quiet">
          and {count - list.length} more; the scan report (npm run scan -- FOLDER --json report.json) lists them all
        </li>
      )}
    </ul>
  );
}
