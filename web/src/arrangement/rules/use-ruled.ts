import { useQueryClient, type QueryClient } from '@tanstack/react-query';
import memoizeOne from 'memoize-one';
import { useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import { toast } from 'sonner';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { askedByRules, needsTraits, type Traits } from '@clever-drawer/core/chests/rule-sources';
import type { Condition } from '@clever-drawer/core/rules/condition';
import { testsItemKind } from '@clever-drawer/core/rules/rule-book';
import type { ProposedRule } from '@clever-drawer/core/rules/from-examples';
import type { ComputerId, DrawerId, ItemId, PluginId } from '@clever-drawer/core/ids';
import { localDay, type LocalDay } from '@clever-drawer/core/local-day';
import { useTraits } from '../../catalogue/queries';
import { type ChosenCatalogue } from '../../catalogue/chosen-catalogue';
import { useComputer } from '../../lib/use-computer';
import { whenIdle } from '../../lib/when-idle';
import { WorkerClient } from '../../lib/worker-client';
import { queueKey } from '../queue';
import { RuleKeeper, TRAITS_NOT_ASKED, type Looked, type WindowRuleResults } from './rule-keeper';
import type { Asker } from './rules.worker';

/** One worker and its keeper for the computer at hand, over all places and visits. */
let kept: { readonly computer: ComputerId; readonly keeper: RuleKeeper; readonly end: () => void } | null = null;

function keeperFor(computer: ComputerId, client: QueryClient): RuleKeeper {
  if (kept?.computer === computer) return kept.keeper;
  kept?.end();
  const worker = new WorkerClient<Asker>({
    create: () => new Worker(new URL('./rules.worker.ts', import.meta.url), { type: 'module' }),
    onLost: () => keeper.startAgain(),
    onGivenUp: () =>
      toast.error('Clever drawers can’t be filled: a background process of this page did not start.', {
        id: 'rules-worker',
        duration: Infinity,
        action: { label: 'Reload', onClick: () => location.reload() },
      }),
  });
  const keeper: RuleKeeper = new RuleKeeper(
    worker,
    (words) => toast.warning(words),
    whenIdle,
    () => whenSaved(client, computer),
  );
  kept = { computer, keeper, end: () => worker.end() };
  return keeper;
}

const LOOK_AGAIN_MS = 50;
const LONGEST_SAVING_MS = 3000;

/** Nothing is under way to the server, or has been for so long that it is not waited for. */
async function whenSaved(client: QueryClient, computer: ComputerId): Promise<void> {
  const until = performance.now() + LONGEST_SAVING_MS;
  while (client.isMutating({ mutationKey: queueKey(computer) }) > 0 && performance.now() < until)
    await new Promise((done) => setTimeout(done, LOOK_AGAIN_MS));
}

/** Stands for the traits where they could not be fetched, which is told. */
const TRAITS_NOT_FETCHED: ReadonlyMap<PluginId, Traits> = new Map();
const NO_TRAITS_TOLD =
  'Descriptions, channels, presets and last loads could not be fetched: rules that ask for them may find too little. Reload the page to try again.';

/** What has been asked for besides what lists show, by any rule that was ever written in this page: it is kept up from then on, for all. */
const asked = { traits: false, presets: false };
const listeners = new Set<() => void>();
const keepUp = { traits: () => asked.traits, presets: () => asked.presets };
function onAsked(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** What the rules in force ask besides: looked up once for each state of the drawers. */
const askedByAll = memoizeOne((drawer: Arrangement['drawer']) => askedByRules({ drawer }));

/** Tells that a rule that is being written asks more than the rules that are in force. */
export function useAskedFor(condition: Condition | null): void {
  const traits = condition !== null && needsTraits(condition);
  const presets = condition !== null && testsItemKind(condition);
  useEffect(() => {
    if ((!traits || asked.traits) && (!presets || asked.presets)) return;
    asked.traits ||= traits;
    asked.presets ||= presets;
    for (const listener of listeners) listener();
  }, [traits, presets]);
}

/** What the rules of all clever drawers take; a moment after each change it follows. */
export function useRuled(catalogue: ChosenCatalogue, state: Arrangement): WindowRuleResults {
  const { id } = useComputer();
  const client = useQueryClient();
  const inForce = askedByAll(state.drawer);
  const withTraits = useSyncExternalStore(onAsked, keepUp.traits) || inForce.traits;
  const presets = useSyncExternalStore(onAsked, keepUp.presets) || inForce.presets;
  const { data, isError } = useTraits(id, withTraits);
  // Until they are there, what was known stays; without them, what they would tell counts as not known.
  const isWaiting = withTraits && data === undefined && !isError;
  const traits = data ?? (isError ? TRAITS_NOT_FETCHED : TRAITS_NOT_ASKED);
  useEffect(() => {
    if (isError) toast.error(NO_TRAITS_TOLD, { id: NO_TRAITS_TOLD });
  }, [isError]);
  const today = useToday();
  const keeper = keeperFor(id, client);
  const { drawer, entry, neverIn, trayEntry } = state;
  const items = catalogue.byId;
  useEffect(() => {
    if (!isWaiting) keeper.take({ state: { drawer, entry, neverIn, trayEntry }, items, traits, presets, today });
  }, [keeper, isWaiting, drawer, entry, neverIn, trayEntry, items, traits, presets, today]);
  const known = useSyncExternalStore(keeper.subscribe, keeper.snapshot);
  return useMemo(() => withoutOutdated(known, state.drawer), [known, state.drawer]);
}

/** What a drawer's rule took before it was changed says nothing of what it takes now. */
const withoutOutdated = (known: WindowRuleResults, drawers: Arrangement['drawer']): WindowRuleResults => ({
  ...known,
  isKnown: (id) => known.isKnown(id) && known.ruleOf(id) === (drawers.get(id)?.rule ?? null),
});

/** What a rule that is being written would take: the last answer (null before the first), and whether it is one to this very rule, with all the facts it asks for. */
export interface RulePreview {
  readonly answer: Looked | null;
  readonly isCurrent: boolean;
}

/** Asks what a drawer would take by a rule that is being written. The newest question wins. */
export function useLook(drawer: DrawerId, condition: Condition | null, ruled: WindowRuleResults): RulePreview {
  const { id } = useComputer();
  const client = useQueryClient();
  const [looked, setLooked] = useState<{ readonly condition: Condition; readonly answer: Looked } | null>(null);
  useEffect(() => {
    if (condition === null || !ruled.hasFactsFor(condition)) return undefined;
    let isLatest = true;
    void keeperFor(id, client)
      .look(drawer, condition)
      .then((answer) => {
        if (isLatest) setLooked({ condition, answer });
      })
      .catch(() => undefined);
    return () => {
      isLatest = false;
    };
    // Asked again when what rules take has changed: the catalogue, or another drawer.
  }, [id, client, drawer, condition, ruled]);
  return {
    answer: condition === null ? null : (looked?.answer ?? null),
    isCurrent: condition !== null && looked?.condition === condition && ruled.hasFactsFor(condition),
  };
}

/** Rules proposed from examples; null while they are worked out. */
export function useProposed(examples: readonly ItemId[], isAnswered: boolean): readonly ProposedRule[] | null {
  const { id } = useComputer();
  const client = useQueryClient();
  const [proposed, setProposed] = useState<readonly ProposedRule[] | null>(null);
  useEffect(() => {
    if (!isAnswered) return undefined;
    let isLatest = true;
    void keeperFor(id, client)
      .propose(examples)
      .then((rules) => {
        if (isLatest) setProposed(rules);
      })
      .catch(() => undefined);
    return () => {
      isLatest = false;
    };
  }, [id, client, examples, isAnswered]);
  return proposed;
}

const MINUTE = 60_000;
const dayNow = (): LocalDay => localDay(new Date());

/** The day it is, also in a page that stays open over midnight. */
function useToday(): LocalDay {
  const [today, setToday] = useState(dayNow);
  useEffect(() => {
    const timer = setInterval(() => setToday(dayNow()), MINUTE);
    return () => clearInterval(timer);
  }, []);
  return today;
}
