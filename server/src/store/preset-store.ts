import type { EntityManager } from 'typeorm';
import type { PresetsView } from '@clever-drawer/contract/responses';
import { presetKey } from '@clever-drawer/core/catalogue/plugin-presets';
import { itemId } from '@clever-drawer/core/chests/item';
import type { ComputerId, ItemId, PluginId } from '@clever-drawer/core/ids';
import { revisionsOf } from './studio-store.js';

/** The most presets that are told of: what a page can hold and search at once. */
export const MAX_PRESETS = 100_000;

/** The presets of the builds that a computer has, each once for its plugin, by plugin, bank and name. */
export async function loadPresets(db: EntityManager, computerId: ComputerId, most = MAX_PRESETS): Promise<PresetsView> {
  const rows = await db.query<(PresetsView['presets'][number] & { all: number })[]>(
    `SELECT "pluginId", bank, name, count(*) OVER ()::int AS all FROM
       (SELECT DISTINCT b."pluginId", one->>'bank' AS bank, one->>'name' AS name
        FROM build b, jsonb_array_elements(b.facts->'presetList') AS one
        WHERE b."computerId" = $1 AND b.found AND jsonb_typeof(b.facts->'presetList') = 'array') AS found
     ORDER BY 1, 2 NULLS FIRST, 3 LIMIT $2`,
    [computerId, most],
  );
  const { catalogueRevision: revision } = await revisionsOf(db);
  return {
    revision,
    leftOut: Math.max(0, (rows[0]?.all ?? 0) - rows.length),
    presets: rows.map(({ all: _count, ...preset }) => preset),
  };
}

/** Filters presets down to those that a computer has. */
export async function filterInstalledPresets(
  db: EntityManager,
  computerId: ComputerId,
  items: ReadonlySet<ItemId>,
): Promise<ReadonlySet<ItemId>> {
  const { presets } = await loadPresets(db, computerId);
  const ids = presets.map(({ pluginId, bank, name }) => itemId({ pluginId, preset: presetKey({ bank, name }) }));
  return new Set<PluginId | ItemId>(ids.filter((id) => items.has(id)));
}
