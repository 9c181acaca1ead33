import { API } from '@clever-drawer/contract/api';
import type { EndpointKey } from '@clever-drawer/contract/api-types';
import { isMedia, type Endpoint } from '@clever-drawer/contract/endpoint';
import { checked } from './checked.js';
import { HttpError } from './http-error.js';

/** What was sent as JSON to an endpoint, checked. Throws HttpError in words for what is no JSON, or has not the form expected. */
export const readBody = (key: EndpointKey, bytes: Uint8Array): unknown => checkedBody(key, parseBody(bytes));

/** What bytes of JSON say. Throws HttpError for what is none. */
export function parseBody(bytes: Uint8Array): unknown {
  try {
    return JSON.parse(new TextDecoder().decode(bytes));
  } catch (error) {
    throw new HttpError('not-json', `The request is not JSON: ${(error as Error).message}`);
  }
}

/** What was sent to an endpoint, checked. Throws HttpError for what has not the form expected. */
export function checkedBody(key: EndpointKey, sent: unknown): unknown {
  const { request }: Endpoint = API[key];
  return request === undefined || isMedia(request) ? sent : checked(request, sent);
}
