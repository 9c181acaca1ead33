import { useEffect, useLayoutEffect, useRef } from 'react';

/**
 * Does things as soon as the search has answered what is typed: at once when it has. A key pressed before is not lost, and does not act on what is
 * about to go.
 */
export function useWhenFound(isSettled: boolean): (act: () => void) => void {
  const latest = useRef(isSettled);
  const waiting = useRef<(() => void)[]>([]);
  useLayoutEffect(() => {
    latest.current = isSettled;
  });
  useEffect(() => {
    if (!isSettled) return;
    for (const act of waiting.current.splice(0)) act();
  });
  return (act) => {
    if (latest.current && waiting.current.length === 0) act();
    else waiting.current.push(act);
  };
}
