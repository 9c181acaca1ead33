import clsx from 'clsx';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useRef } from 'react';
import { FAVOURITES, trayEntryId, type TrayEntry } from '@clever-drawer/core/chests/rows/tray-entry';
import type { ChosenItem } from '../catalogue/queries';
import { itemNamesOf } from '../catalogue/item-names';
import { kindInWords, TypeGlyph } from '../catalogue/type-glyph';
import styles from './load.module.css';

interface Props {
  readonly id: string;
  readonly parts: readonly ListPart[];
  /** What to say when there is nothing. */
  readonly nothing: string;
  /** Whether the answer to what is typed is still on its way. */
  readonly isBusy: boolean;
  readonly at: number;
  readonly favourites: ReadonlyMap<string, TrayEntry>;
  readonly take: (plugin: ChosenItem) => void;
}

/** A stretch of the list under its own heading. */
export interface ListPart {
  readonly heading: string;
  readonly plugins: readonly ChosenItem[];
}

type Line = { readonly heading: string } | { readonly plugin: ChosenItem; readonly index: number };

const HEADING = 26;
const LINE = 44;

/** What the slot is offered, the marked plugin lit; with an open drawer its own part first. */
export function ChooserList({ id, parts, nothing, isBusy, at, favourites, take }: Props) {
  const lines: Line[] = [];
  let index = 0;
  for (const { heading, plugins } of parts) {
    if (plugins.length > 0) lines.push({ heading });
    for (const plugin of plugins) lines.push({ plugin, index: index++ });
  }

  const scroller = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    count: lines.length,
    getScrollElement: () => scroller.current,
    estimateSize: (line) => ('heading' in (lines[line] ?? { heading: '' }) ? HEADING : LINE),
    getItemKey: (line) => {
      const one = lines[line];
      return one === undefined || 'heading' in one ? `heading ${one?.heading ?? ''}` : one.plugin.id;
    },
    overscan: 8,
  });
  const markedLine = lines.findIndex((line) => 'plugin' in line && line.index === at);
  useEffect(() => {
    if (markedLine >= 0) virtual.scrollToIndex(markedLine === 1 ? 0 : markedLine);
  }, [markedLine, virtual]);
  const shown = virtual.getVirtualItems();
  if (lines.length === 0)
    return (
      <div className={styles.chooserList}>
        <p className={clsx('quiet', styles.nothing)}>{nothing}</p>
        <div id={`${id}-list`} role="listbox" aria-label="Plugins that fit" aria-busy={isBusy} />
      </div>
    );
  return (
    // What scrolls is the listbox itself: the field that it belongs to moves through it.
    <div
      className={styles.chooserList}
      ref={scroller}
      id={`${id}-list`}
      role="listbox"
      aria-label="Plugins that fit"
      aria-busy={isBusy}
    >
      <div role="presentation" style={{ height: virtual.getTotalSize(), position: 'relative' }}>
        {shown.map(({ index: line, start, size }) => {
          const one = lines[line];
          if (one === undefined) return null;
          const style = { transform: `translateY(${String(start)}px)`, height: size };
          if ('heading' in one) {
            return (
              <div
                key={`heading ${one.heading}`}
                className={clsx(styles.chooserHeading, 'quiet')}
                style={style}
                role="presentation"
              >
                {one.heading}
              </div>
            );
          }
          const { plugin } = one;
          return (
            <div
              key={plugin.id}
              id={`${id}-option-${String(one.index)}`}
              role="option"
              aria-selected={one.index === at}
              className={clsx(styles.chooserLine, one.index === at && 'at')}
              style={style}
              onClick={() => take(plugin)}
            >
              <TypeGlyph types={plugin.types} role={plugin.role} />
              <span className={styles.chooserNames}>
                <span className="one-line">
                  <bdi>{plugin.preset === null ? plugin.name : itemNamesOf(plugin).first}</bdi>
                </span>
                <span className="one-line quiet">
                  {plugin.preset !== null && (
                    <>
                      <bdi>{plugin.preset.plugin}</bdi> ·{' '}
                    </>
                  )}
                  {plugin.vendor ?? 'vendor not known'} · {kindInWords(plugin.types, plugin.role)}
                </span>
              </span>
              {favourites.has(trayEntryId(FAVOURITES, plugin.id)) && (
                <span className="mono quiet" aria-label="on Favourites">
                  1
                </span>
              )}
            </div>
          );
        })}
      </div>
    </div>
  );
}
