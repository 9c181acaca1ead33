import { useHotkeys } from 'react-hotkeys-hook';
import { useBeforeUnload, useNavigate } from 'react-router';
import type { ComputerId } from '@clever-drawer/core/ids';
import { useUnderWay } from '../arrangement/arrangement-query';
import { useChanges } from '../arrangement/changes';
import { useOtherWindows } from '../arrangement/other-windows';
import { PLACES } from './top-bar';

/** What holds in every place: undo and redo, the ways between the places, and news of the other windows. */
export function CommonKeys({ computer }: { computer: ComputerId }) {
  useOtherWindows(computer);
  useStaying(useUnderWay(computer) > 0);
  const { step } = useChanges(computer);
  const navigate = useNavigate();
  useHotkeys('mod+z', () => void step('undo'), { preventDefault: true });
  useHotkeys('mod+shift+z, mod+y', () => void step('redo'), { preventDefault: true });
  useHotkeys(
    PLACES.map((place) => `alt+${place.key}`).join(','),
    (event) => {
      const place = PLACES.find((one) => one.key === event.code.slice(-1).toLowerCase());
      // The address and not the page that is shown: a place that is still being fetched is on its way already.
      if (place !== undefined && !location.pathname.endsWith(`/${place.path}`))
        void navigate(`/${computer}/${place.path}`);
    },
    { preventDefault: true, enableOnFormTags: true },
  );
  return null;
}

/** The browser asks before the window is closed while a change is on its way. */
function useStaying(isSaving: boolean): void {
  useBeforeUnload((event) => {
    if (isSaving) event.preventDefault();
  });
}
