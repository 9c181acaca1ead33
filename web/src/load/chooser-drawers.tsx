import { useVirtualizer } from '@tanstack/react-virtual';
import clsx from 'clsx';
import { useMemo, useRef, type RefObject } from 'react';
import { useResizeObserver } from 'usehooks-ts';
import type { Chest } from '@clever-drawer/core/chests/rows/chest';
import { takeKey, type KeyHandlers } from '../keys/use-keys';
import { focusWhenThere } from '../lib/focus';
import { frontHandlers } from '../parts/front-walk';
import { PlainButton } from '../parts/plain-button';
import type { OfferedDrawer } from './use-offer';
import styles from '../parts/front.module.css';

interface Props {
  readonly fronts: RefObject<HTMLDivElement | null>;
  readonly chests: readonly Chest[];
  readonly chest: string | null;
  readonly setChest: (id: string) => void;
  readonly drawers: readonly OfferedDrawer[];
  readonly open: string | null;
  readonly toggle: (id: string) => void;
  /** Ids of what was typed for; null while nothing is typed. */
  readonly matching: ReadonlySet<string> | null;
}

/** More fronts than this are drawn as far as they are in sight. */
const MOST_AT_ONCE = 90;

/** The drawers as fronts: those that hold something that fits, and while typing those with a match lit. */
export function ChooserDrawers({ fronts, chests, chest, setChest, drawers, open, toggle, matching }: Props) {
  const shown = useMemo(
    () => drawers.filter((drawer) => drawer.plugins.length > 0 || drawer.id === open),
    [drawers, open],
  );
  const front = (drawer: OfferedDrawer, index: number) => (
    <ChooserFront
      key={drawer.id}
      drawer={drawer}
      index={index}
      isOpen={drawer.id === open}
      toggle={toggle}
      matching={matching}
    />
  );
  return (
    <div className={styles.chooserDrawers}>
      <div className={styles.chestTabs} role="group" aria-label="Chest">
        {chests.map((one) => (
          <PlainButton
            key={one.id}
            className={styles.chestName}
            aria-pressed={one.id === chest}
            onClick={() => setChest(one.id)}
          >
            {one.name}
          </PlainButton>
        ))}
      </div>
      {chests.length === 0 && <p className="quiet">No chest yet. Create one in Sort, and its drawers appear here.</p>}
      {shown.length <= MOST_AT_ONCE ? (
        <div
          className={styles.fronts}
          ref={fronts}
          onKeyDown={(event) => takeKey('fronts', event, arrowsIn(fronts))}
          role="group"
          aria-label="Drawers"
        >
          {shown.map(front)}
        </div>
      ) : (
        <ManyFronts fronts={fronts} shown={shown} front={front} />
      )}
    </div>
  );
}

const arrowsIn = (fronts: RefObject<HTMLDivElement | null>): KeyHandlers<'fronts'> =>
  frontHandlers(() => [...(fronts.current?.querySelectorAll<HTMLElement>('button') ?? [])]);

function ChooserFront({
  drawer,
  index,
  isOpen,
  toggle,
  matching,
}: Pick<Props, 'toggle' | 'matching'> & { drawer: OfferedDrawer; index: number; isOpen: boolean }) {
  const count =
    matching === null ? drawer.plugins.length : drawer.plugins.filter((plugin) => matching.has(plugin.id)).length;
  const lit = matching !== null && count > 0;
  return (
    <button
      type="button"
      className={clsx(styles.front, styles.small, lit && styles.lit, isOpen && styles.chosen)}
      aria-pressed={isOpen}
      aria-label={`${drawer.name}, ${String(count)} that fit`}
      data-front-index={index}
      onClick={() => toggle(drawer.id)}
    >
      <span className={styles.card}>
        <span className="one-line" title={drawer.name}>
          <bdi>{drawer.name}</bdi>
        </span>
        <span className="mono">{count}</span>
      </span>
      <span className={styles.pull} aria-hidden />
    </button>
  );
}

const FRONT_PX = 150;
const GAP_PX = 8;
const ROW_PX = 68;

/** Hundreds and thousands of fronts, in lines of as many as there is room for; only those in sight are drawn. */
function ManyFronts({
  fronts,
  shown,
  front,
}: {
  fronts: RefObject<HTMLDivElement | null>;
  shown: readonly OfferedDrawer[];
  front: (drawer: OfferedDrawer, index: number) => React.ReactNode;
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
    const here = (document.activeElement as HTMLElement | null)?.dataset.frontIndex;
    const to = Number(here ?? NaN) + by;
    if (!(to >= 0 && to < shown.length)) return false;
    virtual.scrollToIndex(Math.floor(to / perLine));
    focusWhenThere(`[data-front-index="${String(to)}"]`);
    return true;
  };
  return (
    <div
      ref={scroller}
      className={styles.manyFronts}
      onKeyDown={(event) =>
        takeKey('fronts', event, { left: go(-1), right: go(1), up: go(-perLine), down: go(perLine) })
      }
      role="group"
      aria-label="Drawers"
    >
      <div ref={fronts} style={{ height: virtual.getTotalSize(), position: 'relative' }}>
        {virtual.getVirtualItems().map(({ index: line, start }) => (
          <div
            key={line}
            className={styles.lineOfFronts}
            style={{ top: start, height: ROW_PX, gridTemplateColumns: `repeat(${String(perLine)}, minmax(0, 1fr))` }}
          >
            {shown.slice(line * perLine, (line + 1) * perLine).map((drawer, at) => front(drawer, line * perLine + at))}
          </div>
        ))}
      </div>
    </div>
  );
}
