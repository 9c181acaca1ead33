import { mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Ajv2020 from 'ajv/dist/2020';
import type { ScanReport } from '@clever-drawer/core/exchange/scan-report';
import { scanCommand } from '../src/command-line';
import { copyOfPackage } from './support';

const LV2_FOLDER = copyOfPackage('lv2-examples', await mkdtemp(join(tmpdir(), 'clever-drawer-cli-lv2-')));
afterAll(() => rm(LV2_FOLDER, { recursive: true }));

async function call(...args: string[]) {
  let [out, err] = ['', ''];
  const code = await scanCommand(args, { out: (text) => (out += text), err: (text) => (err += text), drawsBar: false });
  return { code, out, err };
}
const schema = JSON.parse(
  await readFile(new URL('../../docs/schemas/scan-report-4.schema.json', import.meta.url), 'utf8'),
) as object;
const accepts = new Ajv2020({ formats: { 'date-time': (text: string) => !Number.isNaN(Date.parse(text)) } }).compile(
  schema,
);

describe('the scan command', () => {
  it('writes one document that its schema accepts, and nothing else', async () => {
    const { code, out, err } = await call(LV2_FOLDER, '--json', '-');
    const report = JSON.parse(out) as ScanReport;
    expect(accepts(report) ? [] : accepts.errors).toEqual([]);
    expect([code, err]).toEqual([0, '']);
    expect(report.plugins.length).toBeGreaterThan(3);
  });

  it('the schema refuses a guess in the place of null', () => {
    expect(
      accepts({
        schema: 'clever-drawer/scan-report/4',
        computer: { name: 'Puppet wagon', system: 'linux' },
        scannedAt: '2026-01-01T00:00:00Z',
        folders: [],
        plugins: [],
        problems: [],
        lookedAt: { found: 0, problems: 0, leftOut: [] },
      }),
    ).toBe(true);
    expect(
      accepts({
        schema: 'clever-drawer/scan-report/4',
        computer: { name: 'Puppet wagon', system: 'linux' },
        scannedAt: '2026-01-01T00:00:00Z',
        folders: [],
        plugins: [{ id: 'a', name: 'A', vendor: 7 }],
        problems: [],
        lookedAt: { found: 0, problems: 0, leftOut: [] },
      }),
    ).toBe(false);
  });

  it('prints a summary, writes a file, and says what to do about a folder that is not there', async () => {
    const folder = await mkdtemp(join(tmpdir(), 'clever-drawer-cli-'));
    const { code, out } = await call(LV2_FOLDER, '/no/such/folder', '--json', join(folder, 'report.json'));
    expect(code).toBe(1);
    expect(out).toMatch(/^\d+ plugins in \d+ builds \(LV2 \d+\), 1 problem\n/);
    expect(out).toContain('/no/such/folder\n    This folder does not exist. Check the spelling');
    expect(accepts(JSON.parse(await readFile(join(folder, 'report.json'), 'utf8')))).toBe(true);
    await rm(folder, { recursive: true });
  });

  it('says how it is called, and where a report can not be written', async () => {
    expect(await call()).toMatchObject({ code: 2, err: expect.stringContaining('FOLDER') as string });
    expect(await call(LV2_FOLDER, '--json', '/no/such/folder/x.json')).toMatchObject({
      code: 1,
      err: expect.stringContaining('could not be written') as string,
    });
  });
});
