/** What rules are asked of: where it is found, and what of it has changed. */
import type { Grade } from '../catalogue/evidence.js';
import type { Role } from '../catalogue/role.js';
import type { TypeId } from '../catalogue/type-tree.js';
import type { Architecture, Format } from '../facts/format.js';
import { folderOf } from '../facts/plugin-path.js';
import { asideLabel } from './rows/aside.js';
import type { LaneWidth } from './rows/lane.js';
import { asId, type DrawerId, type ItemId, type PluginId } from '../ids.js';
import { conditionOf } from '../rules/rule.js';
import { testsItemKind, type RuleChange } from '../rules/rule-book.js';
import type { RuleFacts } from '../rules/rule-facts.js';
import { termsOf, type Condition } from '../rules/condition.js';
import type { Arrangement } from './arrangement.js';
import { isChain, itemParts, pluginOfItem } from './item.js';
import type { Drawer } from './rows/drawer.js';
import { groupsOf } from './row-groups.js';

const NOTHING: readonly never[] = [];

interface AskableBuild {
  readonly format: Format;
  readonly architectures: readonly Architecture[];
  readonly version: string | null;
  readonly found: boolean;
  readonly path?: string;
}
/** What rules are asked of: what lists show of a plugin or preset. Whatever is not said is not known. */
export interface Askable {
  readonly id: ItemId;
  /** The width of an own entry. */
  readonly width?: LaneWidth | null;
  /** Of an own entry that is a file: its folder's name, and its path in it. */
  readonly file?: string | null;
  readonly name: string;
  readonly givenName?: string;
  readonly calledToo?: readonly string[];
  readonly vendor?: string | null;
  readonly naming?: { readonly tags: readonly string[] } | null;
  readonly preset?: { readonly name: string } | null;
  readonly role?: Role | null;
  readonly roleGrade?: Grade;
  readonly types?: readonly TypeId[];
  readonly typeGrade?: Grade;
  readonly builds?: readonly AskableBuild[];
  readonly arrivedAt?: string;
  /** Whether it was there when its folder was first scanned. */
  readonly arrivedWithFolder?: boolean;
  readonly loads?: number;
  readonly aside?: { readonly reason: string } | null;
  readonly found?: boolean;
}

/** What rules can ask of a plugin besides, and no list shows. */
export interface Traits {
  readonly description: string | null;
  readonly inputs: number | null;
  readonly outputs: number | null;
  readonly sidechain: boolean | null;
  readonly notesIn: boolean | null;
  readonly notesOut: boolean | null;
  readonly presets: readonly string[];
  readonly lastLoad: string | null;
  readonly ways: readonly string[];
}
const NO_TRAITS: Traits = {
  description: null,
  inputs: null,
  outputs: null,
  sidechain: null,
  notesIn: null,
  notesOut: null,
  presets: NOTHING,
  lastLoad: null,
  ways: NOTHING,
};

const TRAIT_FIELDS: ReadonlySet<string> = new Set([
  'description',
  'preset',
  'text',
  'inputs',
  'outputs',
  'width',
  'presets',
  'loaded',
  'way',
]);
const TRAIT_FLAGS: ReadonlySet<string> = new Set(['sidechain', 'notes-in', 'notes-out']);

/** Whether a condition asks what only traits tell. */
export const needsTraits = (condition: Condition): boolean =>
  termsOf(condition).some((term) =>
    term.kind === 'flag' ? TRAIT_FLAGS.has(term.flag) : term.kind !== 'drawer' && TRAIT_FIELDS.has(term.field),
  );

/** What the rules in force ask besides what lists show: traits, and presets. */
export function askedByRules({ drawer }: Pick<Arrangement, 'drawer'>): {
  readonly traits: boolean;
  readonly presets: boolean;
} {
  const conditions = [...drawer.values()].flatMap(({ rule }) => (rule === null ? [] : (conditionOf(rule) ?? [])));
  return { traits: conditions.some(needsTraits), presets: conditions.some(testsItemKind) };
}

/** The drawers whose rules look at one of some others. */
export function drawersLookingAt({ drawer }: Pick<Arrangement, 'drawer'>, ids: ReadonlySet<DrawerId>): Drawer[] {
  return [...drawer.values()].filter((one) => {
    const condition = one.rule === null || ids.has(one.id) ? null : conditionOf(one.rule);
    return (
      condition !== null &&
      termsOf(condition).some((term) => term.kind === 'drawer' && ids.has(asId<DrawerId>(term.id)))
    );
  });
}

/** Where what rules ask is found. */
export interface RuleEvaluationInput<P extends Askable = Askable> {
  readonly state: Pick<Arrangement, 'drawer' | 'entry' | 'neverIn' | 'trayEntry'>;
  readonly items: ReadonlyMap<ItemId, P>;
  readonly traits: ReadonlyMap<PluginId, Traits>;
  /** Whether presets are asked as well: they are many, and few rules speak of them. */
  readonly presets: boolean;
  readonly today: string;
}

