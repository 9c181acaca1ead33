import type { LaneId, SessionId } from '../../ids.js';
import { NAME_LENGTH, oneOf, rowKind, text, textUpTo } from './row-kind.js';

/** What a lane of a session is. */
export const LANE_KINDS = ['instrument', 'audio', 'bus', 'master'] as const;
/** One of them. */
export type LaneKind = (typeof LANE_KINDS)[number];

/** A track or bus of a practice session. */
export interface Lane {
  readonly id: LaneId;
  readonly sessionId: SessionId;
  readonly kind: LaneKind;
  readonly name: string;
  readonly order: string;
}

/** Lanes as rows. */
export const LANE = rowKind<Lane>()({
  table: 'lane',
  scope: 'studio',
  columns: { id: text, sessionId: text, kind: oneOf(LANE_KINDS), name: textUpTo(NAME_LENGTH), order: text },
  refersTo: { sessionId: 'session' },
});
