// npm test: installs what is missing, then format, lint, types, walls, unit and API tests, browser tests. Ends with "N passed, N failed".
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { checkNode, DEBIAN, needBuild, needDebian, needPackages } from './lib/prepare.mjs';
import { endWith, ROOT, run } from './lib/run.mjs';

const OUT = join(ROOT, 'test-results');
const node = (...args) => run(process.execPath, args);
const bin = (path) => join('node_modules', path);

/** Checks that pass or fail as a whole. */
const CHECKS = [
  ['format', () => node(bin('prettier/bin/prettier.cjs'), '--check', '--log-level', 'warn', '.')],
  ['lint', () => node(bin('eslint/bin/eslint.js'), '.')],
  ['types of the pages', () => node(bin('typescript/bin/tsc'), '-p', 'web')],
  ['types of the tests', () => node(bin('typescript/bin/tsc'), '-p', 'tsconfig.tests.json')],
  [
    'walls',
    () =>
      node(
        bin('dependency-cruiser/bin/dependency-cruise.mjs'),
        '--config',
        '.dependency-cruiser.cjs',
        ...['core', 'contract', 'scan', 'server', 'web', 'demo'],
      ),
  ],
];

const total = { passed: 0, failed: 0 };
const count = (passed, failed) => {
  total.passed += passed;
  total.failed += failed;
};

try {
  checkNode();
  await needDebian([...DEBIAN.database, ...DEBIAN.tests]);
  await needPackages();
  await needBuild();
  mkdirSync(OUT, { recursive: true });
  for (const [name, check] of CHECKS) {
    const good = (await check()) === 0;
    process.stdout.write(`${good ? 'passed' : 'FAILED'}: ${name}\n`);
    count(good ? 1 : 0, good ? 0 : 1);
  }
  await jest();
  await browser();
  process.stdout.write(`${total.passed} passed, ${total.failed} failed\n`);
  process.exitCode = total.failed === 0 ? 0 : 1;
} catch (error) {
  endWith(error);
}

async function jest() {
  const report = fresh('jest.json');
  const args = [
    '--experimental-vm-modules',
    '--no-warnings',
    bin('jest/bin/jest.js'),
    '--ci',
    '--json',
    `--outputFile=${report}`,
  ];
  const code = await run(process.execPath, [...args, '--maxWorkers=2'], { quiet: true });
  const { numPassedTests = 0, numFailedTests = 0, numRuntimeErrorTestSuites = 0 } = read(report);
  count(
    numPassedTests,
    numFailedTests + numRuntimeErrorTestSuites + silentFailure(code, numFailedTests + numRuntimeErrorTestSuites),
  );
}

async function browser() {
  const report = fresh('playwright.json');
  const args = [bin('@playwright/test/cli.js'), 'test', '-c', 'e2e/playwright.config.ts', '--reporter=line,json'];
  const code = await run(process.execPath, args, { env: { PLAYWRIGHT_JSON_OUTPUT_NAME: report } });
  const { expected = 0, unexpected = 0, flaky = 0 } = read(report).stats ?? {};
  count(expected, unexpected + flaky + silentFailure(code, unexpected + flaky));
}

/** A runner that ends badly without a failed test has failed all the same. */
function silentFailure(code, failed) {
  return code !== 0 && failed === 0 ? 1 : 0;
}

function fresh(name) {
  rmSync(join(OUT, name), { force: true });
  return join(OUT, name);
}

function read(file) {
  try {
    return JSON.parse(readFileSync(file, 'utf8'));
  } catch {
    // No report at all: the exit code says the rest.
    return {};
  }
}
