/** An expected failure of a request, with its status, a title and what to do. Anything else that is thrown is a bug and becomes a 500. */
export class HttpError extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    detail: string,
    readonly errors?: readonly { path: string; message: string }[],
  ) {
    super(detail);
  }
}

export const notFound = (what: string): HttpError =>
  new HttpError(404, 'Not found', `There is no ${what} of this id. It may have been removed; reload the page.`);

export const conflict = (detail: string): HttpError => new HttpError(409, 'Conflict', detail);

export const refused = (detail: string): HttpError => new HttpError(422, 'Not done', detail);
