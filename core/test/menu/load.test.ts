import { emptyArrangement, type Arrangement } from '../../src/chests/arrangement';
import {
  chainFacts,
  chainIdOf,
  chainNamed,
  itemBefore,
  itemIn,
  likestChain,
  partsOfChain,
  slotsIn,
} from '../../src/chests/chains';
import { applyEdits, firstConflict, inverse } from '../../src/chests/edit';
import type { Intent, NewLane } from '../../src/chests/intent';
import { isChain, itemParts } from '../../src/chests/item';
import { planIntents } from '../../src/chests/plan-change';
import { group } from '../../src/chests/row-groups';
import {
  asId,
  type BuildId,
  type ItemId,
  type LaneId,
  type PluginId,
  type SessionId,
  type SlotId,
} from '../../src/ids';
import { buildFor } from '../../src/menu/choose-build';
import { planLoad } from '../../src/menu/plan-load';
import { slotFor } from '../../src/menu/slot-menu';

const session = asId<SessionId>('s');
const lane = (id: string, kind: NewLane['kind'] = 'audio'): NewLane => ({
  id: asId<LaneId>(id),
  kind,
  name: id,
  inserts: 3,
});
const slot = (id: string) => asId<SlotId>(id);
const item = (id: string) => asId<ItemId>(id);
const nameOf = (id: ItemId): string => id;

/** Carries a wish out; its inverse must lead back, and nothing may hang in the air. */
function after(state: Arrangement, ...intents: Intent[]): Arrangement {
  const plan = planIntents(state, intents, nameOf);
  if (!plan.ok) throw new Error(plan.refusal);
  expect(firstConflict(state, plan.change.edits)).toBeUndefined();
  const now = applyEdits(state, plan.change.edits);
  expect(applyEdits(now, inverse(plan.change.edits))).toEqual(state);
  return now;
}
const refusal = (state: Arrangement, ...intents: Intent[]): string => {
  const plan = planIntents(state, intents, nameOf);
  return plan.ok ? '' : plan.refusal;
};
const held = (state: Arrangement, of: string): (string | null)[] => slotsIn(state, asId<LaneId>(of)).map(itemIn);

const start = after(emptyArrangement(), {
  kind: 'make-session',
  id: session,
  name: 'Scene',
  lanes: [lane('Piano', 'instrument'), lane('Goose'), lane('Out', 'master')],
});
const load = (slotId: string, id: string): Intent => ({
  kind: 'load',
  slotId: slot(slotId),
  pluginId: item(id),
  buildId: null,
});

describe('slots', () => {
  const filled = after(start, load('Goose/1', 'EQ'), load('Goose/2', 'Gate'));

  it('what is moved and what stands there change places; a copy takes the place', () => {
    const move = (copy: boolean): Intent => ({
      kind: 'move-slot',
      slotId: slot('Goose/1'),
      toId: slot('Goose/2'),
      copy,
    });
    expect(held(after(filled, move(false)), 'Goose')).toEqual(['Gate', 'EQ', null]);
    expect(held(after(filled, move(true)), 'Goose')).toEqual(['EQ', 'EQ', null]);
    const toPiano: Intent = { kind: 'move-slot', slotId: slot('Goose/1'), toId: slot('Piano/2'), copy: false };
    expect(refusal(filled, toPiano)).toContain('the two slots are for different things');
  });

  it('bypass stays with what is moved, and ends when something else is loaded', () => {
    const off = after(filled, { kind: 'bypass', slotId: slot('Goose/1'), bypass: true });
    const moved = after(off, { kind: 'move-slot', slotId: slot('Goose/1'), toId: slot('Goose/3'), copy: false });
    expect(moved.slot.get('Goose/3')?.bypass).toBe(true);
    expect(after(off, load('Goose/1', 'Tape')).slot.get('Goose/1')?.bypass).toBe(false);
    expect(refusal(start, { kind: 'bypass', slotId: slot('Goose/1'), bypass: true })).toContain('empty');
  });

  it('are added where they are wanted: MIDI effects before the instrument, inserts below a neighbour or at the end', () => {
    const add = (kind: 'insert' | 'midi-effect', before: string | null): Intent => ({
      kind: 'add-slot',
      id: slot('new'),
      laneId: asId<LaneId>('Piano'),
      slot: kind,
      before: before === null ? null : slot(before),
    });
    const kinds = (state: Arrangement) => slotsIn(state, asId<LaneId>('Piano')).map((one) => one.id);
    expect(kinds(after(start, add('midi-effect', null)))).toEqual([
      'Piano/1',
      'new',
      'Piano/2',
      'Piano/3',
      'Piano/4',
      'Piano/5',
    ]);
    expect(kinds(after(start, add('insert', 'Piano/4')))[3]).toBe('new');
    expect(kinds(after(start, add('insert', null))).at(-1)).toBe('new');
    const inGoose: Intent = { ...add('midi-effect', null), laneId: asId<LaneId>('Goose') } as Intent;
    expect(refusal(start, inGoose)).toContain('no instrument track');
  });

  it('what stands before a slot is the next one above that is not empty', () => {
    const state = after(start, load('Goose/1', 'EQ'));
    const third = state.slot.get('Goose/3');
    expect(third === undefined ? null : itemBefore(state, third)).toBe('EQ');
    const first = state.slot.get('Goose/1');
    expect(first === undefined ? 'none' : itemBefore(state, first)).toBeNull();
  });
});

