import { KEYS, type KeyBinding, type KeyOf, type KeyPlace } from '../keys/key-table';
import { keyLabels } from '../keys/strokes-of';
import type { KeyHandlers } from '../keys/use-keys';

/** Something that can be done: what its key does, with the key beside. */
export interface MenuAct {
  readonly key: string;
  readonly words: string;
  readonly hint: string;
  readonly act: () => void;
}

/** The acts behind some keys of a place, those that there is something to do for. */
export function actsOf<P extends KeyPlace>(
  place: P,
  handlers: KeyHandlers<P>,
  names: readonly KeyOf<P>[],
): readonly MenuAct[] {
  return names.flatMap((name) => {
    const handler = handlers[name];
    if (handler === null) return [];
    const { does, strokes } = KEYS[place][name] as KeyBinding;
    return [
      {
        key: `${place} ${name}`,
        words: does.charAt(0).toUpperCase() + does.slice(1),
        hint: keyLabels(place, name)[0] ?? '',
        act: () => void handler(strokes[0]),
      },
    ];
  });
}
