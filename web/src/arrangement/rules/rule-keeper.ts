import type { Remote } from 'comlink';
import type { Ruled } from '@clever-drawer/core/chests/ruled';
import {
  needsTraits,
  ruleChange,
  ruleFactsOf,
  type RuleEvaluationInput,
} from '@clever-drawer/core/chests/rule-sources';
import { reasonFor, whyNot, whyTaken } from '@clever-drawer/core/chests/why-ruled';
import type { Condition } from '@clever-drawer/core/rules/condition';
import { testsItemKind } from '@clever-drawer/core/rules/rule-book';
import { conditionOf, type Rule } from '@clever-drawer/core/rules/rule';
import type { RuleWorld } from '@clever-drawer/core/rules/evaluate';
import type { Findings } from '@clever-drawer/core/rules/findings';
import type { ProposedRule } from '@clever-drawer/core/rules/from-examples';
import type { DrawerId, ItemId } from '@clever-drawer/core/ids';
import { WorkerLost, type WorkerClient } from '../../lib/worker-client';
import type { Asker } from './rules.worker';

/** The part of a WorkerClient that is needed. */
export type AskerClient = Pick<WorkerClient<Asker>, 'run' | 'fail'>;

/** What a rule would take, and what may be wrong with it. */
export interface Looked {
  readonly taken: readonly ItemId[];
  readonly findings: Findings;
}

/** What rules take as far as this window knows: `isKnown` tells whether a drawer's rule has been asked yet. */
export interface WindowRuleResults extends Ruled {
  readonly isKnown: (drawer: DrawerId) => boolean;
  /** The rule of a drawer that the answers are about; null for none. */
  readonly ruleOf: (drawer: DrawerId) => Rule | null;
  /** Why a rule that no drawer has yet would take an item. */
  readonly reason: (condition: Condition, item: ItemId) => string;
  /** Why a drawer does not have an item. */
  readonly whyNot: (drawer: DrawerId, item: ItemId) => string;
  /** Whether the rules have been asked at all. */
  readonly isAnswered: boolean;
  /** Whether everything that a rule asks for is there; until then nothing can be said of what it takes. */
  readonly hasFactsFor: (condition: Condition) => boolean;
}

// So many facts are made at once; between them the screen gets its turn.
const AT_ONCE = 500;
/** So many times as many, and so many more, is told. */
const MANY = { times: 2, more: 10 };
const MAX_TOLD = 3;
const NOTHING: readonly ItemId[] = [];
/** Stands for the traits of plugins while no rule asks for them. */
export const TRAITS_NOT_ASKED: RuleEvaluationInput['traits'] = new Map();

/** Tells the worker what changes, and keeps what it answers. Changes that come while it works are told of together afterwards. */
export class RuleKeeper {
  private asked: RuleEvaluationInput | null = null;
  /** What was taken last, told already or not. */
  private latest: RuleEvaluationInput | null = null;
  private wanted: RuleEvaluationInput | null = null;
  private isAtWork = false;
  private readonly ids: ItemId[] = [];
  private readonly numbers = new Map<ItemId, number>();
  private lists: ReadonlyMap<DrawerId, readonly ItemId[]> = new Map();
  private ruled: WindowRuleResults = this.ruledNow();
  private readonly listeners = new Set<() => void>();

  constructor(
    private readonly worker: AskerClient,
    /** Told in words, at once for all, when the catalogue has changed and rules take many more, or nothing any more. */
    private readonly noticed: (words: string) => void = () => undefined,
    /** Waits until the screen has nothing to do. */
    private readonly idle: () => Promise<void> = () => Promise.resolve(),
    /** Waits until what was just changed is saved, as a rule: what the worker is told of it takes the time of the one who saves it. */
    private readonly saved: () => Promise<void> = () => Promise.resolve(),
  ) {}

  /** What rules take, as far as it is known: the same object until something else is known. */
  readonly snapshot = (): WindowRuleResults => this.ruled;

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** What rules are to be asked of from now on. */
  take(sources: RuleEvaluationInput): void {
    if (isSame(this.latest, sources)) return;
    this.latest = sources;
    this.wanted = sources;
    if (!this.isAtWork) void this.work();
  }

  /** What a drawer would take by a rule that it does not have yet, and what may be wrong with that. */
  async look(drawer: DrawerId, condition: Condition): Promise<Looked> {
    const { numbers, findings } = await this.ask((api) => api.look(drawer, condition));
    return { taken: this.idsOf(numbers), findings };
  }

  /** Rules that take some examples and little else, the shortest first. */
  propose(examples: readonly ItemId[]): Promise<readonly ProposedRule[]> {
    return this.ask((api) => api.propose(examples));
  }

  /** The worker was lost with all that it knew: the next one is told everything. */
  startAgain(): void {
    const sources = this.latest;
    this.asked = null;
    this.latest = null;
    // Not while the lost worker's own failure is still being told; a worker that can't be started ends this by itself.
    if (sources !== null) queueMicrotask(() => this.take(sources));
  }

  /** Asks the worker; one that answers with an error is replaced, since what it knows can't be trusted any more. */
  private async ask<Answer>(work: (api: Remote<Asker>) => PromiseLike<Answer>): Promise<Answer> {
    try {
      return await this.worker.run(work);
    } catch (error) {
      if (!(error instanceof WorkerLost)) this.worker.fail();
      throw error;
    }
  }

