import type { Remote } from 'comlink';
import type { Ruled } from '@clever-drawer/core/chests/ruled';
import { ruleChange, ruleFactsOf, type RuleSources } from '@clever-drawer/core/chests/rule-sources';
import { reasonFor, whyNot, whyTaken } from '@clever-drawer/core/chests/why-ruled';
import type { Condition } from '@clever-drawer/core/rules/condition';
import { conditionOf, type Rule } from '@clever-drawer/core/rules/rule';
import type { RuleWorld } from '@clever-drawer/core/rules/evaluate';
import type { Findings } from '@clever-drawer/core/rules/findings';
import type { ProposedRule } from '@clever-drawer/core/rules/from-examples';
import type { DrawerId, ItemId } from '@clever-drawer/core/ids';
import type { Asker } from './rules.worker';

/** What a rule would take, and what may be wrong with it. */
export interface Looked {
  readonly taken: readonly ItemId[];
  readonly findings: Findings;
}

/** What rules take as far as this window knows: `isKnown` tells whether a drawer's rule has been asked yet. */
export interface RuledHere extends Ruled {
  readonly isKnown: (drawer: DrawerId) => boolean;
  /** Why a rule that no drawer has yet would take an item. */
  readonly reason: (condition: Condition, item: ItemId) => string;
  /** Why a drawer does not have an item. */
  readonly whyNot: (drawer: DrawerId, item: ItemId) => string;
  /** Whether the rules have been asked at all. */
  readonly isAnswered: boolean;
}

// So many facts are made at once; between them the screen gets its turn.
const AT_ONCE = 500;
/** So many times as many, and so many more, is told. */
const MANY = { times: 2, more: 10 };
const MOST_TOLD = 3;
const NOTHING: readonly ItemId[] = [];

/** Tells the worker what changes, and keeps what it answers. Changes that come while it works are told of together afterwards. */
export class RuleKeeper {
  private asked: RuleSources | null = null;
  /** What was taken last, told already or not. */
  private latest: RuleSources | null = null;
  private wanted: RuleSources | null = null;
  private isAtWork = false;
  private readonly ids: ItemId[] = [];
  private readonly numbers = new Map<ItemId, number>();
  private lists: ReadonlyMap<DrawerId, readonly ItemId[]> = new Map();
  private ruled: RuledHere = this.ruledNow();
  private readonly listeners = new Set<() => void>();

  constructor(
    private readonly worker: Pick<Remote<Asker>, 'reset' | 'tell' | 'change' | 'look' | 'propose'>,
    private readonly failed: (error: unknown) => void,
    /** Told in words, at once for all, when the catalogue has changed and rules take many more, or nothing any more. */
    private readonly noticed: (words: string) => void = () => undefined,
    /** Waits until the screen has nothing to do. */
    private readonly idle: () => Promise<void> = () => Promise.resolve(),
    /** Waits until what was just changed is saved, as a rule: what the worker is told of it takes the time of the one who saves it. */
    private readonly saved: () => Promise<void> = () => Promise.resolve(),
  ) {}

  /** What rules take, as far as it is known: the same object until something else is known. */
  readonly snapshot = (): RuledHere => this.ruled;

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** What rules are to be asked of from now on. */
  take(sources: RuleSources): void {
    if (isSame(this.latest, sources)) return;
    this.latest = sources;
    this.wanted = sources;
    if (!this.isAtWork) void this.work();
  }

  /** What a drawer would take by a rule that it does not have yet, and what may be wrong with that. */
  async look(drawer: DrawerId, condition: Condition): Promise<Looked> {
    const { numbers, findings } = await this.orTell(this.worker.look(drawer, condition));
    return { taken: this.idsOf(numbers), findings };
  }

  /** Rules that take some examples and little else, the shortest first. */
  propose(examples: readonly ItemId[]): Promise<readonly ProposedRule[]> {
    return this.orTell(this.worker.propose(examples));
  }

  /** A worker that fails is told of, whatever it was asked. */
  private async orTell<Answer>(answer: PromiseLike<Answer>): Promise<Answer> {
    try {
      return await answer;
    } catch (error) {
      this.failed(error);
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
        await this.ask(sources);
      }
    } catch (error) {
      // The next change tells everything anew.
      this.asked = null;
      this.latest = null;
      this.failed(error);
    } finally {
      this.isAtWork = false;
    }
  }

  private async ask(sources: RuleSources): Promise<void> {
    const { ids, ...change } = ruleChange(this.asked, sources);
    if (this.asked === null) {
      this.ids.length = 0;
      this.numbers.clear();
      await this.worker.reset();
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
      await this.worker.tell(facts);
      await this.idle();
    }
    const answers = await this.worker.change(change);
    const before = this.asked;
    const isAnew = before === null;
    this.asked = sources;
    if (answers.length === 0 && !isAnew) return;
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
  private notice(before: RuleSources, now: RuleSources, lists: ReadonlyMap<DrawerId, readonly ItemId[]>): void {
    const words: string[] = [];
    for (const { id, name, rule } of now.state.drawer.values()) {
      const [old, own] = [this.lists.get(id), lists.get(id)];
      if (old === undefined || own === undefined || old === own || before.state.drawer.get(id)?.rule !== rule) continue;
      if (own.length === 0 && old.length > 0)
        words.push(`The rule of ${name} takes nothing any more; before it took ${String(old.length)}.`);
      else if (own.length >= old.length * MANY.times && own.length - old.length >= MANY.more)
        words.push(`The rule of ${name} takes ${String(own.length)} now; before it took ${String(old.length)}.`);
    }
    if (words.length === 0) return;
    const more = words.length - MOST_TOLD;
    this.noticed(
      [...words.slice(0, MOST_TOLD), ...(more > 0 ? [`${String(more)} more have changed as much.`] : [])].join(' '),
    );
  }

  private ruledNow(): RuledHere {
    const { lists, asked } = this;
    const sets = new Map<string, ReadonlySet<ItemId>>();
    const holds = (drawer: string, item: ItemId): boolean => {
      let set = sets.get(drawer);
      if (set === undefined) sets.set(drawer, (set = new Set(lists.get(drawer as DrawerId))));
      return set.has(item);
    };
    const world = ({ today }: RuleSources): RuleWorld => ({ today, holds });
    return {
      taken: (drawer) => lists.get(drawer) ?? NOTHING,
      isKnown: (drawer) => lists.has(drawer) || isUnreadable(asked?.state.drawer.get(drawer)?.rule ?? null),
      isAnswered: asked !== null,
      why: (drawer, item) => (asked === null ? '' : whyTaken(asked, world(asked), drawer, item)),
      whyNot: (drawer, item) => (asked === null ? '' : whyNot(asked, world(asked), drawer, item)),
      reason: (condition, item) => (asked === null ? '' : reasonFor(asked, world(asked), condition, item)),
    };
  }
}

/** A rule that can't be read takes nothing, and no answer will come. */
const isUnreadable = (rule: Rule | null): boolean => rule !== null && conditionOf(rule) === null;

function isSame(one: RuleSources | null, other: RuleSources): boolean {
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
