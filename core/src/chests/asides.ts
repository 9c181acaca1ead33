import type { Arrangement } from './arrangement.js';
import type { Edit } from './edit.js';
import type { Aside } from './rows/aside.js';

type AsideRows = Pick<Arrangement, 'aside' | 'asideHere'>;

const merged = new WeakMap<object, { readonly here: object; readonly all: ReadonlyMap<string, Aside> }>();

/** What is set aside as this computer has it: everywhere, or here only. The very same map for as long as both stay the same. */
export function asidesOf({ aside, asideHere }: AsideRows): ReadonlyMap<string, Aside> {
  if (asideHere.size === 0) return aside;
  const known = merged.get(aside);
  if (known?.here === asideHere) return known.all;
  const all = new Map([...aside, ...asideHere]);
  merged.set(aside, { here: asideHere, all });
  return all;
}

/** The edits that set a plugin or build aside here or everywhere, or (`after` null) bring it back. It is never both. */
export function asideEdits({ aside, asideHere }: AsideRows, id: string, after: Aside | null, here: boolean): Edit[] {
  const [everywhere, onlyHere] = [aside.get(id) ?? null, asideHere.get(id) ?? null];
  const [then, thenHere] = here ? [null, after] : [after, null];
  return [
    ...(everywhere === null && then === null ? [] : [{ of: 'aside' as const, id, before: everywhere, after: then }]),
    ...(onlyHere === null && thenHere === null
      ? []
      : [{ of: 'asideHere' as const, id, before: onlyHere, after: thenHere }]),
  ];
}
