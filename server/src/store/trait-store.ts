import type { EntityManager } from 'typeorm';
import type { AllTraitsView } from '@clever-drawer/contract/responses';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { NOTHING_RULED, evaluateRulesStepwise, type Ruled } from '@clever-drawer/core/chests/ruled';
import { askedByRules, type Askable } from '@clever-drawer/core/chests/rule-sources';
import type { ComputerId, ItemId } from '@clever-drawer/core/ids';
import { localDay } from '@clever-drawer/core/local-day';
import { runCooperatively } from '../run-cooperatively.js';
import { loadCounts } from './load-store.js';
import { revisionsOf } from './studio-store.js';

/** The most that rules look at: characters of a description, and presets of one plugin. */
const MOST = { description: 1000, presets: 2000 };

/** What rules can ask of the plugins that a computer has: the longest description, the most channels of a build, the names of presets, and use. */
export async function loadTraits(db: EntityManager, id: ComputerId): Promise<AllTraitsView> {
  const loaded = await loadCounts(db, id);
  const rows = await db.query<Omit<AllTraitsView['plugins'][number], 'lastLoad' | 'ways'>[]>(
    `SELECT b."pluginId", b.description, b.inputs, b.outputs, b.sidechain, b."notesIn", b."notesOut",
            coalesce(p.presets, '[]') AS presets
     FROM (SELECT "pluginId",
                  (array_agg(left(facts->>'description', $2) ORDER BY length(facts->>'description') DESC NULLS LAST))[1] AS description,
                  max((facts->>'audioInputs')::int) AS inputs, max((facts->>'audioOutputs')::int) AS outputs,
                  bool_or((facts->>'sidechainInputs')::int > 0) AS sidechain,
                  bool_or((facts->>'midiInput')::boolean) AS "notesIn", bool_or((facts->>'midiOutput')::boolean) AS "notesOut"
           FROM build WHERE "computerId" = $1 AND found GROUP BY 1) b
     LEFT JOIN (SELECT "pluginId", jsonb_agg(name ORDER BY name) AS presets FROM
                  (SELECT "pluginId", name, row_number() OVER (PARTITION BY "pluginId" ORDER BY name) AS at FROM
                     (SELECT DISTINCT "pluginId", one->>'name' AS name
                      FROM build, jsonb_array_elements(facts->'presetList') AS one
                      WHERE "computerId" = $1 AND found AND jsonb_typeof(facts->'presetList') = 'array') AS each) AS numbered
                WHERE at <= $3 GROUP BY 1) p USING ("pluginId")`,
    [id, MOST.description, MOST.presets],
  );
  const { catalogueRevision: revision } = await revisionsOf(db);
  // Added to the rows as they are: to spread 50,000 of them would hold everybody up.
  const plugins = rows.map((row) => {
    const { lastLoad = null, ways = [] } = loaded.get(row.pluginId) ?? {};
    return Object.assign(row, { lastLoad, ways });
  });
  return { revision, plugins };
}

/** What all rules take, asked at once; what they ask besides is looked up only when one does. */
export async function ruledOn(
  db: EntityManager,
  id: ComputerId,
  state: Arrangement,
  items: ReadonlyMap<ItemId, Askable>,
): Promise<Ruled> {
  if ([...state.drawer.values()].every((drawer) => drawer.rule === null)) return NOTHING_RULED;
  const asked = askedByRules(state);
  const { plugins } = asked.traits ? await loadTraits(db, id) : { plugins: [] };
  const traits = new Map(plugins.map(({ pluginId, ...own }) => [pluginId, own]));
  const today = localDay(new Date());
  return runCooperatively(evaluateRulesStepwise({ state, items, traits, presets: asked.presets, today }));
}
