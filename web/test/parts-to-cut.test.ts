import { partsToCut } from '../src/lib/parts-to-cut';

it.each([
  ['Keys & toys', 'Keys & toys', ''],
  ['Drawer number 11', 'Drawer number 11', ''],
  ['Drawer of number 11', 'Drawer of number', ' 11'],
  ['Everything from the wagon', 'Everything from the', ' wagon'],
  // A last word of many letters is no end that tells names apart.
  ['Reverberationsgerätekasten', 'Reverberationsgeräte', 'kasten'],
])('%s', (name, head, tail) => {
  expect(partsToCut(name)).toEqual([head, tail]);
});

it('never cuts a letter of two code units in half', () => {
  const [head, tail] = partsToCut('🐛'.repeat(18));
  expect([head, tail]).toEqual(['🐛'.repeat(12), '🐛'.repeat(6)]);
});
