import { randomBytes } from 'node:crypto';
import { availableParallelism } from 'node:os';
import { setTimeout as rest } from 'node:timers/promises';
import pLimit from 'p-limit';
import { withPorts, type Answer } from '@clever-drawer/core/facts/asked';
import type { Fault, FaultCode } from '@clever-drawer/core/facts/fault';
import type { Architecture, Format } from '@clever-drawer/core/facts/format';
import type { Askable } from '@clever-drawer/core/facts/place';
import { resolveWorkerEntry } from '../resolve-worker-entry.js';
import type { AskLimits, Ending, Failure } from './asking-process.js';
import { AskingProcess } from './asking-process.js';
import type { Question } from './messages.js';
import { ROOMS, type Room } from './room.js';

export const STANDARD_LIMITS: AskLimits = { seconds: 10, megabytes: 1024, printed: 1_000_000 };

const KINDS: Readonly<Partial<Record<NodeJS.Platform, Askable['kind']>>> = { linux: 'elf', darwin: 'mach-o' };
const PROCESSORS: Readonly<Partial<Record<NodeJS.Architecture, Architecture>>> = {
  x64: 'x86-64',
  ia32: 'x86',
  arm64: 'arm64',
  arm: 'arm',
  riscv64: 'riscv64',
};

/** After so many files a process makes room for a fresh one: plugins leave memory behind. */
const FILES_A_PROCESS = 50;
const WAIT_MS = 20;
const AT_ONCE = Math.min(4, availableParallelism());

const FAULTS: Readonly<Record<Failure['how'], FaultCode>> = {
  crashed: 'asked-crashed',
  exited: 'asked-exited',
  hung: 'asked-hung',
  flooded: 'asked-flooded',
  'too-large': 'asked-too-large',
  spoke: 'asked-spoke',
};

/** Which of a place's binaries this machine could load; or why it can load none. */
export function loadableOf(askable: readonly Askable[]): Askable | 'other-system' | 'other-processor' {
  const ofSystem = askable.filter((one) => one.kind === KINDS[process.platform]);
  const processor = PROCESSORS[process.arch];
  const fitting = ofSystem.find((one) => processor !== undefined && one.architectures.includes(processor));
  return fitting ?? (ofSystem.length === 0 ? 'other-system' : 'other-processor');
}

/** Logs which files are being probed, so that a plugin that crashes the whole process is known afterwards. */
export interface ProbeCrashLog {
  /** A file is about to be asked; how it went last time: `suspect` when all ended while it and others were asked, `proven` when it was the only one. */
  readonly begin: (path: string) => void;
  readonly end: (path: string) => void;
  readonly of: (path: string) => 'suspect' | 'proven' | null;
}

const NO_NOTES: ProbeCrashLog = { begin: () => undefined, end: () => undefined, of: () => null };

interface Worker {
  readonly process: AskingProcess;
  files: number;
}

/** Asks plugins about themselves, in processes of their own that may crash. Make one for a scan, and close it. */
export class Asker {
  private idle: Worker[] = [];
  private readonly running = new Set<AskingProcess>();
  private readonly limit = pLimit(AT_ONCE);
  private room: Promise<Room> | null = null;
  private asking = 0;
  private turns: Promise<unknown> = Promise.resolve();
  private aloneNow: Promise<unknown> | null = null;

  constructor(
    private readonly limits: AskLimits = STANDARD_LIMITS,
    // Loaded plugins must not share a process with anything of ours: the program is a file of its own.
    private readonly program: string = resolveWorkerEntry('ask/ask-child.js'),
    private readonly notes: ProbeCrashLog = NO_NOTES,
    private readonly rooms: readonly Room[] = ROOMS,
  ) {}

  /** Asks the plugins of a place. Never rejects: a crash, a hang or an exit is the answer's fault, and costs no other file its answer. Null after a cancel. */
  ask(place: string, format: Format, askable: readonly Askable[], signal?: AbortSignal): Promise<Answer | null> {
    const binary = loadableOf(askable);
    if (typeof binary === 'string') return Promise.resolve({ state: binary, fault: null, printed: null });
    const before = this.notes.of(place);
    if (before === 'proven')
      return Promise.resolve({ state: 'failed', fault: { code: 'asked-ended-all', path: place }, printed: null });
    const isCancelled = (): boolean => signal?.aborted ?? false;
    const question = { format, place, binary: binary.path };
    const work = async (): Promise<Answer | null> => {
      if (isCancelled()) return null;
      const room = await this.roomAtHand();
      let { ending, printed, wasShared } = await this.askIn(room, question, before !== null, signal);
      // What was loaded before it may have done it: it is blamed only for what it does alone.
      if (ending.how !== 'answered' && wasShared && !isCancelled())
        ({ ending, printed, wasShared } = await this.askIn(room, question, true, signal));
      // Another user may not be let at the file: without rights of its own, but as us, it is.
      const [own] = this.rooms.filter((one) => one.kind === 'closed');
      const isShut = ending.how === 'answered' && ending.message.refused !== undefined;
      if (room.kind === 'nobody' && own !== undefined && isShut && !isCancelled())
        ({ ending, printed, wasShared } = await this.askIn(own, question, true, signal));
      return ending.how !== 'answered' && isCancelled() ? null : answerOf(place, ending, printed);
    };
    return before === null ? this.limit(() => this.among(work)) : this.alone(work);
  }

