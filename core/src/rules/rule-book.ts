import type { ItemId } from '../ids.js';
import { runToCompletion, type Stepwise } from '../stepwise.js';
import { bitsFor, clearBit, hasBit, join, numbersIn, setBit, type Bits } from './bits.js';
import { RuleColumns } from './columns.js';
import { termsOf, type Condition } from './condition.js';
import { meets, type RuleWorld } from './evaluate.js';
import type { RuleFacts } from './rule-facts.js';
import { drawersIn, inOrder } from './rule-order.js';

/** A rule, and what of the world it looks at. */
interface Ruling {
  readonly condition: Condition;
  readonly drawers: readonly string[];
  readonly isTimed: boolean;
}

function rulingOf(condition: Condition): Ruling {
  const terms = termsOf(condition);
  return {
    condition,
    drawers: drawersIn(condition),
    isTimed: terms.some((term) => term.kind === 'recent'),
  };
}

/** What changed: facts of new and changed items (each once), items that are gone, rules of new and changed drawers, drawers without one. */
export interface RuleChange {
  readonly facts?: readonly RuleFacts[];
  readonly gone?: readonly ItemId[];
  readonly rules?: readonly (readonly [drawer: string, condition: Condition])[];
  readonly unruled?: readonly string[];
  readonly today?: string;
}

// Beyond so many plugins that were looked at one by one since, the columns are made anew when a whole rule is asked.
const MAX_CHANGED = 16;

/**
 * What every clever drawer's rule takes, kept per rule and plugin: a changed plugin is asked by all rules, a changed rule asks all plugins, and nothing
 * else is worked out again. Rules that look at other drawers are asked after them; within a circle the drawer counts as empty.
 */
export class RuleBook {
  /** The number of each item; made when one is asked for. */
  private known: Map<ItemId, number> | null = new Map<ItemId, number>();
  private readonly facts: RuleFacts[] = [];
  private readonly rules = new Map<string, Ruling>();
  private readonly results = new Map<string, Bits>();
  private order: readonly string[] = [];
  private columns: RuleColumns | null = null;
  /** Items whose columns are not what they were. */
  private readonly stale = new Set<number>();
  private readonly goneOnes = new Set<number>();
  private readonly presets = new Set<number>();
  private readonly withNevers = new Set<number>();
  private today = '';

  /** Takes changes in; the drawers whose contents by rule have changed. */
  change(change: RuleChange): string[] {
    return runToCompletion(this.changeStepwise(change));
  }

  /** The same step by step. Nothing is to be asked of the book before the last one. */
  *changeStepwise({
    facts = [],
    gone = [],
    rules = [],
    unruled = [],
    today = this.today,
  }: RuleChange): Stepwise<string[]> {
    const isNewDay = today !== this.today;
    this.today = today;
    const touched = this.takeFacts(facts, gone);
    for (const drawer of unruled) {
      this.rules.delete(drawer);
      this.results.delete(drawer);
    }
    for (const [drawer, condition] of rules) this.rules.set(drawer, rulingOf(condition));
    if (rules.length > 0 || unruled.length > 0) this.order = inOrder(this.rules);
    const anew = new Set([...rules.map(([drawer]) => drawer), ...unruled]);
    // What was asked as a whole is looked at as a whole; where single plugins changed, so does what looks at it.
    const wholly = new Set(unruled);
    const changed: string[] = [...unruled];
    // A few are asked one by one; when many have changed, everything is asked by columns.
    const many = touched.length * MAX_CHANGED > this.facts.length;
    for (const drawer of this.order) {
      const ruling = this.rules.get(drawer);
      if (ruling === undefined) continue;
      yield;
      const { condition } = ruling;
      const looksAtChanged = ruling.drawers.some((id) => wholly.has(id));
      const isTimed = isNewDay && ruling.isTimed;
      const whole = many || anew.has(drawer) || isTimed || looksAtChanged;
      const before = this.results.get(drawer);
      const after =
        whole || before === undefined
          ? this.askAll(drawer, condition)
          : this.askSome(drawer, condition, before, touched);
      this.results.set(drawer, after);
      if (before === after || (before !== undefined && whole && isSame(before, after))) continue;
      changed.push(drawer);
      if (whole) wholly.add(drawer);
    }
    return changed;
  }

  /** The items that a drawer's rule takes; none for a drawer without a rule. */
  taken(drawer: string): ItemId[] {
    const bits = this.results.get(drawer);
    return bits === undefined ? [] : numbersIn(bits).flatMap((at) => this.facts[at]?.id ?? []);
  }

  /** The same as numbers: an item's is how many were told of before it. */
  numbersTaken(drawer: string): Uint32Array {
    const bits = this.results.get(drawer);
    return bits === undefined ? new Uint32Array() : Uint32Array.from(numbersIn(bits));
  }

  /** The items that a condition of no drawer would take. */
  ask(condition: Condition): ItemId[] {
    return numbersIn(this.answer(condition)).flatMap((at) => this.facts[at]?.id ?? []);
  }

  /** Which items a condition would take, by number; plugins alone where it does not speak of items. */
  bitsOf(condition: Condition): Bits {
    return this.answer(condition);
  }

  /** Which items a drawer would take by a rule that it does not have yet: without those that it never takes. */
  tried(drawer: string, condition: Condition): Bits {
    return this.askAll(drawer, condition);
  }

