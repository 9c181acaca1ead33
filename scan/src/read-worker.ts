/** A thread that reads places, a handful at a time. What the libraries in it print goes nowhere: it is told as a fault, or is nobody's business. */
import type { FoundPlace } from './find-places.js';
import { readPlaces, type PlaceReading } from './read-place.js';

for (const stream of [process.stdout, process.stderr]) stream.write = () => true;

const readHandful = (places: readonly FoundPlace[]): Promise<PlaceReading[]> => readPlaces(places);
export default readHandful;
