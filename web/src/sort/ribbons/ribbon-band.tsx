import clsx from 'clsx';
import { useState } from 'react';
import { PickBox } from '../../parts/pick-box';
import styles from './ribbons.module.css';

/** A segment of a band: a value with its words and how many it would bring. */
export interface Segment {
  readonly value: string;
  readonly label: string;
  /** What it says in full, where the label is short. */
  readonly words?: string | undefined;
  readonly count: number;
  readonly isChosen: boolean;
}

interface Props {
  readonly name: string;
  readonly segments: readonly Segment[];
  /** How many segments have room; the smallest of the others fold into "and 12 more". */
  readonly most: number;
  readonly toggle: (value: string) => void;
}

/** One question as a band of segments as wide as their share; a click filters, another takes the filter off. */
export function RibbonBand({ name, segments, most, toggle }: Props) {
  const [finding, setFinding] = useState(false);
  const present = segments.filter((one) => one.count > 0 || one.isChosen);
  const { shown, folded } = fold(present, most);
  const rest = folded.reduce((sum, one) => sum + one.count, 0);
  return (
    <div className={styles.ribbon} role="group" aria-label={`Filter by ${name}`}>
      <span className={styles.ribbonName} aria-hidden>
        {name}
      </span>
      <div className={styles.band}>
        {shown.map(({ value, label, words, count, isChosen }) => (
          <button
            key={value}
            type="button"
            aria-pressed={isChosen}
            title={`${words ?? label}: ${String(count)}`}
            style={{ flexGrow: Math.max(1, count) }}
            onClick={() => toggle(value)}
          >
            <span className="one-line">{label}</span> <span className="mono">{count}</span>
          </button>
        ))}
        {folded.length > 0 && (
          <button type="button" className={styles.tail} onClick={() => setFinding(true)}>
            and {folded.length} more <span className="mono">{rest}</span>
          </button>
        )}
        {present.length === 0 && <span className={clsx('quiet', styles.bandEmpty)}>none</span>}
      </div>
      {finding && (
        <PickBox
          title={`Filter by ${name}`}
          what={name}
          choices={present.map((one) => ({ key: one.value, label: one.words ?? one.label, note: String(one.count) }))}
          ticked={present.filter((one) => one.isChosen).map((one) => one.value)}
          several
          close={() => setFinding(false)}
          done={(values) => {
            setFinding(false);
            const before = new Set(present.filter((one) => one.isChosen).map((one) => one.value));
            for (const value of values) if (!before.delete(value)) toggle(value);
            for (const value of before) toggle(value);
          }}
        />
      )}
    </div>
  );
}

/** The largest segments and those that are chosen, in their order; a tail of one is no tail. */
function fold(segments: readonly Segment[], most: number): { shown: readonly Segment[]; folded: readonly Segment[] } {
  if (segments.length <= most) return { shown: segments, folded: [] };
  const largest = [...segments]
    .sort((a, b) => Number(b.isChosen) - Number(a.isChosen) || b.count - a.count)
    .slice(0, most - 1);
  const kept = new Set(largest);
  return { shown: segments.filter((one) => kept.has(one)), folded: segments.filter((one) => !kept.has(one)) };
}
