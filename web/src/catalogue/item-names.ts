import type { ChosenItem } from './chosen-catalogue';

/** What an item is called where there is little room: what tells it apart first, and beside it the rest. */
export interface ItemNames {
  readonly first: string;
  /** The given name beside a nickname, or the plugin beside its preset; null where there is nothing to add. */
  readonly beside: string | null;
}

/** The names of an item; `shown` is what it is called in this place, where that is a name of its own. */
export function itemNamesOf({ name, givenName, preset }: ChosenItem, shown = name): ItemNames {
  if (preset === null) return { first: shown, beside: shown === givenName ? null : givenName };
  // "Copper Plate: Vocal Hall" is cut just where it matters.
  return { first: shown === givenName ? preset.name : shown, beside: preset.plugin };
}
