import { writeFileSync } from 'node:fs';
import { fill } from './at-large.mjs';
import { grow } from './tmp-size.mjs';
import { withServer } from './own-server.mjs';
await withServer(async (url, databaseUrl, pid) => {
  const [computer] = await (await fetch(`${url}/api/computers`)).json();
  await fill(databaseUrl, computer.id);
  await grow(databaseUrl, computer.id);
  writeFileSync('/tmp/held.json', JSON.stringify({ url, databaseUrl, pid, computer: computer.id }));
  await new Promise((done) => process.once('SIGINT', done));
});
