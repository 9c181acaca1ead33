import type { DrawerId, ItemId } from '@clever-drawer/core/ids';

/** Dividers are moved within their drawer. */
export interface Dividers {
  readonly drawerId: DrawerId;
  readonly ids: readonly string[];
}

/** What is being dragged: plugins (to be put in, or elsewhere in their order) with dividers, or drawers (to be moved). */
export type Dragged =
  | {
      readonly pluginIds: readonly ItemId[];
      readonly dividers?: Dividers;
      readonly name: string;
      /** The list of lines that it was taken from; absent for the catalogue's. */
      readonly from?: LineHome;
    }
  | { readonly drawerIds: readonly DrawerId[]; readonly name: string };

/** A list whose lines have an order: a drawer's, or a tray's. */
export type LineHome = { readonly drawerId: DrawerId } | { readonly tray: number };

/** What names a list of lines on the screen. */
export const homeKey = (home: LineHome): string => ('drawerId' in home ? home.drawerId : `tray ${String(home.tray)}`);
