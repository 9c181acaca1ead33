import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { toast } from 'sonner';
import { call, wordsOf } from '../lib/api';

/** An address that picks are sent to. */
export interface Target {
  readonly host: string;
  readonly port: number;
}

/** Where picks are sent, for the whole studio, and what changes that. */
export function useHandOver(): {
  readonly target: Target | null;
  readonly change: (target: Target | null) => Promise<void>;
} {
  const client = useQueryClient();
  const { data } = useQuery({ queryKey: ['hand-over'], queryFn: () => call('GET /hand-over', {}) });
  const target = data?.host == null || data.port === null ? null : { host: data.host, port: data.port };
  return {
    target,
    change: async (next) => {
      if (next?.host === target?.host && next?.port === target?.port) return;
      try {
        await call('PUT /hand-over', { body: next ?? { host: null, port: null } });
      } catch (error) {
        toast.error(wordsOf(error));
      }
      await client.invalidateQueries({ queryKey: ['hand-over'] });
    },
  };
}

/** What is selected in the other program, where it says so: asked anew whenever this window gets the focus, and for each pick. */
export function useHostSelection(
  isOn: boolean,
  turn: number,
): { readonly lane: string | null; readonly slot: string | null } | null {
  const [focused, setFocused] = useState(0);
  useEffect(() => {
    const onFocus = (): void => setFocused((old) => old + 1);
    window.addEventListener('focus', onFocus);
    return () => window.removeEventListener('focus', onFocus);
  }, []);
  const { data } = useQuery({
    queryKey: ['selected-there', focused, turn],
    enabled: isOn,
    gcTime: 0,
    placeholderData: (old) => old,
    queryFn: () => call('GET /hand-over/selected', {}),
  });
  return isOn ? (data ?? null) : null;
}
