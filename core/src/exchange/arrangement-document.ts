import type { Format } from '../facts/format.js';
import type { ASIDE } from '../chests/rows/aside.js';
import type { CHEST } from '../chests/rows/chest.js';
import type { DRAWER } from '../chests/rows/drawer.js';
import type { ENTRY } from '../chests/rows/entry.js';
import type { KEPT_SEARCH } from '../chests/rows/kept-search.js';
import type { NAMING } from '../chests/rows/naming.js';
import type { OWN_ENTRY } from '../chests/rows/own-entry.js';
import type { RowKindSpec } from '../chests/rows/row-kind.js';
import type { TRAY_NAME } from '../chests/rows/tray-name.js';
import type { PresetFacts } from '../facts/build-facts.js';
import type { ChainId, PluginId } from '../ids.js';

/** The fields of a kind of row that a document holds as they are. */
export type Documented<Spec> = Spec extends RowKindSpec<infer Row, infer Field> ? Pick<Row, Field> : never;

/** The version of the document that is written. */
export const ARRANGEMENT_SCHEMA = 'clever-drawer/arrangement/8';

/** Everything arranged, in one document; its JSON Schema is docs/schemas/arrangement-8.schema.json. Plugins are referred to by id, drawers in rules by name. */
export interface ArrangementDocument {
  readonly schema: typeof ARRANGEMENT_SCHEMA;
  readonly exportedAt: string;
  readonly computer: string;
  readonly plugins: readonly ArrangedPlugin[];
  readonly chests: readonly (Documented<typeof CHEST> & { readonly drawers: readonly DrawerDocument[] })[];
  readonly trays: readonly (Documented<typeof TRAY_NAME> & {
    readonly tray: number;
    readonly items: readonly ItemReference[];
  })[];
  readonly searches: readonly Documented<typeof KEPT_SEARCH>[];
  readonly chains: readonly ChainDocument[];
  readonly ownEntries: readonly OwnEntryDocument[];
}

/** An own entry with what the producer says of it. Where an item is an own entry, its id stands in the place of a plugin's. */
export type OwnEntryDocument = Omit<Documented<typeof OWN_ENTRY>, 'file'> & {
  /** Absent is null. */
  readonly file?: string | null;
  readonly id: PluginId;
  readonly naming: Documented<typeof NAMING> | null;
  readonly aside: Documented<typeof ASIDE> | null;
};

/** A chain with its parts in order. Where an item is a chain, its id stands in the place of a plugin's. */
export interface ChainDocument {
  readonly id: ChainId;
  readonly name: string;
  readonly naming: Documented<typeof NAMING> | null;
  readonly parts: readonly (ItemReference & { readonly bypass: boolean })[];
}

/** A preset, by what it is known by on every computer. */
export type PresetReference = Pick<PresetFacts, 'bank' | 'name'>;

/** A plugin, a preset of it, or a chain. */
export interface ItemReference {
  readonly plugin: PluginId;
  readonly preset: PresetReference | null;
}

/** A plugin with what the producer says of it; null for what was left alone. */
export interface ArrangedPlugin extends PluginReference {
  readonly naming: Documented<typeof NAMING> | null;
  readonly aside: Documented<typeof ASIDE> | null;
  /** The producer's words for presets of it. */
  readonly presets: readonly { readonly preset: PresetReference; readonly naming: Documented<typeof NAMING> }[];
}

/** Enough of a plugin to know it again on another computer, where names and formats may differ. */
export interface PluginReference {
  readonly id: PluginId;
  readonly name: string;
  readonly vendor: string | null;
  readonly builds: readonly { readonly format: Format; readonly identifier: string | null }[];
}

/** A drawer with all that it holds. */
export type DrawerDocument = Omit<Documented<typeof DRAWER>, 'loose'> & {
  /** Whether its entries stand in the chest without a drawer; absent is false. */
  readonly loose?: boolean;
  readonly lines: readonly LineDocument[];
  /** What its rule never takes. */
  readonly never: readonly ItemReference[];
  readonly drawers: readonly DrawerDocument[];
};

/** A line of a drawer: a plugin or a preset of it, maybe under a name of its own there, or a divider with its label. */
export type LineDocument = (ItemReference & Documented<typeof ENTRY>) | { readonly divider: string };
