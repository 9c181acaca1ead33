import { randomUUID } from 'node:crypto';
import { Router } from 'express';
import type { Request } from 'express';
import type { EntityManager } from 'typeorm';
import type { SentIntent } from '@clever-drawer/contract/intents';
import { changeRequest, stepRequest } from '@clever-drawer/contract/intents';
import { chestRequest, loadRequest } from '@clever-drawer/contract/requests';
import type { ArrangementView, SavedChange } from '@clever-drawer/contract/responses';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { ROW_KINDS } from '@clever-drawer/core/chests/arrangement';
import { contentsOf } from '@clever-drawer/core/chests/drawer-contents';
import { markOf } from '@clever-drawer/core/chests/edit';
import type { Intent } from '@clever-drawer/core/chests/intent';
import { drawersOfChest } from '@clever-drawer/core/chests/look-up';
import { planChange } from '@clever-drawer/core/chests/plan-change';
import { withChoices } from '@clever-drawer/core/chests/with-choices';
import { workOutChest } from '@clever-drawer/core/chests/work-out-chest';
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
import { conflict, notFound, refused } from '../http/http-error.js';
import { rowsOf } from '../store/arrangement-store.js';
import { loadCatalogue, loadPlugin, namesOf, ownersOf } from '../store/catalogue-store.js';
import { saveChange, step, stepsOf } from '../store/change-journal.js';
import { findComputer } from '../store/computer-store.js';
import { hasPicture } from '../store/picture-store.js';
import type { Context } from './context.js';

/** The window that asks, as it names itself; it is not told of its own changes. */
export const windowOf = (request: Request): string | null => request.get('x-window') ?? null;

const QUIET_MS = 20_000;

/** Everything the producer arranges: changes, undo and redo, loads, and what other windows did. */
export function arrangementRoutes({ source, arranging }: Context): Router {
  const routes = Router();

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

  routes.get('/computers/:computer/events', async (request, response) => {
    const { id } = await findComputer(source.manager, request.params.computer);
    response.set({ 'Content-Type': 'text/event-stream', Connection: 'keep-alive' }).flushHeaders();
    // A comment line now and then keeps whatever stands between from taking the line for dead.
    const timer = setInterval(() => response.write(':\n\n'), QUIET_MS);
    response.on('close', () => clearInterval(timer));
    response.write(':\n\n');
    const { window } = request.query;
    arranging.listen(asId<ComputerId>(id), typeof window === 'string' ? window : null, response);
  });

  routes.post('/computers/:computer/changes', async (request, response) => {
    const { intent, mark } = checked(changeRequest, request.body) as { intent: SentIntent; mark?: string };
    const { saved } = await arranging.change(request.params.computer, windowOf(request), (db, id, state) =>
      carryOut(db, id, state, intent, mark),
    );
    response.json(saved);
  });

  for (const way of ['undo', 'redo'] as const) {
    routes.post(`/computers/:computer/${way}`, async (request, response) => {
      const { expects } = checked(stepRequest, request.body);
      const { saved } = await arranging.change(request.params.computer, windowOf(request), async (db, id, state) => ({
        saved: await step(db, id, state, way, expects ?? null),
      }));
      response.json(saved);
    });
  }

  routes.post('/computers/:computer/worked-out-chests', async (request, response) => {
    const { id: chestId, without, slots, most, ...wish } = checked(chestRequest, request.body);
    const { saved } = await arranging.change(request.params.computer, windowOf(request), async (db, id, state) => {
      if (state.chest.has(chestId)) throw refused('This chest has been made already.');
      const all = withChoices((await loadCatalogue(db, id)).plugins, state).filter((plugin) => plugin.found);
      if (all.length === 0) throw refused('The catalogue is empty. Scan a plugin folder in Intake first.');
      const byId = new Map(all.map((plugin) => [plugin.id, plugin]));
      const filed = new Set(
        (without == null ? [] : drawersOfChest(state, asId<ChestId>(without))).flatMap((drawer) =>
          contentsOf(state, byId, drawer).plugins.map((content) => content.plugin.id),
        ),
      );
      const here = all
        .filter((plugin) => !filed.has(plugin.id) && plugin.aside === null)
        .map((plugin) => ({
          ...plugin,
          formats: plugin.builds.filter((build) => build.found).map((build) => build.format),
        }));
      if (here.length === 0) throw refused('That chest holds all plugins already; nothing is left for another one.');
      const change = workOutChest(state, here, { ...wish, id: asId<ChestId>(chestId), slots, most }, () =>
        asId<DrawerId>(randomUUID()),
      );
      return { saved: await saveChange(db, id, change) };
    });
    response.status(201).json(saved);
  });

  routes.post('/computers/:computer/loads', async (request, response) => {
    const load = checked(loadRequest, request.body);
    const { saved } = await arranging.change(request.params.computer, windowOf(request), async (db, id, state) => {
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
      const change = await carryOut(db, id, state, intent);
      await db.insert(LoadRow, { ...load, id: randomUUID(), computerId: id, buildId: build.id });
      return change;
    });
    response.status(201).json(saved);
  });

  return routes;
}

async function carryOut(
  db: EntityManager,
  computerId: ComputerId,
  state: Arrangement,
  intent: Intent,
  mark?: string,
): Promise<{ saved: SavedChange }> {
  const mentioned = [...pluginIdsIn(intent), ...[...state.slot.values()].map((slot) => slot.pluginId)];
  const names = await namesOf(
    db,
    computerId,
    mentioned.filter((id) => id !== null),
  );
  await checkBuilds(db, computerId, intent);
  if (intent.kind === 'show-face' && intent.picture !== null && !(await hasPicture(db, computerId, intent.picture)))
    throw refused('This picture has not been sent yet. Drop it onto the plugin again.');
  const plan = planChange(state, intent, (id) => names.get(id));
  if (!plan.ok) throw refused(plan.refusal);
  if (mark !== undefined && mark !== markOf(plan.change.edits))
    throw conflict(
      `Another window has just changed what “${plan.change.label}” touches, so it was not done. Look at it as it is now, and do it again if it is still right.`,
    );
  return { saved: await saveChange(db, computerId, plan.change) };
}

/** Builds that an intent names must still belong where the screen showed them. */
async function checkBuilds(db: EntityManager, computerId: ComputerId, intent: Intent): Promise<void> {
  const named =
    intent.kind === 'join-plugins' || intent.kind === 'set-aside'
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
  if ('pluginIds' in intent) return intent.pluginIds ?? [];
  return 'pluginId' in intent ? [intent.pluginId] : [];
}
