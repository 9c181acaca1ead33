/** Rules that look at other drawers: in which order they are asked, and circles of them. */
import { termsOf, type Condition } from './condition.js';

/** Drawers so that each comes after those that its rule looks at. */
export function inOrder(looksAt: ReadonlyMap<string, { readonly drawers: readonly string[] }>): string[] {
  const order: string[] = [];
  const seen = new Set<string>();
  for (const first of looksAt.keys()) {
    // Without calls in calls: a chain of a thousand drawers is no danger to it.
    const path: { drawer: string; next: string[] }[] = [];
    const enter = (drawer: string): void => {
      if (seen.has(drawer) || !looksAt.has(drawer)) return;
      seen.add(drawer);
      path.push({ drawer, next: [...(looksAt.get(drawer)?.drawers ?? [])] });
    };
    enter(first);
    for (let top = path.at(-1); top !== undefined; top = path.at(-1)) {
      const next = top.next.pop();
      if (next !== undefined) enter(next);
      else order.push(path.pop()?.drawer ?? '');
    }
  }
  return order;
}

/** The drawers that a condition looks at. */
export const drawersIn = (condition: Condition | undefined): string[] =>
  condition === undefined ? [] : termsOf(condition).flatMap((term) => (term.kind === 'drawer' ? [term.id] : []));

/** The circle that a drawer's new rule would close, from the drawer to itself; null when there is none. */
export function circleOf(rules: ReadonlyMap<string, Condition>, drawer: string, condition: Condition): string[] | null {
  const from = new Map<string, string>();
  const waiting = drawersIn(condition).map((id) => [id, drawer] as const);
  for (let step = waiting.shift(); step !== undefined; step = waiting.shift()) {
    const [id, before] = step;
    if (from.has(id)) continue;
    from.set(id, before);
    if (id === drawer) {
      const circle = [drawer];
      for (let at = from.get(drawer); at !== undefined && at !== drawer; at = from.get(at)) circle.unshift(at);
      return [drawer, ...circle];
    }
    waiting.push(...drawersIn(rules.get(id)).map((next) => [next, id] as const));
  }
  return null;
}
