import type { BuildId, PluginId } from '../../ids.js';
import { MAX_NOTE_LENGTH, orNull, rowKind, text, textUpTo } from './row-kind.js';

/** The usual reasons why something is set aside. */
export const ASIDE_REASONS = ['demo', 'not-licensed', 'older-build', 'not-for-me', 'faulty'] as const;
/** One of them. */
export type AsideReason = (typeof ASIDE_REASONS)[number];
/** The reasons as the screen shows them. */
export const ASIDE_LABELS: Readonly<Record<AsideReason, string>> = {
  demo: 'demo',
  'not-licensed': 'not licensed',
  'older-build': 'older build',
  'not-for-me': 'not for me',
  faulty: 'faulty',
};

/** The most characters of a reason in the producer's own words. */
export const MAX_REASON_LENGTH = 60;

/** Whether a reason is one of the usual ones. */
const isUsualReason = (reason: string): reason is AsideReason => (ASIDE_REASONS as readonly string[]).includes(reason);

/** A reason as the screen shows it: a usual one by its label, the producer's own as it was typed. */
export const asideLabel = (reason: string): string => (isUsualReason(reason) ? ASIDE_LABELS[reason] : reason);

/** A plugin, or one build of it, out of every menu, still in the catalogue and in its drawers. */
export interface Aside {
  /** The plugin's id, or the build's. */
  readonly id: string;
  readonly pluginId: PluginId;
  /** Null when it is the whole plugin. */
  readonly buildId: BuildId | null;
  /** One of ASIDE_REASONS, or the producer's own words. */
  readonly reason: string;
  /** The day on which a demo ends, as YYYY-MM-DD; null when it has no end. */
  readonly until: string | null;
  /** What the producer wants to remember about it; null for nothing. */
  readonly note: string | null;
}

/** What is set aside as rows. */
export const ASIDE = rowKind<Aside>()({
  table: 'aside',
  scope: 'studio',
  columns: {
    id: text,
    pluginId: text,
    buildId: orNull(text),
    reason: textUpTo(MAX_REASON_LENGTH),
    until: orNull(text),
    note: orNull(textUpTo(MAX_NOTE_LENGTH)),
  },
  upgrades: [{ to: 6, upgrade: (row) => ({ ...row, note: null }) }],
  documented: ['reason', 'until', 'note'],
});
