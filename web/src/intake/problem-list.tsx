import { useState } from 'react';
import type { ReportedProblem } from '@clever-drawer/core/exchange/scan-report';

const FIRST = 50;

/** Each problem with its file, its cause and the remedy. */
export function ProblemList({ problems }: { problems: readonly ReportedProblem[] }) {
  const [all, showAll] = useState(false);
  if (problems.length === 0) return null;
  const shown = all ? problems : problems.slice(0, FIRST);
  return (
    <>
      <h3>Problems</h3>
      <ul className="problems">
        {shown.map((problem, index) => (
          <li key={`${problem.path} ${problem.code} ${String(index)}`}>
            <div className="mono problem-path" title={problem.path}>
              <bdi>{problem.path}</bdi>
            </div>
            <div>{problem.message}</div>
            <div className="quiet">{problem.remedy}</div>
          </li>
        ))}
      </ul>
      {!all && problems.length > FIRST && (
        <button type="button" className="plain" onClick={() => showAll(true)}>
          and {problems.length - FIRST} more
        </button>
      )}
    </>
  );
}
