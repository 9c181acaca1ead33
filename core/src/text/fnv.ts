const BASIS = 0x811c9dc5;

/** A mark of a text, going on from another one: FNV-1a (Fowler, Noll and Vo), 32 bits, over UTF-16 units. For telling apart, not for keeping secrets. */
export function fnv(text: string, from: number = BASIS): number {
  let hash = from;
  for (let at = 0; at < text.length; at++) hash = Math.imul(hash ^ text.charCodeAt(at), 0x01000193);
  return hash >>> 0;
}
