import { SearchIndex } from '@clever-drawer/core/search/search-index';
import { searchTextOf } from '../src/catalogue/search-text';
import { p, plugin } from './support';

const PLUGINS = [
  plugin('Vestry Plate', { vendor: 'Tollgate Sound' }),
  plugin('goose storm', {
    givenName: 'Thunder Sheet',
    types: ['delay'],
    vendor: null,
    naming: { id: p('goose storm'), nickname: 'goose storm', stripLabel: 'BIRD 2', note: 'loud', tags: ['weather'] },
  }),
];
const index = new SearchIndex(PLUGINS.map((one) => searchTextOf(one)));
const found = (typed: string): string[] => [...index.find(typed)].map((number) => PLUGINS[number]?.name ?? '');

describe('by what a plugin is found, in every place', () => {
  it.each([
    ['both its names', 'thunder', 'goose storm'],
    ['both its names', 'goose', 'goose storm'],
    ['its vendor', 'tollgate', 'Vestry Plate'],
    ['its type', 'reverb', 'Vestry Plate'],
    ['its tags', 'weather', 'goose storm'],
    ['the label on the strip', 'bird 2', 'goose storm'],
  ])('%s: %s', (_by, typed, name) => expect(found(typed)).toEqual([name]));

  it('what its makers call it in their files', () => {
    const own = plugin('Eq10', { calledToo: ['C Eq10 - Ten bands for the road'] });
    expect([...new SearchIndex([searchTextOf(own)]).find('bands road')]).toEqual([0]);
  });

  it('not by its note, and a name that is the given one stands once', () => {
    expect(found('loud')).toEqual([]);
    expect(searchTextOf(plugin('Plate', { types: [], vendor: null }))).toMatchObject({
      names: ['Plate'],
      more: [],
      aliases: [],
    });
  });
});
