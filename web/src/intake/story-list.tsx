import clsx from 'clsx';
import { useState } from 'react';
import type { ScanStory, ScanView } from '@clever-drawer/contract/responses';
import type { EventKind } from '@clever-drawer/core/catalogue/scan-story';
import { Failed, Loading } from '../parts/empty-note';
import { useStory } from '../catalogue/queries';
import { FACT_WORDS } from '../catalogue/fact-words';
import { MoreOf } from '../parts/more-of';
import styles from './intake.module.css';

const TITLES: Readonly<Record<EventKind, string>> = {
  failed: 'Failed',
  vanished: 'Gone: their places in drawers stay',
  changed: 'Changed',
  returned: 'Came back',
  arrived: 'Arrived',
  recovered: 'Can be read again',
};
const FIRST = 8;
const MORE = 500;

/** What a scan did to each build and place, kind by kind. */
export function StoryList({ scan: { id, outcome } }: { scan: Pick<ScanView, 'id' | 'outcome'> }) {
  const story = useStory(id, true);
  if (story.isError) return <Failed error={story.error} again={() => void story.refetch()} />;
  if (story.data === undefined) return <Loading what="what the scan found" />;
  if (story.data.length === 0) return <p className="quiet">Nothing has changed since the scan before.</p>;
  const kinds = (Object.keys(TITLES) as EventKind[])
    .map((kind) => ({ kind, events: story.data.filter((event) => event.kind === kind) }))
    .filter(({ events }) => events.length > 0);
  return kinds.map(({ kind, events }) => (
    <Events key={kind} title={TITLES[kind]} events={events} count={outcome?.[kind] ?? events.length} />
  ));
}

function Events({ title, events, count }: { title: string; events: ScanStory; count: number }) {
  const [most, setMost] = useState(FIRST);
  return (
    <>
      <h3>
        {title} <span className="mono quiet">{count}</span>
      </h3>
      <ul className="story">
        {events.slice(0, most).map((event, index) => (
          <li key={`${event.path} ${event.name ?? ''} ${String(index)}`}>
            <div className={styles.storyHead}>
              {event.name !== undefined && (
                <>
                  <b>
                    <bdi>{event.name}</bdi>
                  </b>
                  <span className="format">{event.format}</span>
                  <span className="quiet">{event.vendor}</span>
                </>
              )}
              <span className={clsx('mono quiet one-line', styles.storyPath)} title={event.path}>
                <bdi>{event.path}</bdi>
              </span>
            </div>
            {event.problem !== undefined && <div>{event.problem.message}</div>}
            {event.facts?.map(({ fact, before, after }) => (
              <div key={fact} className={styles.factChange}>
                {FACT_WORDS[fact]}: <s>{before || 'unknown'}</s> → <b>{after || 'unknown'}</b>
              </div>
            ))}
          </li>
        ))}
      </ul>
      <MoreOf left={events.length - most} step={MORE} more={() => setMost(most + MORE)} />
      {most >= events.length && count > events.length && (
        <p className="quiet">and {count - events.length} more, not listed</p>
      )}
    </>
  );
}
