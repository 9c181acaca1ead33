import { readOwnList } from '../../src/chests/read-own-list';

const read = (text: string) => readOwnList(text, 100);

it('reads a name from each line, and proposes role and type by its words', () => {
  expect(read('Stage Reverb\r\nCrank Sampler\n\nBeat Thing\n')).toEqual([
    { name: 'Stage Reverb', maker: null, role: 'audio-effect', types: ['reverb'] },
    { name: 'Crank Sampler', maker: null, role: 'instrument', types: ['sampler'] },
    { name: 'Beat Thing', maker: null, role: 'audio-effect', types: [] },
  ]);
});

it.each([
  ['commas', 'Pocket Wall, limiter, Tollgate Sound'],
  ['semicolons', 'Pocket Wall; limiter; Tollgate Sound'],
  ['tabs, as a spreadsheet copies them', 'Pocket Wall\tlimiter\tTollgate Sound'],
  ['type and maker the other way round', 'Pocket Wall, Tollgate Sound, Limiter'],
])('reads type and maker after %s', (_how, line) => {
  expect(read(line)).toEqual([
    { name: 'Pocket Wall', maker: 'Tollgate Sound', role: 'audio-effect', types: ['limiter'] },
  ]);
});

it('a typed type wins over the words of the name, and a role alone leaves the type unknown', () => {
  expect(read('Reverb Organ, organ\nNote Box, MIDI effect\nBox, effect')).toMatchObject([
    { role: 'instrument', types: ['organ'] },
    { role: 'midi-effect', types: [] },
    { role: 'audio-effect', types: [] },
  ]);
});

it('leaves out bullets, numbers and what is named twice', () => {
  expect(read('- Ribbon EQ\n2. Gate\n• Curtain Delay\nribbon eq\n3) ').map((one) => one.name)).toEqual([
    'Ribbon EQ',
    'Gate',
    'Curtain Delay',
  ]);
});

it('a number without a sign behind it belongs to the name', () => {
  expect(read('808 Drums\n1176 Comp').map((one) => one.name)).toEqual(['808 Drums', '1176 Comp']);
});

it('reads so many lines at most, and cuts names that are too long', () => {
  expect(readOwnList('a\nb\nc', 2)).toHaveLength(2);
  expect(read('x'.repeat(500))[0]?.name).toHaveLength(120);
});
