import { useCallback, useMemo, useState } from 'react';

/** Which rows are selected, which one the keyboard stands on, and where a stretch began. */
export interface Selection<Id extends string> {
  readonly ids: ReadonlySet<Id>;
  readonly at: number;
  /** A click: alone, with Ctrl or Cmd (adds or takes off), with Shift (from where it began to here). */
  readonly click: (index: number, how: { add: boolean; stretch: boolean }) => void;
  readonly moveTo: (index: number, stretch: boolean) => void;
  readonly toggle: (index: number) => void;
  readonly all: () => void;
  readonly none: () => void;
}

interface State<Id extends string> {
  readonly ids: ReadonlySet<Id>;
  readonly at: number;
  /** What stood there: when the order changes, the keyboard goes along with it. */
  readonly atId: Id | undefined;
  readonly from: number;
}

/** Selection over the listed ids. What is filtered away stays selected no longer than it is listed. */
export function useSelection<Id extends string>(listed: readonly Id[]): Selection<Id> {
  const [state, set] = useState<State<Id>>({ ids: new Set(), at: -1, atId: undefined, from: 0 });
  const stretch = useCallback(
    (from: number, to: number) => new Set(listed.slice(Math.min(from, to), Math.max(from, to) + 1)),
    [listed],
  );
  const only = useCallback((index: number): ReadonlySet<Id> => new Set(listed.slice(index, index + 1)), [listed]);
  const switched = useCallback(
    (ids: ReadonlySet<Id>, index: number) => {
      const id = listed[index];
      const next = new Set(ids);
      if (id !== undefined && !next.delete(id)) next.add(id);
      return next;
    },
    [listed],
  );
  const ids = useMemo(() => {
    if (state.ids.size === 0) return state.ids;
    const there = new Set(listed);
    return new Set([...state.ids].filter((id) => there.has(id)));
  }, [state.ids, listed]);
  const at = useMemo(() => {
    if (state.atId === undefined || listed[state.at] === state.atId) return Math.min(state.at, listed.length - 1);
    const moved = listed.indexOf(state.atId);
    return moved >= 0 ? moved : Math.min(state.at, listed.length - 1);
  }, [state.at, state.atId, listed]);
  const put = (next: Omit<State<Id>, 'atId'>): State<Id> => ({ ...next, atId: listed[next.at] });
  return {
    ids,
    at,
    click: (index, { add, stretch: far }) =>
      set((old) => {
        if (far) return put({ ids: stretch(old.from, index), at: index, from: old.from });
        return put({ ids: add ? switched(old.ids, index) : only(index), at: index, from: index });
      }),
    moveTo: (index, far) =>
      set((old) => {
        const to = Math.max(0, Math.min(index, listed.length - 1));
        return put(far ? { ids: stretch(old.from, to), at: to, from: old.from } : { ids: only(to), at: to, from: to });
      }),
    toggle: (index) => set((old) => put({ ids: switched(old.ids, index), at: index, from: index })),
    all: () => set((old) => ({ ...old, ids: new Set(listed) })),
    none: () => set((old) => ({ ...old, ids: new Set() })),
  };
}
