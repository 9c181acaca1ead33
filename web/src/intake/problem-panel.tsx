import clsx from 'clsx';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import type { ReportedProblem } from '@clever-drawer/core/exchange/scan-report';
import { Failed } from '../parts/empty-note';
import { PAGE, useFolders, useProblems } from '../catalogue/queries';
import { useComputer } from '../lib/use-computer';
import { useStartScan } from '../catalogue/scanning';
import { MoreOf } from '../parts/more-of';
import { PlainButton } from '../parts/plain-button';
import styles from './intake.module.css';

/** So many are drawn at first; a folder of a hundred thousand broken files must not hold the page. */
const FIRST = 50;

/** The problems that stand, each with its file, its cause, the remedy and "try again". */
export function ProblemPanel({ busy }: { busy: boolean }) {
  const computer = useComputer();
  const problems = useProblems(computer.id);
  const folders = useFolders(computer.id).data ?? [];
  const scan = useStartScan();
  const [isOpen, setOpen] = useState(false);
  if (problems.isError && problems.data === undefined)
    return <Failed error={problems.error} again={() => void problems.refetch()} />;
  const [first] = problems.data?.pages ?? [];
  if (problems.data === undefined || first === undefined || first.total === 0) return null;
  const { total } = problems.data.pages.at(-1) ?? first;
  const all = problems.data.pages.flatMap((page) => page.list);
  const shown = isOpen ? all : all.slice(0, FIRST);
  const again = (problem: ReportedProblem): void => scan.mutate({ paths: [problem.path], again: true });
  const inFolders = (path: string): boolean =>
    computer.here && folders.some((folder) => path === folder.path || path.startsWith(`${folder.path}/`));
  return (
    <section className="panel" aria-labelledby="problems-title">
      <div className="panel-head">
        <h2 id="problems-title">
          Problems <span className="mono quiet">{total}</span>
        </h2>
        {computer.here && (
          <Button size="sm" variant="outline-primary" disabled={busy} onClick={() => scan.mutate({ problems: true })}>
            Try all again
          </Button>
        )}
      </div>
      <ul className={styles.problems}>
        {shown.map((problem, index) => (
          <li key={`${problem.path} ${problem.code} ${String(index)}`}>
            <div className={clsx('mono', styles.problemPath)} title={problem.path}>
              <bdi>{problem.path}</bdi>
            </div>
            <div>{problem.message}</div>
            <div className="quiet">
              {problem.remedy}{' '}
              {inFolders(problem.path) && (
                <PlainButton disabled={busy} onClick={() => again(problem)} aria-label={`Try ${problem.path} again`}>
                  Try again
                </PlainButton>
              )}
            </div>
          </li>
        ))}
      </ul>
      <MoreOf
        left={total - shown.length}
        step={isOpen ? PAGE : all.length - shown.length}
        busy={problems.isFetchingNextPage}
        error={problems.isFetchNextPageError ? problems.error : null}
        more={() => (isOpen || all.length <= FIRST ? void problems.fetchNextPage() : setOpen(true))}
      />
    </section>
  );
}