describe('several loaded in order', () => {
  let number = 0;
  const loaded = (state: Arrangement, at: string, ids: readonly string[], kind = slotFor('audio-effect', 'insert')) =>
    after(
      state,
      ...planLoad(
        state,
        slot(at),
        ids.map((id) => ({ item: item(id), buildId: null as BuildId | null, slot: kind, bypass: id === 'Off' })),
        () => slot(`new ${String(++number)}`),
      ),
    );

  it('go into the slots below; what stands there stays, and what follows keeps its order', () => {
    expect(held(loaded(start, 'Goose/1', ['A', 'B', 'C']), 'Goose')).toEqual(['A', 'B', 'C']);
    const filled = after(start, load('Goose/2', 'Old'));
    expect(held(loaded(filled, 'Goose/1', ['A', 'B', 'C']), 'Goose')).toEqual(['A', 'B', 'C', 'Old', null]);
    expect(held(loaded(start, 'Goose/3', ['A', 'B']), 'Goose')).toEqual([null, null, 'A', 'B']);
  });

  it('keep their bypass', () => {
    const state = loaded(start, 'Goose/1', ['A', 'Off']);
    expect(slotsIn(state, asId<LaneId>('Goose')).map((one) => one.bypass)).toEqual([false, true, false]);
  });

  it('an instrument goes where instruments go, whatever slot was open', () => {
    const intents = planLoad(
      start,
      slot('Piano/3'),
      [
        { item: item('Toy Piano'), buildId: null, slot: 'instrument', bypass: false },
        { item: item('Plate'), buildId: null, slot: 'insert', bypass: false },
      ],
      () => slot('new'),
    );
    expect(held(after(start, ...intents), 'Piano')).toEqual([null, 'Toy Piano', 'Plate', null, null]);
  });
});

describe('chains', () => {
  const id = chainIdOf('c');
  const filled = after(start, load('Goose/1', 'EQ'), load('Goose/3', 'Plate'));
  const kept = after(filled, {
    kind: 'keep-chain',
    id,
    name: 'Voice',
    slotIds: [slot('Goose/1'), slot('Goose/2'), slot('Goose/3')],
  });

  it('hold what is in the slots, in order, without the empty ones; and stand in drawers as items', () => {
    expect(partsOfChain(kept, id).map((part) => part.pluginId)).toEqual(['EQ', 'Plate']);
    expect(isChain(id)).toBe(true);
    expect(itemParts(id)).toEqual({ pluginId: id, preset: null });
    expect(refusal(start, { kind: 'keep-chain', id, name: 'Voice', slotIds: [slot('Goose/1')] })).toContain('empty');
  });

  it('a lane says which one it is like', () => {
    const goose = asId<LaneId>('Goose');
    expect(likestChain(kept, goose)).toEqual({ chainId: id, more: [], lacks: [] });
    const more = after(kept, load('Goose/2', 'Gate'));
    expect(likestChain(more, goose)).toEqual({ chainId: id, more: ['Gate'], lacks: [] });
    expect(likestChain(kept, asId<LaneId>('Piano'))).toBeNull();
  });

  it('are given other parts, in another order; the same parts, none and other chains are refused', () => {
    const parts = (...names: string[]) => names.map((name) => ({ item: asId<ItemId>(name), bypass: name === 'EQ' }));
    const changed = after(kept, { kind: 'arrange-chain', id, parts: parts('Plate', 'Gate', 'EQ') });
    expect(partsOfChain(changed, id).map((part) => [part.pluginId, part.bypass])).toEqual([
      ['Plate', false],
      ['Gate', false],
      ['EQ', true],
    ]);
    const fewer = after(changed, { kind: 'arrange-chain', id, parts: parts('Gate') });
    expect([...fewer.chainPart.values()].map((part) => part.pluginId)).toEqual(['Gate']);
    expect(refusal(fewer, { kind: 'arrange-chain', id, parts: parts('Gate') })).toBe('Nothing to change.');
    expect(refusal(fewer, { kind: 'arrange-chain', id, parts: [] })).toContain('at least one plugin');
    expect(refusal(fewer, { kind: 'arrange-chain', id, parts: [{ item: id, bypass: false }] })).toContain(
      'another chain',
    );
    expect(chainNamed(kept, 'voice')?.id).toBe(id);
  });

  it('deleted they leave every place that they stood in', () => {
    const filed = after(kept, { kind: 'tray-on', tray: 1, pluginIds: [id] });
    expect(filed.trayEntry.size).toBe(1);
    const gone = after(filed, { kind: 'delete-chain', id });
    expect([gone.trayEntry.size, gone.chain.size, gone.chainPart.size]).toEqual([0, 0, 0]);
  });

  it('are what their plugins are', () => {
    const plugin = (role: 'instrument' | 'audio-effect', type: 'reverb' | 'eq' | 'piano', found = true) => ({
      role,
      types: [type],
      found,
    });
    expect(chainFacts([plugin('audio-effect', 'eq'), undefined, plugin('audio-effect', 'reverb', false)])).toEqual({
      role: 'audio-effect',
      types: ['eq', 'reverb'],
      found: true,
    });
    expect(chainFacts([plugin('audio-effect', 'eq'), plugin('instrument', 'piano')]).role).toBe('instrument');
    expect(chainFacts([undefined])).toEqual({ role: null, types: [], found: false });
  });
});