/** All that rules can ask of an item. */
export function ruleFactsOf(item: Askable, { state, traits }: RuleEvaluationInput): RuleFacts {
  const full = state as Arrangement;
  const { pluginId, preset } = itemParts(item.id);
  const there = (item.builds ?? []).filter((build) => build.found);
  const known = traits.get(pluginId) ?? NO_TRAITS;
  // Field by field: an object that is spread together is several times as slow to look at, and this is looked at for every plugin.
  return {
    id: item.id,
    item: preset !== null ? 'preset' : isChain(item.id) ? 'chain' : 'plugin',
    names: namesOf(item),
    vendor: item.vendor ?? null,
    tags: item.naming?.tags ?? NOTHING,
    description: known.description,
    presets: preset === null ? known.presets : NOTHING,
    folders: item.file == null ? foldersOf(there) : [folderOf(item.file)],
    role: item.role ?? null,
    roleGrade: item.roleGrade ?? 'unknown',
    types: item.types ?? NOTHING,
    typeGrade: item.typeGrade ?? 'unknown',
    formats: [...new Set(there.map((build) => build.format))],
    processors: [...new Set(there.flatMap((build) => build.architectures))],
    versions: [...new Set(there.flatMap((build) => build.version ?? []))],
    builds: there.length,
    inputs: known.inputs,
    outputs: known.outputs ?? outputsOf(item.width),
    sidechain: known.sidechain,
    notesIn: known.notesIn,
    notesOut: known.notesOut,
    trays:
      groupsOf(full, 'traysOf')
        .get(item.id)
        ?.map((entry) => entry.tray) ?? NOTHING,
    drawers:
      groupsOf(full, 'entriesOf')
        .get(item.id)
        ?.map((entry) => entry.drawerId) ?? NOTHING,
    nevers:
      groupsOf(full, 'neversOf')
        .get(item.id)
        ?.map((never) => never.drawerId) ?? NOTHING,
    arrivedAt: item.arrivedAt ?? '',
    arrivedWithFolder: item.arrivedWithFolder ?? false,
    loads: item.loads ?? 0,
    lastLoad: known.lastLoad,
    ways: known.ways,
    aside: item.aside != null,
    asideAs: item.aside == null ? null : asideLabel(item.aside.reason),
    here: item.found ?? true,
  };
}

/** Most have one build: a set is made only for more. */
function foldersOf(builds: readonly AskableBuild[]): readonly string[] {
  const folders = builds.flatMap(({ path }) => (path === undefined ? [] : folderOf(path)));
  return folders.length < 2 ? folders : [...new Set(folders)];
}

const outputsOf = (width: LaneWidth | null | undefined): number | null =>
  width === 'mono' ? 1 : width === 'stereo' ? 2 : null;

/** A plugin is judged by its given name and its nickname. */
function namesOf({ name, givenName = name, calledToo = NOTHING }: Askable): readonly string[] {
  return [...new Set([givenName, name, ...calledToo])];
}

/** What has to be told to a book of rules after something changed; `before` null for a book of nothing. Unreadable rules take nothing. */
export function ruleChange(
  before: RuleEvaluationInput | null,
  after: RuleEvaluationInput,
): RuleChange & { readonly ids: readonly ItemId[] } {
  const rules: (readonly [string, Condition])[] = [];
  const unruled: string[] = [];
  if (before?.state.drawer !== after.state.drawer) {
    for (const { id, rule } of after.state.drawer.values()) {
      const old = before?.state.drawer.get(id)?.rule ?? null;
      if (old === rule) continue;
      const condition = rule === null ? null : conditionOf(rule);
      if (condition !== null) rules.push([id, condition]);
      else if (old !== null) unruled.push(id);
    }
    for (const [id, { rule }] of before?.state.drawer ?? [])
      if (rule !== null && !after.state.drawer.has(id)) unruled.push(id);
  }
  const gone =
    before === null || before.items === after.items
      ? NOTHING
      : [...before.items.keys()].filter((id) => !after.items.has(id));
  return {
    rules,
    unruled,
    gone,
    today: after.today,
    ids: touched(before, after),
  };
}

/** The items of which something changed that a rule may ask. */
function touched(before: RuleEvaluationInput | null, after: RuleEvaluationInput): ItemId[] {
  const isAsked = (id: ItemId): boolean => {
    const item = after.items.get(id);
    return item !== undefined && (after.presets || (item.preset == null && !isChain(id)));
  };
  if (before === null || before.presets !== after.presets) return [...after.items.keys()].filter(isAsked);
  const ids = new Set<ItemId>();
  if (before.items !== after.items)
    for (const [id, item] of after.items) if (before.items.get(id) !== item) ids.add(id);
  if (before.traits !== after.traits)
    for (const id of after.items.keys()) {
      const plugin = pluginOfItem(id);
      if (before.traits.get(plugin) !== after.traits.get(plugin)) ids.add(id);
    }
  for (const [kind, name] of WHERE) {
    if (before.state[kind] === after.state[kind]) continue;
    const [old, now] = [groupsOf(before.state as Arrangement, name), groupsOf(after.state as Arrangement, name)];
    for (const [id, rows] of now) if (old.get(id) !== rows) ids.add(id as ItemId);
    for (const id of old.keys()) if (!now.has(id)) ids.add(id as ItemId);
  }
  return [...ids].filter(isAsked);
}

const WHERE = [
  ['entry', 'entriesOf'],
  ['trayEntry', 'traysOf'],
  ['neverIn', 'neversOf'],
] as const;

/** All that rules can ask of an item, by its id; undefined when it is not there. */
export const factsIn = (sources: RuleEvaluationInput, id: ItemId): RuleFacts | undefined => {
  const item = sources.items.get(id);
  return item === undefined ? undefined : ruleFactsOf(item, sources);
};
