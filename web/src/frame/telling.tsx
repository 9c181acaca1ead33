import { useSyncExternalStore } from 'react';
import { onTold, toldLast } from '../lib/telling';

/** What was done, and how many there are, for screen readers. */
export function Telling() {
  const told = useSyncExternalStore(onTold, toldLast);
  return (
    <div className="visually-hidden" aria-live="polite" data-telling>
      {told}
    </div>
  );
}
