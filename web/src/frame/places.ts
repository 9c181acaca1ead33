/** The places that work, in the order of the navigation. */
export const PLACES = [
  { path: 'intake', name: 'Intake' },
  { path: 'sort', name: 'Sort' },
  { path: 'load', name: 'Load' },
  { path: 'keep', name: 'Keep' },
] as const;
/** The path of one of them. */
export type Place = (typeof PLACES)[number]['path'];
