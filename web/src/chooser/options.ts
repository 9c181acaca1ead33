import type { Sign } from '@clever-drawer/core/chests/sign';
import type { ItemId } from '@clever-drawer/core/ids';
import { MAX_CHOICES } from '@clever-drawer/core/menu/first-choices';
import type { ChosenCatalogue, ChosenItem } from '../catalogue/chosen-catalogue';
import type { Offer } from './use-offer';
import type { BuildThere, OfferedDrawer } from './offered-drawers';

/** Under which heading something is offered. */
export type OptionPart =
  'now' | 'usual' | 'recent' | 'favourites' | 'steered' | 'drawer' | 'all' | 'found' | 'kin' | 'files' | 'outside';

/** One thing that can be chosen: under the name that it has where it stands, with the digit that marks it. */
export interface Option extends BuildThere {
  readonly key: string;
  readonly item: ChosenItem;
  readonly name: string;
  readonly part: OptionPart;
  readonly digit: number | null;
}

/** A stretch of the list under its own heading; a divider of a drawer is a heading of its own. */
export interface OptionGroup {
  readonly heading: string;
  readonly part: OptionPart;
  readonly options: readonly Option[];
  /** Of a drawer: its sign, and the divider in front of it. */
  readonly sign?: Sign | null;
  readonly divider?: string | null;
}

/** What may be looked at: as a list, drawer by drawer in columns, or as pictures. */
export const CHOOSER_VIEWS = ['list', 'drawers', 'faces'] as const;
/** One of them. */
export type ChooserView = (typeof CHOOSER_VIEWS)[number];

/** So many are listed under a heading; nobody goes through more by arrow, and typing finds the rest. */
const MAX_LISTED = 2000;

const MAX_STEERED = 3;
/** So many of what does not fit are named under a drawer. */
const MAX_UNFIT = 20;

/** A single digit marks a first choice; anything else that is typed is searched for. */
export const digitIn = (typed: string): number | null => (/^[1-9]$/.test(typed) ? Number(typed) : null);

interface Asked {
  readonly offer: Offer;
  /** What is in the slot now; null for nothing. */
  readonly now: ItemId | null;
  readonly catalogue: ChosenCatalogue;
  readonly opened: OfferedDrawer | undefined;
  /** Whether anything is typed, and the digit that is typed alone. */
  readonly isTyped: boolean;
  readonly digit: number | null;
  readonly withAll: boolean;
  /** Files that have what is typed and are no entries yet. */
  readonly files: readonly ChosenItem[];
}

/** What the list shows, heading by heading; none is empty. The first nine of what is offered at first, or stands in an open drawer, carry digits. */
export function optionGroups(asked: Asked): OptionGroup[] {
  const { offer, now, catalogue, opened, isTyped, digit, withAll, files } = asked;
  const isFirst = !isTyped || digit !== null;
  let number = 0;
  const group = (heading: string, part: OptionPart, items: readonly ChosenItem[], numbered = false): OptionGroup => ({
    heading:
      items.length > MAX_LISTED ? `${heading}: the first ${String(MAX_LISTED)} of ${String(items.length)}` : heading,
    part,
    options: items.slice(0, MAX_LISTED).map((item) => ({
      key: `${part} ${item.id}`,
      item,
      name: item.name,
      part,
      digit: numbered && number < MAX_CHOICES ? ++number : null,
    })),
  });
  const digitFor = (): number | null => (number < MAX_CHOICES ? ++number : null);
  const known = (ids: readonly ItemId[]): ChosenItem[] =>
    ids.map((id) => catalogue.byId.get(id)).filter((item) => item !== undefined);
  // What stands in the chest itself comes first, and not a second time.
  const loose = offer.drawers.find((drawer) => drawer.loose);
  const notLoose = (items: readonly ChosenItem[]): readonly ChosenItem[] =>
    loose === undefined ? items : items.filter((item) => !loose.ids.has(item.id));
  const groups: OptionGroup[] = [];
  if (isFirst && opened === undefined) {
    groups.push(
      group('in this slot now', 'now', now === null ? [] : known([now])),
      ...(loose === undefined ? [] : drawerGroups(loose, offer, false, digitFor)),
      group('usual here', 'usual', notLoose(known(offer.first.usual)), true),
      // The most loaded of them; typing brings the others up too.
      group('with a sidechain input', 'steered', offer.steered.slice(0, MAX_STEERED), true),
      group('recent', 'recent', notLoose(known(offer.first.recent)), true),
      group('Favourites', 'favourites', notLoose(known(offer.first.favourites)), true),
    );
  }
  if (opened !== undefined)
    groups.push(
      ...drawerGroups(opened, offer, isTyped && digit === null, digitFor),
      ...(isTyped
        ? []
        : [
            // What is usual stays at hand beside what the drawer holds.
            group(
              'usual here',
              'usual',
              known(offer.first.usual).filter((item) => !opened.ids.has(item.id)),
              true,
            ),
            group(
              'recent',
              'recent',
              known(offer.first.recent).filter((item) => !opened.ids.has(item.id)),
              true,
            ),
            unfitGroup(opened),
          ]),
    );
  if (!isTyped) {
    if (opened === undefined) groups.push(group('everything that fits', 'all', offer.elsewhere));
  } else {
    groups.push(
      group(
        digit === null ? (opened === undefined ? 'best match first' : 'elsewhere') : `names with ${String(digit)}`,
        'found',
        offer.elsewhere,
      ),
      ...(digit === null ? offer.named.flatMap((drawer) => [namedGroup(drawer), unfitGroup(drawer)]) : []),
      group('more of this type', 'kin', digit === null ? offer.kin : []),
      group('other files', 'files', digit === null ? files : []),
    );
  }
  if (withAll) groups.push(group('does not fit, or is set aside', 'outside', offer.outside));
  return groups.filter((one) => one.options.length > 0);
}

