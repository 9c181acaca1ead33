import { useMemo, useState } from 'react';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { itemIn, likestChain, slotsIn } from '@clever-drawer/core/chests/chains';
import type { Lane } from '@clever-drawer/core/chests/rows/lane';
import type { ItemId, PluginId } from '@clever-drawer/core/ids';
import { HABIT, usualAt } from '@clever-drawer/core/menu/use';
import { TYPE_TREE } from '@clever-drawer/core/catalogue/type-tree';
import { absenceOf } from '../catalogue/presence';
import type { ChosenCatalogue } from '../catalogue/chosen-catalogue';
import { NO_USES, useUses } from '../catalogue/uses';
import { useComputer } from '../lib/use-computer';
import { PlainButton } from '../parts/plain-button';
import type { LaneActions } from './lane-menu';
import styles from './load.module.css';

interface Props {
  readonly lane: Lane;
  readonly state: Arrangement;
  readonly catalogue: ChosenCatalogue;
  readonly actions: LaneActions;
}

const MAX_USUAL = 3;

/** What a lane is made of, in words: its signal's way by types, presets, the chain that it is like, what is usually in it and is not, and what is missing. */
export function LaneWords({ lane, state, catalogue, actions }: Props) {
  const computer = useComputer();
  const { uses } = useUses(computer.id).data ?? NO_USES;
  const [now] = useState(Date.now);
  const slots = slotsIn(state, lane.id);
  const items = slots.map(itemIn).filter((id) => id !== null);
  const plugins = items.map((id) => catalogue.byId.get(id));
  const usual = useMemo(() => {
    const spot = { slot: null, laneKind: lane.kind, lane: lane.name, before: null };
    const own = uses.filter((use) => use.lane === lane.name);
    const present = new Set(items);
    return usualAt(own, spot, now, () => undefined)
      .filter(({ item, times }) => times >= HABIT && !present.has(item) && catalogue.byId.get(item)?.found === true)
      .slice(0, MAX_USUAL)
      .map(({ item }) => item);
    // What is in the lane changes with the state.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [uses, lane, now, catalogue, state.slot]);
  const like = likestChain(state, lane.id);
  const name = (id: ItemId | PluginId): string => catalogue.byId.get(id)?.name ?? 'a missing plugin';
  const types = plugins.map((one) => (one?.types[0] === undefined ? '?' : TYPE_TREE[one.types[0]].label));
  const presets = plugins.flatMap((one) => (one?.preset == null ? [] : [`${one.preset.plugin}: ${one.preset.name}`]));
  const missing = plugins.flatMap((one) => (one === undefined || absenceOf(one) === null ? [] : [one.name]));
  return (
    <div className={styles.words}>
      {types.length > 0 && <p>{types.join(' → ')}</p>}
      {presets.length > 0 && <p className="quiet">presets: {presets.join(', ')}</p>}
      {like !== null && (
        <p>
          like the chain <bdi>{state.chain.get(like.chainId)?.name}</bdi>
          {like.more.length > 0 &&
            `, plus ${String(like.more.length)} ${like.more.length === 1 ? 'plugin' : 'plugins'}`}
          {like.lacks.length > 0 && `, without ${like.lacks.map(name).join(', ')}`}
        </p>
      )}
      {missing.length > 0 && <p className={styles.missing}>not on this computer: {missing.join(', ')}</p>}
      {usual.length > 0 && (
        <p className="quiet">
          usually here too:{' '}
          {usual.map((id) => (
            <PlainButton
              key={id}
              className={styles.usual}
              onClick={() => actions.loadHere(lane, id)}
              title={`Load ${name(id)} into the next empty slot`}
            >
              <bdi>{name(id)}</bdi>
            </PlainButton>
          ))}
        </p>
      )}
    </div>
  );
}
