import { defineConfig } from '@playwright/test';
import { CHROMIUM } from '../scripts/lib/browser.mjs';

/** The real interface in Debian's Chromium, on the demo's data in a folder of its own. */
export default defineConfig({
  testDir: './tests',
  outputDir: '../test-results',
  timeout: 120_000,
  expect: { timeout: 20_000 },
  // The tests share one server; each makes what it needs.
  workers: 1,
  retries: 0,
  globalSetup: './support/start-demo.ts',
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: CHROMIUM,
    trace: 'off',
  },
});
