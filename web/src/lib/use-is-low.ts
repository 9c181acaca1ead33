import { useMediaQuery } from 'usehooks-ts';

/** Whether the window is low, as at 200 % zoom: what can be folded away then is. The style sheets have the same limit. */
export const useIsLow = (): boolean => useMediaQuery('(max-height: 560px)');
