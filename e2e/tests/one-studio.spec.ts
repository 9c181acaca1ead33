/** A data folder of before, with an arrangement for each of two computers, opened by today's version. */
import { expect, test } from '@playwright/test';
import { chmod, mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startCluster, type Cluster } from '../../server/dist/database/cluster.js';
import { readForm, restore } from '../../server/test/support/forms';
import { ended, startOn } from '../support/own-server';
import { accessible, front } from '../support/studio';

let outer: string;
let cluster: Cluster;
let server: Awaited<ReturnType<typeof startOn>>;

test.beforeAll(async () => {
  outer = await mkdtemp(join(tmpdir(), 'clever-drawer-before-'));
  // The database's own user must pass through it when the tests run as root.
  await chmod(outer, 0o755);
  cluster = await startCluster(join(outer, 'data'), { throwaway: true });
  await restore(cluster.url, await readForm('PresetsInBanks1768000000000'));
  server = await startOn('', { DATABASE_URL: cluster.url, XDG_CONFIG_HOME: join(outer, 'settings') });
});
test.afterAll(async () => {
  server.child.removeAllListeners('exit');
  const gone = ended(server.child);
  server.child.kill('SIGTERM');
  await gone;
  await cluster.stop();
  await rm(outer, { recursive: true, force: true });
});

test('both arrangements stand in one, and Keep tells and exports what was said otherwise', async ({ page }, info) => {
  const computers = (await (await fetch(`${server.url}/api/computers`)).json()) as { id: string; name: string }[];
  for (const computer of ['Music room', 'Puppet wagon']) {
    const id = computers.find((one) => one.name === computer)?.id ?? '';
    await page.goto(`${server.url}/${id}/sort`);
    await expect(page.getByText('Everyday (Puppet wagon)').first()).toBeVisible();
    await expect(front(page, 'Space')).toBeVisible();
  }
  // The plugin whose vendor one of them did not know stands once.
  await expect(page.getByRole('row', { name: /Copper EQ/ })).toHaveCount(1);
  await page.keyboard.press('Alt+k');
  const report = page.getByRole('region', { name: 'One arrangement from 2 computers' });
  await expect(report).toContainText('Everyday is called Everyday (Puppet wagon)');
  await expect(report.getByRole('row', { name: /nickname Vestry Plate Church Barn/ })).toBeVisible();
  await accessible(page);
  await page.emulateMedia({ colorScheme: 'dark' });
  await accessible(page);
  const waiting = page.waitForEvent('download');
  await report.getByRole('link', { name: 'Export this report' }).click();
  const file = info.outputPath('report.json');
  await (await waiting).saveAs(file);
  expect(JSON.parse(await readFile(file, 'utf8'))).toMatchObject({
    report: { first: 'Music room', computers: [{ name: 'Puppet wagon' }] },
  });
});
