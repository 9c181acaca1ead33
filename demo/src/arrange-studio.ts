import { randomUUID } from 'node:crypto';
import { ownEntryIdOf } from '@clever-drawer/core/chests/own-entries';
import { fileRacks } from './other-files.js';
import { playScenes, type Api, type Change, type Plugin } from './play-scenes.js';

/** Drawers of the made-up studio: a name, and words of the plugins that the music director has put in so far. */
const DRAWERS: readonly (readonly [string, readonly string[]])[] = [
  ['Everyday EQ', ['Shelf', 'Tilt']],
  ['Dynamics', ['Comp', 'Leveller', 'Glue']],
  ['Narration', ['De-Ess', 'Sibilance', 'Sluice']],
  ['Space', ['Hall', 'Plate', 'Room']],
  ['Movement', ['Chorus', 'Tremolo', 'Whirl', 'Swirl']],
  ['Keys & toys', ['Toy Piano', 'Harmonium', 'Tines', 'Upright']],
  ['Noises off', ['Thunder', 'Footsteps', 'Wind Machine', 'Clatter']],
  ['Last check', ['Loudness', 'Meter', 'Spectrum']],
];
const CLEVER: readonly (readonly [string, readonly string[]])[] = [
  ['Echoes', ['echo', 'delay', 'slap']],
  ['Colour', ['tape', 'warm', 'drive', 'fuzz']],
];
const PER_DRAWER = 9;
const DEMO_DAYS = 5;

type Having = (words: readonly string[]) => string[];

/** What the music director has said of plugins: dividers, nicknames, tags, set aside, a search that is kept. */
async function putInWords(change: Change, having: Having, made: ReadonlyMap<string, string>): Promise<void> {
  const space = made.get('Space') ?? '';
  const halls = having(['Hall', 'Plate', 'Room']).slice(0, PER_DRAWER);
  const before = `${space}/${halls[4] ?? ''}`;
  await change({ kind: 'add-divider', id: randomUUID(), drawerId: space, label: 'long tails', before });
  await change({ kind: 'set-sort', id: made.get('Keys & toys') ?? '', sort: 'name' });
  const call = (word: string, naming: Record<string, unknown>): Promise<unknown> =>
    change({ kind: 'name-plugins', pluginIds: having([word]).slice(0, 1), naming });
  await call('Plate', { nickname: 'the big plate', addTags: ['dark'], note: 'for the cave in scene 3' });
  await call('Sluice', { nickname: 'narrator’s gate', stripLabel: 'NARR GATE' });
  await change({ kind: 'name-plugins', pluginIds: having(['Tape']).slice(0, 4), naming: { addTags: ['dark', 'old'] } });
  const until = new Date(Date.now() + DEMO_DAYS * 86_400_000).toISOString().slice(0, 10);
  const aside = (word: string, reason: string, end: string | null): Promise<unknown> =>
    change({ kind: 'set-aside', pluginIds: having([word]).slice(0, 2), builds: [], reason, until: end });
  await aside('Fuzz', 'demo', until);
  await aside('Wobble', 'not-for-me', null);
  await change({ kind: 'keep-search', id: randomUUID(), name: 'Dark ones', query: 'tag=dark' });
}

/** Devices that are built into the two made-up music programs: name, role, type. */
const BUILT_IN: Readonly<Record<string, readonly (readonly [string, string, string])[]>> = {
  'Marquee Desk': [
    ['Prompter Gate', 'audio-effect', 'gate'],
    ['Stalls Compressor', 'audio-effect', 'compressor'],
    ['Understudy EQ', 'audio-effect', 'eq'],
    ['Usher Limiter', 'audio-effect', 'limiter'],
    ['Vestibule Reverb', 'audio-effect', 'reverb'],
    ['Wings Sampler', 'instrument', 'sampler'],
  ],
  'Pit Recorder': [
    ['Pit Gate', 'audio-effect', 'gate'],
    ['Pit Trim', 'audio-effect', 'utility'],
    ['Pit Tuner', 'tool', 'tuner'],
  ],
};

async function addBuiltIn(change: Change, drawers: ReadonlyMap<string, string>): Promise<void> {
  const addedAt = new Date().toISOString();
  const entries = Object.entries(BUILT_IN).flatMap(([program, devices]) =>
    devices.map(([name, role, type]) => ({
      id: ownEntryIdOf(randomUUID()),
      name,
      maker: null,
      program,
      role,
      types: [type],
      width: null,
      addedAt,
    })),
  );
  await change({ kind: 'add-own-entries', entries });
  const tuner = entries.find((entry) => entry.types.includes('tuner'))?.id ?? '';
  await change({ kind: 'file', drawerIds: [drawers.get('Last check') ?? ''], pluginIds: [tuner] });
}

