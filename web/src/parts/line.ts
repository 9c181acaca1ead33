import type { ItemId } from '@clever-drawer/core/ids';
import { absenceOf } from '../catalogue/presence';
import type { ChosenItem } from '../catalogue/chosen-catalogue';
import { fullNameOf } from '../catalogue/item-names';
import { type MenuAct } from './menu-act';

/** A line of a drawer or tray: a plugin, or a divider. */
export type ListedLine =
  | {
      readonly id: string;
      readonly plugin: ChosenItem;
      readonly name: string;
      /** Tells why a rule put it there; null when it was put in by hand. */
      readonly why: (() => string) | null;
      /** The build that is loaded from here, in words; null or absent for the usual one. */
      readonly build?: string | null;
    }
  | { readonly id: string; readonly divider: string };

/** What can be done with lines. */
export interface LineActions {
  /** Puts lines in front of another one; null is the end. */
  readonly place: (lines: readonly ListedLine[], before: string | null) => void;
  readonly remove: (lines: readonly ListedLine[]) => void;
  readonly rename: (line: ListedLine) => void;
  readonly addDivider?: (before: string | null) => void;
  /** By hand against the rule of a drawer: always in it, or never. */
  readonly always?: (lines: readonly ListedLine[]) => void;
  readonly never?: (lines: readonly ListedLine[]) => void;
  /** Moves lines to another drawer, which is asked for. */
  /** Chooses the build that is loaded from here; false for a line that was not put in by hand. */
  readonly bind?: (line: ListedLine) => boolean;
  readonly moveTo?: (lines: readonly ListedLine[]) => void;
  readonly about: (id: ItemId) => void;
  /** Told of the plugins that are selected, whenever that changes. */
  readonly selected: (ids: readonly ItemId[]) => void;
  /** What else can be done with the plugins that are selected. */
  readonly more: () => readonly MenuAct[];
}

/** The plugins among lines. */
export const pluginsIn = (lines: readonly ListedLine[]): ItemId[] =>
  lines.flatMap((line) => ('plugin' in line ? [line.plugin.id] : []));

/** The ids of the dividers among lines. */
export const dividersIn = (lines: readonly ListedLine[]): string[] =>
  lines.flatMap((line) => ('divider' in line ? [line.id] : []));

/** A line in words: "Vestry Plate, by rule: plate", "divider long tails". */
export function lineInWords(line: ListedLine): string {
  if ('divider' in line) return `divider${line.divider === '' ? '' : ` ${line.divider}`}`;
  const absence = absenceOf(line.plugin);
  return [
    fullNameOf(line.plugin, line.name),
    line.build ?? null,
    line.why === null ? null : `by rule: ${line.why()}`,
    absence,
  ]
    .filter((part) => part !== null)
    .join(', ');
}
