import { useStoredFlag } from '../lib/use-stored';

/** Whether Load shows drawers and trays that hold nothing to load: one switch for the chooser and what is below the lanes. */
export const useEmptyInMenus = (): [boolean, (on: boolean) => void] => useStoredFlag('empty-in-menus');
