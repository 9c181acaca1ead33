import type { Chest } from '@clever-drawer/core/chests/rows/chest';
import { belongsIn } from '@clever-drawer/core/menu/slot-menu';
import type { ChosenItem } from '../../catalogue/chosen-catalogue';

/** Whether a chest waits for a plugin to be filed: one that fits what the chest is for, unless the chest is a selection. */
export const isWanted = ({ role }: Pick<ChosenItem, 'role'>, chest: Chest | null): boolean =>
  chest === null || (!chest.selection && belongsIn(chest.slots, role));
