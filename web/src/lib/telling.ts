/** What is told to screen readers, in one live region for the whole page. */

let told = '';
const listeners = new Set<() => void>();

/** Tells something; the same words again are told again. */
export function tell(words: string): void {
  // A live region is read out when its text changes: a blank that is not seen makes it another one.
  told = words === told ? `${words}\u00a0` : words;
  for (const listener of listeners) listener();
}

/** What was told last; for useSyncExternalStore. */
export const toldLast = (): string => told;
/** Calls back whenever something is told; returns how to stop that. */
export function onTold(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}
