import type { ChosenItem } from './chosen-catalogue';

/** What an item is called where there is little room: what tells it apart first, and beside it the rest. */
export interface ItemNames {
  readonly first: string;
  /** The given name beside a nickname, the plugin beside its preset, or what tells it from others of its name; null where there is nothing to add. */
  readonly beside: string | null;
}

/** The names of an item; `shown` is what it is called in this place, where that is a name of its own. */
export function itemNamesOf({ name, givenName, preset, apart }: ChosenItem, shown = name): ItemNames {
  if (preset === null) return { first: shown, beside: shown === givenName ? (apart ?? null) : givenName };
  // "Copper Plate: Vocal Hall" is cut just where it matters.
  return { first: shown === givenName ? preset.name : shown, beside: preset.plugin };
}

/** The name of an item as it is spoken, or stands alone: with what tells it from others of its name. `shown`: see itemNamesOf. */
export const fullNameOf = ({ name, apart }: Pick<ChosenItem, 'name' | 'apart'>, shown = name): string =>
  apart === undefined || shown !== name ? shown : `${shown} (${apart})`;
