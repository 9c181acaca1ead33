import type { RuleProblem as Problem } from '@clever-drawer/core/rules/read-problems';
import { PlainButton } from '../../parts/plain-button';
import styles from './rule.module.css';

/** What is wrong with a rule that is being written: its place, what was expected there, and a proposal that one key takes. */
export function RuleProblem({
  typed,
  problem,
  id,
  take,
}: {
  readonly typed: string;
  readonly problem: Problem;
  readonly id: string;
  readonly take: (typed: string) => void;
}) {
  const { at, to, words, proposal } = problem;
  const place = typed.slice(at, to);
  return (
    <div className={styles.problem} id={id} role="status">
      <span className="mono" aria-hidden>
        <bdi>{typed.slice(Math.max(0, at - AROUND), at)}</bdi>
        <mark>{place === '' ? '·' : place.slice(0, LONGEST)}</mark>
        <bdi>{typed.slice(to, to + AROUND)}</bdi>
      </span>
      <span>{words}</span>
      {proposal !== null && (
        <PlainButton onClick={() => take(typed.slice(0, at) + proposal + typed.slice(to))}>
          {proposal === '' ? 'Take it out' : `Write ${proposal}`}
        </PlainButton>
      )}
    </div>
  );
}

const AROUND = 16;
const LONGEST = 40;
