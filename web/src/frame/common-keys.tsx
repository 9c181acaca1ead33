import { useBeforeUnload, useNavigate } from 'react-router';
import type { ComputerId } from '@clever-drawer/core/ids';
import { useUnderWay } from '../arrangement/arrangement-query';
import { useChanges } from '../arrangement/changes';
import { useOtherWindows } from '../arrangement/other-windows';
import { useRefreshAfterScan } from '../catalogue/scanning';
import { useKeys } from '../keys/use-keys';
import { wayTo } from '../lib/visited';
import type { Place } from './places';
import { useFocusKept } from './use-focus-kept';

/** What holds in every place: undo and redo, the ways between the places, the focus, and news of the other windows. */
export function CommonKeys({ computer, showKeys }: { computer: ComputerId; showKeys: () => void }) {
  useOtherWindows(computer);
  useStaying(useUnderWay(computer) > 0);
  useFocusKept();
  useRefreshAfterScan();
  const { step } = useChanges(computer);
  const navigate = useNavigate();
  const to = (place: Place) => (): void => {
    // The address and not the page that is shown: a place that is still being fetched is on its way already.
    if (!location.pathname.endsWith(`/${place}`)) void navigate(wayTo(computer, place));
  };
  useKeys('everywhere', {
    keyMap: showKeys,
    intake: to('intake'),
    sort: to('sort'),
    load: to('load'),
    keep: to('keep'),
    undo: () => void step('undo'),
    redo: () => void step('redo'),
  });
  return null;
}

/** The browser asks before the window is closed while a change is on its way. */
function useStaying(isSaving: boolean): void {
  useBeforeUnload((event) => {
    if (isSaving) event.preventDefault();
  });
}
