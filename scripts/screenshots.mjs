// npm run screenshots: the pictures of docs/screenshots, made from a fresh demo.
import { spawn } from 'node:child_process';
import { chmodSync, mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { CHROMIUM, hasChromium } from './lib/browser.mjs';
import { checkNode, DEBIAN, needBuild, needDebian, needPackages } from './lib/prepare.mjs';
import { endWith, ROOT } from './lib/run.mjs';

const OUT = join(ROOT, 'docs/screenshots');

try {
  checkNode();
  await needDebian([...DEBIAN.database, ...DEBIAN.tests.filter((one) => one.isThere === hasChromium)]);
  await needPackages();
  await needBuild();
  const folder = mkdtempSync(join(tmpdir(), 'clever-drawer-pictures-'));
  chmodSync(folder, 0o755);
  const demo = await startDemo(folder);
  try {
    await takeAll(demo.url);
  } finally {
    await demo.stop();
    rmSync(folder, { recursive: true, force: true });
  }
} catch (error) {
  endWith(error);
}

function startDemo(folder) {
  const env = { ...process.env, PORT: '0', CLEVER_DRAWER_DATA: folder };
  const child = spawn(process.execPath, [join(ROOT, 'scripts/start.mjs'), '--demo'], {
    env,
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const stop = () =>
    new Promise((done) => {
      child.on('exit', done);
      child.kill('SIGTERM');
    });
  return new Promise((done, fail) => {
    let told = '';
    child.stdout.on('data', (text) => {
      told += text;
      const address = /answers at (http\S+)/.exec(told)?.[1];
      if (address !== undefined) done({ url: address, stop });
    });
    child.on('exit', (code) => fail(new Error(`the demo ended with ${code}`)));
  });
}

async function takeAll(url) {
  const { chromium } = await import('@playwright/test');
  mkdirSync(OUT, { recursive: true });
  const browser = await chromium.launch(CHROMIUM);
  const [computer] = await (await fetch(`${url}/api/computers`)).json();
  const open = async (place, colorScheme = 'light') => {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, colorScheme });
    await page.goto(`${url}/${computer.id}/${place}`);
    await page.getByRole('contentinfo').waitFor();
    await page.evaluate(() => document.fonts.ready);
    return page;
  };
  const take = async (page, name) => {
    await page.waitForTimeout(300);
    await page.screenshot({ path: join(OUT, `${name}.png`) });
    await page.close();
  };
  for (const [name, scheme] of [
    ['sort', 'light'],
    ['sort-night', 'dark'],
  ]) {
    const page = await open('sort', scheme);
    await page.getByRole('button', { name: /^Space,/ }).click();
    await page.getByRole('row').nth(4).click();
    await page
      .getByRole('row')
      .nth(6)
      .click({ modifiers: ['Shift'] });
    await take(page, name);
  }
  const faces = await open('sort', 'dark');
  await faces.keyboard.press('g');
  await faces.getByRole('button', { name: /^Keys & toys,/ }).click();
  await take(faces, 'faces');
  const toFile = await open('sort');
  await toFile.keyboard.press('t');
  const panel = toFile.getByRole('region', { name: 'To file' });
  for (let step = 0; step < 60 && (await panel.getByRole('option').count()) < 2; step++)
    await toFile.keyboard.press('ArrowRight');
  await take(toFile, 'to-file');
  const rule = await open('sort');
  await rule.getByRole('button', { name: /^Echoes,/ }).click();
  await rule.locator('[data-rule-text]').fill('(echo OR delay OR type:looper) AND NOT vendor:Copperhat');
  await rule.getByRole('button', { name: /^may be missing/ }).waitFor();
  await take(rule, 'rule');
  const newChest = await open('sort');
  await newChest.getByRole('button', { name: 'New chest' }).click();
  await newChest.getByLabel('A drawer for each type').check();
  await newChest.waitForTimeout(400);
  await take(newChest, 'new-chest');
  const intake = await open('intake');
  // Rules are asked a moment after the rest is there.
  await intake.getByText('filed by rules').waitFor();
  await take(intake, 'intake');
  const about = await open('sort');
  await about.getByRole('searchbox').fill('toy piano');
  await about.getByRole('row', { name: 'Cinderquay' }).click();
  await about.keyboard.press('Enter');
  await about.getByText('the preferred one first').waitFor();
  await take(about, 'plugin');
  const own = await open('sort');
  await own.keyboard.press('q');
  await own.getByLabel('Music program').fill('Fly Loft');
  await own
    .getByLabel('Names, one a line')
    .fill('Curtain Chorus\nTrapdoor Limiter\nBalcony Organ, organ\nGallery Verb, reverb, Tollgate Sound\nFoyer EQ');
  await own.getByRole('button', { name: 'Add 5 entries' }).waitFor();
  await take(own, 'own-entries');
  await take(await open('load'), 'load');
  await take(await open('keep'), 'keep');
  const page = await open('load', 'dark');
  await page.getByRole('button', { name: /^Narrator, slot 4:/ }).click();
  await page.getByRole('listbox', { name: 'Plugins that fit' }).getByRole('option').first().waitFor();
  await take(page, 'load-chooser');
  const pick = await browser.newPage({ viewport: { width: 420, height: 720 }, colorScheme: 'light' });
  await pick.goto(`${url}/pick`);
  await pick.getByRole('listbox', { name: 'Plugins that fit' }).getByRole('option').first().waitFor();
  await take(pick, 'pick');
  await browser.close();
}
