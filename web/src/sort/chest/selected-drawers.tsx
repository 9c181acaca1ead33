import type { Drawer } from '@clever-drawer/core/chests/rows/drawer';
import { KeyHint } from '../../keys/key-hint';
import { PlainButton } from '../../parts/plain-button';
import type { DrawerActions } from '../drawer/drawer-actions';
import styles from './chest.module.css';

/** What can be done with several drawers that are selected together. */
export function SelectedDrawers({ selected, actions }: { selected: readonly Drawer[]; actions: DrawerActions }) {
  const [first] = selected;
  if (first === undefined || selected.length < 2) return null;
  return (
    <div className={styles.selectedDrawers} role="group" aria-label="Selected drawers">
      <strong>{selected.length} drawers selected</strong>
      <PlainButton onClick={() => actions.putInside(first)}>
        Move … <KeyHint place="front" does="nest" />
      </PlainButton>
      <PlainButton onClick={() => actions.copy(first)}>
        Copy … <KeyHint place="front" does="copy" />
      </PlainButton>
      <PlainButton onClick={() => actions.merge(first)}>
        Merge into {first.name} <KeyHint place="front" does="merge" />
      </PlainButton>
      <PlainButton onClick={() => actions.sign(first)}>
        Sign … <KeyHint place="front" does="sign" />
      </PlainButton>
      <PlainButton onClick={() => actions.remove(first)}>
        Delete <KeyHint place="front" does="remove" />
      </PlainButton>
      <PlainButton onClick={() => actions.select(first, 'none')}>Select none</PlainButton>
    </div>
  );
}
