/** Rules and plugins by chance, for properties that hold for all of them. All names are words of no meaning. */
import fc from 'fast-check';
import { COMPARISONS, MATCHES, several, type Condition, type Term } from '../../src/rules/condition';
import { ASKED_GRADES } from '../../src/rules/fields';
import type { RuleFacts } from '../../src/rules/rule-facts';
import { asId, type ItemId } from '../../src/ids';

export const WORDS = [
  'echo',
  'echoes',
  'plate',
  'Hall',
  'de-esser',
  'TX73',
  'Größe',
  'eq',
  'or',
  'Not',
  '7',
  'CopperEQ',
];
const DRAWERS = ['d1', 'd2', 'd3'];
const DAYS = ['2026-01-31', '2026-06-15', '2026-11-24'];

const word = fc.constantFrom(...WORDS);
const phrase = fc.array(word, { minLength: 1, maxLength: 2 }).map((words) => words.join(' '));
const grade = fc.option(fc.constantFrom(...ASKED_GRADES));
const is = fc.constantFrom(...COMPARISONS);

/** One thing that is asked; `drawers` are those that it may look into. */
export const anyTerm = (drawers: readonly string[] = DRAWERS): fc.Arbitrary<Term> =>
  fc.oneof(
    {
      weight: 4,
      arbitrary: fc.record({
        kind: fc.constant('words' as const),
        field: fc.constantFrom('name' as const, 'vendor', 'tag', 'description', 'preset', 'folder', 'aside', 'text'),
        words: phrase,
        match: fc.constantFrom(...MATCHES),
      }),
    },
    {
      weight: 2,
      arbitrary: fc.record({
        kind: fc.constant('value' as const),
        field: fc.constant('type' as const),
        value: fc.constantFrom('reverb', 'delay', 'eq'),
        grade,
      }),
    },
    fc.record({
      kind: fc.constant('value' as const),
      field: fc.constant('family' as const),
      value: fc.constantFrom('space', 'time'),
      grade,
    }),
    fc.record({
      kind: fc.constant('value' as const),
      field: fc.constant('role' as const),
      value: fc.constantFrom('audio-effect', 'tool'),
      grade,
    }),
    fc.record({
      kind: fc.constant('value' as const),
      field: fc.constantFrom('format' as const),
      value: fc.constantFrom('LV2', 'VST3'),
      grade: fc.constant(null),
    }),
    fc.record({
      kind: fc.constant('value' as const),
      field: fc.constantFrom('tray' as const),
      value: fc.constantFrom('1', '2', 'any'),
      grade: fc.constant(null),
    }),
    fc.record({
      kind: fc.constant('value' as const),
      field: fc.constantFrom('width' as const),
      value: fc.constantFrom('mono', 'stereo'),
      grade: fc.constant(null),
    }),
    fc.record({
      kind: fc.constant('number' as const),
      field: fc.constantFrom('loads' as const, 'builds', 'inputs', 'presets'),
      is,
      value: fc.constantFrom('0', '1', '2'),
    }),
    fc.record({
      kind: fc.constant('number' as const),
      field: fc.constant('version' as const),
      is,
      value: fc.constantFrom('1.2', '1.10'),
    }),
    fc.record({
      kind: fc.constant('day' as const),
      field: fc.constantFrom('arrived' as const, 'loaded'),
      is,
      day: fc.constantFrom(...DAYS),
    }),
    fc.record({
      kind: fc.constant('recent' as const),
      field: fc.constantFrom('arrived' as const, 'loaded'),
      days: fc.constantFrom(1, 30, 365),
    }),
    fc.record({
      kind: fc.constant('flag' as const),
      flag: fc.constantFrom('filed' as const, 'aside', 'here', 'tagged', 'sidechain', 'notes-in', 'notes-out'),
    }),
    ...(drawers.length === 0
      ? []
      : [fc.record({ kind: fc.constant('drawer' as const), id: fc.constantFrom(...drawers) })]),
  );

