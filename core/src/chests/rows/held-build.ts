import type { BuildKey, PluginId } from '../../ids.js';
import { flag, rowKind, text } from './row-kind.js';

/** A build that the producer put into a plugin by hand, on whatever computer it is installed, and where it had been before. `whole`: with all builds of that plugin, also later ones. */
export interface HeldBuild {
  readonly id: BuildKey;
  readonly pluginId: PluginId;
  readonly fromPluginId: PluginId;
  readonly whole: boolean;
}

/** Held builds as rows. */
export const HELD_BUILD = rowKind<HeldBuild>()({
  table: 'held_build',
  scope: 'studio',
  columns: { id: text, pluginId: text, fromPluginId: text, whole: flag },
});
