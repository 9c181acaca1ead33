import { asidesOf } from '@clever-drawer/core/chests/asides';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { contentsOf, type Content, type Contents } from '@clever-drawer/core/chests/drawer-contents';
import { splitContents } from '@clever-drawer/core/chests/drawer-split';
import { isInMenus, onlyShown, shownDrawers, type InLevel } from '@clever-drawer/core/chests/level';
import { isLoose } from '@clever-drawer/core/chests/loose';
import { measureDrawers } from '@clever-drawer/core/chests/measure-drawers';
import type { Drawer } from '@clever-drawer/core/chests/rows/drawer';
import type { Sign } from '@clever-drawer/core/chests/sign';
import { drawerAndInner, pathTo } from '@clever-drawer/core/chests/look-up';
import type { Ruled } from '@clever-drawer/core/chests/ruled';
import { buildAskedBy } from '@clever-drawer/core/menu/build-asked';
import type { BuildId, ChestId, ItemId } from '@clever-drawer/core/ids';
import { boundInWords } from '../catalogue/build-words';
import type { ChosenCatalogue, ChosenItem } from '../catalogue/chosen-catalogue';

/** The very build that is loaded from a place, and what is to be told of it in words; null or absent: the usual one, of which nothing is told. */
export interface BuildThere {
  readonly buildId?: BuildId | null;
  readonly buildWords?: string | null;
}

/** A line of an open front: an item under the name that it has there, or a divider. */
export type OfferedLine =
  | ({
      readonly plugin: ChosenItem;
      readonly name: string;
    } & BuildThere)
  | { readonly divider: string };

/** A front in the chooser: a drawer of the chest at hand, an inner one that it is split into, or a tray. */
export interface OfferedDrawer extends InLevel {
  readonly id: string;
  readonly sign: Sign | null;
  readonly name: string;
  /** Whether these are the loose entries of the chest. */
  readonly loose: boolean;
  /** The number of a tray; null for a drawer. */
  readonly tray: number | null;
  /** What fits, in order and with the dividers between. */
  readonly lines: readonly OfferedLine[];
  readonly plugins: readonly ChosenItem[];
  /** What it holds and does not fit. */
  readonly unfit: readonly ChosenItem[];
  readonly ids: ReadonlySet<ItemId>;
}

/** The drawers of a chest as far as they hold something that fits, each outer one before its inner ones. */
export function offeredDrawers(
  fitting: ReadonlySet<ItemId>,
  catalogue: ChosenCatalogue,
  state: Arrangement,
  chest: ChestId | null,
  ruled: Ruled,
): OfferedDrawer[] {
  if (chest === null) return [];
  const measureOf = measureDrawers(state, catalogue.byId, ruled);
  const inMenus = onlyShown(shownDrawers(state, chest, measureOf), ({ drawer }) => isInMenus(state, drawer));
  return inMenus.flatMap(({ drawer, level, divider }): OfferedDrawer[] => {
    const front = { level, divider, sign: drawer.sign ?? null, loose: isLoose(drawer) };
    const name = pathTo(state, drawer.id)
      .map((one) => one.name)
      .join(' › ');
    const contents = drawerAndInner(state, drawer.id)
      .filter((one) => isInMenus(state, one))
      .map((one) => contentsOf(state, catalogue.byId, one, ruled));
    const asked = askedOf(drawer, state);
    const whole = { ...offered(drawer.id, name, fitting, contents, asked), ...front };
    const [own] = contents;
    if (drawer.split == null || own === undefined) return [whole];
    const parts = splitContents(own.plugins, drawer.split).map((part) =>
      offered(
        `${drawer.id}/${part.key}`,
        `${name} › ${part.label}`,
        fitting,
        [{ plugins: part.contents, lines: part.contents }],
        asked,
      ),
    );
    return [whole, ...parts];
  });
}

type AskedOf = ((build: ChosenItem['builds'][number]) => boolean) | null;

/** The builds that the rule of a drawer asked for, but for those that are set aside; null where it asks for none. */
function askedOf({ rule }: Drawer, state: Arrangement): AskedOf {
  const isAsked = rule === null ? null : buildAskedBy(rule);
  return isAsked === null ? null : (build) => isAsked(build) && !asidesOf(state).has(build.id);
}

/** A front that stands by itself, without sign or divider. */
const BY_ITSELF = { level: '', divider: null, sign: null, loose: false };

/** A front over contents: an item that stands in several of them counts once, and a divider stands only above something. */
function offered(
  id: string,
  name: string,
  fitting: ReadonlySet<ItemId>,
  contents: readonly Contents<ChosenItem>[],
  asked: AskedOf = null,
): OfferedDrawer {
  const ids = new Set<ItemId>();
  const unfit = new Map<ItemId, ChosenItem>();
  const lines: OfferedLine[] = [];
  const plugins: ChosenItem[] = [];
  for (const { lines: own } of contents) {
    let divider: string | null = null;
    for (const line of own) {
      if ('divider' in line) {
        divider = line.divider.label;
        continue;
      }
      const { plugin } = line;
      if (!fitting.has(plugin.id)) unfit.set(plugin.id, plugin);
      if (!fitting.has(plugin.id) || ids.has(plugin.id)) continue;
      ids.add(plugin.id);
      if (divider !== null) lines.push({ divider });
      divider = null;
      lines.push({ plugin, name: line.name, ...buildOf(line, asked) });
      plugins.push(plugin);
    }
  }
  return { ...BY_ITSELF, id, name, tray: null, lines, plugins, unfit: [...unfit.values()], ids };
}

/** The build that is loaded from a place: the one that it is bound to, else one that the drawer's rule asked for. A preset is loaded by a build that has it. */
function buildOf({ plugin, entry, by }: Content<ChosenItem>, isAsked: AskedOf): BuildThere {
  if (plugin.preset !== null || plugin.builds.length === 0) return {};
  const bound = entry?.build ?? null;
  const build =
    bound !== null
      ? plugin.builds.find((one) => one.found && one.key === bound)
      : by === 'rule'
        ? plugin.builds.find((one) => one.found && isAsked?.(one))
        : undefined;
  const key = bound ?? build?.key ?? null;
  return key === null ? {} : { buildId: build?.id ?? null, buildWords: boundInWords(plugin, key) };
}
