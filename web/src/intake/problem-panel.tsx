import clsx from 'clsx';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import type { ReportedProblem } from '@clever-drawer/core/exchange/scan-report';
import { Failed } from '../parts/empty-note';
import { useFolders, useProblems } from '../catalogue/queries';
import { useComputer } from '../lib/use-computer';
import { useStartScan } from '../catalogue/scanning';
import { PlainButton } from '../parts/plain-button';
import styles from './intake.module.css';

const FIRST = 50;
/** So many more are drawn with each click: a folder of a hundred thousand broken files must not hold the page. */
const MORE = 500;

/** The problems that stand, each with its file, its cause, the remedy and "try again". */
export function ProblemPanel({ busy }: { busy: boolean }) {
  const computer = useComputer();
  const problems = useProblems(computer.id);
  const folders = useFolders(computer.id).data ?? [];
  const scan = useStartScan();
  const [most, setMost] = useState(FIRST);
  if (problems.isError) return <Failed error={problems.error} again={() => void problems.refetch()} />;
  if (problems.data === undefined || problems.data.length === 0) return null;
  const shown = problems.data.slice(0, most);
  const left = problems.data.length - shown.length;
  const again = (those: readonly ReportedProblem[]): void =>
    scan.mutate({ paths: [...new Set(those.map((one) => one.path))], again: true });
  const inFolders = (path: string): boolean =>
    computer.here && folders.some((folder) => path === folder.path || path.startsWith(`${folder.path}/`));
  return (
    <section className="panel" aria-labelledby="problems-title">
      <div className="panel-head">
        <h2 id="problems-title">
          Problems <span className="mono quiet">{problems.data.length}</span>
        </h2>
        {computer.here && (
          <Button
            size="sm"
            variant="outline-primary"
            disabled={busy}
            onClick={() => again(problems.data.filter((one) => inFolders(one.path)))}
          >
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
                <PlainButton disabled={busy} onClick={() => again([problem])} aria-label={`Try ${problem.path} again`}>
                  Try again
                </PlainButton>
              )}
            </div>
          </li>
        ))}
      </ul>
      {left > 0 && (
        <PlainButton onClick={() => setMost(most + MORE)}>
          {left > MORE ? `the next ${String(MORE)} of ${String(left)} more` : `and ${String(left)} more`}
        </PlainButton>
      )}
    </section>
  );
}
