import { useEffect, useLayoutEffect, useRef, useState, type RefObject } from 'react';

/** Something that waits for the answer to what was typed when its key came. */
interface Waiting {
  readonly typed: string;
  readonly act: () => void;
}

/** What is searched for: what is typed, unless keys still wait for the answer to what was typed before. */
export interface HeldSearch {
  readonly typed: string;
  readonly asked: string;
  readonly waiting: RefObject<Waiting[]>;
  readonly hold: (typed: string | null) => void;
}

/** Holds the search at a text for as long as keys wait for its answer, however fast the hand types on. */
export function useHeldSearch(typed: string): HeldSearch {
  const waiting = useRef<Waiting[]>([]);
  const [held, hold] = useState<string | null>(null);
  return { typed, asked: held ?? typed, waiting, hold };
}

/**
 * Does things as soon as the search has answered what is typed when their key comes: at once when it has. A key pressed before the answer is not lost,
 * does not act on what is about to go, and not on what is typed after it.
 */
export function useWhenFound(
  { typed, asked, waiting, hold }: HeldSearch,
  isSettled: boolean,
): (act: () => void) => void {
  const latest = useRef({ typed, asked, isSettled });
  useLayoutEffect(() => {
    latest.current = { typed, asked, isSettled };
  });
  useEffect(() => {
    if (!isSettled || waiting.current.length === 0) return;
    while (waiting.current[0]?.typed === asked) waiting.current.shift()?.act();
    hold(waiting.current[0]?.typed ?? null);
  });
  return (act) => {
    const now = latest.current;
    if (now.isSettled && now.asked === now.typed && waiting.current.length === 0) act();
    else {
      waiting.current.push({ typed: now.typed, act });
      if (waiting.current.length === 1) hold(now.typed);
    }
  };
}
