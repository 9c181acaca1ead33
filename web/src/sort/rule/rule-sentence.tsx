import clsx from 'clsx';
import { useId, useRef, useState } from 'react';
import { isTerm, type Condition } from '@clever-drawer/core/rules/condition';
import type { DrawerNames } from '@clever-drawer/core/rules/drawer-names';
import type { Field } from '@clever-drawer/core/rules/fields';
import { conditionInWords, ofSentence, partWords, sentenceOf, type Sentence } from '@clever-drawer/core/rules/in-words';
import { PartForm } from './part-form';
import styles from './rule.module.css';

interface Props {
  readonly condition: Condition;
  readonly drawers: DrawerNames;
  readonly proposed: (field: Field) => readonly string[];
  readonly keep: (condition: Condition) => void;
}

type Side = 'takes' | 'leavesOut';

/** A rule as a sentence of parts: what it takes and what it leaves out, each part changed in place. */
export function RuleSentence({ condition, drawers, proposed, keep }: Props) {
  const sentence = sentenceOf(condition);
  const [editing, setEditing] = useState<{ readonly side: Side; readonly at: number } | null>(null);
  const id = useId();
  const row = useRef<HTMLDivElement>(null);
  /** The keyboard goes back to where the part stands. */
  const leave = (side: Side, at: number): void => {
    setEditing(null);
    requestAnimationFrame(() => {
      const parts = row.current?.querySelectorAll<HTMLElement>(`[data-side="${side}"] [data-part]`);
      parts?.[Math.min(at, parts.length - 1)]?.focus();
    });
  };
  const change = (next: Sentence, side: Side, at: number): void => {
    const made = ofSentence(next);
    if (made !== null) keep(made);
    leave(side, at);
  };
  const side = (name: Side, parts: readonly Condition[], joiner: string, lead: string) => (
    <div className={styles.side} data-side={name}>
      <span className={styles.lead} id={`${id}-${name}`}>
        {lead}
      </span>
      <div className={styles.parts} role="group" aria-labelledby={`${id}-${name}`}>
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
              onClick={() => setEditing({ side: name, at })}
            >
              <PartWords part={part} drawers={drawers} />
            </button>
          </span>
        ))}
        <button
          type="button"
          className={clsx(styles.chip, styles.more)}
          data-part
          onClick={() => setEditing({ side: name, at: parts.length })}
        >
          {parts.length === 0 ? '…' : `${joiner} …`}
          <span className="visually-hidden">, a new part of what it {lead}</span>
        </button>
      </div>
      {editing?.side === name && (
        <PartForm
          key={`${name} ${String(editing.at)}`}
          part={parts[editing.at] ?? null}
          drawers={drawers}
          proposed={proposed}
          done={(part) => change({ ...sentence, [name]: withPart(parts, editing.at, part) }, name, editing.at)}
          remove={
            parts[editing.at] === undefined || sentence.takes.length + sentence.leavesOut.length < 2
              ? null
              : () => change({ ...sentence, [name]: parts.filter((_, at) => at !== editing.at) }, name, editing.at)
          }
          close={() => leave(name, editing.at)}
        />
      )}
    </div>
  );
  return (
    <div ref={row}>
      {side('takes', sentence.takes, sentence.joined === 'any' ? 'or' : 'and', 'takes')}
      {side('leavesOut', sentence.leavesOut, 'or', 'leaves out')}
    </div>
  );
}

const withPart = (parts: readonly Condition[], at: number, part: Condition): readonly Condition[] => [
  ...parts.slice(0, at),
  part,
  ...parts.slice(at + 1),
];

function PartWords({ part, drawers }: { readonly part: Condition; readonly drawers: DrawerNames }) {
  if (!isTerm(part)) return <bdi>{conditionInWords(part, drawers)}</bdi>;
  const { asks, value } = partWords(part, drawers);
  return (
    <>
      <span className="quiet">{asks}</span> <bdi className={styles.value}>{value}</bdi>
    </>
  );
}
