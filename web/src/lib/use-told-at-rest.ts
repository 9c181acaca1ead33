import { useEffect } from 'react';
import { tell } from './telling';

const REST_MS = 700;

/** Tells words to screen readers once they have stayed the same for a moment: counts, when typing rests. Not when they are first shown. */
export function useToldAtRest(words: string, isAsked: boolean): void {
  useEffect(() => {
    if (!isAsked) return undefined;
    const timer = setTimeout(() => tell(words), REST_MS);
    return () => clearTimeout(timer);
  }, [words, isAsked]);
}
