import { useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useMemo } from 'react';
import { toast } from 'sonner';
import type { AnswerOf, EndpointKey, RequestOf } from '@clever-drawer/contract/api-types';
import type { SentIntent } from '@clever-drawer/contract/intents';
import type { LoadRequest } from '@clever-drawer/contract/requests';
import type { AddedFolder, ImportReport, SavedChange, SessionReport } from '@clever-drawer/contract/responses';
import { markOf, hashEditResults, type Edit } from '@clever-drawer/core/chests/edit';
import type { FolderSwitches } from '@clever-drawer/core/chests/change-folders';
import type { Intent } from '@clever-drawer/core/chests/intent';
import type { ComputerId } from '@clever-drawer/core/ids';
import { runToCompletion } from '@clever-drawer/core/stepwise';
import { ApiError, call, Cancelled, wordsOf, type Asked } from '../lib/api';
import { tell } from '../lib/telling';
import { whenIdle } from '../lib/when-idle';
import { bring, knownIn, namesIn, resync } from './arrangement-query';
import { queued, queueKey } from './queue';
import { Dropped, SavedOtherwise } from './not-as-planned';
import { refreshAfter } from './refresh-after';
import { noteServer, untilServerAnswers } from './server-state';
import { showUndoNotice } from './undo-notice';
import { confirmStep, isForeign, isOfAnotherWindow } from './steps-elsewhere';
import { windowName } from './window-name';
import type { StepRef } from './history';
import { answered, failed, nextStep, planIn, wished, type Act, type Pending } from './window-state';

/** Endpoints that change the arrangement in a way that only the server can work out. */
type ServersOwn =
  | `POST /computers/{computer}/${'worked-out-chests' | 'loads' | 'import' | 'sessions' | 'dawprojects' | 'folders' | 'file-folders'}`
  | `${'PATCH' | 'DELETE'} /computers/{computer}/${'folders' | 'file-folders'}/{folder}`;
/** What of a request to them goes beside its body. */
interface Besides {
  readonly folder?: string;
  readonly signal?: AbortSignal | undefined;
}

/** How the arrangement is changed: shown at once, saved at once, and put back with a word when it can't be saved. */
export interface Changes {
  /** One act of the hand, of one intent or several; resolves to whether it was saved. */
  readonly make: (...intents: readonly Intent[]) => Promise<boolean>;
  /** The same with a notice in these words, which offers to undo this very step as long as it is the last one. */
  readonly makeWithNotice: (words: string, ...intents: readonly Intent[]) => Promise<boolean>;
  readonly load: (request: LoadRequest) => Promise<boolean>;
  readonly step: (way: 'undo' | 'redo') => Promise<boolean>;
  /** A chest that the server works out. */
  readonly workOut: (request: RequestOf<'POST /computers/{computer}/worked-out-chests'>) => Promise<boolean>;
  /** Brings a session in, a document or a DAWproject's file; rejects with ApiError, and nothing is told. */
  readonly bringSession: (document: object) => Promise<SessionReport>;
  /** Brings a document in, until it is stopped; rejects with ApiError, and nothing is told. */
  readonly bringIn: (document: unknown, signal: AbortSignal) => Promise<AnswerOf<'POST /computers/{computer}/import'>>;
  /** Adds a plugin folder; rejects with ApiError, and nothing is told. */
  readonly addFolder: (folder: RequestOf<'POST /computers/{computer}/folders'>) => Promise<AddedFolder>;
  /** Removes a plugin folder from the list, with a notice in these words that offers to undo it. */
  readonly removeFolder: (folder: string, words: string) => Promise<boolean>;
  /** Turns switches of a plugin folder. */
  readonly switchFolder: (folder: string, switches: FolderSwitches) => Promise<boolean>;
  /** Adds a folder of files, or changes one; rejects with ApiError, and nothing is told. */
  readonly addFileFolder: (folder: RequestOf<'POST /computers/{computer}/file-folders'>) => Promise<unknown>;
  readonly changeFileFolder: (
    folder: string,
    change: RequestOf<'PATCH /computers/{computer}/file-folders/{folder}'>,
  ) => Promise<unknown>;
  /** Removes a folder of files from the list, with a notice in these words that offers to undo it. */
  readonly removeFileFolder: (folder: string, words: string) => Promise<boolean>;
}

/** The changes of the computer at hand, in an object that stays the same. */
export function useChanges(computer: ComputerId): Changes {
  const client = useQueryClient();
  return useMemo(() => changesOf(client, computer), [client, computer]);
}

/** From so many edits on a mark of them is asked for: fewer are sent as quickly as they are marked. */
const MANY = 1000;

/** The pauses before what was not answered is sent again; each ends as soon as the server is heard of. */
const FIRST_RETRY_MS = 50;
const LONGEST_RETRY_MS = 1000;

