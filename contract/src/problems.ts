/** A kind of failure that a request may meet: its status and title, which are the same each time. */
interface Problem {
  readonly status: number;
  readonly title: string;
}

/** Every kind of failure by the last word of its type; the type of each is `urn:clever-drawer:problem:` and that word. RFC 9457. */
export const PROBLEMS = {
  'request-does-not-fit': { status: 400, title: 'Request does not fit' },
  'not-json': { status: 400, title: 'Not JSON' },
  'bad-request': { status: 400, title: 'Bad request' },
  'not-signed-in': { status: 401, title: 'Not signed in' },
  'other-site': { status: 403, title: 'Other site' },
  'other-user': { status: 403, title: 'Other user' },
  'not-found': { status: 404, title: 'Not found' },
  'other-computer': { status: 409, title: 'Another computer' },
  conflict: { status: 409, title: 'Conflict' },
  'too-large': { status: 413, title: 'Too large' },
  'not-a-picture': { status: 415, title: 'No picture' },
  'unsupported-encoding': { status: 415, title: 'Unsupported encoding' },
  'wrong-host': { status: 421, title: 'Wrong host' },
  'not-done': { status: 422, title: 'Not done' },
  'mostly-no-plugins': { status: 422, title: 'Mostly no plugins' },
  error: { status: 500, title: 'Error in Clever Drawer' },
  'database-not-reachable': { status: 503, title: 'Database not reachable' },
  'disk-full': { status: 507, title: 'Disk full' },
} as const satisfies Readonly<Record<string, Problem>>;

/** The last word of a problem's type. */
export type ProblemName = keyof typeof PROBLEMS;

/** The type of a problem, which stays the same over versions. */
export const problemType = (name: ProblemName): string => `urn:clever-drawer:problem:${name}`;

/** What any request may meet, whatever it asks for. */
export const COMMON_PROBLEMS: readonly ProblemName[] = [
  'bad-request',
  'not-signed-in',
  'other-site',
  'other-user',
  'wrong-host',
  'error',
  'database-not-reachable',
  'disk-full',
];
