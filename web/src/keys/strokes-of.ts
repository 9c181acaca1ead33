import { KEYS, type KeyBinding, type KeyOf, type KeyPlace } from './key-table';
import { isMac, strokeInWords } from './strokes';

/** Labels of a key's strokes, as they are printed on the keyboards of this system. */
export function keyLabels<P extends KeyPlace>(place: P, name: KeyOf<P>): readonly string[] {
  const entry = KEYS[place][name] as KeyBinding;
  const mac = isMac();
  return entry.strokes.map((stroke) => strokeInWords(stroke, mac));
}
