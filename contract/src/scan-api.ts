/** The part of the interface that scans: what was found, what could not be read, what was left out, what waits. */
import { NO_COMPUTER, SENDS } from './api-parts.js';
import type { Endpoint } from './endpoint.js';
import { leftOutQuery, problemsQuery, scanRequest } from './requests.js';
import * as answers from './responses.js';
import { listOf } from './schema.js';

/** Endpoints by method and path, below /api. */
export const SCAN_API = {
  'GET /computers/{computer}/scans': {
    summary: 'The scans of a computer, newest first.',
    status: 200,
    answer: listOf(answers.scanView),
    problems: NO_COMPUTER,
  },
  'POST /computers/{computer}/scans': {
    summary: 'Puts a scan of some folders or places, or of everything, into the computer’s queue.',
    request: scanRequest,
    status: 202,
    answer: answers.scanView,
    problems: [...SENDS, 'not-found', 'not-done', 'other-computer'],
  },
  'GET /computers/{computer}/problems': {
    summary: 'The places that can’t be read or asked now, with cause and remedy, part by part.',
    query: problemsQuery,
    status: 200,
    answer: answers.problemsView,
    problems: ['request-does-not-fit', 'not-found'],
  },
  'GET /computers/{computer}/left-out': {
    summary: 'What was looked at and left out, with the reasons, part by part.',
    query: leftOutQuery,
    status: 200,
    answer: answers.leftOutView,
    problems: ['request-does-not-fit', 'not-found'],
  },
  'GET /computers/{computer}/arrivals': {
    summary: 'What came or went in watched folders, and waits to be scanned.',
    status: 200,
    answer: listOf(answers.arrival),
    problems: NO_COMPUTER,
  },
  'GET /scans/{scan}': { summary: 'One scan.', status: 200, answer: answers.scanView, problems: NO_COMPUTER },
  'GET /scans/{scan}/story': {
    summary: 'What a scan did to each build and place.',
    status: 200,
    answer: answers.scanStory,
    problems: NO_COMPUTER,
  },
  'POST /scans/{scan}/cancel': {
    summary: 'Ends a scan; what it has read is kept.',
    status: 202,
    answer: answers.scanView,
    problems: NO_COMPUTER,
  },
} as const satisfies Readonly<Record<string, Endpoint>>;
