// npm run openapi: writes the document of the interface anew, from its table in contract/src/api.ts.
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { format, resolveConfig } from 'prettier';
import { endWith, ROOT, run, Stop } from './lib/run.mjs';

try {
  if ((await run(process.execPath, ['node_modules/typescript/bin/tsc', '-b', 'contract'])) !== 0)
    throw new Stop('The build failed; the reason stands above.');
  const { openApiDocument } = await import(pathToFileURL(join(ROOT, 'contract/dist/openapi.js')).href);
  const file = join(ROOT, 'docs/api/openapi.json');
  mkdirSync(join(ROOT, 'docs/api'), { recursive: true });
  const options = await resolveConfig(file);
  writeFileSync(file, await format(JSON.stringify(openApiDocument()), { ...options, filepath: file }));
} catch (error) {
  endWith(error);
}
