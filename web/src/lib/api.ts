import type { ProblemDetails } from '@clever-drawer/contract/responses';

/** A request that did not succeed, in the server's words; `status` is 0 when the server did not answer at all. */
export class ApiError extends Error {
  constructor(
    readonly status: number,
    detail: string,
    readonly errors: ProblemDetails['errors'] = [],
  ) {
    super(detail);
  }
}

/** This window's name among the open ones: it is not told of its own changes. */
export const WINDOW = crypto.randomUUID();

/** Asks the server; a body is sent as JSON, a file as it is. Rejects with ApiError. */
export async function ask<T>(method: 'GET' | 'POST' | 'PATCH' | 'DELETE', path: string, body?: unknown): Promise<T> {
  let response: Response;
  try {
    const isFile = body instanceof Blob;
    response = await fetch(`/api${path}`, {
      method,
      headers: { 'x-window': WINDOW, 'content-type': isFile ? 'application/octet-stream' : 'application/json' },
      ...(body === undefined ? {} : { body: isFile ? body : JSON.stringify(body) }),
    });
  } catch {
    throw new ApiError(
      0,
      'Clever Drawer does not answer. Start it again in its terminal window (npm start); nothing that was saved is lost.',
    );
  }
  const text = await response.text();
  if (!response.ok) throw errorOf(response.status, text);
  return (text === '' ? undefined : JSON.parse(text)) as T;
}

function errorOf(status: number, text: string): ApiError {
  try {
    const { detail, errors } = JSON.parse(text) as ProblemDetails;
    return new ApiError(status, detail, errors);
  } catch {
    return new ApiError(status, `The server answered with status ${String(status)}. Reload the page.`);
  }
}

/** What went wrong, in words. */
export const wordsOf = (error: unknown): string => (error instanceof Error ? error.message : String(error));
