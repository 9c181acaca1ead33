// npm run scan -- FOLDER... [--json FILE|-]: the scan without database or server. Builds itself when needed; standard output is the report's alone.
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { checkNode, needBuild, needPackages } from './lib/prepare.mjs';
import { endWith, ROOT } from './lib/run.mjs';

try {
  checkNode();
  await needPackages();
  await needBuild({ web: false });
  // npm starts scripts in the project's folder; paths are meant from where the command was typed.
  process.chdir(process.env.INIT_CWD ?? process.cwd());
  await import(pathToFileURL(join(ROOT, 'scan/dist/main.js')).href);
} catch (error) {
  endWith(error);
}
