import type { SessionId } from '../../ids.js';
import { NAME_LENGTH, rowKind, text, textUpTo } from './row-kind.js';

/** A practice session: the stand-in for the music program. */
export interface Session {
  readonly id: SessionId;
  readonly name: string;
  readonly order: string;
}

/** Practice sessions as rows. */
export const SESSION = rowKind<Session>()({
  table: 'session',
  scope: 'studio',
  columns: { id: text, name: textUpTo(NAME_LENGTH), order: text },
});
