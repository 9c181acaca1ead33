/** What is answered about plugins: the catalogue, everything about one, and the contents of drawers. */
import { EVIDENCE_SOURCES, GRADES, type Evidence } from '@clever-drawer/core/catalogue/evidence';
import { ROLES } from '@clever-drawer/core/catalogue/role';
import { TYPE_IDS } from '@clever-drawer/core/catalogue/type-tree';
import { SIGNS } from '@clever-drawer/core/chests/sign';
import {
  ASK_STATES,
  FACT_SOURCES,
  SOURCED_FACTS,
  type FactSource,
  type SourcedFact,
} from '@clever-drawer/core/facts/build-facts';
import { ARCHITECTURES, FORMATS } from '@clever-drawer/core/facts/format';
import type { BuildId, BuildKey, ChestId, DrawerId, PluginId } from '@clever-drawer/core/ids';
import { rule } from '../parts.js';
import { count, flag, idOf, listOf, moment, one, thing, words, written, type Answer } from '../schema.js';

/** A build as lists show it. `key`: what names it on every computer; `failed`: it did not answer when it was asked; `pictures`: how many came with it. */
export const buildView = thing('Build', {
  id: idOf<BuildId>(),
  key: idOf<BuildKey>(),
  format: one(FORMATS),
  architectures: listOf(one(ARCHITECTURES)),
  version: words().nullable(),
  path: words(),
  found: flag(),
  failed: flag(),
  pictures: count(),
  outputs: count().nullable(),
  sidechain: flag(),
});
/** See buildView. */
export type BuildView = Answer<typeof buildView>;

const WORKED_OUT = {
  id: idOf<PluginId>(),
  name: words(),
  vendor: words().nullable(),
  role: one(ROLES).nullable(),
  roleGrade: one(GRADES),
  types: listOf(one(TYPE_IDS)),
  typeGrade: one(GRADES),
  contradictions: listOf(words()),
  found: flag(),
};

/** A plugin as it was worked out. `found`: a build of it was there at the last look; `arrivedWithFolder`: it was there when its folder was first scanned; `loads`: how often it was loaded; `lastLoad`: when last; `calledToo`: names that its makers gave it and that read otherwise; builds in order of preference. */
export const pluginView = thing('Plugin', {
  ...WORKED_OUT,
  arrivedAt: words(),
  arrivedWithFolder: flag(),
  loads: count(),
  lastLoad: moment().nullable(),
  calledToo: listOf(words()),
  builds: listOf(buildView),
});
/** See pluginView. */
export type PluginView = Answer<typeof pluginView>;

/** The whole catalogue as it was worked out. `firstArrival`: when the first plugins were met; what came later is new until it is seen. */
export const catalogueView = thing('Catalogue', {
  epoch: words(),
  revision: count(),
  firstArrival: moment().nullable(),
  plugins: listOf(pluginView),
});
/** See catalogueView. */
export type CatalogueView = Answer<typeof catalogueView>;

/** The plugins of which no computer of the studio finds a build. */
export const foundNowhere = listOf(idOf<PluginId>());

/** The presets that a computer has, each once for its plugin; `leftOut` are more than are told of. */
export const presetsView = thing('Presets', {
  revision: count(),
  leftOut: count(),
  presets: listOf(thing(null, { pluginId: idOf<PluginId>(), bank: words().nullable(), name: words() })),
});
/** See presetsView. */
export type PresetsView = Answer<typeof presetsView>;

const evidence = written<Evidence>({
  type: 'object',
  title: 'Evidence',
  properties: {
    for: {
      type: 'object',
      properties: { role: { type: 'string', enum: [...ROLES] }, type: { type: 'string', enum: [...TYPE_IDS] } },
      additionalProperties: false,
    },
    from: { type: 'string', enum: [...EVIDENCE_SOURCES] },
    grade: { type: 'string', enum: ['declared', 'strong', 'likely'] },
    words: { type: 'string' },
    format: { type: ['string', 'null'], enum: [...FORMATS, null] },
  },
  required: ['for', 'from', 'grade', 'words', 'format'],
  additionalProperties: false,
});

/** One build with all its facts, and where each came from. */
const buildDetail = thing('BuildFacts', {
  id: idOf<BuildId>(),
  key: idOf<BuildKey>(),
  found: flag(),
  format: one(FORMATS),
  identifier: words().nullable(),
  path: words(),
  name: words(),
  vendor: words().nullable(),
  version: words().nullable(),
  description: words().nullable(),
  declaredTypes: listOf(words()),
  audioInputs: count().nullable(),
  audioOutputs: count().nullable(),
  sidechainInputs: count().nullable(),
  controlInputs: count().nullable(),
  controlOutputs: count().nullable(),
  midiInput: flag().nullable(),
  midiOutput: flag().nullable(),
  architectures: listOf(one(ARCHITECTURES)),
  presets: count().nullable(),
  presetList: listOf(thing('PresetFacts', { key: words(), name: words(), bank: words().nullable() })),
  pictures: listOf(words()),
  replaces: listOf(words()),
  sources: written<Readonly<Partial<Record<SourcedFact, FactSource>>>>({
    type: 'object',
    propertyNames: { enum: [...SOURCED_FACTS] },
    additionalProperties: { type: 'string', enum: [...FACT_SOURCES] },
  }),
  others: listOf(thing(null, { fact: one(SOURCED_FACTS), source: one(FACT_SOURCES), value: words() })),
  asked: one(ASK_STATES).nullable(),
  printed: words().nullable(),
});

