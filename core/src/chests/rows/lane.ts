import type { LaneId, SessionId } from '../../ids.js';
import { MAX_NAME_LENGTH, oneOf, orNull, rowKind, text, textUpTo } from './row-kind.js';

/** What a lane of a session is. */
export const LANE_KINDS = ['instrument', 'audio', 'bus', 'master'] as const;
/** One of them. */
export type LaneKind = (typeof LANE_KINDS)[number];

/** How many channels pass through a lane. */
export const LANE_WIDTHS = ['mono', 'stereo'] as const;
/** One of them. */
export type LaneWidth = (typeof LANE_WIDTHS)[number];

/** A track or bus of a practice session. */
export interface Lane {
  readonly id: LaneId;
  readonly sessionId: SessionId;
  readonly kind: LaneKind;
  readonly name: string;
  readonly order: string;
  /** How many channels pass through it; null or absent where that is not told, which counts as stereo. */
  readonly width?: LaneWidth | null;
}

/** Lanes as rows. */
export const LANE = rowKind<Lane>()({
  table: 'lane',
  scope: 'studio',
  columns: {
    id: text,
    sessionId: text,
    kind: oneOf(LANE_KINDS),
    name: textUpTo(MAX_NAME_LENGTH),
    order: text,
    width: orNull(oneOf(LANE_WIDTHS)),
  },
  refersTo: { sessionId: 'session' },
  upgrades: [{ to: 5, upgrade: (row) => ({ width: null, ...row }) }],
});
