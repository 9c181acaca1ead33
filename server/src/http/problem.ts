import type { ErrorRequestHandler, Request, RequestHandler, Response } from 'express';
import type { Logger } from 'pino';
import type { ProblemDetails } from '@clever-drawer/contract/responses';
import { PROBLEMS, problemType } from '@clever-drawer/contract/problems';
import { isOutOfReach } from '../database/out-of-reach.js';
import { HttpError } from './http-error.js';

/** Sends an error as application/problem+json (RFC 9457). */
export function sendProblem(response: Response, { problem, message: detail, errors }: HttpError): void {
  const { status, title } = PROBLEMS[problem];
  const body: ProblemDetails = {
    type: problemType(problem),
    title,
    status,
    detail,
    ...(errors === undefined ? {} : { errors: [...errors] }),
  };
  response.status(status).type('application/problem+json').send(JSON.stringify(body));
}

/** The last handler: expected failures as they are, body-parser's by their status, everything else as a 500 without its innards. */
export const problemHandler =
  (log: Logger, dataFolder: string | null = null): ErrorRequestHandler =>
  (error: unknown, request, response, next) => {
    // Without what follows the path: a code that signs in may stand there.
    const about = { err: error, method: request.method, path: request.path };
    if (response.headersSent) {
      log.error(about, 'an answer ended in the middle');
      next(error);
      return;
    }
    const known = asHttpError(error, dataFolder);
    if (known === null) log.error(about, 'request failed');
    // Whoever sent it is told enough; that it came so far is a fault of ours.
    else if (isNoValue(error)) log.warn(about, 'the database refused a value that should have been refused before');
    sendProblem(
      response,
      known ??
        new HttpError(
          'error',
          'Something went wrong in Clever Drawer itself; nothing was changed. Try again, and look at the log it prints if it happens again.',
        ),
    );
  };

/** Whether the database refused a value (PostgreSQL, class 22, and 54000 for one that is too long for an index). */
function isNoValue(error: unknown): boolean {
  const code = (error as { code?: string } | null)?.code ?? '';
  return /^22\w{3}$/.test(code) || code === '54000';
}

function asHttpError(error: unknown, dataFolder: string | null): HttpError | null {
  if (error instanceof HttpError) return error;
  const { type, status, limit = 0 } = error as { type?: string; status?: number; limit?: number };
  if (type === 'entity.too.large')
    return new HttpError(
      'too-large',
      `The request is larger than what is accepted (${String(Math.round(limit / 1_048_576))} MB). Send it in parts.`,
    );
  if (type === 'entity.parse.failed')
    return new HttpError('not-json', `The request is not JSON: ${(error as Error).message}`);
  if (type === 'encoding.unsupported' || type === 'charset.unsupported')
    return new HttpError('unsupported-encoding', 'Send JSON in UTF-8.');
  if (status === 400) return new HttpError('bad-request', 'The address or the request is not well formed.');
  const code = (error as { code?: string }).code ?? '';
  if (isOutOfReach(error)) {
    return new HttpError(
      'database-not-reachable',
      'Clever Drawer can’t reach its saved data; nothing was changed. It restarts its own database by itself; if this goes on, look at the log that it prints.',
    );
  }
  // Values that no column takes: the schemas should have refused them, and nothing was changed.
  if (isNoValue(error))
    return new HttpError(
      'bad-request',
      'The request holds a value that can’t be kept: a number too large, or a text that is none.',
    );
  if (code === '53100' || code === 'ENOSPC')
    return new HttpError(
      'disk-full',
      `The disk that holds the saved data${dataFolder === null ? '' : ` (${dataFolder})`} is full, and nothing was changed. Free some space, then try again.`,
    );
  return null;
}

/** Answers what leads nowhere. */
export const noSuchRoute: RequestHandler = (request: Request, response) => {
  sendProblem(response, new HttpError('not-found', `There is nothing at ${request.method} ${request.path}.`));
};
