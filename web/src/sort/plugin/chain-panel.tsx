import clsx from 'clsx';
import { useState } from 'react';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { chainNamed, partsOfChain } from '@clever-drawer/core/chests/chains';
import { itemId } from '@clever-drawer/core/chests/item';
import { trayName } from '@clever-drawer/core/chests/look-up';
import type { ChainPart } from '@clever-drawer/core/chests/rows/chain-part';
import { groupsOf } from '@clever-drawer/core/chests/row-groups';
import type { ChainId, ItemId } from '@clever-drawer/core/ids';
import { useChanges } from '../../arrangement/changes';
import { absenceOf } from '../../catalogue/presence';
import type { ChosenCatalogue } from '../../catalogue/chosen-catalogue';
import { TypeGlyph } from '../../catalogue/type-glyph';
import { useComputer } from '../../lib/use-computer';
import { KeyHint } from '../../keys/key-hint';
import { panelPart } from './panel-parts';
import { NameBox } from '../../parts/name-box';
import { PlainButton } from '../../parts/plain-button';
import { pathInWords } from '../../boxes/drawer-box';
import styles from './plugin.module.css';

interface Props {
  readonly id: ChainId;
  readonly state: Arrangement;
  readonly catalogue: ChosenCatalogue;
  readonly close: () => void;
  /** Names and notes. */
  readonly name: () => void;
  /** Shows what is known of one of its plugins. */
  readonly about: (id: ItemId) => void;
}

/** All about a chain: its plugins in order, every place that it stands in; renamed and deleted. */
export function ChainPanel({ id, state, catalogue, close, name, about }: Props) {
  const changes = useChanges(useComputer().id);
  const [isNaming, setNaming] = useState(false);
  const chain = state.chain.get(id);
  const item = catalogue.byId.get(id);
  const drawers = (groupsOf(state, 'entriesOf').get(id) ?? []).map((entry) => pathInWords(state, entry.drawerId));
  const trays = (groupsOf(state, 'traysOf').get(id) ?? []).map((entry) => trayName(state, entry.tray));
  const parts = partsOfChain(state, id);
  const arrange = (next: readonly ChainPart[]): void =>
    void changes.make({
      kind: 'arrange-chain',
      id,
      parts: next.map((part) => ({ item: itemId(part), bypass: part.bypass })),
    });
  const remove = (): void =>
    void changes
      .makeWithNotice(`The chain ${chain?.name ?? ''} is deleted, also from drawers and trays. Its plugins stay.`, {
        kind: 'delete-chain',
        id,
      })
      .then((done) => {
        if (done) close();
      });
  return (
    <section className={clsx(styles.pluginPanel, 'panel')} aria-label="About the chain" data-panel>
      <PlainButton className={styles.panelClose} onClick={close} aria-label="Close the panel">
        ×
      </PlainButton>
      {chain === undefined ? (
        <p>This chain is not there any more. Undo brings it back.</p>
      ) : (
        <>
          <h2>
            <bdi>{item?.name ?? chain.name}</bdi> <span className="quiet">chain</span>
          </h2>
          <p className={styles.aboutLine}>
            {item !== undefined && item.name !== chain.name && (
              <>
                kept as <b>{chain.name}</b> ·{' '}
              </>
            )}
            {item?.naming?.note != null && <span className="quiet">{item.naming.note} · </span>}
            <PlainButton onClick={() => setNaming(true)}>Rename …</PlainButton>
            <PlainButton onClick={name}>
              <KeyHint place="sort" does="names" /> Names and notes …
            </PlainButton>
            <PlainButton onClick={remove}>Delete</PlainButton>
          </p>
          <ol className={styles.chainParts} aria-label="Its plugins, in order" {...panelPart('builds')}>
            {parts.map((part, at) => {
              const plugin = catalogue.byId.get(itemId(part)) ?? catalogue.byId.get(part.pluginId);
              const absence = plugin === undefined ? 'not in the catalogue' : absenceOf(plugin);
              return (
                <li key={part.id}>
                  <TypeGlyph types={plugin?.types ?? []} role={plugin?.role ?? null} />{' '}
                  <PlainButton linked onClick={() => about(part.pluginId)}>
                    <bdi>{plugin?.name ?? part.pluginId}</bdi>
                  </PlainButton>
                  {absence !== null && <span className="flag">{absence}</span>}
                  <PlainButton
                    aria-pressed={part.bypass}
                    onClick={() => arrange(parts.map((one) => (one === part ? { ...one, bypass: !one.bypass } : one)))}
                  >
                    {part.bypass ? 'bypassed' : 'bypass'}
                  </PlainButton>
                  <PlainButton
                    aria-label={`Move ${plugin?.name ?? 'it'} up`}
                    disabled={at === 0}
                    onClick={() => arrange(moved(parts, at, -1))}
                  >
                    ↑
                  </PlainButton>
                  <PlainButton
                    aria-label={`Move ${plugin?.name ?? 'it'} down`}
                    disabled={at === parts.length - 1}
                    onClick={() => arrange(moved(parts, at, 1))}
                  >
                    ↓
                  </PlainButton>
                  <PlainButton
                    aria-label={`Take ${plugin?.name ?? 'it'} out of the chain`}
                    disabled={parts.length === 1}
                    onClick={() => arrange(parts.filter((one) => one !== part))}
                  >
                    ×
                  </PlainButton>
                </li>
              );
            })}
          </ol>
          <p className="quiet" {...panelPart('places')}>
            {drawers.length + trays.length === 0
              ? 'It is in no drawer and on no tray.'
              : `It is in ${[...drawers, ...trays].join(', ')}.`}{' '}
            In Load it is found by typing, and loads in one go.
          </p>
        </>
      )}
      {isNaming && chain !== undefined && (
        <NameBox
          title="Rename the chain"
          label="Name"
          first={chain.name}
          close={() => setNaming(false)}
          check={(next) => {
            const other = chainNamed(state, next);
            return other === undefined || other.id === id
              ? {}
              : { problem: `Another chain is called ${other.name}. Choose another name.` };
          }}
          done={(next) => {
            setNaming(false);
            if (next !== chain.name) void changes.make({ kind: 'rename-chain', id, name: next });
          }}
        />
      )}
    </section>
  );
}

/** With a part at its neighbour's place, and the other way round. */
function moved(parts: readonly ChainPart[], at: number, by: 1 | -1): readonly ChainPart[] {
  const next = [...parts];
  const [part] = next.splice(at, 1);
  if (part !== undefined) next.splice(at + by, 0, part);
  return next;
}
