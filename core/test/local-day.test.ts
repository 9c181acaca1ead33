/** Days where the producer is. Expected values: IANA time zone data as Node.js ships it (ICU); transitions of 2026 from the rules in `europe`, `northamerica`. */
import { execFileSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { daysBefore, daysBetween, localDay } from '../src/local-day';

const MODULE = fileURLToPath(new URL('../dist/local-day.js', import.meta.url));

/** Days of moments in a time zone. A process of its own, since a running one keeps the zone that it began with. */
const daysIn = (zone: string, moments: readonly string[]): string[] =>
  JSON.parse(
    execFileSync(
      process.execPath,
      [
        '--input-type=module',
        '-e',
        `import { localDay } from ${JSON.stringify(MODULE)};
         console.log(JSON.stringify(${JSON.stringify(moments)}.map((moment) => localDay(moment))));`,
      ],
      { env: { ...process.env, TZ: zone }, encoding: 'utf8' },
    ),
  ) as string[];

it.each([
  ['Europe/Berlin', ['2026-12-01'], '2026-11-30T23:30:00.000Z'],
  ['America/Los_Angeles', ['2026-11-30'], '2026-12-01T07:30:00.000Z'],
  ['Pacific/Auckland', ['2026-12-01'], '2026-11-30T11:30:00.000Z'],
])('a moment near midnight belongs to the day in %s', (zone, days, moment) => {
  expect(daysIn(zone, [moment])).toEqual(days);
});

it('days around daylight saving time begin at local midnight', () => {
  // 29 March 2026 has 23 hours in Berlin (02:00 becomes 03:00), 25 October has 25.
  expect(
    daysIn('Europe/Berlin', [
      '2026-03-28T22:59:59Z',
      '2026-03-28T23:00:00Z',
      '2026-03-29T21:59:59Z',
      '2026-03-29T22:00:00Z',
      '2026-10-25T22:59:59Z',
      '2026-10-25T23:00:00Z',
    ]),
  ).toEqual(['2026-03-28', '2026-03-29', '2026-03-29', '2026-03-30', '2026-10-25', '2026-10-26']);
});

it('days are counted on the calendar', () => {
  expect(daysBefore('2026-03-30', 1)).toBe('2026-03-29');
  expect(daysBefore('2026-03-01', 1)).toBe('2026-02-28');
  // A leap year of the Gregorian calendar.
  expect(daysBefore('2028-03-01', 1)).toBe('2028-02-29');
  expect(daysBefore('2026-01-01', 1_000_000)).toBe('1970-01-01');
  expect(daysBetween('2026-03-28', '2026-03-30')).toBe(2);
  expect(daysBetween('2026-10-26', '2026-10-24')).toBe(-2);
});

it('what is no moment has no day', () => {
  expect(localDay('soon')).toBe('');
});
