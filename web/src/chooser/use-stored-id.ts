import { useComputer } from '../lib/use-computer';
import { useStored } from '../lib/use-stored';

/** What was open last stays open until it is changed. Kept in this browser, per computer and kind of slot. */
export function useStoredId(
  what: string,
  otherwise: string | null,
  isThere: (id: string) => boolean,
): [string | null, (id: string | null) => void] {
  const [id, keep] = useStored(`chooser-${what}-${useComputer().id}`);
  return [id !== null && isThere(id) ? id : otherwise, keep];
}
