import { useMemo } from 'react';
import type { PluginView } from '@clever-drawer/contract/responses';
import type { Arrangement, Drawer } from '@clever-drawer/core/chests/arrangement';
import { trayEntries, FAVOURITES } from '@clever-drawer/core/chests/arrangement';
import { contentsOfDrawers, type Content } from '@clever-drawer/core/chests/drawer-contents';
import type { PluginId } from '@clever-drawer/core/ids';
import { Finder, type Findable } from '@clever-drawer/core/search/find-plugins';
import { compareNames } from '@clever-drawer/core/text/words';
import { TYPE_IDS } from '@clever-drawer/core/catalogue/type-tree';
import type { Catalogue } from '../shared/queries';
import type { RoleFilter, SortView } from './use-sort-view';

/** A row of the list: the plugin, and the drawers of the chest at hand that it stands in. */
export interface Row extends Findable {
  readonly plugin: PluginView;
  readonly formats: string;
  readonly drawers: readonly Drawer[];
  readonly favourite: boolean;
}

export interface Listed {
  readonly rows: readonly Row[];
  /** How many match what is typed, by role, whatever the role filter is. */
  readonly byRole: ReadonlyMap<RoleFilter, number>;
  /** How many more match what is typed outside of the filter. */
  readonly outside: number;
  readonly contents: ReadonlyMap<string, readonly Content<PluginView>[]>;
}

export const roleFilterOf = (plugin: PluginView): RoleFilter => plugin.role ?? 'unknown';

/** The catalogue as the list shows it: found by what is typed, filtered by role, sorted. */
export function useListed(catalogue: Catalogue, state: Arrangement, chest: string | null, view: SortView): Listed {
  const contents = useMemo(() => contentsOfDrawers(state, catalogue.byId), [state, catalogue]);
  const all = useMemo(() => rowsOf(catalogue, state, chest, contents), [catalogue, state, chest, contents]);
  const finder = useMemo(() => new Finder(all), [all]);
  const { typed, roles, sortBy, down } = view;
  return useMemo(() => {
    const matching = finder.find(typed);
    const byRole = new Map<RoleFilter, number>();
    for (const { plugin } of matching) byRole.set(roleFilterOf(plugin), (byRole.get(roleFilterOf(plugin)) ?? 0) + 1);
    const rows = roles.length === 0 ? matching : matching.filter(({ plugin }) => roles.includes(roleFilterOf(plugin)));
    const sorted = sortBy === null ? rows : [...rows].sort(COMPARE[sortBy]);
    if (down && sortBy !== null) sorted.reverse();
    return { rows: sorted, byRole, outside: matching.length - rows.length, contents };
  }, [finder, typed, roles, sortBy, down, contents]);
}

function rowsOf(catalogue: Catalogue, state: Arrangement, chest: string | null, contents: Listed['contents']): Row[] {
  const drawersOf = new Map<PluginId, Drawer[]>();
  for (const drawer of state.drawer.values()) {
    if (drawer.chestId !== chest) continue;
    for (const { plugin } of contents.get(drawer.id) ?? []) {
      const own = drawersOf.get(plugin.id);
      if (own === undefined) drawersOf.set(plugin.id, [drawer]);
      else own.push(drawer);
    }
  }
  const favourites = new Set(trayEntries(state, FAVOURITES).map((entry) => entry.pluginId));
  return catalogue.plugins.map((plugin) => ({
    plugin,
    name: plugin.name,
    more: plugin.vendor ?? '',
    formats: [...new Set(plugin.builds.filter((build) => build.found).map((build) => build.format))].join(' '),
    drawers: drawersOf.get(plugin.id) ?? [],
    favourite: favourites.has(plugin.id),
  }));
}

type Compare = (a: Row, b: Row) => number;
const byName: Compare = (a, b) => compareNames(a.name, b.name);
// What is not known comes last.
const typeRank = ({ plugin: { types } }: Row): number =>
  types[0] === undefined ? TYPE_IDS.length : TYPE_IDS.indexOf(types[0]);

const COMPARE: Readonly<Record<NonNullable<SortView['sortBy']>, Compare>> = {
  name: byName,
  kind: (a, b) => typeRank(a) - typeRank(b) || byName(a, b),
  vendor: (a, b) =>
    Number(a.plugin.vendor === null) - Number(b.plugin.vendor === null) ||
    compareNames(a.plugin.vendor ?? '', b.plugin.vendor ?? '') ||
    byName(a, b),
  formats: (a, b) => compareNames(a.formats, b.formats) || byName(a, b),
  drawers: (a, b) =>
    a.drawers.length - b.drawers.length ||
    compareNames(a.drawers[0]?.name ?? '', b.drawers[0]?.name ?? '') ||
    byName(a, b),
};
