/** The process that loads plugins. One question after the other until the pipe closes; whatever a plugin does here, it does to this process alone. */
import { readdirSync, readFileSync, readSync, writeSync } from 'node:fs';
import koffi from 'koffi';
import { MAX_BUILDS } from '@clever-drawer/core/facts/caps';
import { trimmed } from './answer-shape.js';
import { askClap } from './ask-clap.js';
import { askLadspa } from './ask-ladspa.js';
import { askVst2 } from './ask-vst2.js';
import { askVst3 } from './ask-vst3.js';
import type { Message, Question } from './messages.js';
import { ANSWERS, QUESTIONS } from './messages.js';
import { type Answered, openLibrary, preloadCommonLibraries } from './native.js';

// linux/prctl.h
const SUBREAPER = 36; // PR_SET_CHILD_SUBREAPER: orphans of a plugin come to this process.
const DIE_WITH_PARENT = 1; // PR_SET_PDEATHSIG: a plugin that hangs must not outlive a server that was killed.
const SIGKILL = 9;
const libc = koffi.load(null);
const getpid = libc.func('int getpid()') as () => number;
const exitNow = libc.func('void _exit(int code)') as (code: number) => void;
const ownPid = getpid();

function ask({ format, binary, place }: Question): Answered {
  const library = openLibrary(binary);
  switch (format) {
    case 'LADSPA':
      return { plugins: askLadspa(library) };
    case 'CLAP':
      return askClap(library, place);
    case 'VST3':
      return askVst3(library);
    case 'VST2':
      return { plugins: askVst2(library) };
    default:
      return { plugins: [] };
  }
}

function say(message: Message): void {
  // A plugin that forks comes back here twice; the copy must neither answer nor live on.
  if (getpid() !== ownPid) exitNow(0);
  writeSync(ANSWERS, `${JSON.stringify(message)}\n`);
}

/** Ends every process that a plugin left behind; grandchildren come to us once their parent is gone. */
function endStartedProcesses(): number {
  let ended = 0;
  for (let round = 0; round < 10; round++) {
    const children = startedProcesses();
    if (children.length === 0) break;
    for (const pid of children) {
      try {
        process.kill(pid, 'SIGKILL');
        ended++;
      } catch {
        // It ended by itself in the meantime.
      }
      waitFor(pid);
    }
  }
  return ended;
}

const waitpid = libc.func('int waitpid(int pid, void *status, int options)') as (
  pid: number,
  status: null,
  options: number,
) => number;
const waitFor = (pid: number): void => void waitpid(pid, null, 0);

function startedProcesses(): number[] {
  if (process.platform !== 'linux') return [];
  try {
    return readdirSync('/proc/self/task').flatMap((task) =>
      readFileSync(`/proc/self/task/${task}/children`, 'utf8')
        .split(' ')
        .filter((pid) => pid !== '')
        .map(Number),
    );
  } catch {
    return [];
  }
}

function answer(question: Question): void {
  const { number } = question;
  const { value, ...how } = tried(() => ask(question));
  const { plugins = [], ports } = value ?? {};
  const portsFollow = ports !== undefined && plugins.length > 0;
  const more = plugins.length - MAX_BUILDS;
  say({
    number,
    plugins: trimmed(plugins),
    ...(more > 0 ? { more } : {}),
    ...how,
    ...(portsFollow ? { portsFollow } : {}),
  });
  if (!portsFollow) return;
  const { value: told = [], ...afterwards } = tried(ports);
  say({ number, ports: trimmed(told), ...afterwards });
}

/** Does what runs a plugin's code: what it brought, the processes that were started and are ended, and why it could not be done. */
function tried<T>(work: () => T): { value?: T; started: number; refused?: string } {
  try {
    const value = work();
    return { value, started: leftBehind() };
  } catch (error) {
    return { started: leftBehind(), refused: error instanceof Error ? error.message : String(error) };
  }
}

function leftBehind(): number {
  if (getpid() !== ownPid) exitNow(0);
  return endStartedProcesses();
}

function* questions(): Generator<Question> {
  const bytes = Buffer.alloc(65536);
  let text = '';
  for (let length = readSync(QUESTIONS, bytes); length > 0; length = readSync(QUESTIONS, bytes)) {
    text += bytes.toString('utf8', 0, length);
    for (let end = text.indexOf('\n'); end >= 0; end = text.indexOf('\n')) {
      const line = text.slice(0, end);
      text = text.slice(end + 1);
      yield JSON.parse(line) as Question;
    }
  }
}

preloadCommonLibraries();
if (process.platform === 'linux') {
  const prctl = libc.func('int prctl(int option, long a, long b, long c, long d)') as (...values: number[]) => number;
  prctl(SUBREAPER, 1, 0, 0, 0);
  prctl(DIE_WITH_PARENT, SIGKILL, 0, 0, 0);
}
say({ ready: true });
for (const question of questions()) answer(question);
exitNow(0);
