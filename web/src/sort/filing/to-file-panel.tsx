import clsx from 'clsx';
import { useEffect, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import Button from 'react-bootstrap/Button';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import type { Chest } from '@clever-drawer/core/chests/rows/chest';
import type { Drawer } from '@clever-drawer/core/chests/rows/drawer';
import { DrawerProposer, type Proposal } from '@clever-drawer/core/chests/propose-drawers';
import type { ItemId } from '@clever-drawer/core/ids';
import { EmptyNote } from '../../parts/empty-note';
import type { ChosenCatalogue, ChosenItem } from '../../catalogue/queries';
import type { Changes } from '../../arrangement/changes';
import { stepIn, ticked as withTick } from '../../parts/list-keys';
import { PlainButton } from '../../parts/plain-button';
import { ProposedDrawers, ToFileKeys, WaitingPlugin } from './proposed-drawers';
import styles from './filing.module.css';

interface Props {
  readonly catalogue: ChosenCatalogue;
  readonly state: Arrangement;
  readonly chest: Chest;
  readonly changes: Changes;
  readonly queue: readonly ItemId[];
  /** How many of the queue have arrived since the last look. */
  readonly fresh: number;
  readonly isFiled: (id: ItemId) => boolean;
  readonly light: (drawers: readonly string[]) => void;
  readonly other: (id: ItemId) => void;
  readonly setAside: (id: ItemId) => void;
  readonly about: (id: ItemId) => void;
  readonly close: () => void;
}

/** What is to be filed, one plugin after the other, with the drawers that are proposed for it; Enter takes the marked one and goes on. */
export function ToFilePanel(props: Props) {
  const { catalogue, state, chest, changes, queue, fresh, isFiled, light, close } = props;
  const [at, setAt] = useState(0);
  const [marked, setMarked] = useState(0);
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set());
  const box = useRef<HTMLElement>(null);
  const open = queue
    .map((id) => catalogue.byId.get(id))
    .filter((plugin) => plugin !== undefined && isWaiting(plugin, isFiled));
  const index = Math.min(at, open.length - 1);
  const plugin = open[index];
  const proposer = useMemo(() => new DrawerProposer(state, chest.id, catalogue.byId), [state, chest.id, catalogue]);
  const proposals = useMemo(() => (plugin === undefined ? [] : proposer.propose(plugin)), [proposer, plugin]);
  useLit(proposals, light);
  useEffect(() => box.current?.focus(), []);

  const go = (to: number): void => {
    setAt(Math.max(0, Math.min(to, open.length - 1)));
    setMarked(0);
    setTicked(new Set());
  };
  const file = (drawers: readonly Drawer['id'][]): void => {
    if (plugin === undefined || drawers.length === 0) return;
    setMarked(0);
    setTicked(new Set());
    // What is filed leaves the queue, so that the next one stands in its place.
    void changes.make({ kind: 'file', drawerIds: drawers, pluginIds: [plugin.id] });
  };
  const accept = (): void => {
    const chosen = proposals.filter((one) => ticked.has(one.drawerId)).map((one) => one.drawerId);
    const one = proposals[marked]?.drawerId;
    file(chosen.length > 0 ? chosen : one === undefined ? [] : [one]);
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    if (event.altKey || event.ctrlKey || event.metaKey) return;
    // The panel's buttons have their own Space and Enter.
    if (event.target !== event.currentTarget && event.key !== 'Escape') return;
    const current = proposals[marked];
    const to = stepIn(event.key, { at: marked, count: proposals.length });
    if (to !== null) setMarked(Math.max(to, 0));
    else if (event.key === 'ArrowRight') go(index + 1);
    else if (event.key === 'ArrowLeft') go(index - 1);
    else if (event.key === ' ' && current !== undefined) setTicked(withTick(ticked, current.drawerId));
    else if (event.key === 'Enter' && plugin !== undefined) {
      if (proposals.length > 0) accept();
      else props.other(plugin.id);
    } else if (event.key === 'f' && plugin !== undefined) props.other(plugin.id);
    else if (event.key === 'a' && plugin !== undefined) props.setAside(plugin.id);
    else if (event.key === 'Escape') close();
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  return (
    <section
      ref={box}
      className={clsx(styles.toFile, 'panel')}
      tabIndex={-1}
      aria-label="To file"
      onKeyDown={onKeyDown}
      data-to-file
    >
      <header>
        <h2>To file</h2>
        <span className="quiet" role="status">
          {open.length} left{fresh > 0 && `, ${String(fresh)} of them new`}
        </span>
        <span className="grow" />
        {fresh > 0 && (
          <PlainButton
            onClick={() => {
              void changes.make({ kind: 'look', at: new Date().toISOString() });
              box.current?.focus();
            }}
          >
            New ones seen
          </PlainButton>
        )}
        <PlainButton onClick={close}>
          Back to the list <kbd>Esc</kbd>
        </PlainButton>
      </header>
      {plugin === undefined ? (
        <EmptyNote title="Everything is filed">
          <p>Nothing is left to file in {chest.name}.</p>
          <Button onClick={close}>Back to the list</Button>
        </EmptyNote>
      ) : (
        <>
          <WaitingPlugin plugin={plugin} about={props.about} />
          {proposals.length === 0 ? (
            <p className="quiet">No drawer suggests itself. Press F to choose one or to make a new one.</p>
          ) : (
            <ProposedDrawers
              state={state}
              proposals={proposals}
              marked={marked}
              ticked={ticked}
              file={(id) => file([id])}
            />
          )}
          <ToFileKeys hasProposals={proposals.length > 0} />
        </>
      )}
    </section>
  );
}

/** Lights the proposed drawers up while they are proposed. */
function useLit(proposals: readonly Proposal[], light: (drawers: readonly string[]) => void): void {
  const lit = proposals.map((one) => one.drawerId).join('\n');
  const latestLight = useRef(light);
  useEffect(() => {
    latestLight.current = light;
  });
  useEffect(() => {
    latestLight.current(lit === '' ? [] : lit.split('\n'));
    return () => latestLight.current([]);
  }, [lit]);
}

const isWaiting = (plugin: ChosenItem, isFiled: (id: ItemId) => boolean): boolean =>
  plugin.aside === null && !isFiled(plugin.id);
