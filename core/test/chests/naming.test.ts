import { fillNamePattern, proposeStripLabel, tagsOf } from '../../src/chests/naming';
import { withChoices } from '../../src/chests/with-choices';
import { p, all, after, start, VIEW } from './support';

describe('names', () => {
  it.each([
    ['Copper EQ', 'Copper EQ'],
    ['The Vestry Plate', 'Vestry Plate'],
    ['Bellowsmantle Panner', 'Bello Panner'],
    ['Turniptuck Electric Piano', 'Tur El Piano'],
    ['Candlereed Octaver TX-81', 'C Octa TX-81'],
    ['Superlongwordalone', 'Superlongwor'],
    ['Equaliser 31', 'Equaliser 31'],
  ])('a strip label for %s has 12 characters at most', (name, label) => {
    const proposed = proposeStripLabel(name);
    expect(Array.from(proposed).length).toBeLessThanOrEqual(12);
    expect(proposed).not.toBe('');
    expect(proposed).toBe(label);
  });

  it('a nickname is shown and the given name kept; tags are added and taken off for many at once', () => {
    const state = after(
      start,
      { kind: 'name-plugins', pluginIds: [p('Echo')], naming: { nickname: 'slap thing', addTags: ['dark'] } },
      { kind: 'name-plugins', pluginIds: all, naming: { addTags: ['Dark', 'goose'] } },
    );
    const plugin = { ...VIEW, id: p('Echo'), name: 'Echo' };
    expect(withChoices([plugin], state)[0]).toMatchObject({ name: 'slap thing', givenName: 'Echo' });
    expect(state.naming.get('Echo')?.tags).toEqual(['dark', 'goose']);
    const off = after(state, {
      kind: 'name-plugins',
      pluginIds: all,
      naming: { nickname: null, removeTags: ['DARK', 'goose'] },
    });
    expect(off.naming.size).toBe(0);
  });

  it('tags as typed', () => expect(tagsOf('dark,  Dark ; for the goose,, –')).toEqual(['dark', 'for the goose']));
});

it('a pattern is filled with what is known; what is unknown stays, and blanks are single', () => {
  const values = { name: 'Copper Plate', vendor: '', type: 'reverb', n: '3' };
  expect(fillNamePattern('{type} {n}: {name}', values)).toBe('reverb 3: Copper Plate');
  expect(fillNamePattern('{vendor} {type}  {other}', values)).toBe('reverb {other}');
  expect(fillNamePattern('{constructor}', values)).toBe('{constructor}');
});
