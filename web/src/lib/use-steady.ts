import { useEffect, useMemo, useRef } from 'react';

type Actions = { readonly [name: string]: (...args: never[]) => unknown };

/** The same actions in an object that never changes: what is drawn with them is not drawn anew because a new function does the same. */
export function useSteady<A extends object>(actions: A): A {
  const latest = useRef(actions);
  useEffect(() => {
    latest.current = actions;
  });
  return useMemo(() => {
    const steady = Object.keys(latest.current).map((name) => [
      name,
      (...args: never[]) => (latest.current as unknown as Actions)[name]?.(...args),
    ]);
    return Object.fromEntries(steady) as A;
  }, []);
}

/** The same list for as long as it holds the same words. */
export function useSteadyList(list: readonly string[]): readonly string[] {
  const mark = list.join('\n');
  return useMemo(() => (mark === '' ? [] : mark.split('\n')), [mark]);
}
