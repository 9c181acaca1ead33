import { existsSync } from 'node:fs';

/** Debian's Chromium without windows of its own, which does the same with a third less work; where that is not installed, the whole one. */
const HEADLESS = '/usr/bin/chromium-headless-shell';
const WHOLE = '/usr/bin/chromium';

/** Whether there is a Chromium to test with. */
export const hasChromium = () => existsSync(HEADLESS) || existsSync(WHOLE);

/** How Debian's Chromium is started: nothing is asked of the network, and it runs as root too. */
export const CHROMIUM = {
  // Looked for when it is started: it may have been installed since.
  get executablePath() {
    return existsSync(HEADLESS) ? HEADLESS : WHOLE;
  },
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
};
