/** How a place was looked at when it was left, by what its address says behind the question mark: coming back finds it so. */
const searches = new Map<string, string>();

const nameOf = (computer: string, place: string): string => `${computer}/${place}`;

/** Keeps how a place is looked at, for as long as the page is open. */
export const keepVisit = (computer: string, place: string, search: string): void =>
  void searches.set(nameOf(computer, place), search);

/** The way to a place, as it was looked at last. */
export function wayTo(computer: string, place: string): string {
  const search = searches.get(nameOf(computer, place)) ?? '';
  return `/${computer}/${place}${search === '' ? '' : `?${search}`}`;
}

/** The state of a way to Sort on which filing begins at once. */
export const TO_FILE = 'to-file';
