import { useLocalStorage } from 'usehooks-ts';

const KEY = 'clever-drawer-';
/** The words stand there as they are, as earlier versions wrote them. */
const AS_IT_IS = { serializer: (word: string | null) => word ?? '', deserializer: (raw: string) => raw };

/** A word that this browser keeps under a name for all its windows; null when there is none, or when nothing can be kept. */
export function useStored(name: string): [string | null, (word: string | null) => void] {
  const [word, write, remove] = useLocalStorage<string | null>(KEY + name, null, AS_IT_IS);
  return [word, (next) => (next === null ? remove() : write(next))];
}

/** A switch of the view that this browser keeps. */
export function useStoredFlag(name: string): [boolean, (on: boolean) => void] {
  const [word, write] = useStored(name);
  return [word === '1', (on) => write(on ? '1' : null)];
}
