import { randomUUID } from 'node:crypto';
import type { PluginView } from '@clever-drawer/contract/responses';
import { contentsOf } from '@clever-drawer/core/chests/drawer-contents';
import { drawersOfChest } from '@clever-drawer/core/chests/look-up';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { NOTHING_RULED } from '@clever-drawer/core/chests/ruled';
import { withChoices } from '@clever-drawer/core/chests/with-choices';
import { foldersWithin } from '@clever-drawer/core/chests/folders-within';
import { startChestAgain, workOutChest } from '@clever-drawer/core/chests/work-out-chest';
import { asId, type ChestId, type ComputerId, type DrawerId, type ItemId } from '@clever-drawer/core/ids';
import type { EntityManager } from 'typeorm';
import { refused } from '../http/http-error.js';
import type { Handlers } from '../http/serve.js';
import { carryOut } from '../jobs/carry-out.js';
import { loadItems } from '../jobs/load-items.js';
import { withOwnEntries } from '../store/arranged-catalogue.js';
import { findRepeated, saveChange, step } from '../store/change-journal.js';
import { computerIdOf } from '../store/computer-store.js';
import { lastLoad } from '../store/load-store.js';
import { revisionsOf } from '../store/studio-store.js';
import { ruledOn } from '../store/trait-store.js';
import type { Context } from './context.js';

type Keys =
  | `POST /computers/{computer}/${'changes' | 'undo' | 'redo' | 'worked-out-chests' | 'loads'}`
  | `GET /computers/{computer}/${'events' | 'revisions'}`;

const BEAT_MS = 5000;

/** What changes the arrangement, undo and redo, and what other windows did. */
export function changeHandlers({ source, arranging, catalogues, arrivals }: Context): Handlers<Keys> {
  const back =
    (way: 'undo' | 'redo') =>
    async ({
      path,
      window,
      body,
    }: {
      path: { computer: string };
      window: string | null;
      body: { expects?: number | undefined };
    }) => {
      const { saved } = await arranging.change(path.computer, window, async (db, id, state) => ({
        saved: await step(db, id, state, way, body.expects ?? null),
      }));
      if (saved.edits.some((edit) => edit.of === 'pluginFolder')) await arrivals.look();
      return saved;
    };
  return {
    'POST /computers/{computer}/changes': async ({ path, window, body: { intents, mark, brief, repeats = null } }) => {
      const { saved, comesTo } = await arranging.change(path.computer, window, async (db, id, state) => {
        const done = repeats === null ? null : await findRepeated(db, id, window, repeats);
        if (done !== null) return { saved: done, comesTo: null };
        return carryOut(db, id, state, intents, {
          mark,
          brief,
          window,
          namesOf: (ids) => catalogues.namesOf(db, id, ids),
        });
      });
      return { ...saved, edits: comesTo === null ? saved.edits : null, comesTo };
    },
    'POST /computers/{computer}/undo': back('undo'),
    'POST /computers/{computer}/redo': back('redo'),

    'POST /computers/{computer}/worked-out-chests': async ({ path, window, body }) => {
      const { id, without, again, ...wish } = body;
      const { saved } = await arranging.change(path.computer, window, async (db, computerId, state) => {
        const there = state.chest.get(id);
        if (there !== undefined && !again) throw refused('This chest has been made already.');
        if (there === undefined && again) throw refused('This chest has just been deleted. Make a new one instead.');
        if (without === id) throw refused('A chest can’t be started again without what it holds itself.');
        const { plugins } = await catalogues.of(db, computerId);
        const all = await withOwnEntries(db, computerId, plugins, state);
        const here = await leftFor(db, all, computerId, state, without);
        const newDrawerId = (): DrawerId => asId<DrawerId>(randomUUID());
        const change =
          there === undefined
            ? workOutChest(state, here, { ...wish, id: asId<ChestId>(id) }, newDrawerId)
            : startChestAgain(state, here, there, wish, newDrawerId);
        return { saved: await saveChange(db, computerId, state, change, window) };
      });
      return saved;
    },

    'POST /computers/{computer}/loads': async ({ path, window, body: load }) => {
      const { saved } = await arranging.change(path.computer, window, async (db, id, state) => ({
        saved: await loadItems(db, id, state, load, window),
      }));
      return saved;
    },

    'GET /computers/{computer}/revisions': async ({ path }) => {
      const id = await computerIdOf(source.manager, path.computer);
      return { ...(await revisionsOf(source.manager)), lastLoad: await lastLoad(source.manager, id) };
    },

    'GET /computers/{computer}/events': async ({ path, query, response }) => {
      const id = await computerIdOf(source.manager, path.computer);
      response.set({ 'Content-Type': 'text/event-stream', Connection: 'keep-alive' }).flushHeaders();
      // A page that hears no beat takes the server for hung and connects again.
      const timer = setInterval(() => response.write('event: beat\ndata:\n\n'), BEAT_MS);
      response.on('close', () => clearInterval(timer));
      response.write(':\n\n');
      await arranging.listen(id, query.window ?? null, response);
    },
  };
}

/** The plugins that a worked-out chest is made of: those found and not set aside, without what another chest holds. */
async function leftFor(
  db: EntityManager,
  plugins: readonly PluginView[],
  id: ComputerId,
  state: Arrangement,
  without: string | null,
) {
  const all = withChoices(plugins, state).filter((plugin) => plugin.found);
  if (all.length === 0) throw refused('The catalogue is empty. Scan a plugin folder in Intake first.');
  const items = new Map<ItemId, (typeof all)[number]>(all.map((plugin) => [plugin.id, plugin]));
  const ruled = without === null ? NOTHING_RULED : await ruledOn(db, id, state, items);
  const filed = new Set(
    (without === null ? [] : drawersOfChest(state, asId<ChestId>(without))).flatMap((drawer) =>
      contentsOf(state, items, drawer, ruled).plugins.map((content) => content.plugin.id),
    ),
  );
  const left = all
    .filter((plugin) => !filed.has(plugin.id) && plugin.aside === null)
    .map((plugin) => ({
      ...plugin,
      formats: plugin.builds.filter((build) => build.found).map((build) => build.format),
      folders: foldersWithin(plugin.builds, state),
    }));
  if (left.length === 0) throw refused('That chest holds all plugins already; nothing is left for another one.');
  return left;
}
