/** Loose entries: entries that stand in a chest without a drawer, before all drawers. A special drawer holds them; a chest has at most one. */
import type { ChestId, DrawerId } from '../ids.js';
import type { Arrangement } from './arrangement.js';
import { fileInto } from './file-into.js';
import type { Intent } from './intent.js';
import { newDrawer } from './lay-out-drawers.js';
import { drawersIn } from './look-up.js';
import { keysBefore } from './order-keys.js';
import { referencesPlugins, planned, refuse, what, type Planners } from './plan.js';
import { NO_CHEST } from './plan-chest.js';
import type { Drawer } from './rows/drawer.js';

/** The name of that drawer on the screen. */
export const LOOSE_NAME = 'Without a drawer';

/** The drawer that holds the loose entries of a chest; undefined where there are none. */
export const looseDrawer = (state: Arrangement, chestId: ChestId): Drawer | undefined =>
  drawersIn(state, chestId, null).find(isLoose);

/** Whether a drawer holds loose entries. */
export const isLoose = ({ loose }: Pick<Drawer, 'loose'>): boolean => loose === true;

/** Plans filing into a chest itself. */
export const LOOSE_PLANNERS: Planners<'file-loose'> = {
  'file-loose': {
    names: referencesPlugins,
    plan: (state, { chestId, id, pluginIds }, nameOf) => {
      const chest = state.chest.get(chestId);
      if (chest === undefined) return refuse(NO_CHEST);
      const standing = looseDrawer(state, chestId);
      const siblings = drawersIn(state, chestId, null);
      const [order = ''] = keysBefore(siblings, siblings[0]?.id ?? null, 1);
      const drawer = standing ?? { ...newDrawer(id, chestId, null), name: LOOSE_NAME, order, loose: true };
      const entries = fileInto(state, drawer, pluginIds, nameOf);
      if (entries.length === 0)
        return refuse(
          `${pluginIds.length === 1 ? 'It stands' : 'They all stand'} in ${chest.name} without a drawer already.`,
        );
      return planned(`file ${what(pluginIds, nameOf)} into ${chest.name} without a drawer`, [
        ...(standing === undefined ? [{ of: 'drawer' as const, id, before: null, after: drawer }] : []),
        ...entries,
      ]);
    },
  },
};

const ONLY_FOR_DRAWERS: ReadonlySet<Intent['kind']> = new Set<Intent['kind']>([
  'rename-drawer',
  'set-rule',
  'set-most',
  'set-split',
  'set-sign',
  'move-drawer',
  'copy-drawer',
  'divide-drawers',
]);

/** Returns why an intent is refused for the drawer of loose entries; null when it concerns other drawers or is allowed. */
export function refusalForLoose({ drawer }: Arrangement, intent: Intent): string | null {
  const loose = (id: DrawerId | null): boolean => {
    const row = id === null ? undefined : drawer.get(id);
    return row !== undefined && isLoose(row);
  };
  if ('parentId' in intent && loose(intent.parentId))
    return 'Entries without a drawer hold no drawers. Choose another place.';
  if (ONLY_FOR_DRAWERS.has(intent.kind) && 'id' in intent && loose(intent.id as DrawerId))
    return 'These entries stand in no drawer. Move them into one first.';
  if (intent.kind === 'merge-drawers' && loose(intent.intoId)) {
    const ids = new Set<string>(intent.ids);
    if ([...drawer.values()].some((row) => row.parentId !== null && ids.has(row.parentId)))
      return 'Entries without a drawer hold no inner drawers. Move those out first.';
  }
  return null;
}
