import clsx from 'clsx';
import type { Format } from '@clever-drawer/core/facts/format';
import { STANDARD_PREFERENCE, type Criterion, type Preference } from '@clever-drawer/core/catalogue/preference';
import { GENERAL_PREFERENCE } from '@clever-drawer/core/chests/rows/preference';
import { preferenceOf } from '@clever-drawer/core/chests/with-choices';

import { useArrangement } from '../arrangement/arrangement-query';
import { useChanges } from '../arrangement/changes';
import { useComputer } from '../lib/use-computer';
import { PlainButton } from '../parts/plain-button';
import styles from './intake.module.css';

const CRITERION_WORDS: Readonly<Record<Criterion, string>> = {
  bits: '64-bit before 32-bit',
  format: 'by format',
  version: 'newer version before older',
};

/** The rule by which one of several builds is loaded. It can be set aside for single plugins in Sort. */
export function PreferencePanel() {
  const computer = useComputer();
  const arranged = useArrangement(computer.id);
  const changes = useChanges(computer.id);
  if (arranged.data === undefined) return null;
  const preference = preferenceOf(arranged.data.state);
  const own = arranged.data.state.preference.has(GENERAL_PREFERENCE);
  const set = (change: Partial<Preference>): void => {
    const { criteria, formats } = { ...preference, ...change };
    void changes.make({ kind: 'prefer-builds', preference: { criteria, formats } });
  };
  return (
    <section className="panel" aria-labelledby="preference-title">
      <div className="panel-head">
        <h2 id="preference-title">Which build is loaded</h2>
        {own && (
          <PlainButton onClick={() => void changes.make({ kind: 'prefer-builds', preference: null })}>
            Reset to default
          </PlainButton>
        )}
      </div>
      <p className="quiet">Where a plugin has several builds, the first line that tells them apart decides.</p>
      <ol className={styles.ranking}>
        {preference.criteria.map((criterion, index) => (
          <li key={criterion}>
            <span>{CRITERION_WORDS[criterion]}</span>
            <Mover
              what={CRITERION_WORDS[criterion]}
              list={preference.criteria}
              index={index}
              set={(criteria) => set({ criteria })}
            />
            {criterion === 'format' && (
              <ol className={clsx(styles.ranking, styles.inner)}>
                {preference.formats.map((format, place) => (
                  <li key={format}>
                    <span className="format">{format}</span>
                    <Mover<Format>
                      what={format}
                      list={preference.formats}
                      index={place}
                      set={(formats) => set({ formats })}
                    />
                  </li>
                ))}
              </ol>
            )}
          </li>
        ))}
      </ol>
      {preference.criteria.length < STANDARD_PREFERENCE.criteria.length && (
        <p className="quiet">Lines that are missing here do not count.</p>
      )}
    </section>
  );
}

function Mover<T>({
  what,
  list,
  index,
  set,
}: {
  what: string;
  list: readonly T[];
  index: number;
  set: (list: T[]) => void;
}) {
  const moved = (by: number): void => {
    const next = [...list];
    next.splice(index + by, 0, ...next.splice(index, 1));
    set(next);
  };
  return (
    <span className={styles.mover}>
      <PlainButton disabled={index === 0} aria-label={`${what}: up`} onClick={() => moved(-1)}>
        ↑
      </PlainButton>
      <PlainButton disabled={index === list.length - 1} aria-label={`${what}: down`} onClick={() => moved(1)}>
        ↓
      </PlainButton>
    </span>
  );
}
