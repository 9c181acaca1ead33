import clsx from 'clsx';
import { useState } from 'react';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { pathTo } from '@clever-drawer/core/chests/look-up';
import type { Drawer } from '@clever-drawer/core/chests/rows/drawer';
import { TYPE_TREE } from '@clever-drawer/core/catalogue/type-tree';
import { asId, type DrawerId, type ItemId } from '@clever-drawer/core/ids';
import type { Condition } from '@clever-drawer/core/rules/condition';
import type { DrawerNameResolver } from '@clever-drawer/core/rules/drawer-names';
import type { AlikeFinding, Findings, IdleFinding, TypeFinding } from '@clever-drawer/core/rules/findings';
import { conditionInWords } from '@clever-drawer/core/rules/in-words';
import type { ChosenCatalogue } from '../../catalogue/chosen-catalogue';
import { TypeGlyph } from '../../catalogue/type-glyph';
import { counted } from '../../lib/counted';
import { PlainButton } from '../../parts/plain-button';
import styles from './rule.module.css';

/** What is looked at beside what is in the drawer. */
export const SEGMENTS = ['in', 'missed', 'wrong', 'says'] as const;
/** One of SEGMENTS. */
export type Segment = (typeof SEGMENTS)[number];

const size = (groups: readonly TypeFinding[]): number => groups.reduce((sum, { items }) => sum + items.length, 0);

/** The segments with their counts; those of which there is nothing are not shown. */
export function FindingSegments({
  findings,
  held,
  shown,
  show,
}: {
  readonly findings: Findings | null;
  readonly held: number | null;
  readonly shown: Segment;
  readonly show: (segment: Segment) => void;
}) {
  const says = findings === null ? 0 : findings.idle.length + findings.alike.length;
  const counts: Readonly<Record<Segment, number>> = {
    in: held ?? 0,
    missed: findings === null ? 0 : size(findings.missed),
    wrong: findings === null ? 0 : size(findings.wrong),
    says,
  };
  const words: Readonly<Record<Segment, string>> = {
    in: held === null ? 'counting …' : `in the drawer ${String(held)}`,
    missed: `may be missing ${String(counts.missed)}`,
    wrong: `may not belong ${String(counts.wrong)}`,
    says: `${String(says)} ${says === 1 ? 'note' : 'notes'} on the rule`,
  };
  return (
    <div className={styles.segments} role="group" aria-label="What is looked at">
      {SEGMENTS.filter((segment) => segment === 'in' || counts[segment] > 0).map((segment) => (
        <button
          key={segment}
          type="button"
          className={clsx(styles.segment, segment === 'wrong' && styles.doubt)}
          aria-pressed={shown === segment}
          onClick={() => show(segment)}
        >
          {words[segment]}
        </button>
      ))}
    </div>
  );
}

interface Props {
  readonly findings: Findings;
  readonly segment: Exclude<Segment, 'in'>;
  readonly drawer: Drawer;
  readonly drawers: DrawerNameResolver;
  readonly state: Arrangement;
  readonly catalogue: ChosenCatalogue;
  readonly keep: (condition: Condition) => void;
  readonly always: (id: ItemId) => void;
  readonly never: (id: ItemId) => void;
  readonly about: (id: ItemId) => void;
}

/** What may be wrong with a rule, each with its plugins and what puts it right. */
export function RuleFindings(props: Props) {
  const { findings, segment } = props;
  if (segment === 'missed')
    return findings.missed.map((group) => (
      <TypeGroup
        key={group.type}
        {...props}
        group={group}
        act={`Take the type too`}
        each="Always"
        does={props.always}
      />
    ));
  if (segment === 'wrong')
    return findings.wrong.map((group) => (
      <TypeGroup key={group.type} {...props} group={group} act={`Leave the type out`} each="Never" does={props.never} />
    ));
  return (
    <div className={styles.group}>
      <ul>
        {findings.idle.map((one, at) => (
          <Idle key={at} {...props} one={one} />
        ))}
        {findings.alike.map((one) => (
          <Alike key={one.drawer} {...props} one={one} />
        ))}
      </ul>
    </div>
  );
}

const MAX_SHOWN = 60;

function TypeGroup({
  group,
  act,
  each,
  does,
  catalogue,
  drawers,
  keep,
  about,
}: Props & {
  readonly group: TypeFinding;
  readonly act: string;
  readonly each: string;
  readonly does: (id: ItemId) => void;
}) {
  const [showsAll, setShowsAll] = useState(false);
  const { type, items, rule } = group;
  const { label } = TYPE_TREE[type];
  return (
    <section className={styles.group} aria-label={label}>
      <header>
        <b>
          {counted(items.length, 'plugin')} of the type {label}
        </b>
        {rule !== null && (
          <PlainButton linked title={conditionInWords(rule, drawers)} onClick={() => keep(rule)}>
            {act}: {label}
          </PlainButton>
        )}
      </header>
      <ul>
        {items.slice(0, showsAll ? undefined : MAX_SHOWN).map((id) => {
          const plugin = catalogue.byId.get(id);
          return plugin === undefined ? null : (
            <li key={id}>
              <PlainButton onClick={() => about(id)}>
                <TypeGlyph types={plugin.types} role={plugin.role} /> <bdi>{plugin.name}</bdi>{' '}
                <span className="quiet">{plugin.vendor}</span>
              </PlainButton>
              <PlainButton aria-label={`${each} ${plugin.name} in this drawer`} onClick={() => does(id)}>
                {each}
              </PlainButton>
            </li>
          );
        })}
        {!showsAll && items.length > MAX_SHOWN && (
          <li>
            <PlainButton onClick={() => setShowsAll(true)}>and {items.length - MAX_SHOWN} more</PlainButton>
          </li>
        )}
      </ul>
    </section>
  );
}

function Idle({ one, drawers, keep }: Props & { readonly one: IdleFinding }) {
  const { rule } = one;
  return (
    <li>
      <span>
        “<bdi>{conditionInWords(one.part, drawers)}</bdi>”{' '}
        {one.isUnmet ? 'matches no plugin' : 'changes nothing: without it, the rule finds the same'}
      </span>
      {rule !== null && <PlainButton onClick={() => keep(rule)}>Take it out</PlainButton>}
    </li>
  );
}

const HOW: Readonly<Record<AlikeFinding['how'], string>> = {
  equal: 'takes exactly the same',
  contains: 'is contained in this one',
  within: 'takes all of this and more',
  near: 'takes nearly the same',
};

function Alike({ one, state, catalogue }: Props & { readonly one: AlikeFinding }) {
  const id = asId<DrawerId>(one.drawer);
  const chest = state.chest.get(state.drawer.get(id)?.chestId ?? '')?.name ?? '';
  const path = pathTo(state, id)
    .map(({ name }) => name)
    .join(' › ');
  const names = one.different.slice(0, 5).map((item) => catalogue.byId.get(item)?.name ?? '');
  return (
    <li>
      <span>
        <bdi>
          {chest} › {path}
        </bdi>{' '}
        {HOW[one.how]}
        {names.length > 0 && (
          <span className="quiet">
            {' '}
            – {counted(one.different.length, 'plugin')} different: {names.join(', ')}
            {one.different.length > names.length && ' …'}
          </span>
        )}
      </span>
    </li>
  );
}
