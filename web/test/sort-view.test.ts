import { askedIn, NO_FILTERS, queryOf, QUESTIONS, type SortView } from '../src/sort/find/use-sort-view';

const NOTHING: SortView = { typed: '', filters: NO_FILTERS, sortBy: null, down: false, chest: null, open: [] };

describe('a search as it is kept', () => {
  it('holds what is typed, filtered and sorted by as the address has it, and not what is open', () => {
    const view: SortView = {
      ...NOTHING,
      typed: 'dark hall',
      filters: { ...NO_FILTERS, type: ['reverb', 'delay'], tag: ['a & b'], state: ['new'] },
      sortBy: 'vendor',
      down: true,
      chest: 'c',
      open: ['tray 1'],
    };
    // As the URL Standard's application/x-www-form-urlencoded serializer writes it.
    expect(queryOf(view)).toBe('q=dark+hall&type=reverb&type=delay&state=new&tag=a+%26+b&by=vendor&down=1');
    expect(queryOf(NOTHING)).toBe('');
  });

  it('every question comes back as it was kept', () => {
    for (const question of QUESTIONS) {
      const filters = { ...NO_FILTERS, [question]: ['one', 'two & three', 'صدى'] };
      const asked = askedIn(queryOf({ ...NOTHING, filters }));
      expect(asked[question]).toEqual(filters[question]);
      expect(QUESTIONS.filter((one) => asked[one].length > 0)).toEqual([question]);
    }
  });

  it('what is not known in it is left out, and what it says nothing about is asked for no more', () => {
    expect(askedIn('by=loudness&down=yes&open=tray+1&nonsense=%E0%A4%A')).toEqual({
      ...NO_FILTERS,
      q: '',
      by: null,
      down: false,
    });
    expect(askedIn('q=goose&by=name&down=1')).toMatchObject({ q: 'goose', by: 'name', down: true });
  });
});
