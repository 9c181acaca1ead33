import { randomUUID } from 'node:crypto';
import { Router } from 'express';
import type { EntityManager } from 'typeorm';
import {
  arrangementDocument,
  changeRequest,
  chestRequest,
  loadRequest,
  type SentIntent,
} from '@clever-drawer/contract/requests';
import type { ArrangementView, ImportReport } from '@clever-drawer/contract/responses';
import { FORMATS, type Format } from '@clever-drawer/core/facts/format';
import { ROW_KINDS } from '@clever-drawer/core/chests/arrangement';
import type { Intent } from '@clever-drawer/core/chests/intent';
import { planChange } from '@clever-drawer/core/chests/plan-change';
import { withChoices } from '@clever-drawer/core/chests/with-choices';
import { workOutChest } from '@clever-drawer/core/chests/work-out-chest';
import {
  exportArrangement,
  planImport,
  type ArrangementDocument,
} from '@clever-drawer/core/exchange/arrangement-document';
import {
  asId,
  type ChestId,
  type ComputerId,
  type DrawerId,
  type PluginId,
  type SlotId,
} from '@clever-drawer/core/ids';
import { fits, SLOT_LABELS } from '@clever-drawer/core/menu/slot-menu';
import { LoadRow } from '../database/entities/arrangement.js';
import { checked } from '../http/checked.js';
import { notFound, refused } from '../http/http-error.js';
import { loadArrangement, rowsOf } from '../store/arrangement-store.js';
import { addMissing, loadCatalogue, loadPlugin, loadReferences, namesOf, ownersOf } from '../store/catalogue-store.js';
import { saveChange, step, stepsOf } from '../store/change-journal.js';
import { findComputer } from '../store/computer-store.js';
import type { Context } from './context.js';

/** Everything the producer arranges: changes, undo and redo, loads, export and import. */
export function arrangementRoutes({ source }: Context): Router {
  const routes = Router();

  /** Runs a change in a transaction that holds the computer: changes of one computer come one after the other. */
  const holding = async <T>(id: unknown, work: (db: EntityManager, computerId: ComputerId) => Promise<T>): Promise<T> =>
    source.transaction(async (db) => work(db, asId<ComputerId>((await findComputer(db, id, true)).id)));

  routes.get('/computers/:computer/arrangement', async (request, response) => {
    // One transaction of its own, so that rows and revision belong together.
    const view = await source.transaction('REPEATABLE READ', async (db) => {
      const computer = await findComputer(db, request.params.computer);
      const id = asId<ComputerId>(computer.id);
      const rows: [string, unknown][] = [];
      for (const kind of ROW_KINDS) rows.push([kind, await rowsOf(db, id, kind)]);
      const steps = await stepsOf(db, id);
      return {
        ...Object.fromEntries(rows),
        revision: computer.arrangementRevision,
        steps,
      } as unknown as ArrangementView;
    });
    response.json(view);
  });

  routes.post('/computers/:computer/changes', async (request, response) => {
    const intent = checked(changeRequest, request.body).intent as SentIntent;
    response.json(await holding(request.params.computer, (db, id) => carryOut(db, id, intent)));
  });

  routes.post('/computers/:computer/undo', async (request, response) => {
    response.json(await holding(request.params.computer, (db, id) => step(db, id, 'undo')));
  });

  routes.post('/computers/:computer/redo', async (request, response) => {
    response.json(await holding(request.params.computer, (db, id) => step(db, id, 'redo')));
  });

  routes.post('/computers/:computer/worked-out-chests', async (request, response) => {
    const { id: chestId, name, by } = checked(chestRequest, request.body);
    const saved = await holding(request.params.computer, async (db, id) => {
      const state = await loadArrangement(db, id);
      if (state.chest.has(chestId)) throw refused('This chest has been made already.');
      const here = withChoices((await loadCatalogue(db, id)).plugins, state)
        .filter((plugin) => plugin.found)
        .map((plugin) => ({
          ...plugin,
          formats: plugin.builds.filter((build) => build.found).map((build) => build.format),
        }));
      if (here.length === 0) throw refused('The catalogue is empty. Scan a plugin folder in Intake first.');
      const wish = { id: asId<ChestId>(chestId), name, by };
      return saveChange(
        db,
        id,
        workOutChest(state, here, wish, () => asId<DrawerId>(randomUUID())),
      );
    });
    response.status(201).json(saved);
  });

  routes.post('/computers/:computer/loads', async (request, response) => {
    const load = checked(loadRequest, request.body);
    const saved = await holding(request.params.computer, async (db, id) => {
      const state = await loadArrangement(db, id);
      const known = await loadPlugin(db, id, asId<PluginId>(load.pluginId));
      const plugin = known === null ? undefined : withChoices([known], state)[0];
      if (plugin === undefined) throw notFound('plugin');
      const build = plugin.builds.find((one) => one.found);
      if (build === undefined)
        throw refused(`${plugin.name} was not found at the last look. Scan its folder in Intake, or choose another.`);
      const slot = state.slot.get(load.slotId);
      if (slot !== undefined && plugin.role !== null && !fits(slot.kind, plugin.role)) {
        throw refused(`${plugin.name} does not fit into this slot, which is for: ${SLOT_LABELS[slot.kind]}.`);
      }
      const intent: Intent = {
        kind: 'load',
        slotId: asId<SlotId>(load.slotId),
        pluginId: plugin.id,
        buildId: build.id,
      };
      const change = await carryOut(db, id, intent);
      await db.insert(LoadRow, { ...load, id: randomUUID(), computerId: id, buildId: build.id });
      return change;
    });
    response.status(201).json(saved);
  });

  routes.get('/computers/:computer/export', async (request, response) => {
    const computer = await findComputer(source.manager, request.params.computer);
    const id = asId<ComputerId>(computer.id);
    const [state, plugins] = [await loadArrangement(source.manager, id), await loadReferences(source.manager, id)];
    response.attachment('clever-drawer-arrangement.json');
    response.type('json').send(JSON.stringify(exportArrangement(state, plugins, computer.name, new Date()), null, 2));
  });

  routes.post('/computers/:computer/import', async (request, response) => {
    const document = readDocument(checked(arrangementDocument, request.body) as unknown as ArrangementDocument);
    const report = await holding(request.params.computer, async (db, id): Promise<ImportReport> => {
      const [state, plugins] = [await loadArrangement(db, id), await loadReferences(db, id)];
      const plan = planImport(state, document, plugins, randomUUID);
      if (plan.change.edits.length === 0)
        throw refused('This arrangement holds no chest and no tray; there is nothing to import.');
      await addMissing(db, id, plan.missing);
      const missing = plan.missing.map(({ name, vendor }) => ({ name, vendor }));
      return { matched: plan.matched, missing, saved: await saveChange(db, id, plan.change) };
    });
    response.status(201).json(report);
  });

  return routes;
}

