import { useMemo, useState } from 'react';
import type { Drawer } from '@clever-drawer/core/chests/rows/drawer';
import type { Condition } from '@clever-drawer/core/rules/condition';
import type { DrawerNameResolver } from '@clever-drawer/core/rules/drawer-names';
import type { RuleProblem } from '@clever-drawer/core/rules/read-problems';
import { conditionOf, ruleAsText, ruleOf, typedRule } from '@clever-drawer/core/rules/rule';
import type { Changes } from '../../arrangement/changes';

/** A rule while it is written: what is typed, what of it is valid, and what is in force. */
export interface Draft {
  readonly typed: string;
  /** What is shown: the last that could be read of what is typed, else what is in force. Null for a kept rule that can't be read. */
  readonly condition: Condition | null;
  readonly problem: RuleProblem | null;
  /** Whether what is shown is not in force yet. */
  readonly isOpen: boolean;
  readonly type: (typed: string) => void;
  /** Puts a rule in force. */
  readonly keep: (condition: Condition) => void;
  /** Puts what is typed in force; nothing while it can't be read. */
  readonly save: () => void;
  /** Back to what is in force. */
  readonly drop: () => void;
}

/** The draft of a drawer's rule. */
export function useDraft(drawer: Drawer, drawers: DrawerNameResolver, changes: Changes): Draft {
  const [draft, setDraft] = useState<{ readonly typed: string; readonly valid: Condition | null } | null>(null);
  const inForce = drawer.rule === null ? '' : ruleAsText(drawer.rule, drawers);
  const condition = drawer.rule === null ? null : conditionOf(drawer.rule);
  const typed = draft?.typed ?? inForce;
  const read = useMemo(() => typedRule(typed, drawers), [typed, drawers]);
  const keep = (next: Condition): void => {
    const before = draft;
    setDraft(null);
    // What was refused is still there to be put right.
    void changes
      .make({ kind: 'set-rule', id: drawer.id, rule: ruleOf(next) })
      .then((isSaved) => !isSaved && setDraft((now) => now ?? before));
  };
  return {
    typed,
    condition: draft?.valid ?? condition,
    problem: read.ok ? null : read.problem,
    isOpen: draft !== null && typed !== inForce,
    type: (text) => {
      const next = typedRule(text, drawers);
      setDraft((old) => ({ typed: text, valid: next.ok ? next.condition : (old?.valid ?? null) }));
    },
    keep,
    save: () => {
      if (draft === null || !read.ok) return;
      if (typed === inForce) setDraft(null);
      else keep(read.condition);
    },
    drop: () => setDraft(null),
  };
}
