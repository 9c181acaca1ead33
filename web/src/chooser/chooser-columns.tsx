import clsx from 'clsx';
import { SignGlyph } from '../parts/sign';
import { TypeGlyph } from '../catalogue/type-glyph';
import { Face } from '../catalogue/face';
import { useResizeObserver } from 'usehooks-ts';
import { useEffect, useRef, type MouseEvent, type RefObject } from 'react';
import { itemNamesOf } from '../catalogue/item-names';
import { optionId } from './chooser-list';
import type { Option } from './options';
import type { Chooser } from './chooser';
import styles from './chooser-columns.module.css';

interface Props {
  readonly id: string;
  readonly chooser: Chooser;
}

/** So many of a column, and so many pictures, are drawn; the rest is told, and found by typing. */
const MAX_IN_COLUMN = 200;
const MAX_COLUMNS = 60;
const MAX_FACES = 400;

/** What every option has, however it is drawn. */
const optionProps = (id: string, chooser: Chooser, option: Option, index: number, look: string | undefined) => {
  const isTicked = chooser.ticked.includes(option.item.id);
  return {
    id: optionId(id, index),
    role: 'option',
    'aria-selected': index === chooser.at || isTicked,
    className: clsx(look, index === chooser.at && 'at', isTicked && styles.ticked),
    title: option.name,
    'data-item': option.item.id,
    onClick: (event: MouseEvent) => chooser.click(option, event),
  };
};

function useInSight(id: string, at: number): void {
  useEffect(() => {
    document.getElementById(optionId(id, at))?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
  }, [id, at]);
}

/** The drawers side by side, with all that fits in each. */
export function ChooserColumns({ id, chooser }: Props) {
  const { groups, at } = chooser;
  useInSight(id, at);
  let from = 0;
  return (
    <div
      className={styles.columns}
      id={`${id}-list`}
      role="listbox"
      aria-label="Plugins that fit, drawer by drawer"
      aria-multiselectable
    >
      {groups.slice(0, MAX_COLUMNS).map(({ heading, options, sign = null, divider = null }, column) => {
        const start = from;
        from += options.length;
        return (
          <div
            key={`${heading} ${String(column)}`}
            className={clsx(styles.column, divider !== null && styles.divided)}
            role="group"
            aria-label={sign === null ? heading : `${heading}, sign ${sign}`}
          >
            {divider !== null && <div className={clsx('quiet one-line', styles.dividerLabel)}>{divider}</div>}
            <div className={styles.columnHead}>
              {sign !== null && <SignGlyph sign={sign} isSpoken={false} />}
              <bdi className="one-line">{heading}</bdi>
              <span className="mono">{options.length}</span>
            </div>
            {options.slice(0, MAX_IN_COLUMN).map((option, index) => (
              <div key={option.key} {...optionProps(id, chooser, option, start + index, styles.columnLine)}>
                <TypeGlyph types={option.item.types} role={option.item.role} />
                <bdi className="one-line">{option.name}</bdi>
              </div>
            ))}
            {options.length > MAX_IN_COLUMN && (
              <div className="quiet">and {options.length - MAX_IN_COLUMN} more; type to find them</div>
            )}
          </div>
        );
      })}
      {groups.length > MAX_COLUMNS && (
        <div className={clsx('quiet', styles.column)}>
          and {groups.length - MAX_COLUMNS} more drawers; the list has them all
        </div>
      )}
    </div>
  );
}

const FACE_PX = 132;

/** What is offered as pictures, heading by heading. */
export function ChooserFaces({ id, chooser, nothing }: Props & { nothing: string }) {
  const { groups, at, perLine } = chooser;
  const area = useRef<HTMLDivElement>(null);
  const { width = 0 } = useResizeObserver({ ref: area as RefObject<HTMLDivElement> });
  useEffect(() => {
    perLine.current = Math.max(1, Math.floor(width / FACE_PX));
  }, [perLine, width]);
  useInSight(id, at);
  let from = 0;
  return (
    <div
      className={styles.faces}
      id={`${id}-list`}
      role="listbox"
      aria-label="Plugins that fit"
      aria-busy={!chooser.isSettled}
      aria-multiselectable
      ref={area}
    >
      {groups.length === 0 && (
        <p className={clsx('quiet', styles.nothing)} role="presentation">
          {nothing}
        </p>
      )}
      {groups.map(({ heading, options }) => {
        const start = from;
        from += options.length;
        return (
          <div key={`${heading} ${String(start)}`} role="group" aria-label={heading}>
            <div className={clsx('quiet', styles.facesHead)}>{heading}</div>
            <div className={styles.facesOf}>
              {options.slice(0, Math.max(0, MAX_FACES - start)).map((option, index) => (
                <div key={option.key} {...optionProps(id, chooser, option, start + index, styles.face)}>
                  <Face plugin={option.item} />
                  <span className={styles.faceName}>
                    {option.digit !== null && <span className="mono quiet">{option.digit} </span>}
                    <bdi>{option.item.preset === null ? option.name : itemNamesOf(option.item).first}</bdi>
                  </span>
                </div>
              ))}
            </div>
          </div>
        );
      })}
    </div>
  );
}