async function carryOut(db: EntityManager, computerId: ComputerId, intent: Intent) {
  const state = await loadArrangement(db, computerId);
  const mentioned = [...pluginIdsIn(intent), ...[...state.slot.values()].map((slot) => slot.pluginId)];
  const names = await namesOf(
    db,
    computerId,
    mentioned.filter((id) => id !== null),
  );
  await checkBuilds(db, computerId, intent);
  const plan = planChange(state, intent, (id) => names.get(id));
  if (!plan.ok) throw refused(plan.refusal);
  return saveChange(db, computerId, plan.change);
}

/** Builds that an intent names must still belong where the screen showed them. */
async function checkBuilds(db: EntityManager, computerId: ComputerId, intent: Intent): Promise<void> {
  const named =
    intent.kind === 'join-plugins'
      ? intent.builds
      : intent.kind === 'split-plugin'
        ? intent.buildIds.map((id) => ({ id, pluginId: intent.pluginId }))
        : [];
  if (named.length === 0) return;
  const owners = await ownersOf(
    db,
    computerId,
    named.map((build) => build.id),
  );
  if (named.some(({ id, pluginId }) => owners.get(id) !== pluginId))
    throw refused('These builds have been grouped otherwise in the meantime. Look again, and repeat it.');
}

function pluginIdsIn(intent: Intent): readonly PluginId[] {
  if (intent.kind === 'join-plugins') return [intent.intoId, ...intent.pluginIds];
  if (intent.kind === 'split-plugin') return [intent.pluginId, intent.newId];
  if ('pluginIds' in intent) return intent.pluginIds;
  return 'pluginId' in intent ? [intent.pluginId] : [];
}

/** Builds of a format that this version does not know are passed over: the plugin is still matched by its id or other builds. */
function readDocument(document: ArrangementDocument): ArrangementDocument {
  const known = (format: Format): boolean => FORMATS.includes(format);
  const plugins = document.plugins.map((plugin) => ({
    ...plugin,
    builds: plugin.builds.filter((build) => known(build.format)),
  }));
  return { ...document, plugins };
}
