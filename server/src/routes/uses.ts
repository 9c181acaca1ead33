import type { HandOver } from '@clever-drawer/contract/responses';
import { bankAndName, presetKey } from '@clever-drawer/core/catalogue/plugin-presets';
import { isChain, itemParts } from '@clever-drawer/core/chests/item';
import { pickMessage } from '@clever-drawer/core/exchange/osc';
import { asId, type ItemId } from '@clever-drawer/core/ids';
import { StudioRow } from '../database/entities/computer.js';
import { refused } from '../http/http-error.js';
import type { Handlers } from '../http/serve.js';
import { askSelected, sendOsc, type OscTarget } from '../jobs/hand-over.js';
import { itemToLoad, ownEntryToLoad } from '../jobs/load-items.js';
import { computerIdOf } from '../store/computer-store.js';
import { countLoads, eraseLoads, loadCounts, usesOf } from '../store/load-store.js';
import { nextCatalogue, noteOpen, spreadUse } from '../store/studio-store.js';
import type { Context } from './context.js';

const NO_BUILD = { id: null, format: '', identifier: null } as const;

type Keys =
  | 'GET /computers/{computer}/uses'
  | 'GET /computers/{computer}/loaded'
  | 'POST /computers/{computer}/picks'
  | 'GET /hand-over'
  | 'PUT /hand-over'
  | 'GET /hand-over/selected'
  | `${'GET' | 'PUT'} /last-open`
  | 'PUT /use'
  | 'DELETE /uses';

/** Use: what was loaded, what is handed over to a music program, and whether any of it is kept. */
export function useHandlers({ source, arranging, log }: Context): Handlers<Keys> {
  const handOver = async (): Promise<HandOver> => {
    const { oscHost: host, oscPort: port } = await source.manager.findOneByOrFail(StudioRow, { id: 1 });
    return { host, port };
  };
  const targetOf = ({ host, port }: HandOver): OscTarget | null =>
    host === null || port === null ? null : { host, port };
  return {
    'GET /computers/{computer}/uses': async ({ path }) =>
      usesOf(source.manager, await computerIdOf(source.manager, path.computer)),

    'GET /computers/{computer}/loaded': async ({ path }) => {
      const counts = await loadCounts(source.manager, await computerIdOf(source.manager, path.computer));
      return { plugins: [...counts.values()] };
    },

    'POST /computers/{computer}/picks': async ({ path, body }) => {
      const item = asId<ItemId>(body.pluginId);
      const { preset } = itemParts(item);
      if (isChain(item)) throw refused('A chain can’t be handed over in one go. Hand its plugins over one by one.');
      const picked = await arranging.look(path.computer, async (db, id, state) => {
        const entry = await ownEntryToLoad(db, id, state, item);
        // A music program knows its own device by the name alone.
        if (entry !== undefined) return { id, build: NO_BUILD, name: entry.plugin.givenName, path: entry.path ?? '' };
        const { plugin, build } = await itemToLoad(
          db,
          id,
          state,
          item,
          { width: body.width ?? null },
          body.buildId ?? null,
        );
        // A preset is known by the path of its file.
        const file = preset === null ? undefined : build.presetList.find((own) => presetKey(own) === preset);
        // The other program knows it by the name that its maker gave it.
        const own = preset === null ? build.name : bankAndName(preset).name;
        return { id, build, name: own === '' ? plugin.givenName : own, path: file?.key ?? build.path };
      });
      const { build } = picked;
      const target = body.send === true ? targetOf(await handOver()) : null;
      if (target !== null) {
        const message = pickMessage({
          format: build.format,
          identifier: build.identifier ?? '',
          path: picked.path,
          name: picked.name,
          lane: body.lane ?? '',
          slot: body.slot,
        });
        try {
          await sendOsc(target, message);
        } catch (error) {
          log.warn({ err: error }, 'a pick could not be sent');
          throw refused(
            `It could not be sent to ${target.host}, port ${String(target.port)}. Look at the address under “hands over”, or switch sending off.`,
          );
        }
      }
      const spot = { slot: body.slot, laneKind: null, lane: body.lane ?? null, before: null };
      const { way, milliseconds, keys = null, clicks = null, session } = body;
      const load = { item, buildId: build.id, slotId: '', spot, session, way, milliseconds, keys, clicks };
      if (await countLoads(source.manager, picked.id, [{ ...load, change: null }])) {
        arranging.tellUsed(picked.id);
        await spreadUse(source.manager, picked.id);
      }
      return {
        name: picked.name,
        path: picked.path === '' ? null : picked.path,
        identifier: build.identifier,
        sent: target !== null,
      };
    },

    'GET /hand-over': handOver,
    'PUT /hand-over': async ({ body: { host, port } }) => {
      if ((host === null) !== (port === null))
        throw refused('An address has a host and a port. Give both, or neither.');
      await source.manager.update(StudioRow, { id: 1 }, { oscHost: host, oscPort: port });
      return undefined;
    },
    'GET /hand-over/selected': async () => {
      const target = targetOf(await handOver());
      return (target === null ? null : await askSelected(target)) ?? { lane: null, slot: null };
    },
    'GET /last-open': async () => {
      const { lastOpen } = await source.manager.findOneByOrFail(StudioRow, { id: 1 });
      return { open: Object.entries(lastOpen).map(([menu, id]) => ({ menu, id })) };
    },
    'PUT /last-open': async ({ body: { menu, id } }) => {
      const isNoted = await noteOpen(source.manager, menu, id);
      if (!isNoted) throw refused('There are no more menus of which this is noted.');
      return undefined;
    },
    'PUT /use': async ({ body: { kept } }) => {
      await source.manager.update(StudioRow, { id: 1 }, { keepsUse: kept });
      return undefined;
    },
    'DELETE /uses': ({ query: { from } }) =>
      source.transaction(async (db) => {
        const loads = await eraseLoads(db, from ?? null);
        // How often each was loaded stands in the catalogue.
        await nextCatalogue(db);
        return { loads };
      }),
  };
}
