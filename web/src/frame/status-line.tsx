import type { ReactNode } from 'react';
import { useComputer } from '../lib/use-computer';

import { useArrangement, useUnderWay } from '../arrangement/arrangement-query';
import { useChanges } from '../arrangement/changes';
import { savingWords } from './saving-words';
import { PlainButton } from '../parts/plain-button';

/** The line at the foot: what the place says, undo and redo in words, and whether all is saved. */
export function StatusLine({ children }: { children: ReactNode }) {
  const computer = useComputer();
  const arranged = useArrangement(computer.id).data;
  const underWay = useUnderWay(computer.id);
  const { step } = useChanges(computer.id);
  const { undo = null, redo = null } = arranged?.history.steps ?? {};
  return (
    <footer className="status-line">
      {children}
      <span className="grow" />
      {undo !== null && (
        <PlainButton onClick={() => void step('undo')}>
          Undo: {undo.label} <kbd>Ctrl Z</kbd>
        </PlainButton>
      )}
      {redo !== null && (
        <PlainButton onClick={() => void step('redo')}>
          Redo: {redo.label} <kbd>Ctrl Shift Z</kbd>
        </PlainButton>
      )}
      <span role="status">{savingWords(arranged, underWay)}</span>
    </footer>
  );
}