  /** Ends all processes. */
  close(): void {
    for (const process of this.running) this.retire(process);
    this.idle = [];
  }

  /** The safest room that this system has: the first one in which a process starts. Found out once. */
  roomAtHand(): Promise<Room> {
    this.room ??= this.findRoom();
    return this.room;
  }

  private async findRoom(): Promise<Room> {
    for (const room of this.rooms) {
      const worker = this.start(room);
      try {
        await worker.process.started();
        this.idle.push(worker);
        return room;
      } catch {
        this.retire(worker.process);
      }
    }
    const [last] = this.rooms.slice(-1);
    if (last === undefined) throw new Error('no room to ask plugins in');
    return last;
  }

  /** Asks among others, unless something is asked alone: that is waited for. */
  private async among(work: () => Promise<Answer | null>): Promise<Answer | null> {
    while (this.aloneNow !== null) await this.aloneNow;
    this.asking++;
    try {
      return await work();
    } finally {
      this.asking--;
    }
  }

  /** Asks what may end everything while nothing else is asked. */
  private alone(work: () => Promise<Answer | null>): Promise<Answer | null> {
    const turn = this.turns.then(async () => {
      while (this.asking > 0) await rest(WAIT_MS);
      return work();
    });
    const over = turn.then(
      () => undefined,
      () => undefined,
    );
    this.turns = over;
    this.aloneNow = over;
    void over.then(() => {
      if (this.turns === over) this.aloneNow = null;
    });
    return turn;
  }

  private async askIn(
    room: Room,
    question: Omit<Question, 'number'>,
    isAlone: boolean,
    signal: AbortSignal | undefined,
  ): Promise<{ ending: Ending; printed: string | null; wasShared: boolean }> {
    let worker = isAlone ? undefined : this.idle.pop();
    while (worker?.process.isAlive === false) {
      this.retire(worker.process);
      worker = this.idle.pop();
    }
    const own = worker ?? this.start(room);
    const wasShared = own.files > 0;
    const stop = (): void => own.process.end();
    signal?.addEventListener('abort', stop, { once: true });
    this.notes.begin(question.place);
    const { ending, printed } = await own.process.ask({ number: randomBytes(16).toString('hex'), ...question });
    this.notes.end(question.place);
    signal?.removeEventListener('abort', stop);
    own.files++;
    if (isAlone || !own.process.isAlive || own.files >= FILES_A_PROCESS) this.retire(own.process);
    else this.idle.push(own);
    return { ending, printed, wasShared };
  }

  private start(room: Room): Worker {
    const process = new AskingProcess(this.program, this.limits, room);
    this.running.add(process);
    return { process, files: 0 };
  }

  private retire(process: AskingProcess): void {
    process.end();
    this.running.delete(process);
  }
}

function answerOf(path: string, ending: Ending, printed: string | null): Answer {
  if (ending.how !== 'answered')
    return { state: 'failed', fault: { code: FAULTS[ending.how], path, detail: ending.detail }, printed };
  const { plugins, started, refused, more } = ending.message;
  if (refused !== undefined)
    return { state: 'failed', fault: { code: 'asked-refused', path, detail: refused }, printed };
  const { ports } = ending;
  const told = ports !== null && 'ports' in ports ? ports : null;
  const all = started + (told?.started ?? 0);
  const forked: Fault | null =
    all === 0 ? null : { code: 'asked-forked', path, detail: all === 1 ? 'one' : String(all) };
  const untold = ports === null ? undefined : 'ports' in ports ? ports.refused : `${ports.how}, ${ports.detail}`;
  const tooMany: Fault | null =
    more === undefined
      ? forked
      : {
          code: 'too-many-plugins',
          path,
          detail: `${String(plugins.length + more)}, of which ${String(plugins.length)} are kept`,
        };
  const fault: Fault | null = untold === undefined ? tooMany : { code: 'ports-untold', path, detail: untold };
  return { state: 'asked', plugins: withPorts(plugins, told?.ports ?? []), printed, fault };
}
