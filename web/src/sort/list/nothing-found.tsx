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
    <EmptyNote title={isHidden ? 'Nothing inside these filters' : 'Nothing found'}>
      <p>
        {isHidden
          ? `${String(outside)} ${outside === 1 ? 'matches' : 'match'} outside of them.`
          : typed === ''
            ? 'There is nothing of this kind.'
            : 'No name, vendor, type or tag is like this.'}
      </p>
      <Button variant="outline-primary" onClick={isHidden ? clear : all}>
        {isHidden ? 'Take the filters off' : 'Show everything'}
      </Button>
    </EmptyNote>
  );
}
