import { availableParallelism } from 'node:os';
import pLimit from 'p-limit';
import { withPorts, type Answer } from '@clever-drawer/core/facts/asked';
import type { Fault, FaultCode } from '@clever-drawer/core/facts/fault';
import type { Architecture, Format } from '@clever-drawer/core/facts/format';
import type { Askable } from '@clever-drawer/core/facts/place';
import { ownProgram } from '../own-program.js';
import type { AskLimits, Ending, Failure } from './asking-process.js';
import { AskingProcess } from './asking-process.js';

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
const AT_ONCE = Math.min(4, availableParallelism());

const FAULTS: Readonly<Record<Failure['how'], FaultCode>> = {
  crashed: 'asked-crashed',
  exited: 'asked-exited',
  hung: 'asked-hung',
  flooded: 'asked-flooded',
  'too-large': 'asked-too-large',
};

/** Which of a place's binaries this machine could load; or why it can load none. */
export function loadableOf(askable: readonly Askable[]): Askable | 'other-system' | 'other-processor' {
  const ofSystem = askable.filter((one) => one.kind === KINDS[process.platform]);
  const processor = PROCESSORS[process.arch];
  const fitting = ofSystem.find((one) => processor !== undefined && one.architectures.includes(processor));
  return fitting ?? (ofSystem.length === 0 ? 'other-system' : 'other-processor');
}

/** Asks plugins about themselves, in processes of their own that may crash. Make one for a scan, and close it. */
export class Asker {
  private readonly idle: { process: AskingProcess; files: number }[] = [];
  private readonly running = new Set<AskingProcess>();
  private readonly limit = pLimit(AT_ONCE);
  private numbers = 0;

  constructor(
    private readonly limits: AskLimits = STANDARD_LIMITS,
    // Loaded plugins must not share a process with anything of ours: the program is a file of its own.
    private readonly program: string = ownProgram('ask/ask-child.js'),
  ) {}

  /** Asks the plugins of a place. Never rejects: a crash, a hang or an exit is the answer's fault, and costs no other file its answer. Null after a cancel. */
  ask(place: string, format: Format, askable: readonly Askable[], signal?: AbortSignal): Promise<Answer | null> {
    const binary = loadableOf(askable);
    if (typeof binary === 'string') return Promise.resolve({ state: binary, fault: null, printed: null });
    return this.limit(async () => {
      const isCancelled = (): boolean => signal?.aborted ?? false;
      if (isCancelled()) return null;
      const worker = this.idle.pop() ?? this.start();
      const number = this.numbers++;
      const stop = (): void => worker.process.end();
      signal?.addEventListener('abort', stop, { once: true });
      const { ending, printed } = await worker.process.ask({ number, format, place, binary: binary.path });
      signal?.removeEventListener('abort', stop);
      worker.files++;
      if (!worker.process.isAlive || worker.files >= FILES_A_PROCESS) this.retire(worker.process);
      else this.idle.push(worker);
      return ending.how !== 'answered' && isCancelled() ? null : answerOf(place, ending, printed);
    });
  }

  /** Ends all processes. */
  close(): void {
    for (const process of this.running) this.retire(process);
    this.idle.length = 0;
  }

  private start(): { process: AskingProcess; files: number } {
    const process = new AskingProcess(this.program, this.limits);
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
  const { plugins, started, refused } = ending.message;
  if (refused !== undefined)
    return { state: 'failed', fault: { code: 'asked-refused', path, detail: refused }, printed };
  const { ports } = ending;
  const told = ports !== null && 'ports' in ports ? ports : null;
  const all = started + (told?.started ?? 0);
  const forked: Fault | null =
    all === 0 ? null : { code: 'asked-forked', path, detail: all === 1 ? 'one' : String(all) };
  const untold = ports === null ? undefined : 'ports' in ports ? ports.refused : `${ports.how}, ${ports.detail}`;
  const fault: Fault | null = untold === undefined ? forked : { code: 'ports-untold', path, detail: untold };
  return { state: 'asked', plugins: withPorts(plugins, told?.ports ?? []), printed, fault };
}
