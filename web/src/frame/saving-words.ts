import type { ServerState } from '../arrangement/server-state';
import type { WindowState } from '../arrangement/window-state';

/** What the status line says of saving: whether all is saved, what waits for the server, or what could not be saved and why. */
export function savingWords(
  arranged: Pick<WindowState, 'failure' | 'savedAt'> | undefined,
  underWay: number,
  server: ServerState = 'there',
): string {
  if (server === 'gone')
    return underWay > 0
      ? `Clever Drawer isn’t running. Start it again, and your last ${underWay === 1 ? 'change' : `${String(underWay)} changes`} will be saved.`
      : 'Clever Drawer isn’t running. Start it again; this page reconnects by itself.';
  if (server === 'database-gone') return 'The database is restarting …';
  if (underWay > 0) return 'saving …';
  const { failure = null, savedAt = null } = arranged ?? {};
  if (failure !== null) return `not saved: ${failure.label}. ${failure.reason}`;
  return savedAt === null ? 'all saved' : `all saved ${timeOf(savedAt)}`;
}

const timeOf = (iso: string): string => new Date(iso).toLocaleTimeString([], { hour12: false });
