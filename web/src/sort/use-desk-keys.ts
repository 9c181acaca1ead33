import { useHotkeys } from 'react-hotkeys-hook';

/** What the keys of the desk do; null where there is nothing to do it to. */
export interface DeskKeys {
  readonly file: (() => void) | null;
  readonly fileAgain: (() => void) | null;
  readonly putRight: (() => void) | null;
  readonly setAside: (() => void) | null;
  readonly bringBack: (() => void) | null;
  readonly names: (() => void) | null;
  readonly tray: ((tray: number) => void) | null;
  readonly offTrays: (() => void) | null;
  readonly newDrawer: (() => void) | null;
  readonly toFile: (() => void) | null;
  readonly pictures: () => void;
}

const DIGITS = '1,2,3,4,5,6,7,8,9';

/** The keys of Sort that hold wherever the keyboard stands, but in fields and boxes. */
export function useDeskKeys(keys: DeskKeys, isBusy: boolean): void {
  const options = (action: unknown) => ({ enabled: action !== null && !isBusy, preventDefault: true });
  useHotkeys('f', () => keys.file?.(), options(keys.file));
  useHotkeys('shift+f', () => keys.fileAgain?.(), options(keys.fileAgain));
  useHotkeys('c', () => keys.putRight?.(), options(keys.putRight));
  useHotkeys('a', () => keys.setAside?.(), options(keys.setAside));
  useHotkeys('b', () => keys.bringBack?.(), options(keys.bringBack));
  useHotkeys('m', () => keys.names?.(), options(keys.names));
  useHotkeys(DIGITS, (event) => keys.tray?.(Number(event.code.slice(-1))), options(keys.tray));
  useHotkeys('0', () => keys.offTrays?.(), options(keys.offTrays));
  useHotkeys('n', () => keys.newDrawer?.(), options(keys.newDrawer));
  useHotkeys('t', () => keys.toFile?.(), options(keys.toFile));
  useHotkeys('g', () => keys.pictures(), options(keys.pictures));
}
