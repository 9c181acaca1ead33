import { API } from '@clever-drawer/contract/api';
import type { EndpointKey } from '@clever-drawer/contract/api-of';
import { isMedia, type Endpoint } from '@clever-drawer/contract/endpoint';
import { checked } from './checked.js';
import { HttpError } from './http-error.js';

/** What was sent as JSON to an endpoint, checked. Throws HttpError in words for what is no JSON, or has not the form expected. */
export function readBody(key: EndpointKey, bytes: Uint8Array): unknown {
  const { request }: Endpoint = API[key];
  let sent: unknown;
  try {
    sent = JSON.parse(new TextDecoder().decode(bytes));
  } catch (error) {
    throw new HttpError('not-json', `The request is not JSON: ${(error as Error).message}`);
  }
  return request === undefined || isMedia(request) ? sent : checked(request, sent);
}
