/** The signs that a drawer or a tray can bear besides its name: our own small set, each with a spoken name. */
export const SIGNS = [
  'circle',
  'ring',
  'square',
  'triangle',
  'diamond',
  'cross',
  'wave',
  'bars',
  'bolt',
  'leaf',
  'moon',
  'flag',
] as const;
/** One of SIGNS; it is also what a screen reader says. */
export type Sign = (typeof SIGNS)[number];
