import type { BuildId, PluginId } from '../../ids.js';
import { rowKind, text } from './row-kind.js';

/** The build of a plugin to load on a computer, whatever the general rule says. */
export interface PreferredBuild {
  readonly id: PluginId;
  readonly buildId: BuildId;
}

/** Preferred builds as rows. */
export const PREFERRED_BUILD = rowKind<PreferredBuild>()({
  table: 'preferred_build',
  scope: 'computer',
  columns: { id: text, buildId: text },
});
