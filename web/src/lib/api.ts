import type { AnswerOf, EndpointKey, PathOf, QueryOf, RequestOf } from '@clever-drawer/contract/api-types';
import type { ProblemDetails } from '@clever-drawer/contract/responses';

/** A request that did not succeed, in the server's words; `status` is 0 when the server did not answer at all. */
export class ApiError extends Error {
  constructor(
    readonly status: number,
    detail: string,
    readonly errors: ProblemDetails['errors'] = [],
    /** The last word of the problem's type; empty when the server did not answer. */
    readonly problem = '',
  ) {
    super(detail);
  }
}

/** A request that whoever asked has given up. */
export class Cancelled extends ApiError {
  constructor() {
    super(0, 'It was cancelled.');
  }
}

/** What goes along with a request: values of its path, what is asked behind it, what is sent (a file as it is), and the window that asks. */
export type Asked<Key extends EndpointKey> = {
  readonly window?: string;
  /** Ends the request: it rejects then, and the server gives up what it has not saved. */
  readonly signal?: AbortSignal;
} & (keyof PathOf<Key> extends never ? { readonly path?: undefined } : { readonly path: PathOf<Key> }) &
  (QueryOf<Key> extends undefined ? { readonly query?: undefined } : { readonly query?: Partial<QueryOf<Key>> }) &
  (RequestOf<Key> extends undefined ? { readonly body?: Blob } : { readonly body: RequestOf<Key> });

/** Asks the server by an endpoint of its table. Rejects with ApiError. */
export async function call<Key extends EndpointKey>(key: Key, asked: Asked<Key>): Promise<AnswerOf<Key>> {
  const [method = ''] = key.split(' ');
  const { body, window, signal } = asked as {
    readonly body?: unknown;
    readonly window?: string;
    readonly signal?: AbortSignal;
  };
  let response: Response;
  let text: string;
  try {
    const isFile = body instanceof Blob;
    response = await fetch(addressOf(key, asked as never), {
      method,
      // A question without headers of its own is answered by what the browser has fetched ahead.
      headers: {
        ...(window === undefined ? {} : { 'x-window': window }),
        ...(body === undefined ? {} : { 'content-type': isFile ? 'application/octet-stream' : 'application/json' }),
      },
      ...(signal === undefined ? {} : { signal }),
      ...(body === undefined ? {} : { body: isFile ? body : JSON.stringify(body) }),
    });
    text = await response.text();
  } catch {
    if (signal?.aborted === true) throw new Cancelled();
    throw new ApiError(
      0,
      'Clever Drawer isn’t running. Start it again, then go on here. Everything that was saved is still there.',
    );
  }
  if (!response.ok) throw errorOf(response.status, text);
  return (text === '' ? undefined : JSON.parse(text)) as AnswerOf<Key>;
}

/** The address of an endpoint, for links, pictures and lines that stay open. */
export function addressOf<Key extends EndpointKey>(key: Key, asked: Omit<Asked<Key>, 'body' | 'window'>): string {
  const { path = {}, query = {} } = asked as {
    readonly path?: Readonly<Record<string, string>>;
    readonly query?: Readonly<Record<string, string | number>>;
  };
  const [, template = ''] = key.split(' ');
  const filled = template.replace(/\{(\w+)\}/g, (_all, name: string) => encodeURIComponent(path[name] ?? ''));
  const asks = new URLSearchParams(Object.entries(query).map(([name, value]) => [name, String(value)])).toString();
  return `/api${filled}${asks === '' ? '' : `?${asks}`}`;
}

function errorOf(status: number, text: string): ApiError {
  try {
    const { detail, errors, type = '' } = JSON.parse(text) as Omit<ProblemDetails, 'type'> & { readonly type?: string };
    return new ApiError(status, detail, errors, type.split(':').pop());
  } catch {
    return new ApiError(status, `The server answered with status ${String(status)}. Reload the page.`);
  }
}

/** What went wrong, in words. */
export const wordsOf = (error: unknown): string => (error instanceof Error ? error.message : String(error));
