/** A thread that reads places, a handful at a time. */
import type { FoundPlace } from './find-places.js';
import { readPlaces, type PlaceReading } from './read-place.js';

const readHandful = (places: readonly FoundPlace[]): Promise<PlaceReading[]> => readPlaces(places);
export default readHandful;
