import type { PluginId } from '../../ids.js';
import { rowKind, text } from './row-kind.js';

/** The picture by which a plugin is known, put there by the producer: the name of its content. */
export interface Face {
  readonly id: PluginId;
  readonly picture: string;
}

/** The producer's pictures as rows. */
export const FACE = rowKind<Face>()({ table: 'face', scope: 'studio', columns: { id: text, picture: text } });
