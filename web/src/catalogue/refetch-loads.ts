import type { QueryClient } from '@tanstack/react-query';
import type { SavedChange } from '@clever-drawer/contract/responses';
import type { ComputerId } from '@clever-drawer/core/ids';
import { call } from '../lib/api';
import { applyLoadCounts } from './queries';
import { lookAtUses } from './uses';

/** Answers may overtake each other: of each computer only the last question counts. */
const asked = new Map<ComputerId, number>();

/** Refetches the counts of loads, after a load, an undo, a pick or an erasure. */
export async function refetchLoads(client: QueryClient, computer: ComputerId): Promise<void> {
  lookAtUses(client, computer);
  const turn = (asked.get(computer) ?? 0) + 1;
  asked.set(computer, turn);
  try {
    const loaded = await call('GET /computers/{computer}/loaded', { path: { computer } });
    if (turn === asked.get(computer)) applyLoadCounts(client, computer, loaded);
  } catch {
    // The next load, or the next visit, tells.
  }
}

/** Whether a step may have loaded something, or taken a load back. */
export const mayLoad = ({ edits }: SavedChange): boolean => edits.some((edit) => edit.of === 'slot');
