// Runs programs for the scripts. Plain Node: this works before anything is installed.
import { spawn, spawnSync } from 'node:child_process';
import { dirname } from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = dirname(dirname(dirname(fileURLToPath(import.meta.url))));

/** A reason to stop, in a sentence with its remedy. */
export class Stop extends Error {}

/** Ends the script with the sentence of a Stop, or the error itself when it is a bug. */
export function endWith(error) {
  if (!(error instanceof Stop)) throw error;
  process.stderr.write(`${error.message}\n`);
  process.exitCode = 1;
}

/** Whether a program can be started. */
export const has = (program) => spawnSync('sh', ['-c', `command -v ${program}`], { stdio: 'ignore' }).status === 0;

/** Runs a program to its end; resolves to its exit code. Output goes to standard error when `quiet`, so that standard output stays clean. */
export function run(program, args, { env = {}, quiet = false, cwd = ROOT } = {}) {
  return new Promise((resolve) => {
    const child = spawn(program, args, {
      cwd,
      env: { ...process.env, ...env },
      stdio: ['ignore', quiet ? 2 : 'inherit', 'inherit'],
    });
    child.on('error', () => resolve(127));
    child.on('exit', (code, signal) => resolve(code ?? (signal ? 1 : 0)));
  });
}
