import type { ProblemName } from './problems.js';
import type { AnySchema } from './schema.js';

/** What an endpoint sends that is no JSON: the types of the content. */
export interface Media {
  readonly media: readonly string[];
}

/** One way to ask the server; its key in the table is method and path. */
export interface Endpoint {
  /** What it is for, in a sentence. */
  readonly summary: string;
  /** What is sent: JSON of this shape, or bytes. */
  readonly request?: AnySchema | Media;
  /** The most that may be sent, where it is more than usual. */
  readonly most?: '256mb';
  readonly query?: AnySchema;
  readonly status: 200 | 201 | 202 | 204;
  /** What is answered; null for nothing. */
  readonly answer: AnySchema | Media | null;
  /** Whether the answer bears an ETag of everything that it depends on: the same tag means the same answer. */
  readonly tagged?: true;
  /** What it may meet besides what any request may (COMMON_PROBLEMS). */
  readonly problems: readonly ProblemName[];
}

/** Whether what is sent or answered is no JSON. */
export const isMedia = (shape: AnySchema | Media | null | undefined): shape is Media =>
  shape !== null && shape !== undefined && 'media' in shape;
