import type { ReactNode } from 'react';
import { useAfterPaint } from '../lib/use-after-paint';
import { useComputer } from '../lib/use-computer';
import { useArrangement, useUnderWay } from '../arrangement/arrangement-query';
import { useServerState } from '../arrangement/server-state';
import { useStepLabel } from '../arrangement/steps-elsewhere';
import { useChanges } from '../arrangement/changes';
import { savingWords } from './saving-words';
import { KeyHint } from '../keys/key-hint';
import { PlainButton } from '../parts/plain-button';

/** The line at the foot: what the place says, undo and redo in words, and whether all is saved. */
export function StatusLine({ children }: { children: ReactNode }) {
  const computer = useComputer();
  const arranged = useArrangement(computer.id).data;
  const underWay = useUnderWay(computer.id);
  const { step } = useChanges(computer.id);
  // What a change did is shown first: another word in this line costs as much as a frame of a long list.
  const { undo = null, redo = null } = useAfterPaint(arranged?.history.steps, true) ?? {};
  const [undoLabel, redoLabel] = [useStepLabel('undo', undo), useStepLabel('redo', redo)];
  const server = useServerState();
  const saving = useAfterPaint(savingWords(arranged, underWay, server), true);
  return (
    <footer className="status-line">
      {children}
      <span className="grow" />
      {undoLabel !== null && (
        <PlainButton onClick={() => void step('undo')}>
          {undoLabel} <KeyHint place="everywhere" does="undo" />
        </PlainButton>
      )}
      {redoLabel !== null && (
        <PlainButton onClick={() => void step('redo')}>
          {redoLabel} <KeyHint place="everywhere" does="redo" />
        </PlainButton>
      )}
      <span role="status" aria-busy={underWay > 0} className={server === 'there' ? undefined : 'needs-attention'}>
        {saving}
      </span>
    </footer>
  );
}
