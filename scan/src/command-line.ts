import { writeFile } from 'node:fs/promises';
import { hostname } from 'node:os';
import { SingleBar } from 'cli-progress';
import { Command, CommanderError } from 'commander';
import { MAX_NAME_LENGTH } from '@clever-drawer/core/chests/rows/row-kind';
import { scanReport, type ScanReport } from '@clever-drawer/core/exchange/scan-report';
import { LEFT_OUT_TEXTS, leftOutCounts } from '@clever-drawer/core/facts/left-out';
import { runScan } from './run-scan.js';
import { thisSystem } from './this-system.js';

interface Streams {
  readonly out: (text: string) => void;
  readonly err: (text: string) => void;
  /** Whether a progress bar may be drawn on standard error. */
  readonly drawsBar: boolean;
}

const MANY_PROBLEMS = 20;

/**
 * The command `scan FOLDER... [--json FILE|-] [--no-ask] [--computer NAME]`. Returns the exit code: 0 when every folder could be looked at (problems with single plugins are
 * part of the report), 1 when a folder could not or the report could not be written, 2 when the call is wrong.
 */
export async function scanCommand(args: readonly string[], { out, err, drawsBar }: Streams): Promise<number> {
  const program = new Command('scan')
    .usage('FOLDER... [--json FILE|-] [--no-ask] [--computer NAME]')
    .description(
      'Reads what plugins are in folders. Those whose files tell too little are loaded, in processes of their own, and asked.',
    )
    .argument('<FOLDER...>', 'plugin folders, bundles or files')
    .option('--json <FILE>', 'write the report as JSON to a file, or to standard output with -')
    .option('--no-ask', 'load no plugin: only read files')
    .option('--computer <NAME>', 'the name of this computer in the report', hostname() || 'This computer')
    .exitOverride()
    .configureOutput({ writeOut: out, writeErr: err });
  try {
    program.parse([...args], { from: 'user' });
  } catch (error) {
    return error instanceof CommanderError && error.exitCode === 0 ? 0 : 2;
  }
  const { json, ask, computer } = program.opts<{ json?: string; ask: boolean; computer: string }>();
  const report = await reportOf(program.args, ask, computer.slice(0, MAX_NAME_LENGTH), drawsBar);
  if (json === '-') {
    out(`${JSON.stringify(report, null, 2)}\n`);
  } else {
    if (json !== undefined) {
      try {
        await writeFile(json, `${JSON.stringify(report, null, 2)}\n`);
      } catch (error) {
        err(
          `The report could not be written to ${json}: ${(error as Error).message}\nName a file in a folder that you may write to.\n`,
        );
        return 1;
      }
    }
    out(summary(report));
  }
  const folderFailed = report.problems.some(
    (problem) => problem.code.startsWith('folder-') && report.folders.includes(problem.path),
  );
  return folderFailed ? 1 : 0;
}

async function reportOf(
  folders: readonly string[],
  ask: boolean,
  computer: string,
  drawsBar: boolean,
): Promise<ScanReport> {
  const bar = drawsBar
    ? new SingleBar({ format: '{bar} {value} of {total} read  {file}', stream: process.stderr, clearOnComplete: true })
    : null;
  bar?.start(0, 0, { file: '' });
  const result = await runScan(folders, {
    mayAsk: () => ask,
    onProgress: ({ found, read, current }) => {
      bar?.setTotal(found);
      bar?.update(read, { file: current ?? '' });
    },
  });
  bar?.stop();
  return scanReport(result, { name: computer, system: thisSystem() }, new Date());
}

function summary(report: ScanReport): string {
  const builds = report.plugins.flatMap((plugin) => plugin.builds);
  const counts = new Map<string, number>();
  for (const build of builds) counts.set(build.format, (counts.get(build.format) ?? 0) + 1);
  const { found, problems, leftOut } = report.lookedAt;
  const formats = [...counts].map(([format, count]) => `${format} ${String(count)}`).join(', ');
  const lines = [
    `${plural(report.plugins.length, 'plugin')} in ${plural(builds.length, 'build')}${formats === '' ? '' : ` (${formats})`}, ${plural(report.problems.length, 'problem')}`,
    ...report.problems.slice(0, MANY_PROBLEMS).map((one) => `  ${one.path}\n    ${one.message} ${one.remedy}`),
  ];
  if (leftOut.length > 0) {
    const reasons = leftOutCounts(leftOut).map(({ reason, count }) => {
      const { one, many } = LEFT_OUT_TEXTS[reason];
      return `${String(count)} ${count === 1 ? one : many}`;
    });
    const looked = found + problems + leftOut.length;
    lines.splice(
      1,
      0,
      `${String(looked)} looked at, ${String(leftOut.length)} of them left out: ${reasons.join(', ')}`,
    );
  }
  const more = report.problems.length - MANY_PROBLEMS;
  if (more > 0) lines.push(`  and ${plural(more, 'more problem')}; --json lists them all`);
  return `${lines.join('\n')}\n`;
}

const plural = (count: number, noun: string): string => `${String(count)} ${noun}${count === 1 ? '' : 's'}`;