/** A rule of up to some levels. */
export const anyCondition = (drawers?: readonly string[]): fc.Arbitrary<Condition> =>
  fc.letrec<{ condition: Condition }>((tie) => ({
    condition: fc.oneof(
      { maxDepth: 4, withCrossShrink: true },
      anyTerm(drawers),
      fc
        .tuple(
          fc.constantFrom('any' as const, 'all' as const),
          fc.array(tie('condition'), { minLength: 2, maxLength: 4 }),
        )
        .map(([kind, of]) => several(kind, of)),
      tie('condition').map((of): Condition => ({ kind: 'not', of })),
    ),
  })).condition;

/** All that is known of a plugin of that number. */
export const anyFacts = (id: string): fc.Arbitrary<RuleFacts> =>
  fc.record({
    id: fc.constant(asId<ItemId>(id)),
    item: fc.constantFrom('plugin' as const, 'plugin', 'plugin', 'preset'),
    names: fc.array(phrase, { minLength: 1, maxLength: 2 }),
    vendor: fc.option(phrase),
    tags: fc.array(word, { maxLength: 2 }),
    description: fc.option(phrase),
    presets: fc.array(word, { maxLength: 2 }),
    folders: fc.array(
      fc.tuple(word, word).map((names) => `/${names.join('/')}`),
      { maxLength: 2 },
    ),
    asideAs: fc.option(phrase),
    role: fc.constantFrom('audio-effect' as const, 'tool', null),
    roleGrade: fc.constantFrom('chosen' as const, 'declared', 'likely', 'unknown'),
    types: fc.subarray(['reverb' as const, 'delay', 'eq']),
    typeGrade: fc.constantFrom('chosen' as const, 'strong', 'likely', 'unknown'),
    formats: fc.subarray(['LV2' as const, 'VST3']),
    processors: fc.subarray(['x86-64' as const, 'x86']),
    versions: fc.subarray(['1.2.0', '1.9', '2.0b3']),
    builds: fc.nat(3),
    inputs: fc.constantFrom(0, 1, 2, null),
    outputs: fc.constantFrom(1, 2, null),
    sidechain: fc.constantFrom(true, false, null),
    notesIn: fc.constantFrom(true, false, null),
    notesOut: fc.constantFrom(true, false, null),
    trays: fc.subarray([1, 2]),
    drawers: fc.subarray(DRAWERS),
    nevers: fc.subarray(DRAWERS),
    arrivedAt: fc.constantFrom(...DAYS).map((day) => `${day}T12:00:00.000Z`),
    arrivedWithFolder: fc.boolean(),
    loads: fc.nat(3),
    lastLoad: fc.option(fc.constantFrom(...DAYS)),
    ways: fc.subarray(['search', 'tray']),
    aside: fc.boolean(),
    here: fc.boolean(),
  });

/** So many plugins. */
export const anyCatalogue = (count: number): fc.Arbitrary<RuleFacts[]> =>
  fc.tuple(...Array.from({ length: count }, (_, at) => anyFacts(`p${String(at)}`)));

/** A plugin of which only that is known. */
export const plugin = (facts: Partial<RuleFacts>): RuleFacts => ({
  id: asId<ItemId>('p'),
  item: 'plugin',
  names: ['Copper Plate'],
  vendor: null,
  tags: [],
  description: null,
  presets: [],
  role: null,
  roleGrade: 'unknown',
  types: [],
  typeGrade: 'unknown',
  formats: [],
  processors: [],
  versions: [],
  builds: 1,
  inputs: null,
  outputs: null,
  sidechain: null,
  notesIn: null,
  notesOut: null,
  trays: [],
  drawers: [],
  nevers: [],
  arrivedAt: '2026-11-01T10:00:00.000Z',
  loads: 0,
  lastLoad: null,
  ways: [],
  aside: false,
  here: true,
  ...facts,
});
