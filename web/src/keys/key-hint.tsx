import type { KeyOf, KeyPlace } from './key-table';
import { keyLabels } from './strokes-of';

/** The key that does it, beside what it does. */
export function KeyHint<P extends KeyPlace>({ place, does }: { place: P; does: KeyOf<P> }) {
  return <kbd>{keyLabels(place, does)[0]}</kbd>;
}
