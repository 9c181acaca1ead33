/** The interface of the server, once: routes, the page's calls and the OpenAPI document are made from this table. */
import type { ArrangementDocument } from '@clever-drawer/core/exchange/arrangement-document';
import { arrangementDocument } from './arrangement-document.js';
import { changeRequest, stepRequest } from './intents.js';
import type { Endpoint } from './endpoint.js';
import {
  chestRequest,
  computerRequest,
  eventsQuery,
  folderChangeRequest,
  directoryQuery,
  folderRequest,
  journalQuery,
  renameRequest,
  reportRequest,
} from './requests.js';
import * as answers from './responses.js';
import { CHANGES, change, NO_COMPUTER, SENDS } from './api-parts.js';
import { FILE_API } from './file-api.js';
import { LOAD_API } from './load-api.js';
import { SCAN_API } from './scan-api.js';
import { flag, listOf, one, thing, written } from './schema.js';

/** Every endpoint by method and path, below /api. */
export const API = {
  'GET /health': {
    summary: 'Whether server and database answer.',
    status: 200,
    answer: thing(null, { ok: flag() }),
    problems: [],
  },
  'GET /openapi.json': {
    summary: 'This document.',
    status: 200,
    answer: written<object>({ type: 'object' }),
    problems: [],
  },

  'GET /asking': {
    summary:
      'In which room this server asks plugins about themselves: a closed one (no network, processes of its own, nothing can be written), as another user or as its own, or an open one.',
    status: 200,
    answer: thing('Asking', { room: one(['nobody', 'closed', 'open']) }),
    problems: [],
  },

  'GET /computers': {
    summary: 'The computers of the studio with the sizes of their catalogues, oldest first.',
    status: 200,
    answer: listOf(answers.computerView),
    problems: [],
  },
  'POST /computers': {
    summary: 'A new computer.',
    request: computerRequest,
    status: 201,
    answer: answers.made,
    problems: [...SENDS, 'conflict'],
  },
  'PATCH /computers/{computer}': {
    summary: 'Another name for a computer. Names are unique, whatever their capitals.',
    request: renameRequest,
    status: 204,
    answer: null,
    problems: [...SENDS, 'not-found', 'conflict'],
  },

  'POST /reports': {
    summary:
      'Brings in the scan report of another computer: its catalogue is then what the report says of the folders that were scanned.',
    request: reportRequest,
    most: '256mb',
    status: 200,
    answer: answers.scanImportResponse,
    problems: [...SENDS, 'not-found', 'not-done', 'conflict'],
  },

  'GET /union': {
    summary:
      'What became of the arrangements of several computers when an update made them one; null where there was one only.',
    status: 200,
    answer: thing('Union', { report: answers.unionReport.nullable() }),
    problems: [],
  },

  'GET /computers/{computer}/folders': {
    summary: 'The plugin folders of a computer, in the order in which they were added.',
    status: 200,
    answer: listOf(answers.folderView),
    problems: NO_COMPUTER,
  },
  'GET /computers/{computer}/proposed-folders': {
    summary: 'Usual plugin folders that the computer has and that are not on its list.',
    status: 200,
    answer: listOf(answers.proposedFolder),
    problems: NO_COMPUTER,
  },
  'GET /computers/{computer}/directories': {
    summary: 'The names of the folders in a folder of the computer at hand, to choose a plugin folder by.',
    query: directoryQuery,
    status: 200,
    answer: answers.directoryView,
    problems: [...NO_COMPUTER, 'request-does-not-fit', 'other-computer', 'not-done'],
  },
  'POST /computers/{computer}/folders': {
    summary: 'A new plugin folder, as a step that can be undone.',
    request: folderRequest,
    status: 201,
    answer: answers.addedFolder,
    problems: [...SENDS, 'not-found', 'conflict', 'not-done', 'mostly-no-plugins', 'other-computer'],
  },
  'PATCH /computers/{computer}/folders/{folder}': {
    summary: 'Turns the switches of a folder: whether its plugins are asked, and whether it is watched.',
    request: folderChangeRequest,
    status: 200,
    answer: answers.savedChange,
    problems: [...SENDS, 'not-found', 'not-done', 'other-computer'],
  },
  'DELETE /computers/{computer}/folders/{folder}': {
    summary: 'Takes a folder off the list; what was found in it stays until the next scan of everything.',
    status: 200,
    answer: answers.savedChange,
    problems: NO_COMPUTER,
  },

  'GET /computers/{computer}/catalogue': {
    summary: 'The whole catalogue as it was worked out, before the producer’s names and corrections.',
    status: 200,
    answer: answers.catalogueView,
    tagged: true,
    problems: NO_COMPUTER,
  },
  'GET /computers/{computer}/catalogue/columns': {
    summary: 'The same column by column, as the page fetches it: half as long.',
    status: 200,
    answer: answers.catalogueColumns,
    tagged: true,
    problems: NO_COMPUTER,
  },
  'GET /computers/{computer}/traits': {
    summary:
      'What rules can ask of plugins besides what the catalogue says: descriptions, channels, notes, presets, use.',
    status: 200,
    answer: answers.allTraits,
    problems: NO_COMPUTER,
  },
  'GET /computers/{computer}/presets': {
    summary: 'The presets that a computer has, each once for its plugin.',
    status: 200,
    answer: answers.presetsView,
    tagged: true,
    problems: NO_COMPUTER,
  },
  'GET /computers/{computer}/found-nowhere': {
    summary: 'The plugins of which no computer of the studio finds a build.',
    status: 200,
    answer: answers.foundNowhere,
    problems: NO_COMPUTER,
  },
  'GET /computers/{computer}/plugins': {
    summary:
      'The catalogue as the producer has it: names, tags, notes, corrections, and every place that a plugin stands in.',
    status: 200,
    answer: listOf(answers.arrangedPlugin),
    tagged: true,
    problems: NO_COMPUTER,
  },
  'GET /computers/{computer}/plugins/{plugin}': {
    summary:
      'All that is known of one plugin: every fact of its builds with its source, and the evidence for what it is.',
    status: 200,
    answer: answers.pluginDetail,
    tagged: true,
    problems: NO_COMPUTER,
  },
  'GET /computers/{computer}/vendors': {
    summary: 'The vendors of a computer with the spellings that are taken for each.',
    status: 200,
    answer: listOf(answers.vendorView),
    tagged: true,
    problems: NO_COMPUTER,
  },

  'GET /computers/{computer}/arrangement': {
    summary: 'Everything arranged, row by row.',
    status: 200,
    answer: answers.arrangementView,
    tagged: true,
    problems: NO_COMPUTER,
  },
  'GET /computers/{computer}/drawers': {
    summary: 'All drawers, chest by chest, each outer one before what is inside it, with how many plugins each holds.',
    status: 200,
    answer: listOf(answers.drawerView),
    tagged: true,
    problems: NO_COMPUTER,
  },
  'GET /computers/{computer}/drawers/{drawer}': {
    summary: 'What a drawer holds, in order; a clever one with what its rule put there.',
    status: 200,
    answer: answers.drawerContents,
    tagged: true,
    problems: NO_COMPUTER,
  },
  'GET /computers/{computer}/journal': {
    summary: 'The steps that were taken, newest first.',
    query: journalQuery,
    status: 200,
    answer: answers.journalView,
    tagged: true,
    problems: ['request-does-not-fit', 'not-found'],
  },
  'GET /computers/{computer}/revisions': {
    summary: 'How far the data is, for those who can’t listen to events and ask again and again.',
    status: 200,
    answer: answers.revisionsView,
    problems: NO_COMPUTER,
  },
  'GET /computers/{computer}/events': {
    summary:
      'What happens, as it happens: changes of the arrangement, and a catalogue that is another now (server-sent events).',
    query: eventsQuery,
    status: 200,
    answer: { media: ['text/event-stream'] },
    problems: ['request-does-not-fit', 'not-found'],
  },
  'POST /computers/{computer}/changes': {
    summary: 'A change of the arrangement.',
    request: changeRequest,
    ...change,
    answer: answers.changeAnswer,
  },
  'POST /computers/{computer}/undo': { summary: 'Takes the last step back.', request: stepRequest, ...change },
  'POST /computers/{computer}/redo': {
    summary: 'Does the last step again that was taken back.',
    request: stepRequest,
    ...change,
  },
  'POST /computers/{computer}/worked-out-chests': {
    summary: 'A chest worked out from the catalogue.',
    request: chestRequest,
    ...change,
    status: 201,
  },
  ...LOAD_API,
  'GET /computers/{computer}/export': {
    summary: 'The arrangement as a document (docs/schemas/arrangement-8.schema.json).',
    status: 200,
    answer: written<ArrangementDocument>({ type: 'object' }),
    problems: NO_COMPUTER,
  },
  'POST /computers/{computer}/import': {
    summary: 'Adds the chests, trays, names and searches of a document of any version to what is there.',
    request: arrangementDocument,
    status: 201,
    answer: answers.importReport,
    problems: CHANGES,
  },

  'GET /computers/{computer}/builds/{build}/pictures/{number}': {
    summary: 'A picture that came with a build.',
    status: 200,
    answer: { media: ['image/png'] },
    problems: NO_COMPUTER,
  },
  'POST /computers/{computer}/pictures': {
    summary: 'Sends a picture of up to 8 MB, to be made the face of a plugin.',
    request: { media: ['image/png', 'image/jpeg', 'image/webp', 'application/octet-stream'] },
    status: 201,
    answer: answers.sentPicture,
    problems: ['not-found', 'too-large', 'not-a-picture'],
  },
  'GET /computers/{computer}/pictures/{picture}': {
    summary: 'A picture that was sent, by its name.',
    status: 200,
    answer: { media: ['image/png', 'image/jpeg', 'image/webp'] },
    problems: NO_COMPUTER,
  },
  ...SCAN_API,
  ...FILE_API,
} as const satisfies Readonly<Record<string, Endpoint>>;
