const QUIET_MS = 10 * 60_000;

/** Runs a callback after ten minutes without use. */
export class IdleTimer {
  private timer: NodeJS.Timeout | null = null;

  constructor(private readonly act: () => void) {}

  /** Somebody has asked: it is kept for a while again. */
  asked(): void {
    this.close();
    this.timer = setTimeout(this.act, QUIET_MS).unref();
  }

  /** Nothing is to be let go any more. */
  close(): void {
    if (this.timer !== null) clearTimeout(this.timer);
    this.timer = null;
  }
}
