import type { Chest } from '@clever-drawer/core/chests/rows/chest';
import { wordsOf } from '@clever-drawer/core/text/words';

const SHORTEST_NAME = 3;
const NO_CHESTS: ReadonlySet<string> = new Set();

/** The chests whose names have every typed word, or words that begin so. */
export function chestsNamed(typed: string, chests: readonly Chest[]): ReadonlySet<string> {
  const wanted = wordsOf(typed);
  if (wanted.join('').length < SHORTEST_NAME) return NO_CHESTS;
  const isNamed = ({ name }: Chest): boolean =>
    wanted.every((word) => wordsOf(name).some((one) => one.startsWith(word)));
  return new Set(chests.filter(isNamed).map((one) => one.id));
}
