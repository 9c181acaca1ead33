/** The forms of the arrangement document before the one that is written now, and how each is read. */
import type { ASIDE } from '../chests/rows/aside.js';
import { withMaster, type CHEST } from '../chests/rows/chest.js';
import type { DRAWER } from '../chests/rows/drawer.js';
import type { ENTRY } from '../chests/rows/entry.js';
import type { PluginId } from '../ids.js';
import { withoutOlderLists } from '../rules/older-lists.js';
import type { Rule } from '../rules/rule.js';
import {
  ARRANGEMENT_SCHEMA,
  type ArrangedPlugin,
  type ArrangementDocument,
  type Documented,
  type DrawerDocument,
  type ItemReference,
  type PluginReference,
} from './arrangement-document.js';

type FirstSchema = 'clever-drawer/arrangement/1';
type SecondSchema = 'clever-drawer/arrangement/2';
type ThirdSchema = 'clever-drawer/arrangement/3';
type FourthSchema = 'clever-drawer/arrangement/4';
type FifthSchema = 'clever-drawer/arrangement/5';
type SixthSchema = 'clever-drawer/arrangement/6';
type SeventhSchema = 'clever-drawer/arrangement/7';

/** The format before signs, sorted and divided levels, and chests that are a selection. It is still read. */
export interface SeventhArrangementDocument extends Omit<ArrangementDocument, 'schema' | 'chests' | 'trays'> {
  readonly schema: SeventhSchema;
  readonly chests: readonly (SeventhChest & { readonly drawers: readonly SeventhDrawerDocument[] })[];
  readonly trays: readonly {
    readonly tray: number;
    readonly name: string | null;
    readonly items: readonly ItemReference[];
  }[];
}
type SeventhChest = Pick<Documented<typeof CHEST>, 'name' | 'slots'>;
type SeventhDrawerDocument = Omit<
  DrawerDocument,
  'sign' | 'notInMenus' | 'innerSort' | 'dividerBefore' | 'loose' | 'lines' | 'drawers'
> & {
  readonly lines: readonly SeventhLine[];
  readonly drawers: readonly SeventhDrawerDocument[];
};
type SeventhLine = (ItemReference & Pick<Documented<typeof ENTRY>, 'name'>) | { readonly divider: string };

/** The format before own entries. It is still read. */
export interface SixthArrangementDocument extends Omit<SeventhArrangementDocument, 'schema' | 'ownEntries'> {
  readonly schema: SixthSchema;
}

/** The format before notes on what is set aside, and reasons in the producer's own words. It is still read. */
export interface FifthArrangementDocument extends Omit<SixthArrangementDocument, 'schema' | 'plugins'> {
  readonly schema: FifthSchema;
  readonly plugins: readonly FifthArrangedPlugin[];
}
type FifthArrangedPlugin = Omit<ArrangedPlugin, 'aside'> & {
  readonly aside: Omit<Documented<typeof ASIDE>, 'note'> | null;
};

/** The form before split drawers and chains. It is still read. */
export interface FourthArrangementDocument extends Omit<FifthArrangementDocument, 'schema' | 'chests' | 'chains'> {
  readonly schema: FourthSchema;
  readonly chests: readonly (SeventhChest & { readonly drawers: readonly FourthDrawerDocument[] })[];
}
type FourthDrawerDocument = Omit<SeventhDrawerDocument, 'split' | 'drawers'> & {
  readonly drawers: readonly FourthDrawerDocument[];
};

/** The form before exceptions: drawers name nothing that their rules never take. It is still read. */
export interface ThirdArrangementDocument extends Omit<FifthArrangementDocument, 'schema' | 'chests' | 'chains'> {
  readonly schema: ThirdSchema;
  readonly chests: readonly (SeventhChest & { readonly drawers: readonly ThirdDrawerDocument[] })[];
}
type ThirdDrawerDocument = Omit<SeventhDrawerDocument, 'never' | 'most' | 'split' | 'drawers'> & {
  readonly drawers: readonly ThirdDrawerDocument[];
};

/** The form before presets: lines and trays name plugins alone. It is still read. */
export interface SecondArrangementDocument extends Omit<
  FifthArrangementDocument,
  'schema' | 'plugins' | 'chests' | 'trays' | 'chains'
> {
  readonly schema: SecondSchema;
  readonly plugins: readonly Omit<FifthArrangedPlugin, 'presets'>[];
  readonly chests: readonly (SeventhChest & { readonly drawers: readonly SecondDrawerDocument[] })[];
  readonly trays: readonly {
    readonly tray: number;
    readonly name: string | null;
    readonly plugins: readonly PluginId[];
  }[];
}
type SecondDrawerDocument = Pick<Documented<typeof DRAWER>, 'name' | 'rule' | 'sort'> & {
  readonly lines: readonly (
    ({ readonly plugin: PluginId } & Pick<Documented<typeof ENTRY>, 'name'>) | { readonly divider: string }
  )[];
  readonly drawers: readonly SecondDrawerDocument[];
};

/** The form before dividers, sorting and names: a drawer is a list of plugins. It is still read. */
export interface FirstArrangementDocument {
  readonly schema: FirstSchema;
  readonly exportedAt: string;
  readonly computer: string;
  readonly plugins: readonly PluginReference[];
  readonly chests: readonly { readonly name: string; readonly drawers: readonly FirstDrawerDocument[] }[];
  readonly trays: readonly { readonly tray: number; readonly plugins: readonly PluginId[] }[];
}
interface FirstDrawerDocument {
  readonly name: string;
  readonly rule: Rule | null;
  readonly plugins: readonly PluginId[];
  readonly drawers: readonly FirstDrawerDocument[];
}

