import { startTransition, useEffect, useState } from 'react';

/**
 * A value that follows once what else changed with it has been painted. A deferred value would be worked on before the next frame, and one long
 * piece of work holds that frame up.
 */
export function useAfterPaint<T>(value: T): T {
  const [shown, setShown] = useState(value);
  useEffect(() => {
    if (shown === value) return undefined;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const frame = requestAnimationFrame(() => {
      timer = setTimeout(() => startTransition(() => setShown(value)));
    });
    return () => {
      cancelAnimationFrame(frame);
      clearTimeout(timer);
    };
  }, [value, shown]);
  return shown;
}