/** Whether the server, or its database, did not answer; both come back. */
const isServerAway = (error: unknown): error is ApiError =>
  error instanceof ApiError && !(error instanceof Cancelled) && (error.status === 0 || error.status === 503);

let acts = 0;

/** The changes of a computer in the window of a query client. */
export function changesOf(client: QueryClient, computer: ComputerId): Changes {
  const ask = <Key extends EndpointKey>(
    key: Key,
    body: RequestOf<Key> | undefined,
    { signal, ...path }: Besides = {},
  ): Promise<AnswerOf<Key>> =>
    call(key, { path: { computer, ...path }, body, window: windowName(client), signal } as unknown as Asked<Key>);

  /** Asks for a wish. `seen`: the rows that the window saw when it was wished; `own`: what it has planned for it. */
  const sendWish = async (
    intents: readonly Intent[],
    seen: readonly Edit[],
    own: readonly Edit[],
    repeats: number | null,
  ): Promise<SavedChange> => {
    const brief = own.length >= MANY;
    const asked = ask('POST /computers/{computer}/changes', {
      intents: intents as readonly SentIntent[],
      mark: markOf(seen),
      ...(brief ? { brief } : {}),
      ...(repeats === null ? {} : { repeats }),
    });
    // Marked while the server is at work.
    const marking = brief ? whenIdle().then(() => runToCompletion(hashEditResults(own))) : null;
    const [{ edits, comesTo, ...saved }, planned] = await Promise.all([asked, marking]);
    if (edits !== null) return { ...saved, edits };
    if (comesTo !== planned) throw new SavedOtherwise();
    return { ...saved, edits: own };
  };

  /** Works until the server has answered: while it does not, nothing is given up, and what was typed stays. The browser asks before the page is closed. */
  const untilAnswered = async <T>(work: (attempt: number) => Promise<T>): Promise<T> => {
    for (let attempt = 1; ; attempt++) {
      try {
        const answer = await work(attempt);
        noteServer(client, 'there');
        return answer;
      } catch (error) {
        if (!isServerAway(error)) throw error;
        noteServer(client, error.status === 0 ? 'gone' : 'database-gone');
        await untilServerAnswers(client, Math.min(LONGEST_RETRY_MS, FIRST_RETRY_MS * 2 ** (attempt - 1)));
      }
    }
  };

  /** Sends an act when its turn comes, and takes over what came of it before the next one goes. Rejects when it could not be done. */
  const send = <T>(
    act: Act,
    label: string,
    work: (now: Pending, attempt: number) => Promise<T>,
    savedIn: (answer: T) => SavedChange,
  ) => {
    const id = ++acts;
    const isKnown = knownIn(client, computer) !== undefined;
    bring(client, computer, (window, nameOf) => wished(window, act, id, label, nameOf));
    return queued(client, computer, async (): Promise<T> => {
      const now = knownIn(client, computer)?.pending.find((one) => one.id === id);
      // What it was built on could not be saved, and that was told.
      if (now === undefined && isKnown) throw new Dropped();
      try {
        const pending = now ?? { id, act, label, seen: [] };
        // What only the server can work out shows nothing until it has answered: its failure is told at once.
        const answer = await (act.kind === 'other'
          ? work(pending, 1)
          : untilAnswered((attempt) => work(pending, attempt)));
        const saved = savedIn(answer);
        bring(client, computer, (window, nameOf) => answered(window, id, saved, nameOf));
        refreshAfter(client, computer, saved);
        return answer;
      } catch (error) {
        // What the server worked out alone was never shown, and its failure is told where it was asked for.
        const isToldElsewhere = act.kind === 'other' || error instanceof Cancelled || error instanceof SavedOtherwise;
        const reason = isToldElsewhere ? null : wordsOf(error);
        bring(client, computer, (window, nameOf) => failed(window, id, reason, nameOf));
        throw error;
      } finally {
        // Where the server does not answer, the line to it is opened again and everything is fetched then.
        if (knownIn(client, computer)?.isBehind === true) await resync(client, computer).catch(() => undefined);
      }
    });
  };
  const told = (work: Promise<unknown>): Promise<boolean> =>
    work.then(
      () => true,
      (error: unknown) => {
        if (error instanceof SavedOtherwise) return true;
        if (!(error instanceof Dropped)) toast.error(wordsOf(error));
        return false;
      },
    );
  const own = <Key extends ServersOwn>(
    key: Key,
    label: string,
    body: RequestOf<Key> | undefined,
    besides: Besides = {},
  ): Promise<AnswerOf<Key>> =>
    send(
      { kind: 'other' },
      label,
      () => ask(key, body, besides),
      (answer): SavedChange => savedIn(answer as SavedChange | ImportReport | SessionReport | AddedFolder),
    ).then((answer) => {
      const done = knownIn(client, computer)?.held.history.steps.undo;
      if (done != null) tell(`Done: ${done.label}`);
      return answer;
    });

  const make = async (intents: readonly Intent[], onSaved?: (saved: SavedChange) => void): Promise<boolean> => {
    const window = knownIn(client, computer);
    if (window === undefined) return false;
    const plan = planIn(window, intents, namesIn(client, computer));
    if (!plan.ok) {
      toast.warning(plan.refusal);
      return false;
    }
    tell(`Done: ${plan.change.label}`);
    // With nothing else under way its turn is now: it is sent first, and shown while the server is at work.
    const isFirst = window.pending.length === 0 && client.isMutating({ mutationKey: queueKey(computer) }) === 0;
    const sent = isFirst ? sendWish(intents, plan.change.edits, plan.change.edits, null) : null;
    // Whoever waits for it in the queue is told.
    sent?.catch(() => undefined);
    return told(
      send(
        { kind: 'wish', intents },
        plan.change.label,
        ({ id, seen }, attempt) => {
          if (sent !== null && attempt === 1) return sent;
          const now = knownIn(client, computer);
          const repeats = attempt === 1 ? null : (now?.held.revision ?? null);
          return sendWish(intents, seen, now?.outcomes.get(id)?.edits ?? plan.change.edits, repeats);
        },
        (saved) => saved,
      ).then(onSaved),
    );
  };
  const step: Changes['step'] = async (way) => {
    const next = (): StepRef | null => {
      const window = knownIn(client, computer);
      return window === undefined ? null : nextStep(window, way);
    };
    const shown = next();
    if (shown !== null && isForeign(client, shown) && (await isOfAnotherWindow(client, shown))) {
      if (!confirmStep(client, way, shown)) {
        toast.warning(
          `“${shown.label}” was ${way === 'undo' ? 'made' : 'undone'} in another window. Press again to ${way} it from here.`,
        );
        return false;
      }
    }
    // Looked up again: another press may have been quicker meanwhile.
    const ref = next();
    if (ref !== null) tell(`${way === 'undo' ? 'Undone' : 'Done again'}: ${ref.label}`);
    return told(
      send(
        { kind: 'step', way, ref },
        ref?.label ?? way,
        async ({ act }, attempt) => {
          // What could not be known before is known now that all before it has been answered.
          const own = act.kind === 'step' ? act.ref : null;
          const number = (own ?? knownIn(client, computer)?.held.history.steps[way])?.number;
          try {
            return await ask(`POST /computers/{computer}/${way}`, number == null ? {} : { expects: number });
          } catch (error) {
            // The first attempt may have been carried out without an answer: then another step is next.
            if (attempt > 1 && error instanceof ApiError && error.status === 409) throw new SavedOtherwise();
            throw error;
          }
        },
        (saved) => saved,
      ),
    );
  };

  const notice =
    (words: string) =>
    ({ number }: SavedChange): void =>
      showUndoNotice(client, computer, { words, number, undo: () => void step('undo') });

  return {
    make: (...intents) => make(intents),
    makeWithNotice: (words, ...intents) => make(intents, notice(words)),
    step,
    load: (request) =>
      told(own('POST /computers/{computer}/loads', 'load', { ...request, more: [...(request.more ?? [])] })),
    workOut: (request) => told(own('POST /computers/{computer}/worked-out-chests', 'create a chest', request)),
    bringIn: (document, signal) => own('POST /computers/{computer}/import', 'import', document as never, { signal }),
    addFolder: (folder) => own('POST /computers/{computer}/folders', 'add a folder', folder),
    removeFolder: (folder, words) =>
      told(
        own('DELETE /computers/{computer}/folders/{folder}', 'remove a folder', undefined, { folder }).then(
          notice(words),
        ),
      ),
    switchFolder: (folder, switches) =>
      told(own('PATCH /computers/{computer}/folders/{folder}', 'switch a folder', switches, { folder })),
    addFileFolder: (folder) => own('POST /computers/{computer}/file-folders', 'add a folder of files', folder),
    changeFileFolder: (folder, change) =>
      own('PATCH /computers/{computer}/file-folders/{folder}', 'change a folder of files', change, { folder }),
    removeFileFolder: (folder, words) =>
      told(
        own('DELETE /computers/{computer}/file-folders/{folder}', 'remove a folder of files', undefined, {
          folder,
        }).then(notice(words)),
      ),
    bringSession: (document) =>
      document instanceof Blob
        ? own('POST /computers/{computer}/dawprojects', 'import a session', document as never)
        : own('POST /computers/{computer}/sessions', 'import a session', document as never),
  };
}

/** What was saved, of an answer that may tell more. */
const savedIn = (answer: SavedChange | ImportReport | SessionReport | AddedFolder): SavedChange =>
  'saved' in answer ? answer.saved : answer;
