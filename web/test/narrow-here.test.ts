import { facetOf } from '@clever-drawer/core/search/narrow';
import { NO_FILTERS, QUESTIONS, type Filters, type Question } from '../src/sort/find/use-sort-view';
import { narrowHere } from '../src/sort/list/narrow-here';

// Five plugins: three here, two on another computer alone.
const ROLES = ['tool', 'tool', 'instrument', 'tool', 'instrument'];
const STATES = [['filed'], ['to-file'], ['filed'], ['elsewhere'], ['elsewhere']];
const isElsewhere = (number: number): boolean => number > 2;
const NOTHING = facetOf(ROLES.map(() => []));
const facets = {
  ...(Object.fromEntries(QUESTIONS.map((question) => [question, NOTHING])) as Record<Question, typeof NOTHING>),
  role: facetOf(ROLES.map((role) => [role])),
  state: facetOf(STATES),
};
const ALL = Uint32Array.from([0, 1, 2, 3, 4]);
const narrowed = (filters: Partial<Filters>, found = ALL) => {
  const { passing, counts, outside } = narrowHere(found, isElsewhere, facets, { ...NO_FILTERS, ...filters });
  const of = (question: Question) => Object.fromEntries(counts.get(question) ?? []);
  return { passing: [...passing], role: of('role'), state: of('state'), outside };
};

describe('what only another computer has', () => {
  it('is not listed, and counted in its own state alone', () => {
    expect(narrowed({})).toEqual({
      passing: [0, 1, 2],
      role: { tool: 2, instrument: 1 },
      state: { filed: 2, 'to-file': 1, elsewhere: 2 },
      outside: 0,
    });
  });

  it('is listed when it is asked for, alone or beside what is here', () => {
    expect(narrowed({ state: ['elsewhere'] })).toMatchObject({
      passing: [3, 4],
      role: { tool: 1, instrument: 1 },
      outside: 3,
    });
    expect(narrowed({ state: ['elsewhere', 'filed'] }).passing).toEqual([0, 2, 3, 4]);
  });

  it('is counted by the other filters and by what is typed', () => {
    expect(narrowed({ role: ['tool'] })).toMatchObject({
      passing: [0, 1],
      state: { elsewhere: 1, filed: 1 },
      outside: 1,
    });
    expect(narrowed({}, Uint32Array.from([4, 0]))).toMatchObject({ passing: [0], state: { elsewhere: 1 } });
    expect(narrowed({ state: ['filed'] })).toMatchObject({ passing: [0, 2], state: { elsewhere: 2, 'to-file': 1 } });
  });
});
