// One first scan of a folder and one rescan of the same, in a process of its own: node one-scan.mjs FOLDER. Prints one line of JSON.
import { load } from './measure.mjs';

const { runScan } = await load('scan/dist/run-scan.js');
const folders = process.argv.slice(2);
const start = performance.now();
const first = await runScan(folders, { mayAsk: () => true });
const between = performance.now();
const known = new Map(first.places.map((place) => [place.path, place]));
const again = performance.now();
const second = await runScan(folders, { known, mayAsk: () => true });
const end = performance.now();
const line = {
  first: between - start,
  rescan: end - again,
  builds: first.builds.length,
  unchanged: second.unchanged,
  // Kilobytes, as the system counts them.
  megabytes: process.resourceUsage().maxRSS / 1024,
};
process.stdout.write(`${JSON.stringify(line)}\n`);
