import type { Intent } from '@clever-drawer/core/chests/intent';
import { asId, type ChestId, type DrawerId, type ItemId } from '@clever-drawer/core/ids';

/** Files into a chest itself, without a drawer. */
export const fileLoose = (chestId: ChestId, pluginIds: readonly ItemId[]): Intent => ({
  kind: 'file-loose',
  chestId,
  id: asId<DrawerId>(crypto.randomUUID()),
  pluginIds,
});