/** A chest for the buses alone. */
async function secondChest(change: Change, having: Having): Promise<void> {
  const chestId = randomUUID();
  await change({ kind: 'make-chest', id: chestId, name: 'Mix day', slots: ['bus', 'master'] });
  let last = '';
  for (const [name, words] of [
    ['Glue', ['Glue', 'Leveller']],
    ['Width', ['Width', 'MS to Stereo']],
    ['Last word', ['Limiter', 'Ceiling', 'Loudness']],
  ] as const) {
    last = randomUUID();
    await change({
      kind: 'make-drawer',
      id: last,
      chestId,
      parentId: null,
      name,
      rule: null,
      pluginIds: having(words).slice(0, PER_DRAWER),
    });
  }
  await change({ kind: 'divide-drawers', id: last, label: '' });
}

/** A chest of what is needed for one night and nothing else, and one that follows by itself; a divider stands between them and the others. */
async function furtherChests(api: Api, computer: string, change: Change, having: Having): Promise<void> {
  const tonight = randomUUID();
  await change({ kind: 'make-chest', id: tonight, name: 'Tonight', slots: null });
  await change({ kind: 'set-chest-selection', id: tonight, selection: true });
  const drawer = { kind: 'make-drawer', chestId: tonight, parentId: null, rule: null };
  await change({
    ...drawer,
    id: randomUUID(),
    name: 'On cue',
    pluginIds: having(['Footsteps', 'Toy Piano']).slice(0, 4),
  });
  await change({ ...drawer, id: randomUUID(), name: 'In case', pluginIds: having(['Limiter']).slice(0, 2) });
  const loose = having(['Accordion', 'Harmonium']).slice(0, 2);
  await change({ kind: 'file-loose', chestId: tonight, id: randomUUID(), pluginIds: loose });
  const following = { id: randomUUID(), name: 'As they come', by: 'role-and-type', follows: true };
  await api('POST', `/computers/${computer}/worked-out-chests`, following);
  await change({ kind: 'divide-chests', id: tonight, label: '' });
}

/** Dividers between drawers, and signs of those that are reached for most. */
async function markDrawers(change: Change, drawers: ReadonlyMap<string, string>): Promise<void> {
  const id = (name: string): string => drawers.get(name) ?? '';
  await change({ kind: 'divide-drawers', id: id('Keys & toys'), label: 'on stage' });
  await change({ kind: 'set-sign', id: id('Space'), sign: 'wave' });
  await change({ kind: 'set-sign', id: id('Last check'), sign: 'flag' });
  await change({ kind: 'set-tray-sign', tray: 2, sign: 'leaf' });
}

/** Arranges the made-up studio as its music director has: chests, drawers, trays, words, built-in devices, racks, sessions. `racks`: the folder of the latter. */
export async function arrangeStudio(api: Api, computer: string, racks: string): Promise<void> {
  const { plugins } = await api<{ plugins: Plugin[] }>('GET', `/computers/${computer}/catalogue`);
  const change: Change = (intent) => api('POST', `/computers/${computer}/changes`, { intents: [intent] });
  const having: Having = (words) =>
    plugins.filter((plugin) => words.some((word) => plugin.name.includes(word))).map((plugin) => plugin.id);
  const chestId = randomUUID();
  await change({ kind: 'make-chest', id: chestId, name: 'Everyday', slots: null });
  const drawer = async (
    name: string,
    words: readonly string[],
    rule: unknown,
    parentId: string | null = null,
  ): Promise<string> => {
    const id = randomUUID();
    const pluginIds = rule === null ? having(words).slice(0, PER_DRAWER) : [];
    await change({ kind: 'make-drawer', id, chestId, parentId, name, rule, pluginIds });
    return id;
  };
  const made = new Map<string, string>();
  for (const [name, words] of DRAWERS) made.set(name, await drawer(name, words, null));
  for (const [name, words] of CLEVER) await drawer(name, [], { kind: 'keywords', words });
  await drawer('Springs', ['Spring'], null, made.get('Space') ?? null);
  const favourites = [
    ...having(['Tilt EQ']).slice(0, 2),
    ...having(['Toy Piano']).slice(0, 2),
    ...having(['Plate']).slice(0, 2),
  ];
  await change({ kind: 'tray-on', tray: 1, pluginIds: favourites });
  await change({ kind: 'tray-on', tray: 2, pluginIds: having(['Octaver', 'Harmonium', 'Wobble']).slice(0, 4) });
  await change({ kind: 'name-tray', tray: 2, name: 'Goose' });
  await addBuiltIn(change, made);
  await fileRacks(api, computer, racks, change, [made.get('Noises off') ?? '']);
  await putInWords(change, having, made);
  await secondChest(change, having);
  await furtherChests(api, computer, change, having);
  await markDrawers(change, made);
  await playScenes(api, computer, plugins, change);
}
