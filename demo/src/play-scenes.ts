import { randomUUID } from 'node:crypto';

/** Asks the server's interface; rejects with the answer where it refuses. */
export type Api = <T>(method: string, path: string, body?: unknown) => Promise<T>;
/** Makes a change of the arrangement. */
export type Change = (intent: Record<string, unknown>) => Promise<unknown>;
/** What of a plugin the demo asks for. */
export interface Plugin {
  readonly id: string;
  readonly name: string;
  readonly role: string | null;
}

const LANES = [
  ['instrument', 'Accordion', 3],
  ['instrument', 'Toy piano', 3],
  ['audio', 'Narrator', 4],
  ['audio', 'Goose', 4],
  ['audio', 'Bowed saw', 4],
  ['audio', 'Thunder sheet', 3],
  ['bus', 'Voices', 3],
  ['master', 'Out', 3],
] as const;

/** What the music director reaches for, lane by lane: which slot, a word of the plugin, its role, and how often in seven shows. */
const HABITS: readonly (readonly [lane: string, slot: number, word: string, role: string, times: number])[] = [
  ['Accordion', 2, 'Harmonium', 'instrument', 3],
  ['Accordion', 3, 'Shelf', 'audio-effect', 2],
  ['Toy piano', 2, 'Toy Piano', 'instrument', 5],
  ['Toy piano', 3, 'Tape', 'audio-effect', 2],
  ['Toy piano', 4, 'Room', 'audio-effect', 2],
  ['Narrator', 1, 'Sibilance', 'audio-effect', 6],
  ['Narrator', 2, 'Tilt EQ', 'audio-effect', 7],
  ['Narrator', 3, 'Leveller', 'audio-effect', 4],
  ['Narrator', 4, 'Plate', 'audio-effect', 3],
  ['Goose', 1, 'Octaver', 'audio-effect', 4],
  ['Goose', 2, 'Wobble', 'audio-effect', 1],
  ['Goose', 2, 'Slapback', 'audio-effect', 2],
  ['Bowed saw', 1, 'Shelf', 'audio-effect', 2],
  ['Bowed saw', 2, 'Hall', 'audio-effect', 3],
  ['Thunder sheet', 1, 'Drive', 'audio-effect', 1],
  ['Thunder sheet', 2, 'Hall', 'audio-effect', 2],
  ['Voices', 1, 'Glue', 'audio-effect', 4],
  ['Out', 2, 'Limiter', 'audio-effect', 3],
  ['Out', 3, 'Loudness', 'tool', 3],
];
const SHOWS = 21;
const DAYS_BETWEEN_SHOWS = 17;
const SHOW_HOUR = 18;

/** Whether a habit of so many times in seven shows comes up in a show: evenly spread over all of them. */
const isLoadedIn = (show: number, times: number): boolean =>
  Math.floor(((show + 1) * times) / 7) > Math.floor((show * times) / 7);

/** The shows of a year, the last one a few weeks ago; each load a minute after the one before. */
function timeOfShow(show: number, minute: number): Date {
  const at = new Date(Date.now() - (SHOWS - show) * DAYS_BETWEEN_SHOWS * 86_400_000);
  at.setHours(SHOW_HOUR, minute, 0, 0);
  return at;
}

/** What of it stands in the scene at hand, the way it stands after the first rehearsal. */
const AT_HAND: readonly (readonly [lane: string, slot: number, word: string, role: string])[] = [
  ['Accordion', 2, 'Harmonium', 'instrument'],
  ['Narrator', 1, 'Sibilance', 'audio-effect'],
  ['Narrator', 2, 'Tilt EQ', 'audio-effect'],
  ['Narrator', 3, 'Leveller', 'audio-effect'],
  ['Goose', 1, 'Octaver', 'audio-effect'],
  ['Out', 1, 'Loudness', 'tool'],
];

/** Two scenes: one that was played for a year, from which use and habits come, and the one at hand, which stands first. */
export async function playScenes(
  api: Api,
  computer: string,
  plugins: readonly Plugin[],
  change: Change,
): Promise<void> {
  const scene = async (
    name: string,
  ): Promise<(lane: string, slot: number, word: string, role: string, at?: Date) => Promise<void>> => {
    const lanes = LANES.map(([kind, lane, inserts]) => ({ id: randomUUID(), kind, name: lane, inserts }));
    await change({ kind: 'make-session', id: randomUUID(), name, lanes });
    return async (lane, slot, word, role, at) => {
      const plugin = plugins.find((one) => one.role === role && one.name.includes(word));
      const laneId = lanes.find((one) => one.name === lane)?.id;
      if (plugin === undefined || laneId === undefined) return;
      const load = { slotId: `${laneId}/${String(slot)}`, pluginId: plugin.id, way: 'list', milliseconds: 4200, at };
      await api('POST', `/computers/${computer}/loads`, load);
    };
  };
  const atHand = await scene('The Lamplighter’s Goose, scene 3');
  const before = await scene('The Lamplighter’s Goose, scene 2');
  for (let show = 0; show < SHOWS; show++)
    for (const [index, [lane, slot, word, role, times]] of HABITS.entries())
      if (isLoadedIn(show, times)) await before(lane, slot, word, role, timeOfShow(show, index));
  for (const [lane, slot, word, role] of AT_HAND) await atHand(lane, slot, word, role);
  const arrangement = await api<{
    slot: { id: string; laneId: string; pluginId: string | null }[];
    lane: { id: string; name: string; sessionId: string }[];
    session: { id: string; name: string }[];
  }>('GET', `/computers/${computer}/arrangement`);
  const played = arrangement.session.find((one) => one.name.endsWith('scene 2'));
  const voice = arrangement.lane.find((one) => one.sessionId === played?.id && one.name === 'Narrator');
  const slotIds = arrangement.slot
    .filter((one) => one.laneId === voice?.id && one.pluginId !== null)
    .map((one) => one.id);
  await change({ kind: 'keep-chain', id: `chain¶${randomUUID()}`, name: 'Marionette voice', slotIds: slotIds.sort() });
}
