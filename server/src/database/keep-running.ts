/** What is kept running: how it is looked at, and how it is started again. */
export interface Kept {
  readonly isThere: () => Promise<boolean>;
  readonly startAgain: () => Promise<void>;
}

/** Looks after something that runs. */
export interface Keeper {
  /** Has something told whenever it is gone, and when it is there again. */
  readonly onChange: (tell: (isThere: boolean) => void) => void;
  /** Looks after it no longer; a start that is under way is waited for. */
  readonly stop: () => Promise<void>;
}

const LOOK_MS = 500;
/** The pause before it is started again the first time; it doubles with each start that fails or does not last. */
const FIRST_PAUSE_MS = 250;
const LONGEST_PAUSE_MS = 30_000;
/** What has run for so long is taken for well. */
const WELL_MS = 60_000;

/** Keeps something running: looks at it twice a second, and starts it again when it is gone, with a pause that grows while that does not help. */
export function keepRunning({ isThere, startAgain }: Kept): Keeper {
  const told: ((isThere: boolean) => void)[] = [];
  const tell = (there: boolean): void => {
    for (const one of told) one(there);
  };
  const ended = new AbortController();
  const isStopped = (): boolean => ended.signal.aborted;
  let pause = FIRST_PAUSE_MS;
  let since = Date.now();
  let timer: NodeJS.Timeout | null = null;
  let wake: (() => void) | null = null;

  const rest = (milliseconds: number): Promise<void> =>
    new Promise((done) => {
      wake = done;
      timer = setTimeout(done, milliseconds).unref();
    });
  const bringBack = async (): Promise<void> => {
    tell(false);
    if (Date.now() - since > WELL_MS) pause = FIRST_PAUSE_MS;
    while (!isStopped()) {
      await rest(pause);
      if (isStopped()) return;
      pause = Math.min(pause * 2, LONGEST_PAUSE_MS);
      try {
        await startAgain();
        since = Date.now();
        tell(true);
        return;
      } catch {
        // Its log tells why; the next try may find the disk with room again.
      }
    }
  };
  const look = async (): Promise<void> => {
    while (!isStopped()) {
      await rest(LOOK_MS);
      if (!isStopped() && !(await isThere())) await bringBack();
    }
  };
  const looking = look();
  return {
    onChange: (one) => void told.push(one),
    stop: async () => {
      ended.abort();
      if (timer !== null) clearTimeout(timer);
      wake?.();
      await looking;
    },
  };
}
