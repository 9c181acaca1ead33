import type { Intent } from '@clever-drawer/core/chests/intent';
import { asId, type ChestId, type DrawerId } from '@clever-drawer/core/ids';
import { STARTER_RULES } from '@clever-drawer/core/rules/starter-rules';
import type { Changes } from '../../arrangement/changes';
import type { NewChest } from './new-chest';

/** Makes a chest, empty, as a copy, by rules or worked out; null when it could not be saved. */
export async function makeChest(
  changes: Changes,
  { name, slots, selection = false, start }: NewChest,
): Promise<ChestId | null> {
  const id = asId<ChestId>(crypto.randomUUID());
  const selected: Intent[] = selection ? [{ kind: 'set-chest-selection', id, selection }] : [];
  switch (start.kind) {
    case 'empty':
      return (await changes.make({ kind: 'make-chest', id, name, slots }, ...selected)) ? id : null;
    case 'copy':
    case 'structure': {
      const filled = start.kind === 'copy';
      return (await changes.make({ kind: 'copy-chest', id: start.of, newId: id, name, filled })) ? id : null;
    }
    case 'rules': {
      const drawers = STARTER_RULES.map(({ name: own, text }): Intent => ({
        kind: 'make-drawer',
        id: asId<DrawerId>(crypto.randomUUID()),
        chestId: id,
        parentId: null,
        name: own,
        rule: { kind: 'written', text },
        pluginIds: [],
      }));
      return (await changes.make({ kind: 'make-chest', id, name, slots }, ...selected, ...drawers)) ? id : null;
    }
    case 'worked-out': {
      const { kind: _kind, ...wish } = start;
      const meant = slots === null ? null : [...slots];
      const made = await changes.workOut({ id, name, slots: meant, selection, again: false, ...wish });
      return made ? id : null;
    }
  }
}
