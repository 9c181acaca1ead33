import { asidesOf } from '@clever-drawer/core/chests/asides';
import { useState } from 'react';
import type { ScanView } from '@clever-drawer/contract/responses';
import { asideChanged, type AsideChanged } from '@clever-drawer/core/chests/aside-changed';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { asideLabel } from '@clever-drawer/core/chests/rows/aside';
import { useArrangement } from '../arrangement/arrangement-query';
import { useChanges } from '../arrangement/changes';
import { useCatalogue, useStory } from '../catalogue/queries';
import { useComputer } from '../lib/use-computer';
import { Failed } from '../parts/empty-note';
import { MoreOf } from '../parts/more-of';
import { PlainButton } from '../parts/plain-button';

const FIRST = 8;
const MORE = 500;

interface Props {
  /** The last scan; null before the first. */
  readonly scan: ScanView | null;
}

/** What is set aside as faulty or as a demo, and may be worth another try since the last scan. Nothing where there is none. */
export function AsideChangedPanel({ scan }: Props) {
  const state = useArrangement(useComputer().id).data?.state;
  const asides = state === undefined ? [] : [...asidesOf(state).values()];
  const mayEnd = asides.some(({ reason }) => reason === 'faulty' || reason === 'demo');
  // The catalogue is large: it is not asked for where nothing can be told.
  return scan === null || state === undefined || !mayEnd ? null : <Changed scan={scan} state={state} />;
}

function Changed({ scan, state }: { scan: ScanView; state: Arrangement }) {
  const computer = useComputer();
  const catalogue = useCatalogue(computer.id).data;
  const story = useStory(scan.id, true);
  const changes = useChanges(computer.id);
  const [most, setMost] = useState(FIRST);
  if (story.isError) return <Failed error={story.error} again={() => void story.refetch()} />;
  if (catalogue === undefined || story.data === undefined) return null;
  const changed = asideChanged(asidesOf(state).values(), (id) => catalogue.byId.get(id), story.data);
  if (changed.length === 0) return null;
  const bringBack = (some: readonly AsideChanged[]): void => {
    const asides = some.map(({ aside }) => aside);
    void changes.make({
      kind: 'bring-back',
      pluginIds: asides.flatMap(({ pluginId, buildId }) => (buildId === null ? pluginId : [])),
      builds: asides.flatMap(({ pluginId, buildId }) => (buildId === null ? [] : { id: buildId, pluginId })),
    });
  };
  return (
    <section className="panel" aria-labelledby="aside-changed-title">
      <div className="panel-head">
        <h2 id="aside-changed-title">
          Set aside, and changed by the last scan <span className="mono quiet">{changed.length}</span>
        </h2>
        {changed.length > 1 && <PlainButton onClick={() => bringBack(changed)}>Bring all back</PlainButton>}
      </div>
      <ul className="story">
        {changed.slice(0, most).map((one) => (
          <li key={one.aside.id}>
            <b>
              <bdi>{one.name}</bdi>
            </b>{' '}
            <span className="flag">set aside: {asideLabel(one.aside.reason)}</span>{' '}
            <span title={one.path}>{inWords(one)}</span>{' '}
            <PlainButton linked aria-label={`Bring ${one.name} back`} onClick={() => bringBack([one])}>
              Bring back
            </PlainButton>
          </li>
        ))}
      </ul>
      <MoreOf left={changed.length - most} step={MORE} more={() => setMost(most + MORE)} />
    </section>
  );
}

const inWords = ({ what, before, after }: AsideChanged): string =>
  what === 'version'
    ? `version ${before || 'unknown'} → ${after || 'unknown'}`
    : what === 'files'
      ? 'its files have changed'
      : 'it can be read again';
