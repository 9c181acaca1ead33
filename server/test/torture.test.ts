/** A short run of `npm run torture`: the server and the database under it are killed while changes are made, and nothing acknowledged is lost. */
import { execFile } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { promisify } from 'node:util';

const PROGRAM = fileURLToPath(new URL('../../scripts/torture.mjs', import.meta.url));

it('one kill of the server and one of the database: nothing that was acknowledged is lost, and no answer is a fault of the server’s own', async () => {
  const { stdout } = await promisify(execFile)(process.execPath, [PROGRAM, '--kills', '2']);
  const [, acknowledged, lost] = /(\d+) acknowledged, (\d+) lost/.exec(stdout) ?? [];
  expect([lost, stdout]).toEqual(['0', expect.stringContaining('other than 503: none')]);
  expect(Number(acknowledged)).toBeGreaterThan(0);
}, 300_000);
