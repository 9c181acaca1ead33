const UNITS = [
  ['year', 31_536_000_000],
  ['month', 2_592_000_000],
  ['week', 604_800_000],
  ['day', 86_400_000],
  ['hour', 3_600_000],
  ['minute', 60_000],
] as const;

const words = new Intl.RelativeTimeFormat('en', { numeric: 'auto' });

/** How long ago a moment is, in words: "3 days ago", "yesterday", "just now". Moments in milliseconds since 1970. */
export function ago(at: number, now: number): string {
  const passed = now - at;
  const unit = UNITS.find(([, length]) => passed >= length);
  return unit === undefined ? 'just now' : words.format(-Math.floor(passed / unit[1]), unit[0]);
}
