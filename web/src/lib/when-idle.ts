const LONGEST_WAIT_MS = 200;

/** Waits until the screen has nothing to do, or for so long: what is on it comes first. */
export const whenIdle = (): Promise<void> =>
  new Promise((resolve) => {
    if ('requestIdleCallback' in globalThis) requestIdleCallback(() => resolve(), { timeout: LONGEST_WAIT_MS });
    else setTimeout(resolve, 0);
  });
