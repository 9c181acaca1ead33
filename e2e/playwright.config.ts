import { defineConfig } from '@playwright/test';

/** The real interface in Debian's Chromium, on the demo's data in a folder of its own. */
export default defineConfig({
  testDir: './tests',
  outputDir: '../test-results',
  timeout: 60_000,
  expect: { timeout: 10_000 },
  // The tests share one server; each makes what it needs.
  workers: 1,
  retries: 0,
  globalSetup: './support/start-demo.ts',
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
    trace: 'off',
  },
});
