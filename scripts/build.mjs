// npm run build: builds all packages.
import { checkNode, needBuild, needPackages } from './lib/prepare.mjs';
import { endWith } from './lib/run.mjs';

try {
  checkNode();
  await needPackages();
  await needBuild({ force: process.argv.includes('--force') });
} catch (error) {
  endWith(error);
}
