import { useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useEffect, useMemo } from 'react';
import { toast } from 'sonner';
import type { LoadRequest } from '@clever-drawer/contract/requests';
import type { SavedChange, WindowEvent } from '@clever-drawer/contract/responses';
import { applyEdits, firstConflict, inverse, markOf, type Edit } from '@clever-drawer/core/chests/edit';
import type { Intent } from '@clever-drawer/core/chests/intent';
import { planChange } from '@clever-drawer/core/chests/plan-change';
import { asId, type ComputerId, type PluginId } from '@clever-drawer/core/ids';
import { ask, WINDOW, wordsOf } from '../lib/api';
import { keys, type Arranged, type Catalogue } from '../catalogue/queries';

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

/** What this window has done and undone, newest last, so that a step back is shown before the server has answered. Empty wherever it can't be sure. */
interface History {
  done: (readonly Edit[])[];
  undone: (readonly Edit[])[];
}
const histories = new Map<ComputerId, History>();
const MOST_STEPS = 50;

function historyOf(computer: ComputerId): History {
  let history = histories.get(computer);
  if (history === undefined) histories.set(computer, (history = { done: [], undone: [] }));
  return history;
}

/** Notes a change that was made here. */
function remember(computer: ComputerId, edits: readonly Edit[]): void {
  const history = historyOf(computer);
  history.done = [...history.done, edits].slice(-MOST_STEPS);
  history.undone = [];
}

const forget = (computer: ComputerId): void => void histories.delete(computer);

export function useChanges(computer: ComputerId): Changes {
  const client = useQueryClient();
  return useMemo(() => changesOf(client, computer), [client, computer]);
}

function changesOf(client: QueryClient, computer: ComputerId): Changes {
  const key = keys.arrangement(computer);
  const now = () => client.getQueryData<Arranged>(key);

  /** Sends a change after those that are under way, and takes over what came of it before the next one goes. */
  const send = (path: string, body: () => unknown, planned: boolean): Promise<boolean> =>
    queued(computer, async () => {
      try {
        await takeOver(await ask<SavedChange>('POST', `/computers/${computer}${path}`, body()), planned);
        return true;
      } catch (error) {
        toast.error(wordsOf(error));
        forget(computer);
        await client.invalidateQueries({ queryKey: key });
        return false;
      }
    });

  const takeOver = async (saved: SavedChange, planned: boolean): Promise<void> => {
    if (regroups(saved.edits)) lookAtCatalogue(client, computer);
    const at = now();
    // A revision between ours and this one is a change of another window: everything is fetched anew.
    if (at === undefined || saved.revision !== at.revision + 1) {
      forget(computer);
      await client.invalidateQueries({ queryKey: key });
    } else {
      const state = planned ? at.state : applyEdits(at.state, saved.edits);
      client.setQueryData<Arranged>(key, {
        state,
        revision: saved.revision,
        steps: saved.steps,
        savedAt: saved.savedAt,
      });
    }
  };

  /** Shows the change at once; returns the mark of what it touches, null when it can't be done. */
  const show = (intent: Intent): string | null => {
    const at = now();
    if (at === undefined) return null;
    const catalogue = client.getQueryData<Catalogue>(keys.catalogue(computer));
    const plan = planChange(at.state, intent, (id) => catalogue?.byId.get(id)?.name);
    if (!plan.ok) {
      toast.warning(plan.refusal);
      return null;
    }
    // A look at the server that is under way would show the state before the change.
    void client.cancelQueries({ queryKey: key });
    client.setQueryData<Arranged>(key, { ...at, state: applyEdits(at.state, plan.change.edits) });
    remember(computer, plan.change.edits);
    return markOf(plan.change.edits);
  };

  /** Shows a step back or forth at once, where this window knows what it comes to; returns whether it does. */
  const showStep = (way: 'undo' | 'redo'): boolean => {
    const history = historyOf(computer);
    const edits = (way === 'undo' ? history.done : history.undone).at(-1);
    const at = now();
    if (edits === undefined || at === undefined || regroups(edits)) return false;
    const steps = way === 'undo' ? inverse(edits) : edits;
    if (firstConflict(at.state, steps) !== undefined) return false;
    void client.cancelQueries({ queryKey: key });
    client.setQueryData<Arranged>(key, { ...at, state: applyEdits(at.state, steps) });
    if (way === 'undo') Object.assign(history, { done: history.done.slice(0, -1), undone: [...history.undone, edits] });
    else Object.assign(history, { undone: history.undone.slice(0, -1), done: [...history.done, edits] });
    return true;
  };

  return {
    make: async (intent) => {
      const mark = show(intent);
      return mark !== null && (await send('/changes', () => ({ intent, mark }), true));
    },
    load: async (request) => {
      forget(computer);
      const done = await send('/loads', () => request, false);
      if (done) countLoad(client, computer, request.pluginId);
      return done;
    },
    step: (way) => {
      const expected = (): object => {
        const expects = now()?.steps[way];
        return expects == null ? {} : { expects };
      };
      const isShown = showStep(way);
      // What is done by the server alone is not known here: from then on this window waits for its answers.
      if (!isShown) forget(computer);
      return send(`/${way}`, expected, isShown);
    },
    save: (path, body) => {
      forget(computer);
      return send(path, () => body, false);
    },
  };
}

