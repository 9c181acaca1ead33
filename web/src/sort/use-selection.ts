import { useCallback, useMemo, useState } from 'react';
import type { PluginId } from '@clever-drawer/core/ids';

/** Which rows are selected, which one the keyboard stands on, and where a stretch began. */
export interface Selection {
  readonly ids: ReadonlySet<PluginId>;
  readonly at: number;
  /** A click: alone, with Ctrl or Cmd (adds or takes off), with Shift (from where it began to here). */
  readonly click: (index: number, how: { add: boolean; stretch: boolean }) => void;
  readonly moveTo: (index: number, stretch: boolean) => void;
  readonly toggle: (index: number) => void;
  readonly all: () => void;
  readonly none: () => void;
}

interface State {
  readonly ids: ReadonlySet<PluginId>;
  readonly at: number;
  readonly from: number;
}

/** Selection over the listed ids. What is filtered away stays selected no longer than it is listed. */
export function useSelection(listed: readonly PluginId[]): Selection {
  const [state, set] = useState<State>({ ids: new Set(), at: -1, from: 0 });
  const stretch = useCallback(
    (from: number, to: number) => new Set(listed.slice(Math.min(from, to), Math.max(from, to) + 1)),
    [listed],
  );
  const only = useCallback((index: number): ReadonlySet<PluginId> => new Set(listed.slice(index, index + 1)), [listed]);
  const switched = useCallback(
    (ids: ReadonlySet<PluginId>, index: number) => {
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
  return {
    ids,
    at: Math.min(state.at, listed.length - 1),
    click: (index, { add, stretch: far }) =>
      set((old) => {
        if (far) return { ids: stretch(old.from, index), at: index, from: old.from };
        return { ids: add ? switched(old.ids, index) : only(index), at: index, from: index };
      }),
    moveTo: (index, far) =>
      set((old) => {
        const to = Math.max(0, Math.min(index, listed.length - 1));
        return far ? { ids: stretch(old.from, to), at: to, from: old.from } : { ids: only(to), at: to, from: to };
      }),
    toggle: (index) => set((old) => ({ ids: switched(old.ids, index), at: index, from: index })),
    all: () => set((old) => ({ ...old, ids: new Set(listed) })),
    none: () => set((old) => ({ ...old, ids: new Set() })),
  };
}
