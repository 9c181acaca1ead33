import type { SessionId } from '../../ids.js';
import { flag, MAX_NAME_LENGTH, rowKind, text, textUpTo } from './row-kind.js';

/** A practice session: the stand-in for the music program. */
export interface Session {
  readonly id: SessionId;
  readonly name: string;
  readonly order: string;
  /** Whether new sessions are made after it. */
  readonly template?: boolean;
}

/** Practice sessions as rows. */
export const SESSION = rowKind<Session>()({
  table: 'session',
  scope: 'studio',
  columns: { id: text, name: textUpTo(MAX_NAME_LENGTH), order: text, template: flag },
  upgrades: [{ to: 5, upgrade: (row) => ({ template: false, ...row }) }],
});
