import type { Drawer } from '@clever-drawer/core/chests/rows/drawer';
import type { DrawerId } from '@clever-drawer/core/ids';
import { useSelection } from '../../parts/use-selection';
import { frontSelector, type DrawerActions } from '../drawer/drawer-actions';

interface FrontSelection {
  /** The drawers that are selected, in the order in which they are shown. */
  readonly selected: readonly Drawer[];
  readonly select: DrawerActions['select'];
}

/** Which of the drawers that are shown are selected. */
export function useFrontSelection(shown: readonly Drawer[]): FrontSelection {
  const ids = shown.map((one): DrawerId => one.id);
  const selection = useSelection(ids);
  return {
    selected: shown.filter((one) => selection.ids.has(one.id)),
    select: (drawer, how) => {
      const at = ids.indexOf(drawer.id);
      if (how === 'none') {
        if (selection.now().ids.size === 0) return false;
        selection.none();
        return true;
      }
      if (how === 'add' || how === 'stretch') {
        selection.click(at, { add: how === 'add', stretch: how === 'stretch' });
        return true;
      }
      const next = ids[at + (how === 'left' ? -1 : 1)];
      if (next === undefined) return true;
      // A stretch begins where the keyboard stands.
      if (selection.now().ids.size === 0) selection.click(at, { add: false, stretch: false });
      selection.moveTo(ids.indexOf(next), true);
      // At once: the next key may come before anything is drawn.
      document.querySelector<HTMLElement>(frontSelector(next))?.focus();
      return true;
    },
  };
}
