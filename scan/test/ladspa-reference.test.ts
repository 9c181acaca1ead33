/** LADSPA plugins asked by Clever Drawer, beside what another program says of them. */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { runScan } from '../src/run-scan';
import { copyOfPackage } from './support';

const FOLDER = copyOfPackage('ladspa-sdk', mkdtempSync(join(tmpdir(), 'clever-drawer-ladspa-')));
afterAll(() => rmSync(FOLDER, { recursive: true }));

describe("Debian's ladspa-sdk, as its own analyseplugin reads it", () => {
  it('has the same plugins with the same ids, labels, names, makers and audio ports', async () => {
    const files = readdirSync(FOLDER).map((name) => join(FOLDER, name));
    const expected = files.flatMap((file) => analysed(file));
    const result = await runScan([FOLDER], { mayAsk: () => true });
    expect(
      result.builds
        .map(({ identifier, name, vendor, audioInputs, audioOutputs }) => ({
          identifier,
          name,
          vendor,
          audioInputs,
          audioOutputs,
        }))
        .sort(byId),
    ).toEqual(expected.sort(byId));
    expect(expected.length).toBeGreaterThan(5);
    expect(result.faults).toEqual([]);
  });

  const byId = (a: { identifier: string | null }, b: { identifier: string | null }): number =>
    (a.identifier ?? '') < (b.identifier ?? '') ? -1 : 1;

  function analysed(file: string) {
    let text = '';
    try {
      text = execFileSync('analyseplugin', [file], { encoding: 'utf8', stdio: ['ignore', 'pipe', 'ignore'] });
    } catch {
      return [];
    }
    return text
      .split(/\n(?=Plugin Name: )/)
      .filter((part) => part.includes('Plugin Label'))
      .map((part) => {
        const field = (name: string): string => new RegExp(`${name}: "?(.*?)"?\\n`).exec(part)?.[1]?.trim() ?? '';
        return {
          identifier: `${field('Plugin Unique ID')}/${field('Plugin Label')}`,
          name: field('Plugin Name'),
          vendor: field('Maker'),
          audioInputs: part.match(/ input, audio/g)?.length ?? 0,
          audioOutputs: part.match(/ output, audio/g)?.length ?? 0,
        };
      });
  }
});