/** A document of any version. */
export type AnyArrangementDocument =
  | ArrangementDocument
  | SeventhArrangementDocument
  | SixthArrangementDocument
  | FifthArrangementDocument
  | FourthArrangementDocument
  | ThirdArrangementDocument
  | SecondArrangementDocument
  | FirstArrangementDocument;

/** A document of any version in the newest form. */
export function upgradeDocument(document: AnyArrangementDocument): ArrangementDocument {
  if (document.schema === ARRANGEMENT_SCHEMA) return document;
  if (document.schema === 'clever-drawer/arrangement/7') return fromSeventh(document);
  return fromSeventh(fromSixth(sixthForm(document)));
}

function sixthForm(
  document: Exclude<AnyArrangementDocument, ArrangementDocument | SeventhArrangementDocument>,
): SixthArrangementDocument {
  if (document.schema === 'clever-drawer/arrangement/6') return document;
  if (document.schema === 'clever-drawer/arrangement/5') return fromFifth(document);
  if (document.schema === 'clever-drawer/arrangement/4') return fromFifth(fromFourth(document));
  if (document.schema === 'clever-drawer/arrangement/3') return fromFifth(fromFourth(fromThird(document)));
  const second = document.schema === 'clever-drawer/arrangement/1' ? fromFirst(document) : document;
  return fromFifth(fromFourth(fromThird(fromSecond(second))));
}

function fromSeventh(document: SeventhArrangementDocument): ArrangementDocument {
  const drawer = (one: SeventhDrawerDocument): DrawerDocument => ({
    ...one,
    sign: null,
    notInMenus: false,
    innerSort: null,
    dividerBefore: null,
    lines: one.lines.map((line) => ('divider' in line ? line : { ...line, build: null })),
    drawers: one.drawers.map(drawer),
  });
  return {
    ...document,
    schema: ARRANGEMENT_SCHEMA,
    chests: document.chests.map(({ slots, ...chest }) => ({
      ...chest,
      slots: withMaster(slots),
      selection: false,
      drawerSort: null,
      dividerBefore: null,
      drawers: chest.drawers.map(drawer),
    })),
    trays: document.trays.map((tray) => ({ ...tray, sign: null, notInMenus: false })),
  };
}

const fromSixth = (document: SixthArrangementDocument): SeventhArrangementDocument => ({
  ...document,
  schema: 'clever-drawer/arrangement/7',
  ownEntries: [],
});

const withRulesOfToday = (drawer: SeventhDrawerDocument): SeventhDrawerDocument => ({
  ...drawer,
  rule: drawer.rule?.kind === 'written' ? { ...drawer.rule, text: withoutOlderLists(drawer.rule.text) } : drawer.rule,
  drawers: drawer.drawers.map(withRulesOfToday),
});

const fromFifth = (document: FifthArrangementDocument): SixthArrangementDocument => ({
  ...document,
  schema: 'clever-drawer/arrangement/6',
  chests: document.chests.map((chest) => ({ ...chest, drawers: chest.drawers.map(withRulesOfToday) })),
  plugins: document.plugins.map(({ aside, ...plugin }) => ({
    ...plugin,
    aside: aside === null ? null : { ...aside, note: null },
  })),
});

function fromFourth(document: FourthArrangementDocument): FifthArrangementDocument {
  const drawer = (one: FourthDrawerDocument): SeventhDrawerDocument => ({
    ...one,
    split: null,
    drawers: one.drawers.map(drawer),
  });
  const chests = document.chests.map((chest) => ({ ...chest, drawers: chest.drawers.map(drawer) }));
  return { ...document, schema: 'clever-drawer/arrangement/5', chests, chains: [] };
}

function fromThird(document: ThirdArrangementDocument): FourthArrangementDocument {
  const drawer = (one: ThirdDrawerDocument): FourthDrawerDocument => ({
    ...one,
    most: null,
    never: [],
    drawers: one.drawers.map(drawer),
  });
  const chests = document.chests.map((chest) => ({ ...chest, drawers: chest.drawers.map(drawer) }));
  return { ...document, schema: 'clever-drawer/arrangement/4', chests };
}

function fromSecond(document: SecondArrangementDocument): ThirdArrangementDocument {
  const drawer = (one: SecondDrawerDocument): ThirdDrawerDocument => ({
    ...one,
    lines: one.lines.map((line) => ('divider' in line ? line : { ...line, preset: null })),
    drawers: one.drawers.map(drawer),
  });
  return {
    ...document,
    schema: 'clever-drawer/arrangement/3',
    plugins: document.plugins.map((plugin) => ({ ...plugin, presets: [] })),
    chests: document.chests.map((chest) => ({ ...chest, drawers: chest.drawers.map(drawer) })),
    trays: document.trays.map(({ plugins, ...tray }) => ({
      ...tray,
      items: plugins.map((plugin) => ({ plugin, preset: null })),
    })),
  };
}

function fromFirst(document: FirstArrangementDocument): SecondArrangementDocument {
  const drawer = ({ name, rule, plugins, drawers }: FirstDrawerDocument): SecondDrawerDocument => ({
    name,
    rule,
    sort: null,
    lines: plugins.map((plugin) => ({ plugin, name: null })),
    drawers: drawers.map(drawer),
  });
  return {
    ...document,
    schema: 'clever-drawer/arrangement/2',
    plugins: document.plugins.map((plugin) => ({ ...plugin, naming: null, aside: null })),
    chests: document.chests.map(({ name, drawers }) => ({ name, slots: null, drawers: drawers.map(drawer) })),
    trays: document.trays.map((tray) => ({ ...tray, name: null })),
    searches: [],
  };
}
