/** A chest with drawers and wishes, for the tests of plans. */
import { emptyArrangement } from '../../src/chests/arrangement';
import type { Intent } from '../../src/chests/intent';
import { asId, type ChestId, type DrawerId, type ItemId, type PluginId } from '../../src/ids';
import { afterWith, saidWith } from './support';

export const PLUGINS = ['Copper EQ', 'Vestry Plate', 'Twice Told', 'Sequencer', 'Slapboard'].map((name) => ({
  id: asId<PluginId>(name),
  name,
}));
export const nameOf = (id: ItemId): string | undefined => PLUGINS.find((plugin) => plugin.id === id)?.name;
export const chest = asId<ChestId>('c');
export const d = (name: string): DrawerId => asId<DrawerId>(name);
export const after = afterWith(nameOf);
export const refusal = saidWith(nameOf);
export const drawer = (id: string, parent: string | null = null, words: readonly string[] = []): Intent => ({
  kind: 'make-drawer',
  id: d(id),
  chestId: chest,
  parentId: parent === null ? null : d(parent),
  name: id,
  rule: words.length === 0 ? null : { kind: 'keywords', words },
  pluginIds: [],
});
export const start = after(
  emptyArrangement(),
  { kind: 'make-chest', id: chest, name: 'Everyday', slots: null },
  drawer('A'),
  drawer('B'),
  drawer('C'),
  drawer('A1', 'A'),
);
