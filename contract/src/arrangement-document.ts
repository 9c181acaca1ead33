import { array, boolean, object, string, type Schema } from 'yup';

import { MAX_PRESET_NAME_LENGTH } from '@clever-drawer/core/facts/build-facts';
import { ASIDE_REASONS } from '@clever-drawer/core/chests/rows/aside';
import { MAX_PARTS } from '@clever-drawer/core/chests/plan-chains';
import { MAX_FILE_LENGTH } from '@clever-drawer/core/chests/rows/own-entry';
import { MAX_NAME_LENGTH } from '@clever-drawer/core/chests/rows/row-kind';

import { documentedFields } from './row-schemas.js';
import { chosenBy, type AnySchema } from './schema.js';
import { day, documentRuleSchema, id, MANY, name, ownEntryId, pluginIds, rule, tray } from './parts.js';

/** What a plugin is known again by. */
export const referenceFields = {
  id: id(),
  name: string().strict().min(1).max(2000).required(),
  vendor: string().strict().max(2000).nullable().defined(),
  builds: array()
    .of(
      object({
        format: string().strict().required(),
        identifier: string().strict().nullable().defined(),
      }).noUnknown(),
    )
    .required(),
};

const naming = object(documentedFields('naming')).noUnknown().nullable().default(undefined).defined();
const asideOf = (fields: Record<string, AnySchema>) =>
  object({ ...fields, until: day() })
    .noUnknown()
    .nullable()
    .default(undefined)
    .defined();
const aside = asideOf(documentedFields('aside'));
/** What was set aside before it could have a note and a reason in the producer's own words. */
const olderAside = asideOf({ reason: string().strict().oneOf(ASIDE_REASONS).required() });

const presetReference = {
  bank: string().strict().max(MAX_PRESET_NAME_LENGTH).nullable().defined(),
  name: string().strict().max(MAX_PRESET_NAME_LENGTH).defined(),
};
/** A preset, or null. */
export const preset = object(presetReference).noUnknown().nullable().default(undefined).defined();

/** The fields that the kind of row has. */
function given(fields: Readonly<Record<string, AnySchema | undefined>>): Record<string, AnySchema> {
  return Object.fromEntries(Object.entries(fields).filter(([, schema]) => schema !== undefined)) as Record<
    string,
    AnySchema
  >;
}

const { build: entryBuild, ...olderEntry } = documentedFields('entry');

/** A line is a divider or of this form. The two are made once and not for each line, which takes most of the time and memory of reading a large document. */
function lineOf(entry: Record<string, AnySchema>): Schema<unknown> {
  const divider: AnySchema = object({ divider: string().strict().max(MAX_NAME_LENGTH).defined() }).noUnknown();
  const placed: AnySchema = object({ plugin: id(), ...olderEntry, ...entry }).noUnknown();
  return chosenBy((value: unknown) =>
    typeof value === 'object' && value !== null && 'divider' in value ? divider : placed,
  );
}

const secondLine = lineOf({});
const line = lineOf({ preset });
const lineWithBuild = lineOf({ preset, ...given({ build: entryBuild }) });

const {
  most,
  split,
  sign,
  notInMenus,
  innerSort,
  dividerBefore,
  loose: _loose,
  ...olderFields
} = documentedFields('drawer');
const { file: _file, ...olderOwnEntry } = documentedFields('ownEntry');
const { name: _chestName, slots: chestSlots, ...chestLook } = documentedFields('chest');
const { name: _trayName, ...trayLook } = documentedFields('trayName');

const drawerOf = (of: Schema<unknown>, more: Record<string, AnySchema> = {}): Schema => {
  const drawer: Schema = object({
    ...olderFields,
    rule: documentRuleSchema(),
    ...more,
    name: name('the name of a drawer'),
    lines: array().of(of).max(MANY).required(),
    drawers: array()
      .of(chosenBy(() => drawer))
      .max(5000)
      .required(),
  }).noUnknown();
  return drawer;
};

const firstDrawer: Schema = object({
  name: name('the name of a drawer'),
  rule: rule(),
  plugins: pluginIds(),
  drawers: array()
    .of(chosenBy(() => firstDrawer))
    .max(5000)
    .required(),
}).noUnknown();

const head = {
  exportedAt: string().strict().required(),
  computer: string().strict().defined(),
};
const chestName = name('the name of a chest');

const searches = array()
  .of(object({ ...documentedFields('keptSearch'), name: name('the name of a search') }).noUnknown())
  .max(1000)
  .required();
const chestsOf = (of: Schema<unknown>, more?: Record<string, AnySchema>, look: Record<string, AnySchema> = {}) =>
  array()
    .of(
      object({
        ...given({ slots: chestSlots }),
        ...look,
        name: chestName,
        drawers: array().of(drawerOf(of, more)).required(),
      }).noUnknown(),
    )
    .max(1000)
    .required();
const traysOf = (of: Record<string, AnySchema>) =>
  array()
    .of(
      object({
        tray: tray(),
        name: string().strict().min(1).max(MAX_NAME_LENGTH).nullable().defined(),
        ...of,
      }).noUnknown(),
    )
    .max(9)
    .required();

const items = () =>
  array()
    .of(object({ plugin: id(), preset }).noUnknown())
    .max(MANY)
    .required();

