import clsx from 'clsx';
import { useVirtualizer } from '@tanstack/react-virtual';
import { memo, useEffect, useMemo, useRef } from 'react';
import { FAVOURITES, trayEntryId } from '@clever-drawer/core/chests/rows/tray-entry';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import type { ItemId } from '@clever-drawer/core/ids';
import { itemNamesOf } from '../catalogue/item-names';
import { kindInWords, TypeGlyph } from '../catalogue/type-glyph';
import { CutName } from '../parts/cut-name';
import type { Chooser } from './chooser';
import type { Option, OptionGroup } from './options';
import { whyOutside, type ChosenFor } from './use-offer';
import styles from './chooser.module.css';

interface Props {
  readonly id: string;
  readonly chooser: Chooser;
  readonly place: ChosenFor;
  readonly state: Arrangement;
  /** What to say when there is nothing. */
  readonly nothing: string;
}

type Line = { readonly heading: string; readonly key: string } | { readonly option: Option; readonly index: number };

function linesOf(groups: readonly OptionGroup[]): Line[] {
  const lines: Line[] = [];
  let index = 0;
  for (const { heading, options } of groups) {
    lines.push({ heading, key: `heading ${String(index)} ${heading}` });
    for (const option of options) lines.push({ option, index: index++ });
  }
  return lines;
}

const HEADING = 26;
const LINE = 44;

/** The id of an option on the page, by its place among all. */
export const optionId = (id: string, index: number): string => `${id}-option-${String(index)}`;

/** What the slot is offered, heading by heading, the marked one lit. */
export function ChooserList({ id, chooser, place, state, nothing }: Props) {
  const { groups, at, click, ticked } = chooser;
  const lines = useMemo(() => linesOf(groups), [groups]);
  const tickedAs = (item: ItemId): string | null => {
    const tick = ticked.indexOf(item);
    return tick < 0 ? null : `${String(tick + 1)} of ${String(ticked.length)}`;
  };
  const scroller = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    count: lines.length,
    getScrollElement: () => scroller.current,
    estimateSize: (line) => ('heading' in (lines[line] ?? { heading: '' }) ? HEADING : LINE),
    getItemKey: (line) => {
      const one = lines[line];
      return one === undefined ? line : 'heading' in one ? one.key : one.option.key;
    },
    overscan: 8,
  });
  const markedLine = lines.findIndex((line) => 'option' in line && line.index === at);
  useEffect(() => {
    if (markedLine >= 0) virtual.scrollToIndex(markedLine <= 3 ? 0 : markedLine);
  }, [markedLine, virtual]);
  return (
    // What scrolls is the listbox itself: the field that it belongs to moves through it.
    <div
      className={styles.list}
      ref={scroller}
      id={`${id}-list`}
      role="listbox"
      aria-label="Plugins that fit"
      aria-busy={!chooser.isSettled}
      aria-multiselectable
    >
      {lines.length === 0 ? (
        <p className={clsx('quiet', styles.nothing)} role="presentation">
          {nothing}
        </p>
      ) : (
        <div role="presentation" style={{ height: virtual.getTotalSize(), position: 'relative' }}>
          {virtual.getVirtualItems().map(({ index: line, start, size }) => {
            const one = lines[line];
            if (one === undefined) return null;
            return 'heading' in one ? (
              <div
                key={one.key}
                className={clsx(styles.heading, 'quiet')}
                style={placed(start, size)}
                role="presentation"
              >
                <span className="one-line">{one.heading}</span>
              </div>
            ) : (
              <OptionLine
                key={one.option.key}
                id={optionId(id, one.index)}
                option={one.option}
                isAt={one.index === at}
                ticked={tickedAs(one.option.item.id)}
                times={one.option.part === 'usual' ? timesOf(chooser, one.option.item.id) : 0}
                click={click}
                slot={place.slot}
                state={state}
                start={start}
                size={size}
              />
            );
          })}
        </div>
      )}
    </div>
  );
}

const placed = (start: number, size: number) => ({ transform: `translateY(${String(start)}px)`, height: size });

interface LineProps {
  readonly id: string;
  readonly option: Option;
  readonly isAt: boolean;
  /** As which one of several it is ticked, in words; null when it is not. */
  readonly ticked: string | null;
  /** How often it was loaded, where that is told. */
  readonly times: number;
  readonly click: Chooser['click'];
  readonly slot: ChosenFor['slot'];
  readonly state: Arrangement;
  readonly start: number;
  readonly size: number;
}

/** Drawn anew only when something of its own is another one: a letter and an arrow leave most lines as they are. */
const OptionLine = memo(function OptionLine(props: LineProps) {
  const { id, option, isAt, ticked, times, click, slot, state, start, size } = props;
  const { item, name, digit, part } = option;
  const why = part === 'outside' ? whyOutside(item, slot) : null;
  const shown = itemNamesOf(item, name);
  return (
    <div
      id={id}
      role="option"
      aria-selected={isAt || ticked !== null}
      className={clsx(styles.line, isAt && 'at', ticked !== null && styles.ticked, why !== null && styles.outside)}
      style={placed(start, size)}
      data-item={item.id}
      onClick={(event) => click(option, event)}
    >
      <span
        className={clsx('mono quiet', styles.digit)}
        aria-label={digit === null ? undefined : `press ${String(digit)}`}
      >
        {ticked !== null ? '✓' : digit}
      </span>
      <TypeGlyph types={item.types} role={item.role} likely={item.typeGrade === 'likely'} />
      <span className={styles.names}>
        <span className="one-line">
          <CutName name={item.preset === null ? name : shown.first} />
        </span>
        <span className="one-line quiet">
          {item.preset !== null && (
            <>
              <bdi>{item.preset.plugin}</bdi> ·{' '}
            </>
          )}
          {item.preset === null && name !== item.givenName && (
            <>
              <bdi>{item.givenName}</bdi> ·{' '}
            </>
          )}
          {item.chain !== undefined ? (
            `chain of ${String(item.chain.length)} · ${kindInWords(item.types, item.role)}`
          ) : (
            <>
              {kindInWords(item.types, item.role)} · <bdi>{item.vendor ?? 'vendor unknown'}</bdi>
              {item.file != null && (
                <>
                  {' '}
                  · <bdi>{item.file}</bdi>
                </>
              )}
              {item.file == null && item.program !== undefined && item.program !== item.vendor && (
                <>
                  {' '}
                  · in <bdi>{item.program}</bdi>
                </>
              )}
            </>
          )}
        </span>
      </span>
      <span className="mono quiet">
        {option.buildWords != null && `${option.buildWords} `}
        {ticked ?? why ?? (part === 'now' ? 'loaded' : part === 'usual' ? `${String(times)}×` : '')}
      </span>
      {part !== 'favourites' && state.trayEntry.has(trayEntryId(FAVOURITES, item.id)) && (
        <span className="mono quiet" aria-label="on Favourites" title="on Favourites">
          T1
        </span>
      )}
    </div>
  );
});

const timesOf = ({ uses }: Chooser, id: string): number => uses.filter((use) => use.item === id).length;
