import type { QueryClient } from '@tanstack/react-query';
import { toast } from 'sonner';
import type { ComputerId } from '@clever-drawer/core/ids';
import { knownIn } from './arrangement-query';
import { nextStep } from './window-state';

/** Shows a notice about a step, with an undo of that very step. It goes away as soon as the step is undone or another one follows. */
export function showUndoNotice(
  client: QueryClient,
  computer: ComputerId,
  { words, number, undo }: { readonly words: string; readonly number: number; readonly undo: () => void },
): void {
  const isNext = (): boolean => {
    const window = knownIn(client, computer);
    return window !== undefined && nextStep(window, 'undo')?.number === number;
  };
  if (!isNext()) return;
  const stop = client.getQueryCache().subscribe(() => {
    if (isNext()) return;
    stop();
    toast.dismiss(notice);
  });
  const notice = toast(words, {
    action: { label: 'Undo', onClick: () => isNext() && undo() },
    onDismiss: stop,
    onAutoClose: stop,
  });
}
