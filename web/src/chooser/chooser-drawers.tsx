import { useVirtualizer } from '@tanstack/react-virtual';
import clsx from 'clsx';
import { Fragment, memo, useMemo, useRef, type KeyboardEvent, type RefObject } from 'react';
import { useEventCallback, useResizeObserver } from 'usehooks-ts';
import type { ItemId } from '@clever-drawer/core/ids';
import { takeKey } from '../keys/use-keys';
import { focusWhenThere } from '../lib/focus';
import { frontHandlers, type FrontWay } from '../parts/front-walk';
import { onlyShown } from '@clever-drawer/core/chests/level';
import { CutName } from '../parts/cut-name';
import { ChestDivider, LevelDivider } from '../parts/level-divider';
import { SignGlyph } from '../parts/sign';
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
const MAX_AT_ONCE = 90;
/** So many fronts have room for their first entries. */
const MAX_WITH_ENTRIES = 24;
const ENTRIES = 3;

/** Trays and drawers as fronts: those that hold something that fits, and while typing those that hold something found, with what was found. */
export function ChooserDrawers({ chooser, isFound, isNarrow }: Props) {
  const { chests, chest, setChest, offer, open, openDrawer, withEmpty } = chooser;
  const shown = useMemo(
    () =>
      onlyShown(
        offer.drawers,
        (drawer) =>
          // Loose entries stand in the list themselves.
          !drawer.loose &&
          (drawer.id === open ||
            offer.named.includes(drawer) ||
            (isFound === null
              ? withEmpty || drawer.plugins.length > 0
              : drawer.plugins.some((plugin) => isFound(plugin.id)))),
      ),
    [offer.drawers, offer.named, open, isFound, withEmpty],
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
          <Fragment key={one.id}>
            {one.dividerBefore != null && <ChestDivider label={one.dividerBefore} />}
            <PlainButton
              className={clsx(fronts.chestName, chooser.named.has(one.id) && fronts.lit)}
              aria-pressed={one.id === chest}
              data-named-chest={chooser.named.has(one.id) ? '' : undefined}
              onClick={() => {
                // It was called by its name: what was typed has done its work.
                if (chooser.named.has(one.id)) chooser.type('');
                setChest(one.id);
              }}
            >
              {one.name}
            </PlainButton>
          </Fragment>
        ))}
        <span className="grow" />
        <PlainButton aria-pressed={withEmpty} onClick={() => chooser.setWithEmpty(!withEmpty)}>
          {withEmpty ? 'Hide empty ones' : 'Show empty ones'}
        </PlainButton>
      </div>
      {chests.length === 0 && <p className="quiet">No chest yet. Create one in Sort, and its drawers appear here.</p>}
      {shown.length <= MAX_AT_ONCE ? (
        <div className={clsx(fronts.fronts, styles.fronts)} onKeyDown={onKeyDown} role="group" aria-label="Drawers">
          {shown.map((drawer, index) => (
            <Fragment key={drawer.id}>
              {drawer.divider !== null && <LevelDivider label={drawer.divider} />}
              {front(drawer, index, !isNarrow && shown.length <= MAX_WITH_ENTRIES ? ENTRIES : 0)}
            </Fragment>
          ))}
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
  const { plugins, unfit, name, tray, sign } = drawer;
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
      aria-label={`${name}, ${String(count)} ${isFound === null ? 'that fit' : 'found'}${tray === null ? '' : `, tray ${String(tray)}`}${sign === null ? '' : `, sign ${sign}`}`}
      data-chooser-front={index}
      title={name}
      onClick={() => toggle(drawer.id)}
    >
      <span className={fronts.card}>
        <span className="one-line">
          {tray !== null && <span className="mono quiet">{tray} </span>}
          {sign !== null && (
            <>
              <SignGlyph sign={sign} isSpoken={false} />{' '}
            </>
          )}
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
const DIVIDER_PX = 28;

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
  const lines = useMemo(() => frontLines(shown, perLine), [shown, perLine]);
  const virtual = useVirtualizer({
    count: lines.length,
    getScrollElement: () => scroller.current,
    estimateSize: (line) => ROW_PX + GAP_PX + (lines[line]?.divider == null ? 0 : DIVIDER_PX),
    getItemKey: (line) => `${String(lines[line]?.from ?? line)} ${lines[line]?.divider ?? ''}`,
    overscan: 3,
  });
  const go = (way: FrontWay) => (): boolean => {
    const here = Number((document.activeElement as HTMLElement | null)?.dataset.chooserFront ?? NaN);
    const line = lines.findIndex(({ from, fronts: own }) => here >= from && here < from + own.length);
    const beside = lines[line + (way === 'down' ? 1 : way === 'up' ? -1 : 0)];
    const column = here - (lines[line]?.from ?? 0);
    const to =
      way === 'left'
        ? here - 1
        : way === 'right'
          ? here + 1
          : beside === undefined
            ? NaN
            : beside.from + Math.min(column, beside.fronts.length - 1);
    if (!(to >= 0 && to < shown.length)) return false;
    virtual.scrollToIndex(lines.findIndex(({ from, fronts: own }) => to >= from && to < from + own.length));
    focusWhenThere(`[data-many-fronts] [data-chooser-front="${String(to)}"]`);
    return true;
  };
  const ways: Record<FrontWay, () => boolean> = {
    left: go('left'),
    right: go('right'),
    up: go('up'),
    down: go('down'),
  };
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
        {virtual.getVirtualItems().map(({ index: line, start, size }) => {
          const { from = 0, divider = null, fronts: own = [] } = lines[line] ?? {};
          return (
            <div key={line} className={fronts.lineOfFronts} style={{ top: start, height: size - GAP_PX }}>
              {divider !== null && <LevelDivider label={divider} />}
              <div
                className={fronts.frontsOfLine}
                style={{ height: ROW_PX, gridTemplateColumns: `repeat(${String(perLine)}, minmax(0, 1fr))` }}
              >
                {own.map((drawer, at) => front(drawer, from + at))}
              </div>
            </div>
          );
        })}
      </div>
    </div>
  );
}

/** A line of fronts, from one place of the list on; a divider begins a line of its own. */
interface FrontLine {
  readonly from: number;
  readonly divider: string | null;
  readonly fronts: OfferedDrawer[];
}

function frontLines(shown: readonly OfferedDrawer[], perLine: number): readonly FrontLine[] {
  const lines: FrontLine[] = [];
  for (const [at, drawer] of shown.entries()) {
    const last = lines.at(-1);
    if (last === undefined || drawer.divider !== null || last.fronts.length === perLine)
      lines.push({ from: at, divider: drawer.divider, fronts: [drawer] });
    else last.fronts.push(drawer);
  }
  return lines;
}
