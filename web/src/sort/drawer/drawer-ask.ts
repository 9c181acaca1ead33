import type { Drawer } from '@clever-drawer/core/chests/rows/drawer';
import type { ItemId } from '@clever-drawer/core/ids';

/** A box that a drawer's action opens. */
export type DrawerAsk =
  | { readonly kind: 'edit' | 'rule' | 'inner' | 'front-divider'; readonly drawer: Drawer }
  /** What is asked for several drawers that are selected together. */
  | { readonly kind: 'move' | 'copy' | 'delete' | 'sign'; readonly drawers: readonly Drawer[] }
  /** Of a level: the chest's own with \`parent\` null. */
  | { readonly kind: 'order'; readonly parent: Drawer | null }
  | { readonly kind: 'examples'; readonly drawer: Drawer; readonly pluginIds: readonly ItemId[] }
  | { readonly kind: 'move-lines'; readonly drawer: Drawer; readonly pluginIds: readonly ItemId[] }
  | { readonly kind: 'divider'; readonly drawer: Drawer; readonly before: string | null }
  | { readonly kind: 'label'; readonly dividerId: string; readonly label: string }
  | { readonly kind: 'bind'; readonly drawer: Drawer; readonly pluginId: ItemId }
  | { readonly kind: 'own-name'; readonly drawer: Drawer; readonly pluginId: ItemId; readonly name: string };
