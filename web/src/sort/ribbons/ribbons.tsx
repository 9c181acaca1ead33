import clsx from 'clsx';
import { useState } from 'react';
import { FAMILIES, familyOf, TYPE_IDS, type FamilyId } from '@clever-drawer/core/catalogue/type-tree';
import { ROLES } from '@clever-drawer/core/catalogue/role';
import { TRAYS } from '@clever-drawer/core/chests/rows/tray-entry';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { ASIDE_REASONS } from '@clever-drawer/core/chests/rows/aside';
import { compareNames } from '@clever-drawer/core/text/words';
import { FORMATS } from '@clever-drawer/core/facts/format';
import { familyIn, familyValue, isType, labelOf, loadsInWords, NONE, NOT_KNOWN, STATES, USES } from './facets';
import { BITS, WIDTHS } from '../list/facts-of-row';
import { ENDS_SOON, HAS_ENDED } from './ends';
import { useIsLow } from '../../lib/use-is-low';
import { PlainButton } from '../../parts/plain-button';
import { RibbonBand, type Segment } from './ribbon-band';
import type { Listed } from '../list/use-listed';
import type { Filters, Question } from '../find/use-sort-view';
import styles from './ribbons.module.css';

interface Props {
  /** All vendors, by name. */
  readonly vendors: readonly string[];
  /** Whether the questions that are asked less often have their bands too. */
  readonly showsFurther: boolean;
  readonly counts: Listed['counts'];
  readonly filters: Filters;
  readonly state: Arrangement;
  readonly toggle: (question: Question, value: string) => void;
  readonly setFilters: (filters: Filters) => void;
}

const MOST = { role: 5, type: 6, vendor: 5, format: 7, state: 7, tray: 3, loaded: 3, width: 4, bits: 3, aside: 7 };

/** What the found plugins are made of, one band per question; the counts of each follow the filters of the others. */
export function Ribbons({ vendors, showsFurther, counts, filters, state, toggle, setFilters }: Props) {
  const segments = (question: Question, values: readonly string[]): Segment[] =>
    values.map((value) => ({
      value,
      label: labelOf(question, value, state),
      count: counts.get(question)?.get(value) ?? 0,
      isChosen: filters[question].includes(value),
    }));
  const families = Object.keys(FAMILIES) as FamilyId[];
  const opened = new Set(filters.type.map((value) => familyIn(value) ?? (isType(value) ? familyOf(value) : null)));
  opened.delete(null);
  const toggleFamily = (value: string): void => {
    const family = familyIn(value);
    // Taking a family off takes its types off with it.
    if (family !== null && opened.has(family)) {
      const others = filters.type.filter((one) => one !== value && !(isType(one) && familyOf(one) === family));
      setFilters({ ...filters, type: others });
    } else toggle('type', value);
  };
  const toggleType = (value: string): void => {
    // A type narrows its family: the family as a whole is no longer asked for, until the last of its types goes.
    const family = isType(value) ? familyOf(value) : null;
    const whole = family === null ? '' : familyValue(family);
    const own = filters.type.filter((one) => one !== whole && one !== value);
    const isOff = filters.type.includes(value);
    const siblings = own.some((one) => isType(one) && familyOf(one) === family);
    setFilters({ ...filters, type: isOff ? (siblings ? own : [...own, whole]) : [...own, value] });
  };
  const familySegments = segments('type', [...families.map(familyValue), NOT_KNOWN]).map((one) => {
    const family = familyIn(one.value);
    return family === null ? one : { ...one, isChosen: opened.has(family) };
  });
  // The usual reasons, then those in the producer's own words, then what has an end.
  const ends: readonly string[] = [ENDS_SOON, HAS_ENDED];
  const told = [...(counts.get('aside')?.keys() ?? [])].filter((value) => !ends.includes(value));
  const reasons = [...new Set([...ASIDE_REASONS, ...told.sort(compareNames), ...filters.aside, ...ends])];
  const isLow = useIsLow();
  const [isOpen, setOpen] = useState(false);
  const chosen = Object.values(filters).reduce((sum, values) => sum + values.length, 0);
  const fold = isLow && (
    <PlainButton className={styles.fold} aria-expanded={isOpen} onClick={() => setOpen(!isOpen)}>
      {isOpen ? 'Hide the filters' : `Filters${chosen === 0 ? '' : `: ${String(chosen)} chosen`} …`}
    </PlainButton>
  );
  if (isLow && !isOpen) return <div>{fold}</div>;
  return (
    <div className={styles.ribbons}>
      {fold}
      <RibbonBand
        name="role"
        segments={segments('role', [...ROLES, NOT_KNOWN])}
        most={MOST.role}
        toggle={(value) => toggle('role', value)}
      />
      <RibbonBand
        name="vendor"
        segments={segments('vendor', [...vendors, NOT_KNOWN])}
        most={MOST.vendor}
        toggle={(value) => toggle('vendor', value)}
      />
      <RibbonBand name="type" segments={familySegments} most={MOST.type} toggle={toggleFamily} />
      <RibbonBand
        name="format"
        segments={segments('format', FORMATS)}
        most={MOST.format}
        toggle={(value) => toggle('format', value)}
      />
      <RibbonBand
        name="state"
        segments={segments('state', STATES)}
        most={MOST.state}
        toggle={(value) => toggle('state', value)}
      />
      <div className={styles.ribbonPair}>
        <RibbonBand
          name="tray"
          segments={segments('tray', [...TRAYS.map(String), NONE])}
          most={MOST.tray}
          toggle={(value) => toggle('tray', value)}
        />
        <RibbonBand
          name="loaded"
          segments={segments('loaded', USES).map((one) => ({ ...one, words: loadsInWords(one.value) }))}
          most={MOST.loaded}
          toggle={(value) => toggle('loaded', value)}
        />
      </div>
      {showsFurther && (
        <>
          <div className={clsx(styles.ribbonPair, styles.wideFirst)}>
            <RibbonBand
              name="width"
              segments={segments('width', [...WIDTHS, NOT_KNOWN])}
              most={MOST.width}
              toggle={(value) => toggle('width', value)}
            />
            <RibbonBand
              name="bits"
              segments={segments('bits', [...BITS, NOT_KNOWN])}
              most={MOST.bits}
              toggle={(value) => toggle('bits', value)}
            />
          </div>
          <RibbonBand
            name="aside"
            segments={segments('aside', reasons)}
            most={MOST.aside}
            toggle={(value) => toggle('aside', value)}
          />
        </>
      )}
      {opened.size > 0 && (
        <div className={styles.ribbonInner}>
          <RibbonBand
            name="types"
            segments={segments(
              'type',
              TYPE_IDS.filter((type) => opened.has(familyOf(type))),
            )}
            most={12}
            toggle={toggleType}
          />
        </div>
      )}
    </div>
  );
}
