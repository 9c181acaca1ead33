// Installs and builds what is missing, so that one command is enough on a fresh machine.
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { hasChromium } from './browser.mjs';
import { has, ROOT, run, Stop } from './run.mjs';

const SOURCES = ['core', 'contract', 'scan', 'server', 'web', 'demo'];

/** Debian packages by what they are for: the name, and how to see that it is there. */
export const DEBIAN = {
  database: [
    {
      name: 'postgresql',
      isThere: () =>
        existsSync('/usr/lib/postgresql') &&
        readdirSync('/usr/lib/postgresql').some((version) => existsSync(`/usr/lib/postgresql/${version}/bin/pg_ctl`)),
    },
  ],
  tests: [
    { name: 'chromium-headless-shell', isThere: hasChromium },
    { name: 'gcc', isThere: () => has('gcc') },
    { name: 'libc6-dev', isThere: () => existsSync('/usr/include/stdio.h') },
    { name: 'binutils', isThere: () => has('nm') },
    { name: 'curl', isThere: () => has('curl') },
    { name: 'pkg-config', isThere: () => has('pkg-config') },
    { name: 'liblilv-dev', isThere: () => existsSync('/usr/include/lilv-0/lilv/lilv.h') },
    { name: 'lv2-dev', isThere: () => existsSync('/usr/lib/lv2/core.lv2/lv2core.ttl') },
    { name: 'lv2-examples', isThere: () => existsSync('/usr/lib/lv2/eg-amp.lv2') },
    { name: 'ladspa-sdk', isThere: () => existsSync('/usr/lib/ladspa/amp.so') },
  ],
};

export function checkNode() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19)) {
    throw new Stop(
      `Node.js ${process.versions.node} is too old: version 20.19 or later is needed. Install a newer Node.js, then run this again.`,
    );
  }
}

/** Installs missing Debian packages as root or through a sudo that asks nothing; otherwise says which command to run. */
export async function needDebian(packages) {
  const missing = packages.filter((one) => !one.isThere()).map((one) => one.name);
  if (missing.length === 0) return;
  const asRoot = process.getuid?.() === 0;
  const command = ['apt-get', 'install', '-y', '--no-install-recommends', ...missing];
  const remedy = `Install it with: sudo ${command.join(' ')}`;
  if (!has('apt-get'))
    throw new Stop(`Missing: ${missing.join(', ')}. This system has no apt-get; install the packages its own way.`);
  const maySudo = !asRoot && has('sudo') && (await run('sudo', ['-n', 'true'], { quiet: true })) === 0;
  if (!asRoot && !maySudo) throw new Stop(`Missing: ${missing.join(', ')}. ${remedy}`);
  process.stderr.write(`Installing ${missing.join(', ')} …\n`);
  const env = { DEBIAN_FRONTEND: 'noninteractive' };
  const apt = (args) =>
    asRoot ? run('apt-get', args, { env, quiet: true }) : run('sudo', ['-n', 'apt-get', ...args], { env, quiet: true });
  // The list of packages may be old or empty: it is fetched first, and a failure there still lets the install try.
  await apt(['update', '-q']);
  if ((await apt(command.slice(1))) !== 0)
    throw new Stop(`The installation of ${missing.join(', ')} failed; the reason stands above. ${remedy}`);
}

/** Installs the npm packages when they are absent or the lock file has changed since. */
export async function needPackages() {
  const mark = join(ROOT, 'node_modules', '.installed-lock');
  const lock = createHash('sha256')
    .update(readFileSync(join(ROOT, 'package-lock.json')))
    .digest('hex');
  if (existsSync(mark) && readFileSync(mark, 'utf8') === lock) return;
  process.stderr.write('Installing the npm packages …\n');
  const code = await run('npm', ['ci', '--ignore-scripts', '--no-audit', '--no-fund', '--loglevel=error'], {
    quiet: true,
  });
  if (code !== 0)
    throw new Stop(
      'The npm packages could not be installed; the reason stands above. Check the network and the disk, then run this again.',
    );
  writeFileSync(mark, lock);
}

/** Builds what has changed since the last build. */
export async function needBuild({ force = false, web = true } = {}) {
  const mark = join(ROOT, web ? '.build-stamp' : '.build-stamp-server');
  const newest = newestChange();
  if (!force && existsSync(mark) && readFileSync(mark, 'utf8') === newest) return;
  process.stderr.write('Building …\n');
  const steps = [['node_modules/typescript/bin/tsc', '-b', ...(web ? [] : ['scan'])]];
  if (web) steps.push(['node_modules/vite/bin/vite.js', 'build', 'web', '--logLevel', 'warn']);
  for (const step of steps) {
    if ((await run(process.execPath, step, { quiet: true })) !== 0)
      throw new Stop('The build failed; the reason stands above.');
  }
  // Looked at again, because the build has made the dist folders that it counts.
  writeFileSync(mark, newestChange());
}

/** Names, sizes and times of all sources in one mark. */
function newestChange() {
  const hash = createHash('sha256');
  const look = (folder) => {
    for (const entry of readdirSync(folder, { withFileTypes: true }).sort((a, b) => (a.name < b.name ? -1 : 1))) {
      if (entry.name === 'dist' || entry.name === 'node_modules') continue;
      const path = join(folder, entry.name);
      if (entry.isDirectory()) look(path);
      else hash.update(`${path}|${statSync(path).size}|${statSync(path).mtimeMs}\n`);
    }
  };
  for (const source of SOURCES) look(join(ROOT, source));
  hash.update(readFileSync(join(ROOT, 'package-lock.json')));
  // A dist folder that was removed by hand must be made again.
  hash.update(SOURCES.map((source) => existsSync(join(ROOT, source, 'dist'))).join());
  return hash.digest('hex');
}
