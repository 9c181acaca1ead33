/** The thread that reads mutants; the one outside ends it when one takes too long. */
import { parentPort, workerData } from 'node:worker_threads';
import { cappedReading } from '../../core/dist/facts/caps.js';
import { bad, good } from '../../core/dist/facts/fault.js';
import { readerOf } from '../../core/dist/facts/readers.js';
import { mutant } from './mutate.mjs';

for (const stream of [process.stdout, process.stderr]) stream.write = () => true;

/** A place in memory. */
class Place {
  constructor(name, files) {
    this.path = `/fuzz/${name}`;
    this.name = name;
    this.files = files;
    this.isFolder = !('' in files);
  }
  list(inside) {
    const start = inside === '' ? '' : `${inside}/`;
    const names = Object.keys(this.files)
      .filter((path) => path.startsWith(start))
      .map((path) => path.slice(start.length).split('/')[0]);
    return Promise.resolve([...new Set(names)].sort());
  }
  size(inside) {
    return Promise.resolve(this.files[inside]?.length ?? null);
  }
  whole(inside, limit) {
    const bytes = this.files[inside];
    const path = `${this.path}/${inside}`;
    if (bytes === undefined) return Promise.resolve(bad({ code: 'file-unreadable', path, detail: 'ENOENT' }));
    return Promise.resolve(bytes.length > limit ? bad({ code: 'file-too-large', path }) : good(bytes));
  }
  part(inside, offset, length) {
    return Promise.resolve(good((this.files[inside] ?? new Uint8Array(0)).slice(offset, offset + Math.max(0, length))));
  }
}

const { seed, from, to } = workerData;
for (let number = from; number < to; number++) {
  const { name, place, files } = mutant(seed, number);
  parentPort.postMessage({ begins: number, name });
  const began = performance.now();
  let threw = null;
  try {
    const own = new Place(place, files);
    const reading = await readerOf(place, own.isFolder, false)?.read(own);
    if (reading !== undefined) cappedReading(reading, own.path);
  } catch (error) {
    threw = String(error instanceof Error ? error.stack : error).slice(0, 400);
  }
  parentPort.postMessage({ number, name, ms: performance.now() - began, threw, rss: process.memoryUsage.rss() });
}
parentPort.close();