  /** All items by number, those that are gone as well, and the number of an item. */
  indexed(): { readonly facts: readonly RuleFacts[]; readonly numberOf: (id: ItemId) => number | undefined } {
    return {
      facts: this.facts,
      numberOf: (id) => (this.goneOnes.has(this.numbers.get(id) ?? -1) ? undefined : this.numbers.get(id)),
    };
  }

  /** What each drawer's rule takes. */
  resultsByDrawer(): ReadonlyMap<string, Bits> {
    return this.results;
  }

  /** What rules look at besides the item. */
  readonly world: RuleWorld = this.makeWorld();

  private makeWorld(): RuleWorld {
    const today = (): string => this.today;
    return {
      get today() {
        return today();
      },
      holds: (drawer, item) => {
        const at = this.numbers.get(item);
        const bits = this.results.get(drawer);
        return at !== undefined && bits !== undefined && hasBit(bits, at);
      },
    };
  }

  private get numbers(): Map<ItemId, number> {
    this.known ??= new Map(this.facts.map((one, at) => [one.id, at]));
    return this.known;
  }

  private takeFacts(facts: readonly RuleFacts[], gone: readonly ItemId[]): number[] {
    const touched: number[] = [];
    // The first ones are taken as they come: nobody has asked for a number yet.
    const isFirst = this.facts.length === 0;
    if (isFirst) this.known = null;
    for (const one of facts) {
      const at = isFirst ? this.facts.length : (this.numbers.get(one.id) ?? this.facts.length);
      if (!isFirst) {
        if (this.facts[at] === one && !this.goneOnes.has(at)) continue;
        this.numbers.set(one.id, at);
        if (this.goneOnes.size > 0) this.goneOnes.delete(at);
      }
      this.facts[at] = one;
      mark(this.presets, at, one.item !== 'plugin');
      mark(this.withNevers, at, one.nevers.length > 0);
      touched.push(at);
    }
    for (const id of gone) {
      const at = this.numbers.get(id);
      if (at === undefined || this.goneOnes.has(at)) continue;
      this.goneOnes.add(at);
      touched.push(at);
    }
    if (this.columns !== null) for (const at of touched) this.stale.add(at);
    return touched;
  }

  /** The same set when none of the touched items went in or out. */
  private askSome(drawer: string, condition: Condition, before: Bits, touched: readonly number[]): Bits {
    let after: Bits | null = null;
    for (const at of touched) {
      const isTaken = this.isTaken(drawer, condition, at);
      if (isTaken === hasBit(after ?? before, at)) continue;
      after ??= grown(before, this.facts.length);
      (isTaken ? setBit : clearBit)(after, at);
    }
    return after ?? before;
  }

  private isTaken(drawer: string | null, condition: Condition, at: number): boolean {
    const facts = this.facts[at];
    return (
      facts !== undefined &&
      !this.goneOnes.has(at) &&
      isAskedFor(condition, facts) &&
      (drawer === null || !facts.nevers.includes(drawer)) &&
      meets(condition, facts, this.world)
    );
  }

  private askAll(drawer: string, condition: Condition): Bits {
    const bits = this.answer(condition);
    for (const at of this.withNevers) if (this.facts[at]?.nevers.includes(drawer) === true) clearBit(bits, at);
    return bits;
  }

  private answer(condition: Condition): Bits {
    if (this.columns === null || this.stale.size * MAX_CHANGED > this.facts.length) {
      this.columns = new RuleColumns([...this.facts]);
      this.stale.clear();
    }
    const bits = grown(
      this.columns.answer(condition, this.world, (id) => this.inDrawer(id)),
      this.facts.length,
    );
    if (this.presets.size > 0 && !testsItemKind(condition)) for (const at of this.presets) clearBit(bits, at);
    for (const at of this.stale) (this.isTaken(null, condition, at) ? setBit : clearBit)(bits, at);
    for (const at of this.goneOnes) clearBit(bits, at);
    return bits;
  }

  private inDrawer(id: string): Bits {
    const bits = bitsFor(this.facts.length);
    const ruled = this.results.get(id);
    if (ruled !== undefined) join(bits, ruled);
    this.facts.forEach((facts, at) => {
      if (facts.drawers.includes(id)) setBit(bits, at);
    });
    return bits;
  }
}

function mark(set: Set<number>, at: number, isIn: boolean): void {
  if (isIn) set.add(at);
  else if (set.size > 0) set.delete(at);
}

/** A rule takes plugins; presets only when it speaks of items. */
const isAskedFor = (condition: Condition, facts: RuleFacts): boolean =>
  facts.item === 'plugin' || testsItemKind(condition);

const spoken = new WeakMap<Condition, boolean>();
/** Whether a condition asks what an item is, so that it may take presets. */
export function testsItemKind(condition: Condition): boolean {
  let known = spoken.get(condition);
  if (known === undefined) {
    known = termsOf(condition).some((term) => term.kind === 'value' && term.field === 'item');
    spoken.set(condition, known);
  }
  return known;
}

function grown(bits: Bits, size: number): Bits {
  const larger = bitsFor(size);
  larger.set(bits.subarray(0, larger.length));
  return larger;
}

const isSame = (a: Bits, b: Bits): boolean => {
  const [short, long] = a.length < b.length ? [a, b] : [b, a];
  return short.every((word, at) => word === long[at]) && long.subarray(short.length).every((word) => word === 0);
};
