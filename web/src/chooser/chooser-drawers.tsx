import { useVirtualizer } from '@tanstack/react-virtual';
import clsx from 'clsx';
import { memo, useMemo, useRef, type KeyboardEvent, type RefObject } from 'react';
import { useEventCallback, useResizeObserver } from 'usehooks-ts';
import type { ItemId } from '@clever-drawer/core/ids';
import { takeKey } from '../keys/use-keys';
import { focusWhenThere } from '../lib/focus';
import { frontHandlers, type FrontWay } from '../parts/front-walk';
import { CutName } from '../parts/cut-name';
import { PlainButton } from '../parts/plain-button';
import type { Chooser } from './chooser';
import type { OfferedDrawer } from './offered-drawers';
import fronts from '../parts/front.module.css';
import styles from './chooser.module.css';

interface Props {
  readonly chooser: Chooser;
  /** Whether something is what was typed for; null while nothing is typed. */
  readonly isFound: ((id: ItemId) => boolean) | null;
  /** Whether there is room for what stands in them. */
  readonly isNarrow: boolean;
}

/** More fronts than this are drawn as far as they are in sight. */
const MOST_AT_ONCE = 90;
/** So many fronts have room for their first entries. */
const MOST_WITH_ENTRIES = 24;
const ENTRIES = 3;

/** Trays and drawers as fronts: those that hold something that fits, and while typing those that hold something found, with what was found. */
export function ChooserDrawers({ chooser, isFound, isNarrow }: Props) {
  const { chests, chest, setChest, offer, open, openDrawer } = chooser;
  const shown = useMemo(
    () =>
      offer.drawers.filter(
        (drawer) =>
          drawer.id === open ||
          offer.named.includes(drawer) ||
          (isFound === null ? drawer.plugins.length > 0 : drawer.plugins.some((plugin) => isFound(plugin.id))),
      ),
    [offer.drawers, offer.named, open, isFound],
  );
  const toggle = useEventCallback((id: string) => openDrawer(id === open ? null : id));
  const front = (drawer: OfferedDrawer, index: number, entries: number) => (
    <ChooserFront
      key={drawer.id}
      drawer={drawer}
      index={index}
      entries={entries}
      isOpen={drawer.id === open}
      toggle={toggle}
      // One that is called what was typed shows all that fits, where nothing in it has the name.
      isFound={
        offer.named.includes(drawer) && isFound !== null && !drawer.plugins.some((one) => isFound(one.id))
          ? null
          : isFound
      }
    />
  );
  const onKeyDown = (event: KeyboardEvent): void => walk(event, chooser);
  return (
    <div className={styles.drawers} ref={chooser.fronts}>
      <div className={styles.trays} role="group" aria-label="Trays" onKeyDown={onKeyDown}>
        {offer.trays.map((tray, index) => front(tray, index, 0))}
      </div>
      <div className={fronts.chestTabs} role="group" aria-label="Chest">
        {chests.map((one) => (
          <PlainButton
            key={one.id}
            className={fronts.chestName}
            aria-pressed={one.id === chest}
            onClick={() => setChest(one.id)}
          >
            {one.name}
          </PlainButton>
        ))}
      </div>
      {chests.length === 0 && <p className="quiet">No chest yet. Create one in Sort, and its drawers appear here.</p>}
      {shown.length <= MOST_AT_ONCE ? (
        <div className={clsx(fronts.fronts, styles.fronts)} onKeyDown={onKeyDown} role="group" aria-label="Drawers">
          {shown.map((drawer, index) =>
            front(drawer, index, !isNarrow && shown.length <= MOST_WITH_ENTRIES ? ENTRIES : 0),
          )}
        </div>
      ) : (
        <ManyFronts shown={shown} front={(drawer, index) => front(drawer, index, 0)} chooser={chooser} />
      )}
    </div>
  );
}

/** Arrows go from front to front, digits open trays. */
function walk(event: KeyboardEvent, chooser: Chooser): void {
  const all = (): HTMLElement[] => [
    ...(chooser.fronts.current?.querySelectorAll<HTMLElement>('button[data-chooser-front]') ?? []),
  ];
  const handlers = frontHandlers(all);
  const tray = (): boolean => chooser.onFrontKey(event);
  takeKey('chooserFronts', event, { ...handlers, tray, back: null });
}

