import { useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useMemo } from 'react';
import { toast } from 'sonner';
import type { LoadRequest } from '@clever-drawer/contract/requests';
import type { SavedChange } from '@clever-drawer/contract/responses';
import { applyEdits } from '@clever-drawer/core/chests/edit';
import type { Intent } from '@clever-drawer/core/chests/intent';
import { planChange } from '@clever-drawer/core/chests/plan-change';
import type { ComputerId } from '@clever-drawer/core/ids';
import { ask, wordsOf } from './api';
import { keys, type Arranged, type Catalogue } from './queries';

/** How the arrangement is changed: shown at once, saved at once, and put back with a word when it can't be saved. */
export interface Changes {
  /** Resolves to whether it was saved. */
  readonly make: (intent: Intent) => Promise<boolean>;
  readonly load: (request: LoadRequest) => Promise<boolean>;
  readonly step: (way: 'undo' | 'redo') => Promise<boolean>;
  /** A change that only the server can work out. */
  readonly save: (path: string, body: unknown) => Promise<boolean>;
}

// Changes reach the server in the order in which they were made, also when several are under way.
const queues = new Map<ComputerId, Promise<unknown>>();

function queued<T>(computer: ComputerId, work: () => Promise<T>): Promise<T> {
  const result = (queues.get(computer) ?? Promise.resolve()).then(work, work);
  queues.set(
    computer,
    result.catch(() => undefined),
  );
  return result;
}

export function useChanges(computer: ComputerId): Changes {
  const client = useQueryClient();
  return useMemo(() => changesOf(client, computer), [client, computer]);
}

function changesOf(client: QueryClient, computer: ComputerId): Changes {
  const key = keys.arrangement(computer);
  const now = () => client.getQueryData<Arranged>(key);

  const send = async (path: string, body: unknown, planned: boolean): Promise<boolean> => {
    try {
      const saved = await queued(computer, () => ask<SavedChange>('POST', `/computers/${computer}${path}`, body));
      if (saved.edits.some((edit) => edit.of === 'heldBuild' || edit.of === 'vendorSpelling')) {
        // The server has grouped the builds anew.
        for (const name of ['catalogue', 'plugin', 'vendors'])
          void client.invalidateQueries({ queryKey: [name, computer] });
      }
      const at = now();
      // A revision between ours and this one is a change of another window: everything is fetched anew.
      if (at === undefined || saved.revision !== at.revision + 1) await client.invalidateQueries({ queryKey: key });
      else {
        const state = planned ? at.state : applyEdits(at.state, saved.edits);
        client.setQueryData<Arranged>(key, {
          state,
          revision: saved.revision,
          steps: saved.steps,
          savedAt: saved.savedAt,
        });
      }
      return true;
    } catch (error) {
      toast.error(wordsOf(error));
      await client.invalidateQueries({ queryKey: key });
      return false;
    }
  };

  const show = (intent: Intent): boolean => {
    const at = now();
    if (at === undefined) return false;
    const catalogue = client.getQueryData<Catalogue>(keys.catalogue(computer));
    const plan = planChange(at.state, intent, (id) => catalogue?.byId.get(id)?.name);
    if (!plan.ok) {
      toast.warning(plan.refusal);
      return false;
    }
    // A look at the server that is under way would show the state before the change.
    void client.cancelQueries({ queryKey: key });
    client.setQueryData<Arranged>(key, { ...at, state: applyEdits(at.state, plan.change.edits) });
    return true;
  };

  return {
    make: async (intent) => show(intent) && (await send('/changes', { intent }, true)),
    load: (request) => send('/loads', request, false),
    step: (way) => send(`/${way}`, {}, false),
    save: (path, body) => send(path, body, false),
  };
}
