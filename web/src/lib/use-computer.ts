import { createContext, use } from 'react';
import type { ComputerView } from '@clever-drawer/contract/responses';

/** The computer at hand; every place is a place of one computer. */
export const ComputerContext = createContext<ComputerView | null>(null);

/** The computer at hand. Throws outside of a place. */
export function useComputer(): ComputerView {
  const computer = use(ComputerContext);
  if (computer === null) throw new Error('a place was shown without its computer');
  return computer;
}
