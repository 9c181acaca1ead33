/** The part of the interface that loads: uses, picks and practice sessions. */
import type { SessionDocument } from '@clever-drawer/core/exchange/session-document';
import { CHANGES, change, NO_COMPUTER, SENDS } from './api-parts.js';
import type { Endpoint } from './endpoint.js';
import { eraseQuery, handOverRequest, lastOpenRequest, loadRequest, pickRequest, useRequest } from './requests.js';
import * as answers from './responses.js';
import { written } from './schema.js';
import { sessionDocument } from './session-document.js';

/** Endpoints by method and path, below /api. */
export const LOAD_API = {
  'POST /computers/{computer}/loads': {
    summary: 'Loads a plugin into a slot, and counts it.',
    request: loadRequest,
    ...change,
    status: 201,
  },
  'GET /computers/{computer}/uses': {
    summary: 'What was loaded last, newest first: what recent and usual choices are worked out from.',
    status: 200,
    answer: answers.usesView,
    problems: NO_COMPUTER,
  },
  'GET /computers/{computer}/loaded': {
    summary: 'How often each plugin was loaded, when last, and by which ways; only those that were.',
    status: 200,
    answer: answers.loadedView,
    problems: NO_COMPUTER,
  },
  'POST /computers/{computer}/picks': {
    summary:
      'Hands an item over to a music program, and counts it as a load; sent by Open Sound Control where an address was chosen.',
    request: pickRequest,
    status: 201,
    answer: answers.picked,
    problems: [...SENDS, 'not-found', 'not-done'],
  },
  'GET /hand-over': {
    summary: 'Where picks are sent by Open Sound Control; null sends nothing.',
    status: 200,
    answer: answers.handOver,
    problems: [],
  },
  'PUT /hand-over': {
    summary: 'Another address for picks, or none.',
    request: handOverRequest,
    status: 204,
    answer: null,
    problems: [...SENDS, 'not-done'],
  },
  'GET /hand-over/selected': {
    summary: 'What is selected in the other program, asked by Open Sound Control; null where it does not say.',
    status: 200,
    answer: answers.selected,
    problems: [],
  },
  'GET /last-open': {
    summary: 'The chests and drawers that were open last in the menus of each kind of slot, for the whole studio.',
    status: 200,
    answer: answers.lastOpen,
    problems: [],
  },
  'PUT /last-open': {
    summary: 'Notes which chest or drawer is open in a menu; null for none.',
    request: lastOpenRequest,
    status: 204,
    answer: null,
    problems: [...SENDS, 'not-done'],
  },
  'PUT /use': {
    summary: 'Whether loads are counted from now on.',
    request: useRequest,
    status: 204,
    answer: null,
    problems: SENDS,
  },
  'DELETE /uses': {
    summary: 'Erases counted loads, all of them or those from a day on.',
    query: eraseQuery,
    status: 200,
    answer: answers.erased,
    problems: ['request-does-not-fit'],
  },
  'GET /computers/{computer}/sessions/{session}': {
    summary: 'A practice session as a document (docs/schemas/session-1.schema.json).',
    status: 200,
    answer: written<SessionDocument>({ type: 'object' }),
    problems: NO_COMPUTER,
  },
  'GET /computers/{computer}/sessions/{session}/dawproject': {
    summary:
      'A practice session as a DAWproject; X-Left-Out tells how many plugins have no build in a format that it knows.',
    status: 200,
    answer: { media: ['application/zip'] },
    problems: NO_COMPUTER,
  },
  'POST /computers/{computer}/sessions': {
    summary: 'A new practice session after a document; plugins that the catalogue lacks keep their slots.',
    request: sessionDocument,
    status: 201,
    answer: answers.sessionReport,
    problems: CHANGES,
  },
  'POST /computers/{computer}/dawprojects': {
    summary: 'A new practice session after the tracks and devices of a DAWproject of up to 8 MB.',
    request: { media: ['application/zip', 'application/octet-stream'] },
    status: 201,
    answer: answers.sessionReport,
    problems: ['not-found', 'too-large', 'not-done'],
  },
} as const satisfies Readonly<Record<string, Endpoint>>;
