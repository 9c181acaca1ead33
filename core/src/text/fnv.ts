const BASIS = 0x811c9dc5;

/** A mark of a text, going on from another one: FNV-1a (Fowler, Noll and Vo), 32 bits, over UTF-16 units, from its end where `isBackwards`. For telling apart, not for keeping secrets. */
export function fnv(text: string, from: number = BASIS, isBackwards = false): number {
  let hash = from;
  const last = text.length - 1;
  for (let at = 0; at <= last; at++) hash = Math.imul(hash ^ text.charCodeAt(isBackwards ? last - at : at), 0x01000193);
  return hash >>> 0;
}
