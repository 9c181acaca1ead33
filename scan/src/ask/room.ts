/** Where plugins are asked: in a closed room, where the system has one. */
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** How a process is started that loads plugins. */
export interface Room {
  /**
   * `closed`: no network, processes of its own, nothing can be written; `nobody`: as well as another user, where ours is root; `open`: with the rights of
   * whoever started the application.
   */
  readonly kind: 'nobody' | 'closed' | 'open';
  /** The command that runs a program in it. `scratch` is the one folder that it may write to. */
  readonly command: (
    program: readonly string[],
    limits: RoomLimits,
    scratch: string,
  ) => readonly [string, readonly string[]];
}

/** Limits that a process and all that it starts inherit. */
export interface RoomLimits {
  readonly megabytes: number;
}

const NOBODY = 65_534;
const MAX_PROCESSES = 2000;
/** In blocks of 512 bytes: 32 MB. */
const MAX_FILE = 65_536;

/** No core dumps, no large files, and a ceiling far above the watched limit of memory. */
const limited = ({ megabytes }: RoomLimits): string =>
  `ulimit -c 0; ulimit -f ${String(MAX_FILE)}; ulimit -d ${String(megabytes * 4 * 1024)} 2>/dev/null;`;

/**
 * Run as the first process of the new namespaces: all that is mounted becomes read-only but for the scratch folder, and whatever could be done beyond that is
 * given up. It stays and waits: as the first process a program would not be ended by signals. mount_namespaces(7), pid_namespaces(7), setpriv(1).
 */
const closing = (limits: RoomLimits, rights: string): string => `set -e
scratch=$1; shift
mount --make-rprivate /
mount --bind "$scratch" "$scratch"
while read -r _ _ _ _ point _; do
  point=$(printf '%b' "$point")
  case "$point" in "$scratch"|/proc|/proc/*|/dev|/dev/*|/sys|/sys/*) continue;; esac
  mount -o remount,bind,ro "$point"
done < /proc/self/mountinfo
${limited(limits)}
cd "$scratch"
set +e
prlimit --nproc=${String(MAX_PROCESSES)} setpriv --no-new-privs --inh-caps=-all --bounding-set=-all ${rights} "$@" &
wait $!
exit $?`;

const NAMESPACES = ['--net', '--pid', '--mount', '--ipc', '--uts', '--fork', '--mount-proc', '--kill-child=SIGKILL'];
const AS_NOBODY = `--reuid=${String(NOBODY)} --regid=${String(NOBODY)} --clear-groups`;

const closedRoom = (kind: 'nobody' | 'closed', user: readonly string[], rights: string): Room => ({
  kind,
  command: (program, limits, scratch) => [
    'setpriv',
    // Whatever ends us ends it, and its child with it.
    [
      '--pdeathsig',
      'KILL',
      'unshare',
      ...user,
      ...NAMESPACES,
      '/bin/sh',
      '-c',
      closing(limits, rights),
      'sh',
      scratch,
      ...program,
    ],
  ],
});

const OPEN: Room = {
  kind: 'open',
  command: (program, limits) => ['/bin/sh', ['-c', `${limited(limits)} exec "$@"`, 'sh', ...program]],
};

/** The rooms that this system may have, the safest first. The last one is always there. */
export const ROOMS: readonly Room[] =
  process.platform !== 'linux'
    ? [OPEN]
    : process.getuid?.() === 0
      ? [closedRoom('nobody', [], AS_NOBODY), closedRoom('closed', [], ''), OPEN]
      : [closedRoom('closed', ['--user', '--map-root-user'], ''), OPEN];

/** All that a plugin learns of its surroundings: five names. */
export const surroundings = (scratch: string): NodeJS.ProcessEnv => ({
  PATH: '/usr/local/bin:/usr/bin:/bin',
  HOME: scratch,
  TMPDIR: scratch,
  LANG: 'C.UTF-8',
  USER: 'plugin',
});

/** A folder that a process may write to, and that goes with it. */
export function createTempDir(): { readonly path: string; readonly remove: () => void } {
  const path = mkdtempSync(join(tmpdir(), 'clever-drawer-plugin-'));
  // Another user may be the one who writes to it.
  if (process.getuid?.() === 0) chmodSync(path, 0o777);
  return {
    path,
    remove: () => {
      try {
        rmSync(path, { recursive: true, force: true });
      } catch {
        // What is left in the folder for temporary files the system clears away.
      }
    },
  };
}
