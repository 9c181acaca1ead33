import { createContext, use } from 'react';
import type { LoadTarget } from './load-drag';

/** What is aimed at and takes what is dragged; null for nothing. */
export const AimContext = createContext<LoadTarget | null>(null);

/** Whether this slot, or lane, is aimed at with something that fits it. */
export function useIsAimed(id: string): boolean {
  const aimed = use(AimContext);
  return aimed !== null && id === ('slotId' in aimed ? aimed.slotId : aimed.laneId);
}