/** A drawer or tray that is called what was typed, with what fits in it. */
const namedGroup = (drawer: OfferedDrawer): OptionGroup => ({
  heading: drawerWords(drawer),
  part: 'drawer',
  options: drawer.plugins
    .slice(0, MAX_LISTED)
    .map((item) => ({ key: `named ${drawer.id} ${item.id}`, item, name: item.name, part: 'drawer', digit: null })),
});

/** What a drawer or tray holds and does not fit; each option says why. */
const unfitGroup = (drawer: OfferedDrawer): OptionGroup => ({
  heading: `${drawerWords(drawer)}: ${
    drawer.unfit.length > MAX_UNFIT
      ? `${String(drawer.unfit.length)} do not fit; the first ${String(MAX_UNFIT)}`
      : 'does not fit here'
  }`,
  part: 'outside',
  options: drawer.unfit
    .slice(0, MAX_UNFIT)
    .map((item) => ({ key: `unfit ${drawer.id} ${item.id}`, item, name: item.name, part: 'outside', digit: null })),
});

const drawerWords = ({ name, tray }: OfferedDrawer): string => `${tray === null ? 'drawer' : 'tray'} ${name}`;

/** An open drawer with its own names and dividers, or what of it was found. */
function drawerGroups(
  opened: OfferedDrawer,
  offer: Offer,
  isSearch: boolean,
  digitFor: () => number | null,
): OptionGroup[] {
  const option = (item: ChosenItem, name: string, { buildId = null, buildWords = null }: BuildThere): Option => ({
    key: `drawer ${item.id}`,
    item,
    name,
    buildId,
    buildWords,
    part: 'drawer',
    digit: isSearch ? null : digitFor(),
  });
  const heading = opened.loose ? 'in the chest itself' : `in ${opened.name}`;
  if (isSearch) {
    const known = new Map(opened.lines.flatMap((line) => ('divider' in line ? [] : [[line.plugin.id, line]])));
    const options = offer.inside.map((item) => {
      const line = known.get(item.id);
      return option(item, line?.name ?? item.name, line ?? {});
    });
    return [{ heading, part: 'drawer', options }];
  }
  const groups: { heading: string; part: OptionPart; options: Option[] }[] = [{ heading, part: 'drawer', options: [] }];
  for (const line of opened.lines) {
    if ('divider' in line)
      groups.push({ heading: line.divider === '' ? '—' : line.divider, part: 'drawer', options: [] });
    else groups.at(-1)?.options.push(option(line.plugin, line.name, line));
  }
  return groups;
}

/** What is left out of what was found, in words: "2 more: an instrument, one set aside". */
export function outsideInWords(reasons: readonly string[]): string {
  const counts = new Map<string, number>();
  for (const reason of reasons) counts.set(reason, (counts.get(reason) ?? 0) + 1);
  const each = [...counts].map(([reason, count]) => {
    const isKind = /^(instrument|audio effect|MIDI effect|tool)$/.test(reason);
    if (count > 1) return isKind ? `${String(count)} ${reason}s` : `${String(count)} ${reason}`;
    return isKind ? `${/^[aei]/.test(reason) ? 'an' : 'a'} ${reason}` : `one ${reason}`;
  });
  return `${String(reasons.length)} more: ${each.join(', ')}`;
}
