import clsx from 'clsx';
import { useEffect, useId, useRef, useState, type KeyboardEvent } from 'react';
import { isTerm, type Condition, type Several } from '@clever-drawer/core/rules/condition';
import type { DrawerNameResolver } from '@clever-drawer/core/rules/drawer-names';
import type { Field } from '@clever-drawer/core/rules/fields';
import { conditionInWords, ofSentence, partWords, sentenceOf, type Sentence } from '@clever-drawer/core/rules/in-words';
import { takeKey } from '../../keys/use-keys';
import { PlainButton } from '../../parts/plain-button';
import { PartForm } from './part-form';
import styles from './rule.module.css';

interface Props {
  readonly condition: Condition;
  readonly drawers: DrawerNameResolver;
  readonly proposed: (field: Field) => readonly string[];
  readonly keep: (condition: Condition) => void;
  /** For what is a part of another one: how its own parts are joined as long as there is one alone. */
  readonly inside?: Several['kind'];
}

type Side = 'takes' | 'leavesOut';

interface Editing {
  readonly side: Side;
  readonly at: number;
  /** Whether it is changed part by part. */
  readonly isParted: boolean;
}

/** A rule as a sentence of parts: what it takes and what it leaves out, each part changed in place. */
export function RuleSentence({ condition, drawers, proposed, keep, inside }: Props) {
  const parted = sentenceOf(condition);
  const sentence = { ...parted, joined: parted.takes.length > 1 ? parted.joined : (inside ?? parted.joined) };
  const [editing, setEditing] = useState<Editing | null>(null);
  const id = useId();
  const row = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (inside !== undefined) row.current?.querySelector<HTMLElement>('[data-part]')?.focus();
  }, [inside]);
  /** The keyboard goes back to where the part stands. */
  const leave = (side: Side, at: number): void => {
    setEditing(null);
    requestAnimationFrame(() => {
      const parts = row.current?.querySelectorAll<HTMLElement>(
        `:scope > [data-side="${side}"] > [data-parts] [data-part]`,
      );
      parts?.[Math.min(at, parts.length - 1)]?.focus();
    });
  };
  const change = (next: Sentence, side: Side, at: number): void => {
    const made = ofSentence(next);
    if (made !== null) keep(made);
    leave(side, at);
  };
  const side = (name: Side, parts: readonly Condition[], joined: Several['kind'], lead: string) => {
    const joiner = JOINERS[joined];
    const part = editing?.side === name ? parts[editing.at] : undefined;
    const takeOut =
      part === undefined || sentence.takes.length + sentence.leavesOut.length < 2 || editing === null
        ? null
        : () => change({ ...sentence, [name]: parts.filter((one) => one !== part) }, name, editing.at);
    return (
      <div className={styles.side} data-side={name}>
        <span className={styles.lead} id={`${id}-${name}`}>
          {lead}
        </span>
        <div className={styles.parts} data-parts role="group" aria-labelledby={`${id}-${name}`}>
          {parts.map((part, at) => (
            <span key={at} className={styles.joined}>
              {at > 0 &&
                (name === 'takes' ? (
                  <button
                    type="button"
                    className={clsx('plain', styles.joiner)}
                    title={`${joiner}: any of them is enough, or all are needed`}
                    onClick={() => change({ ...sentence, joined: sentence.joined === 'any' ? 'all' : 'any' }, name, at)}
                  >
                    {joiner}
                  </button>
                ) : (
                  <span className={styles.joiner}>{joiner}</span>
                ))}
              <button
                type="button"
                className={styles.chip}
                data-part
                aria-expanded={editing?.side === name && editing.at === at}
                onClick={() => setEditing({ side: name, at, isParted: !isTerm(part) })}
              >
                <ConditionLabel part={part} drawers={drawers} />
              </button>
            </span>
          ))}
          <button
            type="button"
            className={clsx(styles.chip, styles.more)}
            data-part
            onClick={() => setEditing({ side: name, at: parts.length, isParted: false })}
          >
            {parts.length === 0 ? '…' : `${joiner} …`}
            <span className="visually-hidden">, a new part of what it {lead}</span>
          </button>
        </div>
        {editing?.side === name && editing.isParted && part !== undefined && (
          <InnerSentence
            condition={part}
            drawers={drawers}
            proposed={proposed}
            inside={OTHER[joined]}
            keep={(next) => {
              const made = ofSentence({ ...sentence, [name]: withPart(parts, editing.at, next) });
              if (made !== null) keep(made);
              // What is joined in the same way is no part of its own any more.
              if (next.kind === joined) leave(name, editing.at);
            }}
            takeOut={takeOut}
            asText={() => setEditing({ ...editing, isParted: false })}
            close={() => leave(name, editing.at)}
          />
        )}
        {editing?.side === name && !editing.isParted && (
          <PartForm
            key={`${name} ${String(editing.at)}`}
            part={part ?? null}
            drawers={drawers}
            proposed={proposed}
            done={(part) => change({ ...sentence, [name]: withPart(parts, editing.at, part) }, name, editing.at)}
            joiner={JOINERS[OTHER[joined]]}
            divide={part === undefined || !isTerm(part) ? null : () => setEditing({ ...editing, isParted: true })}
            remove={takeOut}
            close={() => leave(name, editing.at)}
          />
        )}
      </div>
    );
  };
  return (
    <div ref={row} className={styles.sentence}>
      {side('takes', sentence.takes, sentence.joined, 'takes')}
      {side('leavesOut', sentence.leavesOut, 'any', 'leaves out')}
    </div>
  );
}

const JOINERS: Readonly<Record<Several['kind'], string>> = { any: 'or', all: 'and' };
const OTHER: Readonly<Record<Several['kind'], Several['kind']>> = { any: 'all', all: 'any' };

interface InnerProps extends Props {
  readonly inside: Several['kind'];
  readonly takeOut: (() => void) | null;
  readonly asText: () => void;
  readonly close: () => void;
}

/** A part that has parts itself: a sentence within the sentence, to any depth. */
function InnerSentence({ takeOut, asText, close, ...own }: InnerProps) {
  const onKeyDown = (event: KeyboardEvent): void =>
    void takeKey('rule', event, { save: null, propose: null, drop: close });
  return (
    <div className={styles.inner} role="group" aria-label="The parts of this part" onKeyDown={onKeyDown}>
      <RuleSentence {...own} />
      <div className={styles.innerActs}>
        {takeOut !== null && <PlainButton onClick={takeOut}>Take out</PlainButton>}
        <PlainButton onClick={asText}>As text</PlainButton>
        <PlainButton onClick={close}>Done</PlainButton>
      </div>
    </div>
  );
}

const withPart = (parts: readonly Condition[], at: number, part: Condition): readonly Condition[] => [
  ...parts.slice(0, at),
  part,
  ...parts.slice(at + 1),
];

function ConditionLabel({ part, drawers }: { readonly part: Condition; readonly drawers: DrawerNameResolver }) {
  if (!isTerm(part)) return <bdi>{conditionInWords(part, drawers)}</bdi>;
  const { asks, value } = partWords(part, drawers);
  return (
    <>
      <span className="quiet">{asks}</span> <bdi className={styles.value}>{value}</bdi>
    </>
  );
}
