/** Reads Debian's LV2 bundles and holds the result to what liblilv, the LV2 reference library, says of them. */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { LV2_MEANINGS } from '@clever-drawer/core/catalogue/declared-types';
import { Graph } from '@clever-drawer/core/facts/turtle';
import { runScan, type ScanResult } from '../src/run-scan';
import { copyOfPackage } from './support';

const LV2 = 'http://lv2plug.in/ns/lv2core#';
const RDFS = 'http://www.w3.org/2000/01/rdf-schema#';
const FOLDER = mkdtempSync(join(tmpdir(), 'clever-drawer-lv2-'));
for (const name of ['lv2-dev', 'lv2-examples']) copyOfPackage(name, FOLDER);
afterAll(() => rmSync(FOLDER, { recursive: true }));

/** What liblilv says, by a small program that is built against it here. */
function askLiblilv() {
  const program = join(mkdtempSync(join(tmpdir(), 'clever-drawer-lilv-')), 'ask');
  const source = fileURLToPath(new URL('./ask-liblilv.c', import.meta.url));
  execFileSync('sh', ['-c', 'gcc -o "$0" "$1" $(pkg-config --cflags --libs lilv-0)', program, source]);
  const told = execFileSync(program, { encoding: 'utf8', env: { ...process.env, LANG: 'C', LV2_PATH: FOLDER } });
  return told
    .trim()
    .split('\n')
    .map((line) => {
      const [identifier = '', name = '', vendor = '', kind = '', ...ports] = line.split('\t');
      const [audioInputs, audioOutputs, midiIn, midiOut] = ports.map(Number);
      const facts = { identifier, name, vendor: vendor || null, audioInputs, audioOutputs };
      return {
        ...facts,
        midiInput: midiIn === 1,
        midiOutput: midiOut === 1,
        class: kind.startsWith(LV2) ? kind.slice(LV2.length) : kind,
      };
    });
}
const lilvSays = askLiblilv();

describe("Debian's LV2 bundles, as liblilv reads them", () => {
  let result: ScanResult;
  beforeAll(async () => {
    result = await runScan([FOLDER]);
  });

  it('are the same plugins; the specification bundles hold none, and none is a problem', () => {
    expect(
      result.builds
        .filter((build) => build.format === 'LV2')
        .map((build) => build.identifier)
        .sort(),
    ).toEqual(lilvSays.map((one) => one.identifier).sort());
    expect(result.faults).toEqual([]);
  });

  it.each(lilvSays)('$identifier', ({ class: kind, vendor, ...told }) => {
    // liblilv looks for a plugin's project in its own bundle alone; the specification's describes that of the examples.
    const facts = vendor === null ? told : { ...told, vendor };
    const build = result.builds.find((one) => one.identifier === facts.identifier);
    expect(build).toMatchObject(facts);
    // lilv settles on one class, and on "Plugin" itself when none is declared.
    expect(build?.declaredTypes.length === 0 ? ['Plugin'] : build?.declaredTypes).toContain(kind);
  });

  it('the class tree of the specification maps onto ours, class by class', () => {
    const specification = new Graph();
    expect(specification.add(readFileSync(`${FOLDER}/core.lv2/lv2core.ttl`, 'utf8'), LV2, 'lv2core.ttl')).toBeNull();
    const all = specification.subjectsOfType(`${RDFS}Class`);
    const below = (parent: string): string[] => {
      const own = all.filter((one) => specification.nodes(one, `${RDFS}subClassOf`).includes(parent));
      return own.flatMap((one) => [one, ...below(one)]);
    };
    const classes = [...new Set(below(`${LV2}Plugin`))].map((one) => one.slice(LV2.length));
    expect(classes.length).toBeGreaterThan(30);
    expect(Object.keys(LV2_MEANINGS).sort()).toEqual(classes.sort());
  });
});
