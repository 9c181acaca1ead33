import clsx from 'clsx';
import { useState } from 'react';
import { LEFT_OUT_TEXTS, type LeftOutReason } from '@clever-drawer/core/facts/left-out';
import { PAGE, useLeftOut, useLeftOutFor } from '../catalogue/queries';
import { useComputer } from '../lib/use-computer';
import { Failed, Loading } from '../parts/empty-note';
import { MoreOf } from '../parts/more-of';
import { PlainButton } from '../parts/plain-button';
import styles from './intake.module.css';

/** What scans looked at and left out: how many for each reason, and which. */
export function LeftOutPanel() {
  const leftOut = useLeftOut(useComputer().id);
  const [open, setOpen] = useState<LeftOutReason | null>(null);
  if (leftOut.isError) return <Failed error={leftOut.error} again={() => void leftOut.refetch()} />;
  if (leftOut.data === undefined || leftOut.data.counts.length === 0) return null;
  const { counts, lookedAt } = leftOut.data;
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
                  <LeftOutList reason={reason} count={count} />
                </>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}

function LeftOutList({ reason, count }: { reason: LeftOutReason; count: number }) {
  const listed = useLeftOutFor(useComputer().id, reason);
  if (listed.isError && listed.data === undefined)
    return <Failed error={listed.error} again={() => void listed.refetch()} />;
  if (listed.data === undefined) return <Loading what="what was left out" />;
  const shown = listed.data.pages.flatMap((page) => page.list);
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
      <li>
        <MoreOf
          left={count - shown.length}
          step={PAGE}
          busy={listed.isFetchingNextPage}
          error={listed.isFetchNextPageError ? listed.error : null}
          more={() => void listed.fetchNextPage()}
        />
      </li>
    </ul>
  );
}
