import clsx from 'clsx';
import { useEffect, useLayoutEffect, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import Button from 'react-bootstrap/Button';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import type { Chest } from '@clever-drawer/core/chests/rows/chest';
import type { Drawer } from '@clever-drawer/core/chests/rows/drawer';
import { DrawerProposer, type Proposal } from '@clever-drawer/core/chests/propose-drawers';
import { pluginOfItem } from '@clever-drawer/core/chests/item';
import { planDrawers } from '@clever-drawer/core/chests/work-out-chest';
import type { ItemId } from '@clever-drawer/core/ids';
import { EmptyNote } from '../../parts/empty-note';
import { TypeGlyph } from '../../catalogue/type-glyph';
import type { ChosenCatalogue, ChosenItem } from '../../catalogue/chosen-catalogue';
import type { Changes } from '../../arrangement/changes';
import { KeyHint } from '../../keys/key-hint';
import { takeKey } from '../../keys/use-keys';
import { stepHandlers, ticked as withTick } from '../../parts/list-keys';
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
  /** How many new ones rules have filed already. */
  readonly byRules: number;
  readonly isFiled: (id: ItemId) => boolean;
  readonly light: (drawers: readonly string[]) => void;
  /** Asks for another drawer for the plugin that is shown. */
  readonly other: () => void;
  /** Told which plugin is shown. */
  readonly shown: (id: ItemId | null) => void;
  readonly fileIntoNew: (ids: readonly ItemId[], name: string) => void;
  /** The keyboard is here: keys act on the plugin that is shown, not on what is selected in a drawer. */
  readonly here: () => void;
  readonly about: (id: ItemId) => void;
  readonly close: () => void;
}

/** What is to be filed, one plugin after the other, with the drawers that are proposed for it; Enter takes the marked one and goes on. */
export function ToFilePanel(props: Props) {
  const { catalogue, state, chest, changes, queue, fresh, isFiled, light, shown, close } = props;
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
  const shownId = plugin?.id ?? null;
  useTellShown(shownId, shown);

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
  const newName = plugin === undefined || proposals.length > 0 ? null : nameForNew(plugin);
  const onKeyDown = (event: KeyboardEvent): void => {
    // The panel's buttons have their own Space and Enter.
    if (event.target !== event.currentTarget) return;
    const current = proposals[marked];
    const steps = stepHandlers(marked, { count: proposals.length }, (to) => setMarked(Math.max(to, 0)));
    takeKey('waiting', event, {
      take:
        plugin === undefined
          ? close
          : proposals.length > 0
            ? accept
            : newName === null
              ? props.other
              : () => props.fileIntoNew([plugin.id], newName),
      down: steps.down,
      up: steps.up,
      first: steps.first,
      last: steps.last,
      tick: current === undefined ? null : () => setTicked(withTick(ticked, current.drawerId)),
      later: () => go(index + 1),
      earlier: () => go(index - 1),
    });
  };
  return (
    <section
      ref={box}
      className={clsx(styles.toFile, 'panel')}
      tabIndex={-1}
      aria-label="To file"
      onKeyDown={onKeyDown}
      onFocus={props.here}
      data-to-file
    >
      <header>
        <h2>To file</h2>
        <span className="quiet" role="status">
          {open.length} left{fresh > 0 && `, ${String(fresh)} of them new`}
          {props.byRules > 0 && `; ${String(props.byRules)} new filed by rules`}
        </span>
        <span className="grow" />
        {fresh > 0 && (
          <PlainButton
            onClick={() => {
              void changes.make({ kind: 'look', at: new Date().toISOString() });
              box.current?.focus();
            }}
          >
            Mark all as seen
          </PlainButton>
        )}
        <PlainButton onClick={close}>
          Back to the list <KeyHint place="sort" does="back" />
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
            <p>
              No drawer fits it yet.{' '}
              {newName !== null && (
                <Button size="sm" variant="outline-primary" onClick={() => props.fileIntoNew([plugin.id], newName)}>
                  New drawer {newName}
                </Button>
              )}
            </p>
          ) : (
            <ProposedDrawers
              state={state}
              proposals={proposals}
              marked={marked}
              ticked={ticked}
              file={(id) => file([id])}
            />
          )}
          <NextPlugins plugins={open.slice(index + 1).filter((one) => one !== undefined)} />
          <ToFileKeys
            take={proposals.length > 0 ? 'file there' : newName === null ? 'choose a drawer' : `new drawer ${newName}`}
          />
        </>
      )}
    </section>
  );
}

const MAX_NEXT = 8;

/** What comes after the plugin that is shown. */
function NextPlugins({ plugins }: { plugins: readonly ChosenItem[] }) {
  if (plugins.length === 0) return null;
  const more = plugins.length - MAX_NEXT;
  return (
    <section className={styles.next} aria-label="Next">
      <h3>Next</h3>
      <ol>
        {plugins.slice(0, MAX_NEXT).map((plugin) => (
          <li key={plugin.id} className="one-line">
            <TypeGlyph types={plugin.types} role={plugin.role} /> <bdi>{plugin.name}</bdi>{' '}
            <span className="quiet">
              <bdi>{plugin.vendor ?? 'vendor unknown'}</bdi>
            </span>
          </li>
        ))}
      </ol>
      {more > 0 && <p className="quiet">and {more} more</p>}
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

/** The desk's keys act on what is shown here. */
function useTellShown(id: ItemId | null, tell: (id: ItemId | null) => void): void {
  const latest = useRef(tell);
  useLayoutEffect(() => {
    latest.current = tell;
  });
  useLayoutEffect(() => latest.current(id), [id]);
}

/** What a drawer for it would be called in a chest that is worked out by type; null where the type is not known. */
function nameForNew(plugin: ChosenItem): string | null {
  if (plugin.types.length === 0) return null;
  const sorted = { ...plugin, id: pluginOfItem(plugin.id), formats: [] };
  return planDrawers([sorted], { by: 'type', most: null, inner: 'letters' })[0]?.name ?? null;
}
