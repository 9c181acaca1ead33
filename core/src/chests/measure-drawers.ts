import type { TypeId } from '../catalogue/type-tree.js';
import type { ItemId } from '../ids.js';
import type { Arrangement } from './arrangement.js';
import { contentsOf, type Placed } from './drawer-contents.js';
import type { DrawerMeasure, MeasureOf } from './level.js';
import { drawerAndInner } from './look-up.js';
import type { Drawer } from './rows/drawer.js';
import type { Ruled } from './ruled.js';

/** Measures drawers by what they hold together with their inner drawers, each plugin once; each drawer is measured when it is first asked for. */
export function measureDrawers<P extends Placed>(
  state: Arrangement,
  plugins: ReadonlyMap<ItemId, P>,
  ruled: Ruled,
): MeasureOf {
  const known = new Map<string, DrawerMeasure>();
  return (drawer) => {
    let measure = known.get(drawer.id);
    if (measure === undefined) known.set(drawer.id, (measure = measured(state, plugins, ruled, drawer)));
    return measure;
  };
}

function measured<P extends Placed>(
  state: Arrangement,
  plugins: ReadonlyMap<ItemId, P>,
  ruled: Ruled,
  drawer: Drawer,
): DrawerMeasure {
  const held = new Map<ItemId, P>();
  for (const one of drawerAndInner(state, drawer.id))
    for (const { plugin } of contentsOf(state, plugins, one, ruled).plugins) held.set(plugin.id, plugin);
  const types = new Map<TypeId, number>();
  let loads = 0;
  for (const { types: [type] = [], loads: own = 0 } of held.values()) {
    loads += own;
    if (type !== undefined) types.set(type, (types.get(type) ?? 0) + 1);
  }
  const [most] = [...types].sort(([, one], [, other]) => other - one);
  return { size: held.size, loads, type: most?.[0] ?? null };
}