describe('sessions and lanes', () => {
  it('a copy has all that is in it, or its lanes alone; deleting one takes what is in it away, and undo brings it back', () => {
    const filled = after(start, load('Goose/1', 'EQ'));
    const copied = (filled_: boolean): Arrangement =>
      after(filled, {
        kind: 'copy-session',
        id: session,
        newId: asId<SessionId>('t'),
        name: 'Scene 2',
        filled: filled_,
      });
    const first = (state: Arrangement): PluginId[] =>
      group(state, 'lanesOf', 't').flatMap((one) => slotsIn(state, one.id).flatMap((own) => own.pluginId ?? []));
    expect(first(copied(true))).toEqual(['EQ']);
    expect(first(copied(false))).toEqual([]);
    expect(group(copied(false), 'lanesOf', 't').map((one) => one.name)).toEqual(['Piano', 'Goose', 'Out']);
    expect(after(copied(true), { kind: 'delete-session', id: session }).slot.size).toBe(11);
  });

  it('a new lane stands before buses and the master; a copy beside its own, under a name of its own', () => {
    const added = after(start, { kind: 'add-lane', sessionId: session, lane: lane('Saw') });
    const names = (state: Arrangement) => group(state, 'lanesOf', session).map((one) => one.name);
    expect(names(added)).toEqual(['Piano', 'Goose', 'Saw', 'Out']);
    const copied = after(added, { kind: 'copy-lane', id: asId<LaneId>('Goose'), newId: asId<LaneId>('x') });
    expect(names(copied)).toEqual(['Piano', 'Goose', 'Goose 2', 'Saw', 'Out']);
  });
});

describe('a sidechain', () => {
  it('belongs to the slot: it stays when what is in it goes, and only inserts have one', () => {
    const fed = after(start, load('Goose/1', 'EQ'), {
      kind: 'feed-sidechain',
      slotId: slot('Goose/1'),
      sidechain: true,
    });
    expect(after(fed, { kind: 'clear-slot', slotId: slot('Goose/1') }).slot.get('Goose/1')?.sidechain).toBe(true);
    expect(after(fed, load('Goose/1', 'Tape')).slot.get('Goose/1')?.sidechain).toBe(true);
    expect(refusal(fed, { kind: 'feed-sidechain', slotId: slot('Goose/1'), sidechain: true })).not.toBe('');
    expect(refusal(fed, { kind: 'feed-sidechain', slotId: slot('Piano/2'), sidechain: true })).toContain('inserts');
  });
});

describe('the build for a lane', () => {
  const builds = [
    { id: 'stereo', found: true, outputs: 2 },
    { id: 'gone', found: false, outputs: 1 },
    { id: 'mono', found: true, outputs: 1 },
  ];
  it('mono takes the mono one, stereo and no width the preferred one; what is not known stays the preferred', () => {
    const id = (width: 'mono' | 'stereo' | null, of = builds) => buildFor(of, { width })?.build.id;
    expect([id('mono'), id('stereo'), id(null)]).toEqual(['mono', 'stereo', 'stereo']);
    expect(id('mono', builds.slice(0, 2))).toBe('stereo');
    expect(
      buildFor(
        [
          { found: true, outputs: null },
          { found: true, outputs: 1 },
        ],
        { width: 'mono' },
      )?.because,
    ).toBe('preferred');
    expect(buildFor([], { width: 'mono' })).toBeUndefined();
  });

  it('where a sidechain is fed the first that takes one, and among those the one of the lane’s width', () => {
    const fed = [
      { id: 'plain', found: true, outputs: 2 },
      { id: 'stereo', found: true, outputs: 2, sidechain: true },
      { id: 'mono', found: true, outputs: 1, sidechain: true },
    ];
    const chosen = (width: 'mono' | 'stereo' | null, of = fed) => buildFor(of, { width, sidechain: true });
    expect(chosen('stereo')).toEqual({ build: fed[1], because: 'sidechain' });
    expect(chosen(null)?.build.id).toBe('stereo');
    expect(chosen('mono')?.build.id).toBe('mono');
    expect(chosen('stereo', fed.slice(0, 1))?.because).toBe('preferred');
    expect(buildFor(fed, { width: 'stereo' })?.build.id).toBe('plain');
  });
});
