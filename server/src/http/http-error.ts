import { PROBLEMS, type ProblemName } from '@clever-drawer/contract/problems';

/** An expected failure of a request: which of the known problems it is, and what to do. Anything else that is thrown is a bug and becomes a 500. */
export class HttpError extends Error {
  constructor(
    readonly problem: ProblemName,
    detail: string,
    readonly errors?: readonly { path: string; message: string }[],
  ) {
    super(detail);
  }

  /** The HTTP status of the problem. */
  get status(): number {
    return PROBLEMS[this.problem].status;
  }
}

/** Who asked went away: what was begun is given up. Nobody reads this answer. */
export const clientGone = (): HttpError => new HttpError('bad-request', 'The client has gone away.');
/** Nothing of this id. */
export const notFound = (what: string): HttpError =>
  new HttpError('not-found', `There is no ${what} of this id. It may have been removed; reload the page.`);

/** Something else has happened in the meantime. */
export const conflict = (detail: string): HttpError => new HttpError('conflict', detail);

/** It can't be done as things stand. */
export const refused = (detail: string): HttpError => new HttpError('not-done', detail);
