import { KEYS, type KeyEntry, type KeyOf, type KeyPlace } from './key-table';
import { isMac, strokeInWords } from './strokes';

/** The strokes of a key as they are written on the keys of this computer, the first one first. */
export function strokesOf<P extends KeyPlace>(place: P, name: KeyOf<P>): readonly string[] {
  const entry = KEYS[place][name] as KeyEntry;
  const mac = isMac();
  return entry.strokes.map((stroke) => strokeInWords(stroke, mac));
}
