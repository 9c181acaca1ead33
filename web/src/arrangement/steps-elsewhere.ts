/** Steps of undo and redo that another open window made: the first press only says so. */
import { queryOptions, useQuery, useQueryClient, type QueryClient } from '@tanstack/react-query';
import type { StepRef } from './history';
import { isWindowOpen, windowName } from './window-name';

type Way = 'undo' | 'redo';

const KEY = ['step-to-confirm'];
const keyOf = (way: Way, { number }: StepRef): string => `${way} ${String(number)}`;

/** Whether a step was made by another window, open or not. */
export const isForeign = (client: QueryClient, { window }: StepRef): boolean =>
  window !== null && window !== windowName(client);

/** Whether a step was made by another window that is open. A window that was closed or reloaded is none. */
export const isOfAnotherWindow = async (client: QueryClient, ref: StepRef): Promise<boolean> =>
  ref.window !== null && isForeign(client, ref) && (await isWindowOpen(ref.window));

/** Whether the step was pressed before; the first press is remembered until another step is pressed. */
export function confirmStep(client: QueryClient, way: Way, ref: StepRef): boolean {
  const key = keyOf(way, ref);
  const isConfirmed = client.getQueryData<string>(KEY) === key;
  client.setQueryData<string>(KEY, isConfirmed ? '' : key);
  return isConfirmed;
}

const elsewhereQuery = (client: QueryClient, ref: StepRef | null) =>
  queryOptions({
    queryKey: ['step-elsewhere', ref?.number ?? null, ref?.window ?? null],
    queryFn: () => (ref === null ? false : isOfAnotherWindow(client, ref)),
    placeholderData: false,
    staleTime: 0,
  });

/** What the status line calls a step: its label, whether another open window made it, and whether it waits for a second press. */
export function useStepLabel(way: Way, ref: StepRef | null): string | null {
  const client = useQueryClient();
  const { data: isElsewhere = false } = useQuery(elsewhereQuery(client, ref));
  const { data: toConfirm } = useQuery({ queryKey: KEY, queryFn: () => '', initialData: '', staleTime: Infinity });
  if (ref === null) return null;
  const name = way === 'undo' ? 'Undo' : 'Redo';
  if (!isElsewhere) return `${name}: ${ref.label}`;
  return `${toConfirm === keyOf(way, ref) ? `${name} anyway` : name}: ${ref.label} (another window)`;
}
