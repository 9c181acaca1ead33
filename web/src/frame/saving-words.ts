import type { WindowState } from '../arrangement/window-state';

/** "all saved" only when nothing is under way and nothing failed since; otherwise "saving …", or what could not be saved and why. */
export function savingWords(arranged: Pick<WindowState, 'failure' | 'savedAt'> | undefined, underWay: number): string {
  if (underWay > 0) return 'saving …';
  const { failure = null, savedAt = null } = arranged ?? {};
  if (failure !== null) return `not saved: ${failure.label}. ${failure.reason}`;
  return savedAt === null ? 'all saved' : `all saved ${timeOf(savedAt)}`;
}

const timeOf = (iso: string): string => new Date(iso).toLocaleTimeString([], { hour12: false });
