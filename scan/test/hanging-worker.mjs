/** Reads places as the scan's threads do, but for two: one on which it hangs, and one that takes all memory. */
import { readPlaces } from '../dist/read-place.js';

export default async function readHandful(places) {
  const names = places.map(({ path }) => path);
  if (names.some((path) => path.endsWith('hang.lv2'))) for (;;);
  if (names.some((path) => path.endsWith('greedy.lv2')))
    for (const all = []; ;) all.push(new Array(1_000_000).fill(0).map((_, at) => ({ at })));
  return readPlaces(places);
}