/** What rules can ask of a plugin besides what lists show: of its builds that are there, and of how it was loaded. */
const traitsView = thing('Traits', {
  pluginId: idOf<PluginId>(),
  description: words().nullable(),
  inputs: count().nullable(),
  outputs: count().nullable(),
  sidechain: flag().nullable(),
  notesIn: flag().nullable(),
  notesOut: flag().nullable(),
  presets: listOf(words()),
  lastLoad: moment().nullable(),
  ways: listOf(words()),
});
/** The traits of all plugins that a computer has. */
export const allTraits = thing('AllTraits', { revision: count(), plugins: listOf(traitsView) });
/** See allTraits. */
export type AllTraitsView = Answer<typeof allTraits>;

/**
 * All that is known of a plugin; role, types and grades are what was worked out, before the producer's choice. `builds` are those on this computer,
 * `elsewhere` names the other computers that have one.
 */
export const pluginDetail = thing('PluginDetail', {
  ...WORKED_OUT,
  evidence: listOf(evidence),
  builds: listOf(buildDetail),
  elsewhere: listOf(words()),
});
/** See pluginDetail. */
export type PluginDetail = Answer<typeof pluginDetail>;

/** Where a plugin stands, over all chests: the way to each drawer from its chest, whether by hand or by the drawer's rule; and its trays. */
const placesOfPlugin = thing('Places', {
  drawers: listOf(
    thing(null, {
      drawerId: idOf<DrawerId>(),
      chest: words(),
      path: listOf(words()),
      by: one(['hand', 'rule']),
      name: words(),
    }),
  ),
  trays: listOf(count()),
});

/** A plugin as the producer has it: under the nickname, with role, types and vendor as they were put right, and every place that it stands in. */
export const arrangedPlugin = thing('ArrangedPlugin', {
  id: idOf<PluginId>(),
  name: words(),
  givenName: words(),
  nickname: words().nullable(),
  stripLabel: words().nullable(),
  note: words().nullable(),
  tags: listOf(words()),
  vendor: words().nullable(),
  role: one(ROLES).nullable(),
  roleGrade: one(GRADES),
  types: listOf(one(TYPE_IDS)),
  typeGrade: one(GRADES),
  aside: thing(null, { reason: words(), until: words().nullable(), note: words().nullable() }).nullable(),
  found: flag(),
  arrivedAt: words(),
  arrivedWithFolder: flag(),
  loads: count(),
  lastLoad: moment().nullable(),
  builds: listOf(buildView),
  /** The music program of an own entry; null for a plugin. */
  program: words().nullable(),
  /** Of an own entry that is a file: the name of its folder, and its path in it; else null. */
  file: words().nullable(),
  places: placesOfPlugin,
  /** Presets of it that stand somewhere or have a name of their own. */
  presets: listOf(
    thing(null, { bank: words().nullable(), name: words(), title: words(), found: flag(), places: placesOfPlugin }),
  ),
});
/** See arrangedPlugin. */
export type ArrangedPluginView = Answer<typeof arrangedPlugin>;

/** A drawer with the way to it from its chest, and how many plugins it holds now, by hand and by its rule. `divider`: the label of the one in front of it, which may be empty; null for none. */
export const drawerView = thing('DrawerSummary', {
  id: idOf<DrawerId>(),
  chestId: idOf<ChestId>(),
  chest: words(),
  parentId: idOf<DrawerId>().nullable(),
  name: words(),
  path: listOf(words()),
  rule: rule(),
  plugins: count(),
  sign: one(SIGNS).nullable(),
  notInMenus: flag(),
  divider: words().nullable(),
});
/** See drawerView. */
export type DrawerView = Answer<typeof drawerView>;

/** A line of a drawer: a plugin, or a preset of it, with why it is there, or a divider. */
const drawerLine = written<
  | {
      readonly pluginId: PluginId;
      readonly preset: { readonly bank: string | null; readonly name: string } | null;
      readonly name: string;
      readonly by: 'hand' | 'rule';
      /** Why its rule put it there, in words; null for what is there by hand. */
      readonly why: string | null;
      readonly found: boolean;
    }
  | { readonly divider: string }
>({
  title: 'DrawerLine',
  anyOf: [
    {
      type: 'object',
      properties: {
        pluginId: { type: 'string' },
        preset: {
          type: ['object', 'null'],
          properties: { bank: { type: ['string', 'null'] }, name: { type: 'string' } },
          required: ['bank', 'name'],
          additionalProperties: false,
        },
        name: { type: 'string' },
        by: { type: 'string', enum: ['hand', 'rule'] },
        why: { type: ['string', 'null'] },
        found: { type: 'boolean' },
      },
      required: ['pluginId', 'preset', 'name', 'by', 'why', 'found'],
      additionalProperties: false,
    },
    {
      type: 'object',
      properties: { divider: { type: 'string' } },
      required: ['divider'],
      additionalProperties: false,
    },
  ],
});
/** What a drawer holds, in the order in which the screen shows it; a clever one with what its rule put there. */
export const drawerContents = thing('DrawerContents', { drawer: drawerView, lines: listOf(drawerLine) });
/** See drawerContents. */
export type DrawerContentsView = Answer<typeof drawerContents>;