/** What documents have in common since presets can stand somewhere. */
const withPresets = (aside: AnySchema) => ({
  ...head,
  plugins: array()
    .of(
      object({
        ...referenceFields,
        naming,
        aside,
        presets: array()
          .of(object({ preset: preset.nonNullable(), naming: naming.nonNullable() }).noUnknown())
          .max(MANY)
          .required(),
      }).noUnknown(),
    )
    .max(MANY)
    .required(),
  trays: traysOf({
    items: items(),
  }),
  searches,
});

const withExceptions = { never: items(), ...given({ most }) };
const withSplits = { ...withExceptions, ...given({ split }) };

const sinceChains = (aside: AnySchema) => ({
  ...withPresets(aside),
  chests: chestsOf(line, withSplits),
  chains: array()
    .of(
      object({
        id: id(),
        name: name('the name of a chain'),
        naming,
        parts: array()
          .of(object({ plugin: id(), preset, bypass: boolean().strict().required() }).noUnknown())
          .max(MAX_PARTS)
          .required(),
      }).noUnknown(),
    )
    .max(10_000)
    .required(),
});

const withOwnEntries = (more: Record<string, AnySchema> = {}) => ({
  ...sinceChains(aside),
  ownEntries: array()
    .of(
      object({
        id: ownEntryId(),
        ...olderOwnEntry,
        ...more,
        name: name('the name of an own entry'),
        program: name('the program of an own entry'),
        naming,
        aside,
      }).noUnknown(),
    )
    .max(MANY)
    .required(),
});

// Documents of form 8 may lack what was added to it before it was released.
const file = string().strict().max(MAX_FILE_LENGTH).nullable().optional();
const loose = boolean().strict().optional();

/** The arrangement document of docs/schemas/arrangement-8.schema.json. */
const newest = object({
  schema: string().oneOf(['clever-drawer/arrangement/8']).required(),
  ...withOwnEntries({ file }),
  chests: chestsOf(
    lineWithBuild,
    { ...withSplits, ...given({ sign, notInMenus, innerSort, dividerBefore }), loose },
    chestLook,
  ),
  trays: traysOf({ ...trayLook, items: items() }),
}).noUnknown();

/** The format of docs/schemas/arrangement-7.schema.json, which is still read. */
const seventh = object({
  schema: string().oneOf(['clever-drawer/arrangement/7']).required(),
  ...withOwnEntries(),
}).noUnknown();

/** The format of docs/schemas/arrangement-6.schema.json, which is still read. */
const sixth = object({
  schema: string().oneOf(['clever-drawer/arrangement/6']).required(),
  ...sinceChains(aside),
}).noUnknown();

/** The format of docs/schemas/arrangement-5.schema.json, which is still read. */
const fifth = object({
  schema: string().oneOf(['clever-drawer/arrangement/5']).required(),
  ...sinceChains(olderAside),
}).noUnknown();

/** The form of docs/schemas/arrangement-4.schema.json, which is still read. */
const fourth = object({
  schema: string().oneOf(['clever-drawer/arrangement/4']).required(),
  ...withPresets(olderAside),
  chests: chestsOf(line, withExceptions),
}).noUnknown();

/** The form of docs/schemas/arrangement-3.schema.json, which is still read. */
const third = object({
  schema: string().oneOf(['clever-drawer/arrangement/3']).required(),
  ...withPresets(olderAside),
  chests: chestsOf(line),
}).noUnknown();

/** The form of docs/schemas/arrangement-2.schema.json, which is still read. */
const second = object({
  schema: string().oneOf(['clever-drawer/arrangement/2']).required(),
  ...head,
  plugins: array()
    .of(object({ ...referenceFields, naming, aside: olderAside }).noUnknown())
    .max(MANY)
    .required(),
  chests: chestsOf(secondLine),
  trays: traysOf({ plugins: pluginIds() }),
  searches,
}).noUnknown();

/** The form of docs/schemas/arrangement-1.schema.json, which is still read. */
const first = object({
  schema: string().oneOf(['clever-drawer/arrangement/1']).required(),
  ...head,
  plugins: array().of(object(referenceFields).noUnknown()).max(MANY).required(),
  chests: array()
    .of(object({ name: chestName, drawers: array().of(firstDrawer).required() }).noUnknown())
    .max(1000)
    .required(),
  trays: array()
    .of(object({ tray: tray(), plugins: pluginIds() }).noUnknown())
    .max(9)
    .required(),
}).noUnknown();

const neither = object({
  schema: string()
    .oneOf(
      ['clever-drawer/arrangement/8'],
      'this is no arrangement of Clever Drawer (its "schema" is not "clever-drawer/arrangement/8" or an earlier one)',
    )
    .required('this is no arrangement of Clever Drawer (it has no "schema")'),
});

const FORMS: ReadonlyMap<unknown, AnySchema> = new Map<unknown, AnySchema>([
  ['clever-drawer/arrangement/1', first],
  ['clever-drawer/arrangement/2', second],
  ['clever-drawer/arrangement/3', third],
  ['clever-drawer/arrangement/4', fourth],
  ['clever-drawer/arrangement/5', fifth],
  ['clever-drawer/arrangement/6', sixth],
  ['clever-drawer/arrangement/7', seventh],
  ['clever-drawer/arrangement/8', newest],
]);

/** An arrangement document of any version. */
export const arrangementDocument: AnySchema = chosenBy(
  (value) => FORMS.get((value as { schema?: unknown } | null | undefined)?.schema) ?? neither,
);
