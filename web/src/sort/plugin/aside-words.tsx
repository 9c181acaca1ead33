import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { asideLabel, type Aside } from '@clever-drawer/core/chests/rows/aside';

/** Why something is set aside, until when, and whether on this computer only. */
export function AsideWords({ aside, state }: { aside: Aside; state: Arrangement }) {
  return (
    <span className="flag">
      set aside{state.asideHere.has(aside.id) && ' on this computer'}: {asideLabel(aside.reason)}
      {aside.until !== null && ` until ${aside.until}`}
    </span>
  );
}
