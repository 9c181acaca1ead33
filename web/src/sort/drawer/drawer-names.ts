import memoizeOne from 'memoize-one';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { namedDrawers, type DrawerNames } from '@clever-drawer/core/rules/drawer-names';

/** How rules speak of the studio's drawers: the same object until a drawer changes. */
export const drawerNames: (drawers: Arrangement['drawer']) => DrawerNames = memoizeOne(
  (drawers: Arrangement['drawer']): DrawerNames => namedDrawers([...drawers.values()]),
);
