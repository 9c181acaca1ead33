// What every figure of the bench is measured and told with.
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { ROOT } from '../lib/run.mjs';

export const load = (path) => import(pathToFileURL(join(ROOT, path)).href);
export const ROUNDS = 5;

/** The middle of several runs in milliseconds; work and baseline take turns, so that a busy moment meets both. */
export async function against(figure, what, work, baseline) {
  const times = { work: [], baseline: [] };
  for (let round = 0; round < ROUNDS; round++) {
    for (const [name, run] of [
      ['work', work],
      ['baseline', baseline],
    ]) {
      const start = performance.now();
      await run();
      times[name].push(performance.now() - start);
    }
  }
  tell(figure, middle(times.work), what, middle(times.baseline));
}

/** One line of JSON: a figure, the baseline of the same run, and their ratio. */
export function tell(figure, value, what, baseline, unit = 'ms') {
  const round = (number) => Number(number.toPrecision(4));
  const line = {
    figure,
    value: round(value),
    unit,
    baseline: { what, value: round(baseline) },
    ratio: round(value / baseline),
  };
  process.stdout.write(`${JSON.stringify(line)}\n`);
}

export function middle(values) {
  return [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)];
}
