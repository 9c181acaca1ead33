import { useState } from 'react';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { trayName } from '@clever-drawer/core/chests/look-up';
import { groupsOf } from '@clever-drawer/core/chests/row-groups';
import type { LaneWidth } from '@clever-drawer/core/chests/rows/lane';
import { buildFor } from '@clever-drawer/core/menu/choose-build';
import type { ItemId } from '@clever-drawer/core/ids';
import type { WindowRuleResults } from '../arrangement/rules/rule-keeper';
import { useRuled } from '../arrangement/rules/use-ruled';
import type { ChosenCatalogue, ChosenItem } from '../catalogue/chosen-catalogue';
import { lastUseOf, type KnownUse } from '../catalogue/uses';
import { ago } from '../lib/ago';
import { kindInWords } from '../catalogue/type-glyph';
import styles from './chooser.module.css';

interface Props {
  readonly item: ChosenItem | undefined;
  readonly name: string | undefined;
  readonly width: LaneWidth | null;
  /** Whether a sidechain is fed where it is chosen for. */
  readonly isFed: boolean;
  readonly catalogue: ChosenCatalogue;
  readonly state: Arrangement;
  readonly uses: readonly KnownUse[];
}

/** What is known of the marked one, in a line or two: type, maker, build, where it stands, when it was last used, note. */
export function ChooserPreview({ item, name, width, isFed, catalogue, state, uses }: Props) {
  const ruled = useRuled(catalogue, state);
  const [now] = useState(Date.now);
  if (item === undefined) return <p className={styles.preview} />;
  const chosen = buildFor(item.builds, { width, sidechain: isFed });
  const last = lastUseOf(uses, item.id);
  const places = placesOf(state, ruled, item);
  const parts =
    item.chain !== undefined
      ? [`chain: ${namesOf(catalogue, item.chain)}`, ...whereAndWhen(places, last, now)]
      : [
          item.program !== undefined && item.program === item.vendor
            ? kindInWords(item.types, item.role)
            : `${kindInWords(item.types, item.role)} by ${item.vendor ?? 'an unknown vendor'}`,
          item.program !== undefined
            ? item.file == null
              ? `in ${item.program}, handed over by name`
              : `the file ${item.file}, handed over with its path`
            : chosen === undefined
              ? 'no build was found'
              : [chosen.build.format, chosen.build.version ?? '', WHY_BUILD[chosen.because]]
                  .filter((word) => word !== '')
                  .join(' '),
          ...whereAndWhen(places, last, now),
          ...(item.naming?.note == null ? [] : [item.naming.note]),
        ];
  return (
    <p className={styles.preview}>
      <b>
        <bdi>{name}</bdi>
      </b>{' '}
      · {parts.join(' · ')}
    </p>
  );
}

const whereAndWhen = (places: readonly string[], last: KnownUse | undefined, now: number): string[] => [
  places.length === 0 ? 'in no drawer' : `in ${places.join(', ')}`,
  last === undefined
    ? 'never loaded'
    : `last loaded ${ago(last.at, now)}${last.session === null ? '' : ` in “${last.session}”`}`,
];

const namesOf = (catalogue: ChosenCatalogue, ids: readonly ItemId[]): string =>
  ids.map((id) => catalogue.byId.get(id)?.name ?? 'a missing plugin').join(' → ');

const WHY_BUILD = {
  preferred: '',
  mono: '(mono, to fit here)',
  stereo: '(stereo, to fit here)',
  sidechain: '(takes the sidechain)',
} as const;
const MAX_PLACES = 4;

function placesOf(state: Arrangement, ruled: WindowRuleResults, { id }: ChosenItem): string[] {
  const drawers = new Set((groupsOf(state, 'entriesOf').get(id) ?? []).map((entry) => entry.drawerId));
  for (const drawer of state.drawer.values())
    if (drawer.rule !== null && !drawers.has(drawer.id) && ruled.taken(drawer.id).includes(id)) drawers.add(drawer.id);
  const names = [...drawers].flatMap((drawer) => state.drawer.get(drawer)?.name ?? []);
  const trays = (groupsOf(state, 'traysOf').get(id) ?? []).map((entry) => trayName(state, entry.tray));
  const all = [...names, ...trays];
  return all.length > MAX_PLACES ? [...all.slice(0, MAX_PLACES), `${String(all.length - MAX_PLACES)} more`] : all;
}
