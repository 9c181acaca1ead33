/** The part of the interface that finds files other than plugins. */
import { CHANGES, NO_COMPUTER, SENDS } from './api-parts.js';
import type { Endpoint } from './endpoint.js';
import { fileFolderChangeRequest, fileFolderRequest, filesQuery } from './requests.js';
import * as answers from './responses.js';

/** Endpoints by method and path, below /api. */
export const FILE_API = {
  'GET /computers/{computer}/file-folders': {
    summary: 'The folders in which files other than plugins are found by their endings.',
    status: 200,
    answer: answers.fileFoldersView,
    problems: NO_COMPUTER,
  },
  'POST /computers/{computer}/file-folders': {
    summary: 'A new folder of files, as a step that can be undone; it is then read.',
    request: fileFolderRequest,
    status: 201,
    answer: answers.addedFolder,
    problems: [...SENDS, 'not-found', 'conflict', 'not-done', 'other-computer'],
  },
  'PATCH /computers/{computer}/file-folders/{folder}': {
    summary: 'Changes the endings of a folder, what its files belong to, or what they are; it is then read.',
    request: fileFolderChangeRequest,
    status: 200,
    answer: answers.savedChange,
    problems: [...CHANGES, 'other-computer'],
  },
  'DELETE /computers/{computer}/file-folders/{folder}': {
    summary: 'Takes a folder of files off the list; entries made of its files stay.',
    status: 200,
    answer: answers.savedChange,
    problems: [...NO_COMPUTER, 'other-computer'],
  },
  'POST /computers/{computer}/file-readings': {
    summary: 'Reads all folders of files again.',
    status: 202,
    answer: null,
    problems: [...NO_COMPUTER, 'other-computer'],
  },
  'DELETE /computers/{computer}/file-readings': {
    summary: 'Ends the reading of folders of files; what was found before stays.',
    status: 204,
    answer: null,
    problems: [...NO_COMPUTER, 'other-computer'],
  },
  'GET /computers/{computer}/files': {
    summary:
      'The files found that have all typed words or words that begin so, part by part; all of them where nothing is typed.',
    query: filesQuery,
    status: 200,
    answer: answers.foundFiles,
    problems: ['request-does-not-fit', 'not-found'],
  },
  'GET /computers/{computer}/files/here': {
    summary: 'Which of the files that own entries are this computer has, and where.',
    status: 200,
    answer: answers.filesHere,
    problems: NO_COMPUTER,
  },
} as const satisfies Readonly<Record<string, Endpoint>>;
