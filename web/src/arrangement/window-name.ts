import type { QueryClient } from '@tanstack/react-query';

const names = new WeakMap<QueryClient, string>();

/** A window's name among the open ones, by which its own changes are known. Each query client is a window. */
export function windowName(client: QueryClient): string {
  let name = names.get(client);
  if (name === undefined) names.set(client, (name = crypto.randomUUID()));
  return name;
}

const lockOf = (name: string): string => `clever-drawer window ${name}`;
const hasLocks = (): boolean => typeof navigator !== 'undefined' && 'locks' in navigator;

/** Lets other windows of this browser see that this one is open, for as long as it is (Web Locks API). */
export function holdWindowLock(name: string): void {
  if (hasLocks()) void navigator.locks.request(lockOf(name), () => new Promise<void>(() => undefined));
}

/** Whether a window of this name is open in this browser; true where the browser can't tell. */
export async function isWindowOpen(name: string): Promise<boolean> {
  if (!hasLocks()) return true;
  const { held = [] } = await navigator.locks.query();
  return held.some((lock) => lock.name === lockOf(name));
}
