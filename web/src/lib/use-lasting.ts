import { useEffect, useState } from 'react';

/** Whether something has been so for a time, in milliseconds: what passes sooner is not worth a flicker. */
export function useLasting(isSo: boolean, ms: number): boolean {
  const [lasts, setLasts] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setLasts(isSo), isSo ? ms : 0);
    return () => clearTimeout(timer);
  }, [isSo, ms]);
  return isSo && lasts;
}
