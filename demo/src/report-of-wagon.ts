import { join } from 'node:path';
import { scanReport, type ScanReport } from '@clever-drawer/core/exchange/scan-report';
import { runScan } from '@clever-drawer/scan/run-scan';
import { WINDOWS_FOLDERS } from './lay-out-computers.js';

/** The scan report of the made-up Windows computer, whose files lie below a folder: what `npm run scan` would have written there. */
export async function reportOfWagon(folder: string): Promise<ScanReport> {
  const result = await runScan(WINDOWS_FOLDERS.map((name) => join(folder, name)));
  const report = scanReport(result, { name: 'Puppet wagon', system: 'windows' }, new Date());
  const root = join(folder, 'puppet-wagon-windows/');
  const there = (path: string): string =>
    path.startsWith(root) ? `C:\\${path.slice(root.length).replaceAll('/', '\\')}` : path;
  return {
    ...report,
    folders: report.folders.map(there),
    plugins: report.plugins.map((plugin) => ({
      ...plugin,
      builds: plugin.builds.map((build) => ({
        ...build,
        path: there(build.path),
        presetList: build.presetList.map((preset) => ({ ...preset, key: there(preset.key) })),
      })),
    })),
    problems: report.problems.map((problem) => ({ ...problem, path: there(problem.path) })),
  };
}
