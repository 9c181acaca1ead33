/**
 * npm run fuzz -- --seconds N [--seed S]: damages files of every format and has each reader read them, half of the time, and draws requests from the
 * interface's own schemas for the other half. Prints what was found; ends with 1 when anything threw, hung, or was answered with a fault of the server's own.
 */
import { spawnSync } from 'node:child_process';
import { parseArgs } from 'node:util';
import { Worker } from 'node:worker_threads';
import { NAMES } from './fuzz/mutate.mjs';

const { values } = parseArgs({
  options: {
    seconds: { type: 'string', default: '60' },
    seed: { type: 'string', default: '14' },
    mutants: { type: 'string' },
  },
});
const seconds = Number(values.seconds);
const seed = Number(values.seed);
if (!(seconds > 0) || !Number.isInteger(seed)) {
  process.stderr.write('npm run fuzz -- --seconds 60 --seed 14\n');
  process.exit(2);
}
const SLOW_MS = 1000;
const HUNG_MS = 5000;
const BATCH = 5000;
const megabytes = (bytes) => Math.round(bytes / 1e6);

const figures = new Map(NAMES.map((name) => [name, { read: 0, slowest: 0, over: 0, threw: 0, hung: 0 }]));
const finds = [];
let peak = 0;

/** Reads mutants from a number on in a thread; resolves to the next number. */
function batch(from, to) {
  return new Promise((done) => {
    const worker = new Worker(new URL('./fuzz/worker.mjs', import.meta.url), {
      workerData: { seed, from, to },
      resourceLimits: { maxOldGenerationSizeMb: 512 },
    });
    let now = { number: from, name: '' };
    let next = from;
    let timer = null;
    const give = (what) => {
      const own = figures.get(now.name);
      if (own !== undefined) own.hung++;
      finds.push(`${now.name}, mutant ${now.number}: ${what}`);
      next = now.number + 1;
    };
    worker.on('message', (message) => {
      clearTimeout(timer);
      if ('begins' in message) {
        now = { number: message.begins, name: message.name };
        timer = setTimeout(() => {
          give('no answer in 5 s');
          void worker.terminate();
        }, HUNG_MS);
        return;
      }
      const own = figures.get(message.name);
      own.read++;
      own.slowest = Math.max(own.slowest, message.ms);
      peak = Math.max(peak, message.rss);
      if (message.ms > SLOW_MS) {
        own.over++;
        finds.push(`${message.name}, mutant ${message.number}: ${Math.round(message.ms)} ms`);
      }
      if (message.threw !== null) {
        own.threw++;
        finds.push(`${message.name}, mutant ${message.number}: ${message.threw}`);
      }
      next = message.number + 1;
    });
    worker.on('error', (error) => give(String(error)));
    worker.on('exit', () => {
      clearTimeout(timer);
      done(next);
    });
  });
}

const until = Date.now() + (seconds * 1000) / (values.mutants === undefined ? 2 : 1);
const most = values.mutants === undefined ? Infinity : Number(values.mutants);
let number = 0;
while (number < most && (Date.now() < until || values.mutants !== undefined))
  number = await batch(number, Math.min(number + BATCH, most));
process.stdout.write(`seed ${seed}: ${number} mutants, at most ${megabytes(peak)} MB\n`);
for (const [name, { read, slowest, over, threw, hung }] of figures)
  process.stdout.write(
    `${name}: ${read} read, slowest ${Math.round(slowest)} ms, over 1 s ${over}, threw ${threw}, hung ${hung}\n`,
  );
for (const find of finds.slice(0, 50)) process.stdout.write(`FOUND ${find}\n`);
let failed = finds.length > 0;
if (values.mutants === undefined) {
  const env = { ...process.env, FUZZ_SECONDS: String(Math.round(seconds / 2)), FUZZ_SEED: String(seed) };
  const { status } = spawnSync('npm', ['run', '-s', 'jest', '--', 'server/test/fuzz'], { stdio: 'inherit', env });
  failed ||= status !== 0;
}
process.exitCode = failed ? 1 : 0;
