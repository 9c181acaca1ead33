import { spawn, type ChildProcess } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { createInterface } from 'node:readline';
import type { Readable, Writable } from 'node:stream';
import type { Message, PluginsMessage, PortsMessage, Question } from './messages.js';
import { ANSWERS, QUESTIONS } from './messages.js';

/** How long and how large a plugin may be while it is asked. */
export interface AskLimits {
  readonly seconds: number;
  readonly megabytes: number;
  /** Bytes of standard output and error together. */
  readonly printed: number;
}

/** How one question ended: with an answer, or with the end of the process. */
export type Ending =
  | {
      readonly how: 'answered';
      readonly message: PluginsMessage;
      /** What came of the second question, about ports; null where there is none. */
      readonly ports: PortsMessage | Failure | null;
    }
  | Failure;

/** The end of the process in place of an answer. */
export interface Failure {
  readonly how: 'crashed' | 'exited' | 'hung' | 'flooded' | 'too-large';
  readonly detail: string;
}

const STARTS_IN_MS = 30_000;
const LOOK_MS = 100;
/** What is kept of the output, to be shown. */
const KEPT_BYTES = 2000;

/** One process that loads plugins. It serves until it ends, by a plugin's doing or ours; each question learns how it went. */
export class AskingProcess {
  private readonly child: ChildProcess;
  private readonly ready: Promise<void>;
  private waiting: {
    number: number;
    first: PluginsMessage | null;
    end: (ending: Ending) => void;
    more: () => void;
  } | null = null;
  private printedBytes = 0;
  private printedText = '';
  private ended = false;
  private killedFor: Failure | null = null;

  constructor(
    program: string,
    private readonly limits: AskLimits,
  ) {
    // A shell sets what the process inherits: no core dumps, no large files, and a ceiling far above the watched limit of memory.
    const ceiling = String(limits.megabytes * 4 * 1024);
    const limited = `ulimit -c 0; ulimit -f 65536; ulimit -d ${ceiling} 2>/dev/null; exec "$0" "$@"`;
    const { DISPLAY: _display, WAYLAND_DISPLAY: _wayland, NODE_OPTIONS: _options, ...env } = process.env;
    this.child = spawn('/bin/sh', ['-c', limited, process.execPath, program], {
      cwd: tmpdir(),
      env,
      // A group of its own, so that everything it starts can be ended with it.
      detached: true,
      stdio: ['ignore', 'pipe', 'pipe', 'pipe', 'pipe'],
    });
    let [isReady, failed] = [(): void => undefined, (_error: Error): void => undefined];
    this.ready = new Promise((done, fail) => ([isReady, failed] = [done, fail]));
    this.ready.catch(() => undefined);
    const starting = setTimeout(() => this.kill({ how: 'hung', detail: 'the process did not start' }), STARTS_IN_MS);
    for (const stream of [this.child.stdout, this.child.stderr])
      stream?.on('data', (bytes: Buffer) => this.heard(bytes));
    for (const stream of this.child.stdio) stream?.on('error', () => undefined);
    createInterface({ input: this.child.stdio[ANSWERS] as Readable }).on('line', (line) => {
      const message = parsed(line);
      if (message === null) return;
      if ('ready' in message) {
        clearTimeout(starting);
        isReady();
      } else if (message.number === this.waiting?.number) this.answered(message);
    });
    const gone = (ending: Failure): void => {
      clearTimeout(starting);
      this.ended = true;
      failed(new Error('the asking process ended'));
      this.killGroup();
      this.finish(this.killedFor ?? ending);
    };
    this.child.on('error', (error) => gone({ how: 'crashed', detail: error.message }));
    this.child.on('exit', (code, signal) =>
      gone(
        signal === null ? { how: 'exited', detail: `exit code ${String(code)}` } : { how: 'crashed', detail: signal },
      ),
    );
  }

  get isAlive(): boolean {
    return !this.ended && this.killedFor === null;
  }

  /** Asks one thing; resolves when it is answered or the process has ended. One at a time. */
  async ask(question: Question): Promise<{ ending: Ending; printed: string | null }> {
    this.printedBytes = 0;
    this.printedText = '';
    try {
      await this.ready;
    } catch {
      return { ending: this.killedFor ?? { how: 'crashed', detail: 'the process did not start' }, printed: null };
    }
    const ending = await new Promise<Ending>((end) => {
      const { seconds, megabytes } = this.limits;
      const late = setTimeout(() => this.kill({ how: 'hung', detail: `${String(seconds)} seconds` }), seconds * 1000);
      const more = (): void => void late.refresh();
      const look = setInterval(() => {
        if (residentMegabytes(this.child.pid) > megabytes)
          this.kill({ how: 'too-large', detail: `${String(megabytes)} MB` });
      }, LOOK_MS);
      this.waiting = {
        number: question.number,
        first: null,
        more,
        end: (how) => {
          clearTimeout(late);
          clearInterval(look);
          end(how);
        },
      };
      (this.child.stdio[QUESTIONS] as Writable).write(`${JSON.stringify(question)}\n`);
      if (this.ended) this.finish({ how: 'crashed', detail: 'the process had ended' });
    });
    // What was printed last may still be on its way.
    await new Promise((done) => setImmediate(done));
    return { ending, printed: this.printedText.trim() || null };
  }

  /** Ends the process and everything that it started. */
  end(): void {
    this.killGroup();
  }

  private heard(bytes: Buffer): void {
    this.printedBytes += bytes.length;
    if (this.printedText.length < KEPT_BYTES) {
      const printable = bytes.toString('utf8').replace(/[^\P{C}\n\t]/gu, '');
      this.printedText = (this.printedText + printable).slice(0, KEPT_BYTES);
    }
    if (this.printedBytes > this.limits.printed)
      this.kill({ how: 'flooded', detail: `more than ${String(Math.round(this.limits.printed / 1e6))} MB` });
  }

  private answered(message: PluginsMessage | PortsMessage): void {
    const { waiting } = this;
    if (waiting === null) return;
    if ('ports' in message) {
      if (waiting.first !== null) this.conclude({ how: 'answered', message: waiting.first, ports: message });
    } else if (message.portsFollow === true) {
      // Once: whoever says it again and again is given no further time.
      if (waiting.first !== null) return;
      waiting.first = message;
      waiting.more();
    } else this.conclude({ how: 'answered', message, ports: null });
  }

  private kill(why: Failure): void {
    this.killedFor ??= why;
    this.killGroup();
  }

  private killGroup(): void {
    if (this.child.pid === undefined) return;
    try {
      process.kill(-this.child.pid, 'SIGKILL');
    } catch {
      // Nothing of the group is left.
    }
  }

  /** The process has ended. What was answered before is kept. */
  private finish(failure: Failure): void {
    const first = this.waiting?.first ?? null;
    this.conclude(first === null ? failure : { how: 'answered', message: first, ports: failure });
  }

  private conclude(ending: Ending): void {
    const { waiting } = this;
    this.waiting = null;
    waiting?.end(ending);
  }
}

function parsed(line: string): Message | null {
  try {
    return JSON.parse(line) as Message;
  } catch {
    // A plugin that writes to a pipe that is not its own.
    return null;
  }
}

/** Memory that the process holds, where the system tells it; 0 elsewhere. proc(5), statm: pages resident. */
function residentMegabytes(pid: number | undefined): number {
  try {
    const pages = Number(readFileSync(`/proc/${String(pid)}/statm`, 'utf8').split(' ')[1]);
    return (pages * 4096) / 1e6;
  } catch {
    return 0;
  }
}
