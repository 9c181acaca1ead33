import { startTransition, useEffect, useState } from 'react';

/**
 * A value that follows once what else changed with it has been painted. A deferred value would be worked on before the next frame, and one long
 * piece of work holds that frame up. `isUrgent` when it is quickly drawn: it does not wait for long work that follows too.
 */
export function useAfterPaint<T>(value: T, isUrgent = false): T {
  const [shown, setShown] = useState(value);
  useEffect(() => {
    if (shown === value) return undefined;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const frame = requestAnimationFrame(() => {
      timer = setTimeout(() => (isUrgent ? setShown(value) : startTransition(() => setShown(value))));
    });
    return () => {
      cancelAnimationFrame(frame);
      clearTimeout(timer);
    };
  }, [value, shown, isUrgent]);
  return shown;
}
