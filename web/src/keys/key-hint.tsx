import type { KeyOf, KeyPlace } from './key-table';
import { strokesOf } from './strokes-of';

/** The key that does it, beside what it does. */
export function KeyHint<P extends KeyPlace>({ place, does }: { place: P; does: KeyOf<P> }) {
  return <kbd>{strokesOf(place, does)[0]}</kbd>;
}
