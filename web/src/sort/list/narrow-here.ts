import { narrow, type Facet } from '@clever-drawer/core/search/narrow';
import { QUESTIONS, type Filters, type Question } from '../find/use-sort-view';
import { ELSEWHERE } from '../ribbons/facets';

/** What passes, in its order; how many each value would bring; and how many more there are outside of the filters. */
export interface NarrowedHere {
  readonly passing: Uint32Array;
  readonly counts: ReadonlyMap<Question, ReadonlyMap<string, number>>;
  readonly outside: number;
}

/**
 * Narrows what was found by the filters. What only another computer has is left out, and counted nowhere but in its own state, until it is asked for.
 */
export function narrowHere(
  found: Uint32Array,
  isElsewhere: (number: number) => boolean,
  facets: Readonly<Record<Question, Facet>>,
  filters: Filters,
): NarrowedHere {
  const asks = filters.state.includes(ELSEWHERE);
  const here = asks ? found : found.filter((number) => !isElsewhere(number));
  const among = (numbers: Uint32Array, wanted: Filters) =>
    narrow(
      numbers,
      QUESTIONS.map((question) => facets[question]),
      QUESTIONS.map((question) => wanted[question]),
    );
  const { passing, counts } = among(here, filters);
  const byQuestion = new Map(
    QUESTIONS.map((question, at) => [
      question,
      new Map(facets[question].values.map((value, number) => [value, counts[at]?.[number] ?? 0])),
    ]),
  );
  if (here.length < found.length) {
    const elsewhere = among(found.filter(isElsewhere), { ...filters, state: [] }).passing.length;
    byQuestion.get('state')?.set(ELSEWHERE, elsewhere);
  }
  return { passing, counts: byQuestion, outside: here.length - passing.length };
}
