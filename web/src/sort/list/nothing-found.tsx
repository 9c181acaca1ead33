import Button from 'react-bootstrap/Button';
import { EmptyNote } from '../../parts/empty-note';

/** What the list says when nothing is in it: whether a filter hides something, and how to take it off. */
export function NothingFound({
  typed,
  outside,
  clear,
  all,
}: {
  typed: string;
  outside: number;
  clear: () => void;
  all: () => void;
}) {
  const isHidden = outside > 0;
  return (
    <EmptyNote title={isHidden ? 'Nothing matches within these filters' : 'Nothing found'}>
      <p>
        {isHidden
          ? `${String(outside)} ${outside === 1 ? 'matches' : 'match'} outside of them.`
          : typed === ''
            ? 'Nothing matches all of these.'
            : 'No name, vendor, type or tag matches.'}
      </p>
      <Button variant="outline-primary" onClick={isHidden ? clear : all}>
        {isHidden ? 'Clear filters' : 'Clear search'}
      </Button>
    </EmptyNote>
  );
}
