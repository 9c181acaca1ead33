import type { BuildId, PluginId } from '../../ids.js';
import { oneOf, orNull, rowKind, text } from './row-kind.js';

/** Why something is set aside. */
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

/** A plugin, or one build of it, out of every menu, still in the catalogue and in its drawers. */
export interface Aside {
  /** The plugin's id, or the build's. */
  readonly id: string;
  readonly pluginId: PluginId;
  /** Null when it is the whole plugin. */
  readonly buildId: BuildId | null;
  readonly reason: AsideReason;
  /** The day on which a demo ends, as YYYY-MM-DD; null when it has no end. */
  readonly until: string | null;
}

/** What is set aside as rows. */
export const ASIDE = rowKind<Aside>()({
  table: 'aside',
  scope: 'studio',
  columns: { id: text, pluginId: text, buildId: orNull(text), reason: oneOf(ASIDE_REASONS), until: orNull(text) },
  documented: ['reason', 'until'],
});
