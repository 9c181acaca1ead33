import type { PluginId } from '../ids.js';
import type { Arrangement } from './arrangement.js';
import type { Change, Edit } from './edit.js';
import type { IntentKind, Wish } from './intent.js';

/** What planning needs to know of the catalogue: a plugin's name; undefined when there is no such plugin. */
export type NameOf = (id: PluginId) => string | undefined;

/** A change, or why the wish can't be granted, in words for the producer. */
export type Plan = { readonly ok: true; readonly change: Change } | { readonly ok: false; readonly refusal: string };

/** Works out what a wish of one kind comes to, against the arrangement as it stands. */
export type Planners<Kinds extends IntentKind> = {
  readonly [Kind in Kinds]: (state: Arrangement, wish: Wish<Kind>, nameOf: NameOf) => Plan;
};

export const planned = (label: string, edits: readonly Edit[]): Plan => ({ ok: true, change: { label, edits } });
export const refuse = (refusal: string): Plan => ({ ok: false, refusal });

export const UNCHANGED = 'That is how it stands already.';

/** "Vestry Plate" for one, "12 plugins" for more. */
export function what(ids: readonly PluginId[], nameOf: NameOf): string {
  const [first] = ids;
  return ids.length === 1 && first !== undefined ? (nameOf(first) ?? 'a plugin') : count(ids.length);
}

export const count = (number: number): string => `${String(number)} ${number === 1 ? 'plugin' : 'plugins'}`;
