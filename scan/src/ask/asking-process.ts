import { spawn, type ChildProcess } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import { constants } from 'node:os';
import type { Readable, Writable } from 'node:stream';
import { Lines, messageIn } from './answer-shape.js';
import type { PluginsMessage, PortsMessage, Question } from './messages.js';
import { ANSWERS, QUESTIONS } from './messages.js';
import { createTempDir, surroundings, type Room } from './room.js';

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
  readonly how: 'crashed' | 'exited' | 'hung' | 'flooded' | 'too-large' | 'spoke';
  readonly detail: string;
}

const STARTS_IN_MS = 30_000;
/** What was printed last has come by then. */
const CLOSES_IN_MS = 500;
const LOOK_MS = 100;
/** What is kept of the output, to be shown. */
const KEPT_BYTES = 2000;

/** One process that loads plugins. It serves until it ends, by a plugin's doing or ours; each question learns how it went. */
export class AskingProcess {
  private readonly child: ChildProcess;
  private readonly scratch: ReturnType<typeof createTempDir>;
  private readonly ready: Promise<void>;
  private waiting: {
    number: string;
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
    room: Room,
  ) {
    this.scratch = createTempDir();
    const [command, args] = room.command([process.execPath, program], limits, this.scratch.path);
    this.child = spawn(command, args, {
      cwd: this.scratch.path,
      env: surroundings(this.scratch.path),
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
    let hasBegun = false;
    const lines = new Lines(
      (line) => {
        // What comes after that is not believed either.
        if (this.killedFor !== null) return;
        const message = messageIn(line);
        if (message !== null && 'ready' in message && !hasBegun) {
          hasBegun = true;
          clearTimeout(starting);
          isReady();
        } else if (message !== null && 'number' in message && message.number === this.waiting?.number)
          this.answered(message);
        // Whoever speaks without being asked, or says what is no answer, is not listened to any more.
        else this.kill({ how: 'spoke', detail: 'it answered without being asked' });
      },
      () => this.kill({ how: 'spoke', detail: 'a line without an end' }),
    );
    const answers = this.child.stdio[ANSWERS] as Readable;
    answers.setEncoding('utf8').on('data', (text: string) => lines.take(text));
    const gone = (ending: Failure): void => {
      clearTimeout(starting);
      this.ended = true;
      this.scratch.remove();
      // Something that it started and that got away may hold the other ends: nobody waits for that.
      setTimeout(() => this.child.stdio.forEach((stream) => stream?.destroy()), CLOSES_IN_MS).unref();
      failed(new Error('the asking process ended'));
      this.killGroup();
      this.finish(this.killedFor ?? ending);
    };
    this.child.on('error', (error) => gone({ how: 'crashed', detail: error.message }));
    this.child.on('exit', (code, signal) => gone(endingOf(code, signal)));
  }

  /** Resolves when it can be asked; rejects when it can't. */
  started(): Promise<void> {
    return this.ready;
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
        if (holdsMore(this.child.pid, megabytes)) this.kill({ how: 'too-large', detail: `${String(megabytes)} MB` });
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

/** How a process ended. A shell around it tells of a signal by a code above 128 (POSIX, Shell Command Language, 2.8.2). */
function endingOf(code: number | null, signal: NodeJS.Signals | null): Failure {
  const [name] = Object.entries(constants.signals).find(([, number]) => number === (code ?? 0) - 128) ?? [];
  const by = signal ?? name ?? null;
  return by === null ? { how: 'exited', detail: `exit code ${String(code)}` } : { how: 'crashed', detail: by };
}

const MAX_WATCHED = 5000;

/** A process and all that it has started, where the system tells it; none elsewhere. proc(5), children. */
function familyOf(pid: number | undefined): string[] {
  const family: string[] = [];
  const waiting = pid === undefined ? [] : [String(pid)];
  while (waiting.length > 0 && family.length < MAX_WATCHED) {
    const one = waiting.pop() ?? '';
    family.push(one);
    try {
      for (const task of readdirSync(`/proc/${one}/task`))
        for (const child of readFileSync(`/proc/${one}/task/${task}/children`, 'utf8').split(' '))
          if (child !== '') waiting.push(child);
    } catch {
      // It ended in the meantime.
    }
  }
  return family;
}

/** Whether a process and all that it has started hold more memory than that. What several share counts once, where the system tells. proc(5), statm, smaps_rollup. */
function holdsMore(pid: number | undefined, megabytes: number): boolean {
  const family = familyOf(pid);
  const sum = (of: (one: string) => number): number =>
    family.reduce((all, one) => {
      try {
        return all + of(one);
      } catch {
        return all;
      }
    }, 0);
  const resident = (one: string): number =>
    (Number(readFileSync(`/proc/${one}/statm`, 'utf8').split(' ')[1]) * 4096) / 1e6;
  if (sum(resident) <= megabytes) return false;
  return sum((one) => shareOf(one) ?? resident(one)) > megabytes;
}

/** What a process holds, with its part of what it shares; null where that is not told. */
function shareOf(pid: string): number | null {
  try {
    const [, kilobytes] = /^Pss:\s+(\d+) kB/m.exec(readFileSync(`/proc/${pid}/smaps_rollup`, 'utf8')) ?? [];
    return kilobytes === undefined ? null : Number(kilobytes) / 1000;
  } catch {
    return null;
  }
}
