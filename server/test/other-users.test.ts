/** Loopback is open to every user of a computer; the application is not. proc(5), /proc/net/tcp. */
import { execFile } from 'node:child_process';
import { promisify } from 'node:util';
import { endsIn, ownerOf } from '../src/http/own-user';
import { api, useStudio } from './support/studio';

useStudio();

const HEAD = '  sl  local_address rem_address   st tx_queue rx_queue tr tm->when retrnsmt   uid  timeout inode\n';
const line = (local: string, remote: string, uid: number): string =>
  `   0: ${local} ${remote} 01 00000000:00000000 00:00000000 00000000  ${String(uid)}        0 4711 1 0000000000000000 20 4 30 10 -1\n`;
const [OURS, THEIRS] = ['0100007F:10D6', '0100007F:C350'];
const MAPPED = '0000000000000000FFFF0000';
const SOCKET = { localPort: 0x10d6, remotePort: 0xc350 };
const owner = (...tables: string[]) => ownerOf(SOCKET, () => Promise.resolve(tables));

it('tells who owns the other end, from an IPv6 socket as well; and when nobody does, or the system does not tell', async () => {
  expect(endsIn(HEAD + line(THEIRS, OURS, 1000))).toEqual([{ local: THEIRS, remote: OURS, uid: 1000 }]);
  expect(await owner(HEAD + line(OURS, THEIRS, 7) + line(THEIRS, OURS, 1000))).toBe(1000);
  expect(await owner(HEAD, HEAD + line(MAPPED + THEIRS, MAPPED + OURS, 1001))).toBe(1001);
  expect(await owner(HEAD + line(OURS, THEIRS, 7))).toBe('nobody');
  expect(await owner('', '')).toBe('unknown');
  expect(await owner('nonsense\n\n1 2 3\n')).toBe('unknown');
});

it('who started it is let in', async () => {
  expect((await fetch(`${api.url}/api/health`)).status).toBe(200);
});

const asRoot = process.platform === 'linux' && process.getuid?.() === 0 ? it : it.skip;
asRoot('another user is refused in words, whatever is asked', async () => {
  const ask = `const response = await fetch(process.argv[1]); console.log(response.status, await response.text());`;
  const args = ['--reuid=65534', '--regid=65534', '--clear-groups', process.execPath, '--input-type=module', '-e', ask];
  for (const path of ['/api/computers', '/api/openapi.json', '/']) {
    const { stdout } = await promisify(execFile)('setpriv', [...args, `${api.url}${path}`], { cwd: '/' });
    expect(stdout).toContain('403');
    expect(stdout).toContain('CLEVER_DRAWER_USERS');
  }
});