interface FrontProps {
  readonly drawer: OfferedDrawer;
  readonly index: number;
  readonly entries: number;
  readonly isOpen: boolean;
  readonly toggle: (id: string) => void;
  readonly isFound: ((id: ItemId) => boolean) | null;
}

const ChooserFront = memo(function ChooserFront({ drawer, index, entries, isOpen, toggle, isFound }: FrontProps) {
  const { plugins, unfit, name, tray } = drawer;
  const count = isFound === null ? plugins.length : plugins.filter((plugin) => isFound(plugin.id)).length;
  const lit = isFound !== null && count > 0;
  const lines = drawer.lines.filter((line) => 'plugin' in line);
  const first = (isFound === null ? lines : lines.filter(({ plugin }) => isFound(plugin.id))).slice(0, entries);
  const more = count - first.length;
  return (
    <button
      type="button"
      className={clsx(fronts.front, fronts.small, styles.front, lit && fronts.lit, isOpen && fronts.chosen)}
      aria-pressed={isOpen}
      aria-label={`${name}, ${String(count)} ${isFound === null ? 'that fit' : 'found'}${tray === null ? '' : `, tray ${String(tray)}`}`}
      data-chooser-front={index}
      title={name}
      onClick={() => toggle(drawer.id)}
    >
      <span className={fronts.card}>
        <span className="one-line">
          {tray !== null && <span className="mono quiet">{tray} </span>}
          <CutName name={name} />
        </span>
        <span className="mono">{count}</span>
      </span>
      {first.length > 0 && (
        <span className={styles.entries} aria-hidden>
          {first.map(({ plugin, name: own }) => (
            <span key={plugin.id} className="one-line">
              <bdi>{own}</bdi>
            </span>
          ))}
          <span className="quiet">
            {isFound === null && unfit.length > 0
              ? `${String(plugins.length)} of ${String(plugins.length + unfit.length)} fit`
              : more > 0
                ? `${String(more)} more`
                : ''}
          </span>
        </span>
      )}
      {first.length === 0 && tray === null && <span className={fronts.pull} aria-hidden />}
    </button>
  );
});

const FRONT_PX = 150;
const GAP_PX = 8;
const ROW_PX = 68;

/** Hundreds and thousands of fronts, in lines of as many as there is room for; only those in sight are drawn. */
function ManyFronts({
  shown,
  front,
  chooser,
}: {
  shown: readonly OfferedDrawer[];
  front: (drawer: OfferedDrawer, index: number) => React.ReactNode;
  chooser: Chooser;
}) {
  const scroller = useRef<HTMLDivElement>(null);
  const { width = 0 } = useResizeObserver({ ref: scroller as RefObject<HTMLDivElement> });
  const perLine = Math.max(1, Math.floor((width + GAP_PX) / (FRONT_PX + GAP_PX)));
  const virtual = useVirtualizer({
    count: Math.ceil(shown.length / perLine),
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW_PX + GAP_PX,
    overscan: 3,
  });
  const go = (by: number) => (): boolean => {
    const here = (document.activeElement as HTMLElement | null)?.dataset.chooserFront;
    const to = Number(here ?? NaN) + by;
    if (!(to >= 0 && to < shown.length)) return false;
    virtual.scrollToIndex(Math.floor(to / perLine));
    focusWhenThere(`[data-many-fronts] [data-chooser-front="${String(to)}"]`);
    return true;
  };
  const ways: Record<FrontWay, () => boolean> = { left: go(-1), right: go(1), up: go(-perLine), down: go(perLine) };
  return (
    <div
      ref={scroller}
      className={fronts.manyFronts}
      onKeyDown={(event) =>
        takeKey('chooserFronts', event, { ...ways, tray: () => chooser.onFrontKey(event), back: null })
      }
      role="group"
      aria-label="Drawers"
      data-many-fronts
    >
      <div style={{ height: virtual.getTotalSize(), position: 'relative' }}>
        {virtual.getVirtualItems().map(({ index: line, start }) => (
          <div
            key={line}
            className={fronts.lineOfFronts}
            style={{ top: start, height: ROW_PX, gridTemplateColumns: `repeat(${String(perLine)}, minmax(0, 1fr))` }}
          >
            {shown.slice(line * perLine, (line + 1) * perLine).map((drawer, at) => front(drawer, line * perLine + at))}
          </div>
        ))}
      </div>
    </div>
  );
}
