import isSame from 'fast-deep-equal';
import { useState } from 'react';

/** The very same value for as long as it says the same: what is worked out of it then still holds. */
export function useSame<Value>(value: Value): Value {
  const [kept, keep] = useState(value);
  if (isSame(kept, value)) return kept;
  keep(value);
  return value;
}
