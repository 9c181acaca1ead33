/** What endpoints have in common. */
import * as answers from './responses.js';

export const NO_COMPUTER = ['not-found'] as const;
export const SENDS = ['not-json', 'request-does-not-fit', 'too-large', 'unsupported-encoding'] as const;
export const CHANGES = [...SENDS, 'not-found', 'conflict', 'not-done'] as const;
export const change = { status: 200, answer: answers.savedChange, problems: CHANGES } as const;
