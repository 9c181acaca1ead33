import { releaseProxy, wrap, type Remote } from 'comlink';

/** A call that a worker did not answer because it could not start, or failed. */
export class WorkerLost extends Error {
  constructor() {
    super('The worker has ended.');
  }
}

/** The part of a Worker that is needed. */
export type WorkerLike = Pick<Worker, 'addEventListener' | 'terminate'>;

interface Running<Api> {
  readonly api: Remote<Api>;
  readonly lost: Promise<never>;
  readonly fail: () => void;
  readonly end: () => void;
}

interface Options<Api> {
  readonly create: () => WorkerLike;
  /** What a worker was told is gone with it: the owner tells the next one anew. */
  readonly onLost: () => void;
  /** No further worker is started. */
  readonly onGivenUp: () => void;
  readonly wrapWorker?: (worker: WorkerLike) => Remote<Api>;
  readonly now?: () => number;
}

/** So many failures within this time end the attempts. */
const MAX_FAILURES = 3;
const WITHIN_MS = 60_000;

/** Calls a worker through Comlink. One that can't start, or fails, rejects what it was asked and is replaced at the next call, a few times. */
export class WorkerClient<Api> {
  private running: Running<Api> | null = null;
  private failures: number[] = [];
  private isGivenUp = false;

  constructor(private readonly options: Options<Api>) {}

  /** Calls the worker. Rejects with WorkerLost when it fails meanwhile, or none can be started. */
  async run<Result>(work: (api: Remote<Api>) => PromiseLike<Result>): Promise<Result> {
    const running = this.start();
    if (running === null) throw new WorkerLost();
    return Promise.race([work(running.api), running.lost]);
  }

  /** Replaces a worker that answered with an error of its own: its state can't be trusted any more. */
  fail(): void {
    this.running?.fail();
  }

  /** Ends the worker, without a failure. */
  end(): void {
    this.running?.end();
    this.running = null;
  }

  private start(): Running<Api> | null {
    if (this.isGivenUp || this.running !== null) return this.running;
    const { create, wrapWorker = (worker) => wrap<Api>(worker as Worker) } = this.options;
    let worker: WorkerLike;
    try {
      worker = create();
    } catch {
      this.noteFailure();
      return null;
    }
    const api = wrapWorker(worker);
    let reject: (error: Error) => void = () => undefined;
    const lost = new Promise<never>((_resolve, fail) => (reject = fail));
    // Without a call under way nobody waits for it.
    lost.catch(() => undefined);
    const end = (): void => {
      (api as Partial<Record<typeof releaseProxy, () => void>>)[releaseProxy]?.();
      worker.terminate();
    };
    const fail = (): void => {
      // A worker that was replaced already says nothing more.
      if (this.running !== own) return;
      this.running = null;
      end();
      this.options.onLost();
      this.noteFailure();
      reject(new WorkerLost());
    };
    const own: Running<Api> = { api, lost, fail, end };
    worker.addEventListener('error', fail);
    worker.addEventListener('messageerror', fail);
    this.running = own;
    return own;
  }

  private noteFailure(): void {
    const { now = () => performance.now(), onGivenUp } = this.options;
    const at = now();
    this.failures = [...this.failures.filter((failure) => at - failure < WITHIN_MS), at];
    if (this.failures.length < MAX_FAILURES || this.isGivenUp) return;
    this.isGivenUp = true;
    onGivenUp();
  }
}
