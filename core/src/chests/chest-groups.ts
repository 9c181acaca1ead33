/** The groups that a chest is worked out from: by type, vendor, format, role or folder. */
import type { Format } from '../facts/format.js';
import { FORMATS } from '../facts/format.js';
import type { Plugin } from '../catalogue/plugin.js';
import { ROLE_LABELS, ROLES } from '../catalogue/role.js';
import type { FamilyId } from '../catalogue/type-tree.js';
import { FAMILIES, familyOf, TYPE_IDS, TYPE_TREE } from '../catalogue/type-tree.js';
import { appendToGroup } from '../lists-by-key.js';
import { compareNames } from '../text/words.js';

/** By what a chest can be worked out from the catalogue. */
export const CHEST_BASES = ['type', 'vendor', 'format', 'role-and-type', 'folder'] as const;
/** By what a chest is worked out. */
export type ChestBasis = (typeof CHEST_BASES)[number];

/** By what the inner drawers of a drawer that is too full are made. */
export const INNER_BASES = ['type', 'vendor', 'letters'] as const;
/** By what a drawer that grows too large is divided. */
export type InnerBasis = (typeof INNER_BASES)[number];

/** What working out a chest looks at. */
export type Sorted = Pick<Plugin, 'id' | 'name' | 'vendor' | 'types' | 'role'> & {
  readonly formats: readonly Format[];
  /** For each build that is there, the names of the folders around it, outermost first. */
  readonly folders?: readonly (readonly string[])[];
};

/** What the drawer of those is called of which it is not known. */
export const UNKNOWN: Readonly<Record<ChestBasis, string>> = {
  type: 'type unknown',
  vendor: 'vendor unknown',
  format: 'no build found',
  'role-and-type': 'role unknown',
  folder: 'in no inner folder',
};

/** Plugins that go into a drawer, and the groups within. */
export interface Group {
  readonly name: string;
  readonly plugins: readonly Sorted[];
  readonly inner: readonly Group[];
}
/** A group under a name. */
export const chestGroup = (name: string, plugins: readonly Sorted[], inner: readonly Group[] = []): Group => ({
  name,
  plugins,
  inner,
});

/** The groups of plugins that are in order of name. */
export const GROUPS: Readonly<Record<ChestBasis, (sorted: readonly Sorted[]) => Group[]>> = {
  type: byFamily,
  vendor: byVendor,
  format: (sorted) =>
    FORMATS.map((format) =>
      chestGroup(
        format,
        sorted.filter((one) => one.formats.includes(format)),
      ),
    ).filter((one) => one.plugins.length > 0),
  folder: (sorted) => byFolder(sorted),
  'role-and-type': (sorted) =>
    ROLES.map((role) => {
      const own = sorted.filter((plugin) => plugin.role === role);
      const untyped = own.filter((plugin) => plugin.types.length === 0);
      return chestGroup(ROLE_LABELS[role], untyped, byType(own));
    }).filter((one) => one.plugins.length > 0 || one.inner.length > 0),
};

/** As the folders on disk: a plugin stands in the drawer of the folder that it is in, whose drawers stand inside one another as the folders do. */
export function byFolder(plugins: readonly Sorted[], depth = 0): Group[] {
  const own = new Map<string, Sorted[]>();
  for (const plugin of plugins)
    for (const name of new Set((plugin.folders ?? []).flatMap((folder) => folder[depth] ?? [])))
      appendToGroup(own, name, plugin);
  return [...own]
    .sort(([a], [b]) => compareNames(a, b))
    .map(([name, inside]) => {
      const within = inside.map((plugin) => ({
        ...plugin,
        folders: (plugin.folders ?? []).filter((folder) => folder[depth] === name),
      }));
      const here = within.filter(({ folders }) => folders.some((folder) => folder.length === depth + 1));
      return chestGroup(name, here, byFolder(within, depth + 1));
    });
}

/** A group for each type that there is. */
export function byType(plugins: readonly Sorted[]): Group[] {
  return TYPE_IDS.map((type) =>
    chestGroup(
      TYPE_TREE[type].label,
      plugins.filter((one) => one.types.includes(type)),
    ),
  ).filter((one) => one.plugins.length > 0);
}

function byFamily(plugins: readonly Sorted[]): Group[] {
  return (Object.keys(FAMILIES) as FamilyId[]).flatMap((family): Group[] => {
    const types = TYPE_IDS.filter((type) => familyOf(type) === family);
    const own = types
      .map((type) =>
        chestGroup(
          TYPE_TREE[type].label,
          plugins.filter((one) => one.types.includes(type)),
        ),
      )
      .filter((one) => one.plugins.length > 0);
    // A family of one type needs no drawer around its only drawer.
    return own.length <= 1 ? own : [chestGroup(FAMILIES[family], [], own)];
  });
}

/** A group for each vendor that is known. */
export function byVendor(plugins: readonly Sorted[]): Group[] {
  const vendors = new Map<string, Sorted[]>();
  for (const plugin of plugins) if (plugin.vendor !== null) appendToGroup(vendors, plugin.vendor, plugin);
  return [...vendors].sort(([a], [b]) => compareNames(a, b)).map(([name, own]) => chestGroup(name, own));
}
