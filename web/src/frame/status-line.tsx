import type { ReactNode } from 'react';
import { useComputer } from '../lib/use-computer';
import { useArrangement } from '../catalogue/queries';
import { useChanges } from '../arrangement/use-changes';

/** The line at the foot: what the place says, undo and redo in words, and that all is saved. */
export function StatusLine({ children }: { children: ReactNode }) {
  const computer = useComputer();
  const arranged = useArrangement(computer.id).data;
  const { step } = useChanges(computer.id);
  const steps = arranged?.steps;
  return (
    <footer className="status-line">
      {children}
      <span className="grow" />
      {steps?.undo != null && (
        <button type="button" className="plain" onClick={() => void step('undo')}>
          Undo: {steps.undo} <kbd>Ctrl Z</kbd>
        </button>
      )}
      {steps?.redo != null && (
        <button type="button" className="plain" onClick={() => void step('redo')}>
          Redo: {steps.redo} <kbd>Ctrl Shift Z</kbd>
        </button>
      )}
      <span role="status">{arranged?.savedAt == null ? 'all saved' : `all saved ${timeOf(arranged.savedAt)}`}</span>
    </footer>
  );
}

const timeOf = (iso: string): string => new Date(iso).toLocaleTimeString([], { hour12: false });
