/** Guards STAMP_VERSION: what the readers and the inference say of unchanged files may only change together with it, or computers would keep what older readers said. */
import { createHash } from 'node:crypto';
import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { catalogueOf } from '@clever-drawer/core/catalogue/plugin';
import { runScan } from '../../scan/src/run-scan';
import { STAMP_VERSION } from '../../scan/src/stamp';
import { allFiles, layOutComputers, MAC_FOLDERS, WINDOWS_FOLDERS } from '../src/lay-out-computers';

interface Golden {
  readonly version: string;
  readonly files: string;
  readonly readings: string;
}

const GOLDEN = new URL('./golden-readings.json', import.meta.url);
const digest = (parts: Iterable<string | Uint8Array>): string => {
  const hash = createHash('sha256');
  for (const part of parts) hash.update(part).update('\0');
  return hash.digest('hex').slice(0, 32);
};

async function currentGolden(): Promise<Golden> {
  const folder = await mkdtemp(join(tmpdir(), 'clever-drawer-golden-'));
  try {
    const home = join(folder, 'computers');
    await layOutComputers(home);
    const texts: string[] = [];
    for (const folders of [MAC_FOLDERS, WINDOWS_FOLDERS]) {
      const { builds } = await runScan(folders.map((path) => join(home, path)));
      // The folder has another name in each run.
      texts.push(JSON.stringify(catalogueOf(builds)).replaceAll(home, ''));
    }
    return { version: STAMP_VERSION, files: digest([...allFiles()].flat()), readings: digest(texts) };
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

it('readers that say something else about unchanged files come with another STAMP_VERSION', async () => {
  const now = await currentGolden();
  // `NOTE_GOLDEN=1 npm run jest -- demo/test/golden` notes the digests of today.
  if (process.env.NOTE_GOLDEN !== undefined) await writeFile(GOLDEN, `${JSON.stringify(now, null, 2)}\n`);
  const golden = JSON.parse(await readFile(GOLDEN, 'utf8')) as Golden;
  if (now.files === golden.files && now.readings !== golden.readings && now.version === golden.version)
    throw new Error(
      'Readers or inference say something else about unchanged files: raise STAMP_VERSION in scan/src/stamp.ts.',
    );
  expect(now).toEqual(golden);
}, 240_000);