  private idsOf(numbers: Uint32Array): ItemId[] {
    return Array.from(numbers, (number) => this.ids[number]).filter((id) => id !== undefined);
  }

  private async work(): Promise<void> {
    this.isAtWork = true;
    try {
      while (this.wanted !== null) {
        await this.idle();
        await this.saved();
        const sources = this.wanted;
        this.wanted = null;
        await this.tell(sources);
      }
    } catch {
      // The worker was lost: startAgain has been called, or no worker can be started, which was told.
      this.asked = null;
    } finally {
      this.isAtWork = false;
      if (this.wanted !== null) void this.work();
    }
  }

  private async tell(sources: RuleEvaluationInput): Promise<void> {
    const { ids, ...change } = ruleChange(this.asked, sources);
    if (this.asked === null) {
      this.ids.length = 0;
      this.numbers.clear();
      await this.ask((api) => api.reset());
    }
    for (let at = 0; at < ids.length; at += AT_ONCE) {
      const facts = ids.slice(at, at + AT_ONCE).flatMap((id) => {
        const item = sources.items.get(id);
        return item === undefined ? [] : [ruleFactsOf(item, sources)];
      });
      for (const { id } of facts) {
        if (this.numbers.has(id)) continue;
        this.numbers.set(id, this.ids.length);
        this.ids.push(id);
      }
      await this.ask((api) => api.tell(facts));
      await this.idle();
    }
    const answers = await this.ask((api) => api.change(change));
    const before = this.asked;
    const isAnew = before === null;
    this.asked = sources;
    const saysMore =
      before?.traits !== sources.traits ||
      before.presets !== sources.presets ||
      before.state.drawer !== sources.state.drawer;
    if (answers.length === 0 && !isAnew && !saysMore) return;
    const lists = new Map(isAnew ? [] : this.lists);
    for (const drawer of change.unruled ?? []) lists.delete(drawer as DrawerId);
    for (const [drawer, numbers] of answers) {
      if (sources.state.drawer.get(drawer)?.rule == null) lists.delete(drawer as DrawerId);
      else lists.set(drawer as DrawerId, this.idsOf(numbers));
    }
    if (before !== null && before.items !== sources.items) this.notice(before, sources, lists);
    this.lists = lists;
    this.ruled = this.ruledNow();
    for (const listener of this.listeners) listener();
  }

  /** The catalogue is another one, a rule is not: what it takes should not have changed much. */
  private notice(
    before: RuleEvaluationInput,
    now: RuleEvaluationInput,
    lists: ReadonlyMap<DrawerId, readonly ItemId[]>,
  ): void {
    const words: string[] = [];
    for (const { id, name, rule } of now.state.drawer.values()) {
      const [old, own] = [this.lists.get(id), lists.get(id)];
      if (old === undefined || own === undefined || old === own || before.state.drawer.get(id)?.rule !== rule) continue;
      if (own.length === 0 && old.length > 0)
        words.push(`The rule of ${name} now finds nothing; it found ${String(old.length)} before.`);
      else if (own.length >= old.length * MANY.times && own.length - old.length >= MANY.more)
        words.push(`The rule of ${name} now finds ${String(own.length)}; it found ${String(old.length)} before.`);
    }
    if (words.length === 0) return;
    const more = words.length - MAX_TOLD;
    this.noticed(
      [...words.slice(0, MAX_TOLD), ...(more > 0 ? [`${String(more)} more drawers changed as much.`] : [])].join(' '),
    );
  }

  private ruledNow(): WindowRuleResults {
    const { lists, asked } = this;
    const sets = new Map<string, ReadonlySet<ItemId>>();
    const holds = (drawer: string, item: ItemId): boolean => {
      let set = sets.get(drawer);
      if (set === undefined) sets.set(drawer, (set = new Set(lists.get(drawer as DrawerId))));
      return set.has(item);
    };
    const world = ({ today }: RuleEvaluationInput): RuleWorld => ({ today, holds });
    return {
      taken: (drawer) => lists.get(drawer) ?? NOTHING,
      isKnown: (drawer) => lists.has(drawer) || isUnreadable(asked?.state.drawer.get(drawer)?.rule ?? null),
      ruleOf: (drawer) => asked?.state.drawer.get(drawer)?.rule ?? null,
      isAnswered: asked !== null,
      hasFactsFor: (condition) =>
        asked !== null &&
        (asked.traits !== TRAITS_NOT_ASKED || !needsTraits(condition)) &&
        (asked.presets || !testsItemKind(condition)),
      why: (drawer, item) => (asked === null ? '' : whyTaken(asked, world(asked), drawer, item)),
      whyNot: (drawer, item) => (asked === null ? '' : whyNot(asked, world(asked), drawer, item)),
      reason: (condition, item) => (asked === null ? '' : reasonFor(asked, world(asked), condition, item)),
    };
  }
}

/** A rule that can't be read takes nothing, and no answer will come. */
const isUnreadable = (rule: Rule | null): boolean => rule !== null && conditionOf(rule) === null;

function isSame(one: RuleEvaluationInput | null, other: RuleEvaluationInput): boolean {
  if (one === null) return false;
  const { state, items, traits, presets, today } = other;
  const kinds = ['drawer', 'entry', 'neverIn', 'trayEntry'] as const;
  return (
    one.items === items &&
    one.traits === traits &&
    one.today === today &&
    one.presets === presets &&
    kinds.every((kind) => one.state[kind] === state[kind])
  );
}