const regroups = (edits: readonly Edit[]): boolean =>
  edits.some((edit) => edit.of === 'heldBuild' || edit.of === 'vendorSpelling');

/** The server has grouped the builds anew, or scanned. */
function lookAtCatalogue(client: QueryClient, computer: ComputerId): void {
  for (const name of ['catalogue', 'plugin', 'vendors']) void client.invalidateQueries({ queryKey: [name, computer] });
}

/** One more load of a plugin, where the catalogue shows how often it was loaded. */
function countLoad(client: QueryClient, computer: ComputerId, id: string): void {
  client.setQueryData<Catalogue>(keys.catalogue(computer), (catalogue) => {
    const plugin = catalogue?.byId.get(asId<PluginId>(id));
    if (catalogue === undefined || plugin === undefined) return catalogue;
    const counted = { ...plugin, loads: plugin.loads + 1 };
    return {
      ...catalogue,
      plugins: catalogue.plugins.map((one) => (one === plugin ? counted : one)),
      byId: new Map(catalogue.byId).set(plugin.id, counted),
    };
  });
}

/** Keeps this window in step with the others: their changes are shown as they are made. */
export function useOtherWindows(computer: ComputerId): void {
  const client = useQueryClient();
  useEffect(() => {
    const key = keys.arrangement(computer);
    const line = new EventSource(`/api/computers/${computer}/events?window=${WINDOW}`);
    let wasOpen = false;
    line.onopen = () => {
      // What happened while the line was down is not told again.
      if (wasOpen) {
        void client.invalidateQueries({ queryKey: key });
        lookAtCatalogue(client, computer);
      }
      wasOpen = true;
    };
    line.onmessage = ({ data }: MessageEvent<string>) => {
      const event = JSON.parse(data) as WindowEvent;
      if (event.kind === 'catalogue') {
        lookAtCatalogue(client, computer);
        return;
      }
      if (event.window === WINDOW) return;
      const at = client.getQueryData<Arranged>(key);
      const { saved } = event;
      if (at === undefined || saved.revision <= at.revision) return;
      forget(computer);
      if (regroups(saved.edits)) lookAtCatalogue(client, computer);
      if (saved.revision !== at.revision + 1) void client.invalidateQueries({ queryKey: key });
      else
        client.setQueryData<Arranged>(key, {
          state: applyEdits(at.state, saved.edits),
          revision: saved.revision,
          steps: saved.steps,
          savedAt: saved.savedAt,
        });
    };
    return () => line.close();
  }, [client, computer]);
}
