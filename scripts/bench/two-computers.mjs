// Two computers of 25,000 plugins each, half of them shared, against one of 50,000: a report that changes one build, and the catalogue that follows.
import { inventPlugins, numbers } from './invented-plugins.mjs';
import { load, middle, tell } from './measure.mjs';
import { withServer } from './own-server.mjs';

const EACH = 25_000;
const ROUNDS = 3;

export async function benchTwoComputers() {
  const plugins = await inventPlugins(numbers(20261125), 2 * EACH);
  const half = EACH / 2;
  const two = await measured([
    { name: 'One', plugins: plugins.slice(0, EACH) },
    { name: 'Other', plugins: plugins.slice(half, half + EACH) },
  ]);
  const one = await measured([{ name: 'One', plugins }]);
  const of = `with two computers of ${EACH} plugins, half of them shared`;
  const other = `one computer of ${2 * EACH}`;
  tell(`A report that changes one build is brought in ${of}`, middle(two.reports), other, middle(one.reports));
  tell(`The catalogue is answered ${of}`, middle(two.catalogues), other, middle(one.catalogues));
}

const measured = (computers) =>
  withServer(async (url) => {
    for (const computer of computers) await bringIn(url, await reportOf(computer, 0));
    const [reports, catalogues] = [[], []];
    for (let round = 1; round <= ROUNDS; round++) {
      const report = await reportOf(computers.at(-1), round);
      const start = performance.now();
      const { computerId } = await bringIn(url, report);
      reports.push(performance.now() - start);
      const from = performance.now();
      await (await fetch(`${url}/api/computers/${computerId}/catalogue`, { headers: { connection: 'close' } })).text();
      catalogues.push(performance.now() - from);
    }
    return { reports, catalogues };
  });

/** The scan report of an invented computer; `version` is that of its first build. */
async function reportOf({ name, plugins }, version) {
  const { scanReport } = await load('core/dist/exchange/scan-report.js');
  const builds = plugins.map((plugin, at) => ({
    format: 'LV2',
    identifier: `urn:${encodeURIComponent(plugin.name)}`,
    path: `/plugins/${at}.lv2`,
    name: plugin.name,
    vendor: plugin.vendor,
    version: at === 0 ? `1.${version}` : '1.0',
    description: null,
    declaredTypes: ['ReverbPlugin'],
    audioInputs: 2,
    audioOutputs: 2,
    sidechainInputs: 0,
    controlInputs: 0,
    controlOutputs: 0,
    midiInput: false,
    midiOutput: false,
    architectures: ['x86-64'],
    presets: null,
    presetList: [],
    pictures: [],
    replaces: [],
    sources: { name: 'manifest' },
    others: [],
    asked: null,
    printed: null,
  }));
  const lookedAt = { found: builds.length, problems: 0, leftOut: [] };
  const result = { builds, faults: [], folders: ['/plugins'], lookedAt };
  return scanReport(result, { name, system: 'linux' }, new Date());
}

async function bringIn(url, report) {
  const response = await fetch(`${url}/api/reports`, {
    method: 'POST',
    // A line that lay idle while a report was made may be closed just now.
    headers: { 'content-type': 'application/json', connection: 'close' },
    body: JSON.stringify({ report, computerId: null }),
  });
  const answer = await response.json();
  if (!response.ok) throw new Error(`a report was not brought in: ${JSON.stringify(answer).slice(0, 500)}`);
  return answer;
}
