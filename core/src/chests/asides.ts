import type { Arrangement } from './arrangement.js';
import type { Edit } from './edit.js';
import type { Aside } from './rows/aside.js';

type AsideRows = Pick<Arrangement, 'aside' | 'asideHere'>;

const merged = new WeakMap<object, { readonly here: object; readonly all: ReadonlyMap<string, Aside> }>();

/** Everything that is set aside on this computer: on all computers, or on this one only. Returns the same map while both inputs stay the same. */
export function asidesOf({ aside, asideHere }: AsideRows): ReadonlyMap<string, Aside> {
  if (asideHere.size === 0) return aside;
  const known = merged.get(aside);
  if (known?.here === asideHere) return known.all;
  const all = new Map([...aside, ...asideHere]);
  merged.set(aside, { here: asideHere, all });
  return all;
}

/** The edits that set a plugin or build aside on this computer or on all computers, or bring it back (`after` null). A plugin is never set aside in both ways. */
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
