import clsx from 'clsx';
import { useRef, type KeyboardEvent } from 'react';
import type { Chest } from '@clever-drawer/core/chests/rows/chest';
import type { OfferedDrawer } from './use-offer';
import { stepInGrid } from '../parts/list-keys';
import { PlainButton } from '../parts/plain-button';
import styles from '../parts/front.module.css';

interface Props {
  readonly chests: readonly Chest[];
  readonly chest: string | null;
  readonly setChest: (id: string) => void;
  readonly drawers: readonly OfferedDrawer[];
  readonly open: string | null;
  readonly toggle: (id: string) => void;
  /** Ids of what was typed for; null while nothing is typed. */
  readonly matching: ReadonlySet<string> | null;
}

/** The drawers as fronts: those that hold something that fits, and while typing those with a match lit. */
export function ChooserDrawers({ chests, chest, setChest, drawers, open, toggle, matching }: Props) {
  const grid = useRef<HTMLDivElement>(null);
  const shown = drawers.filter((drawer) => drawer.plugins.length > 0 || drawer.id === open);
  const onKeyDown = (event: KeyboardEvent): void => {
    const fronts = [...(grid.current?.querySelectorAll<HTMLElement>('button') ?? [])];
    const at = fronts.indexOf(document.activeElement as HTMLElement);
    const [first] = fronts;
    if (at < 0 || first === undefined) return;
    const perLine = Math.max(1, fronts.filter((one) => one.offsetTop === first.offsetTop).length);
    const step = stepInGrid(event.key, perLine);
    if (step === null) return;
    event.preventDefault();
    fronts[Math.max(0, Math.min(at + step, fronts.length - 1))]?.focus();
  };
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
      {chests.length === 0 && <p className="quiet">No chest yet. Make one in Sort, and its drawers stand here.</p>}
      <div className={styles.fronts} ref={grid} onKeyDown={onKeyDown} role="group" aria-label="Drawers">
        {shown.map((drawer) => {
          const count =
            matching === null
              ? drawer.plugins.length
              : drawer.plugins.filter((plugin) => matching.has(plugin.id)).length;
          const lit = matching !== null && count > 0;
          return (
            <button
              key={drawer.id}
              type="button"
              className={clsx(styles.front, styles.small, lit && styles.lit, drawer.id === open && styles.chosen)}
              aria-pressed={drawer.id === open}
              aria-label={`${drawer.name}, ${String(count)} that fit`}
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
        })}
      </div>
    </div>
  );
}
