/** What a rule of version 0.1 meant (worked out by hand from its page on rules) is what it means after it was rewritten. */
import { KEPT_DRAWERS } from '../../src/rules/drawer-names';
import { withoutOlderLists } from '../../src/rules/older-lists';
import { printRule } from '../../src/rules/print';
import { readRule } from '../../src/rules/read';

const printed = (text: string): string => {
  const read = readRule(text, KEPT_DRAWERS);
  return read.ok ? printRule(read.condition, KEPT_DRAWERS) : read.problem.words;
};

it.each([
  ['hall or plate but not gate', '(hall OR plate) AND NOT gate'],
  ['type:reverb but not plate, room', '(type:reverb OR room) AND NOT plate'],
  ['type:reverb but not plate or room', 'type:reverb AND (NOT plate OR room)'],
  ['hall, plate; room but type:reverb', '(hall OR plate OR room) AND type:reverb'],
  [
    'echo, not tape, delay but not (long but not dark, light)',
    '(echo OR delay) AND NOT tape AND NOT ((long OR light) AND NOT dark)',
  ],
])('%s', (older, today) => {
  expect(printed(withoutOlderLists(older))).toBe(printed(today));
});

it('what has no “but” outside of words stays as it is', () => {
  for (const text of ['hall, plate', 'name:button OR "tribute"', 'hall AND NOT gate'])
    expect(withoutOlderLists(text)).toBe(text);
  expect(printed(withoutOlderLists('"all but one", hall'))).toBe(printed('"all but one" OR hall'));
});
