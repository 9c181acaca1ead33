import type { BuildFacts } from '../facts/build-facts.js';
import type { Known } from './known-build.js';
import { compare } from './most-frequent.js';

/**
 * Keeps different plugins of one format and channel count apart, in an order that does not hang on the order of the files: each build goes to the first part in
 * which it can be one plugin with all others. Only parts that can be meant are looked at, so that 20,000 builds of one name are no work.
 */
export function differentOnes<B extends BuildFacts>(members: readonly Known<B>[]): Known<B>[][] {
  const parts = new Parts<B>();
  const sorted = [...members].sort((a, b) => compare(a.build.identifier ?? '~', b.build.identifier ?? '~'));
  for (const one of sorted) parts.put(one);
  return parts.all;
}

/** What two builds have in common that are different plugins unless their identifiers say otherwise; builds of other kinds can always be one plugin. */
const kindOf = ({ build, name }: Known): string =>
  JSON.stringify([build.format, name.channels ?? `${String(build.audioInputs)}>${String(build.audioOutputs)}`]);

/** The builds of one identifier in a part: how many they are, and how many of them replace each further identifier. */
interface SameIdentifier {
  count: number;
  readonly replaced: Map<string, number>;
}
/** What a part holds of a kind, by identifier. */
type OfKind = Map<string, SameIdentifier>;

class Parts<B extends BuildFacts> {
  readonly all: Known<B>[][] = [];
  private readonly held: Map<string, OfKind>[] = [];
  /** By kind: all parts before this one hold something of it. */
  private readonly firstWithout = new Map<string, number>();
  /** By kind and identifier: the parts that hold it, and those that hold something that replaces it. */
  private readonly holders = new Map<string, Set<number>>();
  private readonly replacers = new Map<string, Set<number>>();
  /** Where builds went that say the same of themselves: what fits one of them fits the others. */
  private readonly known = new Map<string, number>();

  put(one: Known<B>): void {
    const { identifier, replaces } = one.build;
    // Without an identifier it can be any.
    if (identifier === null) {
      this.add(one, 0);
      return;
    }
    const kind = kindOf(one);
    const same = JSON.stringify([kind, identifier, ...replaces]);
    const at = this.known.get(same) ?? this.firstFitting(one, kind, identifier);
    this.known.set(same, at);
    this.add(one, at);
    const ofKind = this.held[at]?.get(kind) ?? new Map<string, SameIdentifier>();
    this.held[at]?.set(kind, ofKind);
    const own = ofKind.get(identifier) ?? { count: 0, replaced: new Map<string, number>() };
    ofKind.set(identifier, own);
    own.count++;
    for (const id of new Set(replaces)) own.replaced.set(id, (own.replaced.get(id) ?? 0) + 1);
    note(this.holders, relation(kind, identifier), at);
    for (const id of replaces) note(this.replacers, relation(kind, id), at);
  }

  /** Of those that hold nothing of its kind, its own identifier, or one that it replaces or is replaced by. */
  private firstFitting(one: Known<B>, kind: string, identifier: string): number {
    const candidates = new Set([this.withoutKind(kind), ...(this.replacers.get(relation(kind, identifier)) ?? [])]);
    for (const id of [identifier, ...one.build.replaces])
      for (const at of this.holders.get(relation(kind, id)) ?? []) candidates.add(at);
    let first = Infinity;
    for (const at of candidates) if (at < first && fits(one, identifier, this.held[at]?.get(kind))) first = at;
    return first;
  }

  private add(one: Known<B>, at: number): void {
    if (this.all[at] === undefined) {
      this.all.push([]);
      this.held.push(new Map());
    }
    this.all[at]?.push(one);
  }

  /** The first part that holds nothing of a kind; a new one when all do. */
  private withoutKind(kind: string): number {
    let at = this.firstWithout.get(kind) ?? 0;
    while (this.held[at]?.has(kind) === true) at++;
    this.firstWithout.set(kind, at);
    return at;
  }
}

const note = (parts: Map<string, Set<number>>, key: string, at: number): void =>
  void parts.set(key, (parts.get(key) ?? new Set()).add(at));

const relation = (kind: string, identifier: string): string => `${kind} ${identifier}`;

/** Whether a build can be one plugin with all that a part holds of its kind: each has its identifier, or one of the two replaces the other. */
function fits({ build }: Known, identifier: string, held: OfKind | undefined): boolean {
  for (const [other, { count, replaced }] of held ?? [])
    if (other !== identifier && !build.replaces.includes(other) && replaced.get(identifier) !== count) return false;
  return true;
}
