import { randomUUID } from 'node:crypto';
import type { PluginDetail, VendorView } from '@clever-drawer/contract/responses';
import {
  api,
  arrangement,
  catalogue,
  change,
  computer,
  get,
  post,
  installPlugin,
  scan,
  useStudio,
} from './support/studio';

useStudio();

describe('what the producer puts right', () => {
  const [EQ, PLATE, PIANO] = ['tollgatesound/coppereq', 'tollgatesound/vestryplate', 'tollgatesound/toyboxpiano'];
  const detail = (id = '') => get<PluginDetail>(`/computers/${computer}/plugins/${encodeURIComponent(id)}`);
  beforeEach(() => scan());

  it('shows the evidence for what a plugin is', async () => {
    expect(await detail(EQ)).toMatchObject({
      role: 'audio-effect',
      typeGrade: 'declared',
      evidence: [
        { for: { type: 'eq' }, from: 'class', words: 'EQPlugin' },
        { for: { role: 'audio-effect' }, from: 'class' },
        { for: { type: 'eq' }, from: 'name', words: 'eq' },
        { for: { role: 'audio-effect' }, from: 'name' },
      ],
    });
  });

  it('is kept beside the catalogue, survives a rescan, and decides what fits into a slot', async () => {
    await change({ kind: 'put-right', pluginIds: [EQ, PLATE], right: { role: 'instrument', types: ['synth'] } });
    await scan({ again: true });
    expect((await arrangement()).choice).toHaveLength(2);
    const lane = randomUUID();
    const lanes = [{ id: lane, kind: 'instrument', name: 'Piano', inserts: 0 }];
    await change({ kind: 'make-session', id: randomUUID(), name: 'Scene', lanes });
    const load = { slotId: `${lane}/2`, pluginId: EQ, way: 'typing', milliseconds: 1 };
    expect((await post(`/computers/${computer}/loads`, load)).status).toBe(201);
    await post(`/computers/${computer}/worked-out-chests`, { id: randomUUID(), name: 'By type', by: 'type' });
    expect((await arrangement()).drawer.map((drawer) => drawer.name)).toContain('synth');
    expect((await change({ kind: 'put-right', pluginIds: [EQ], right: { role: 'singer' } })).status).toBe(400);
  });

  it('joined plugins are one, also after a rescan; undo parts them and gives their places back', async () => {
    const chestId = randomUUID();
    await change({ kind: 'make-chest', id: chestId, name: 'Everyday', slots: null });
    const drawer = { kind: 'make-drawer', id: randomUUID(), chestId, parentId: null, name: 'A', rule: null };
    await change({ ...drawer, pluginIds: [PLATE] });
    const builds = (await detail(PLATE)).builds.map(({ id, key }) => ({ id, key, pluginId: PLATE }));
    expect((await change({ kind: 'join-plugins', intoId: EQ, pluginIds: [PLATE], builds })).status).toBe(200);
    const names = async () => (await catalogue()).plugins.map((plugin) => [plugin.name, plugin.builds.length]);
    expect(await names()).toEqual([
      ['Copper EQ', 2],
      ['Toybox Piano', 1],
    ]);
    await scan({ again: true });
    expect(await names()).toEqual([
      ['Copper EQ', 2],
      ['Toybox Piano', 1],
    ]);
    expect((await arrangement()).entry.map((entry) => entry.pluginId)).toEqual([EQ]);
    await post(`/computers/${computer}/undo`);
    expect(await names()).toEqual([
      ['Copper EQ', 1],
      ['Toybox Piano', 1],
      ['Vestry Plate', 1],
    ]);
    expect((await arrangement()).entry.map((entry) => entry.pluginId)).toEqual([PLATE]);
    expect((await catalogue()).plugins.map((plugin) => plugin.id)).toEqual([EQ, PIANO, PLATE]);
  });

  it('a split stays through rescans until it is released, and builds that moved on are refused', async () => {
    await installPlugin('Copper EQ 64 bit', 'EQPlugin');
    await scan();
    const both = (await catalogue()).plugins.find((plugin) => plugin.builds.length === 2);
    // The second is another plugin by its URI; both stand apart until they are joined.
    expect(both).toBeUndefined();
    const [build] = (await detail(EQ)).builds;
    const split = {
      kind: 'split-plugin',
      pluginId: EQ,
      newId: randomUUID(),
      builds: [{ id: build?.id, key: build?.key, pluginId: EQ }],
    };
    expect((await change(split)).status).toBe(200);
    await scan({ again: true });
    expect((await catalogue()).plugins.some((plugin) => plugin.id === split.newId)).toBe(true);
    expect((await change({ ...split, newId: randomUUID() })).body.detail).toContain('grouped otherwise');
    await change({ kind: 'release-builds', keys: [build?.key] });
    expect((await catalogue()).plugins.some((plugin) => plugin.id === split.newId)).toBe(false);
  });

  it('lists vendors with their spellings, and joins them', async () => {
    expect(await get<VendorView[]>(`/computers/${computer}/vendors`)).toEqual([
      {
        name: 'Tollgate Sound',
        plugins: 3,
        spellings: [{ spelling: 'Tollgate Sound', builds: 3, byHand: false }],
        maybe: null,
      },
    ]);
    await change({ kind: 'name-vendor', spellings: ['Tollgate Sound'], name: 'Tollgate', apart: false });
    expect((await catalogue()).plugins.map((plugin) => plugin.vendor)).toEqual(['Tollgate', 'Tollgate', 'Tollgate']);
    expect((await catalogue()).plugins.map((plugin) => plugin.id)).toEqual([EQ, PIANO, PLATE]);
  });

  it('a regrouping waits for no scan that is being written', async () => {
    const holder = api.source.createQueryRunner();
    await holder.startTransaction();
    await holder.query(`SELECT pg_advisory_xact_lock(hashtextextended('catalogue', 0))`);
    const wish = { kind: 'name-vendor', spellings: ['Tollgate Sound'], name: 'Tollgate', apart: false };
    expect(await change(wish)).toMatchObject({ status: 409 });
    await holder.rollbackTransaction();
    await holder.release();
    expect((await change(wish)).status).toBe(200);
  });
});
