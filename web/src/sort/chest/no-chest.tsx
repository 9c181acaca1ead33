import Button from 'react-bootstrap/Button';
import type { Changes } from '../../arrangement/changes';
import { EmptyNote } from '../../parts/empty-note';
import { makeChest } from './make-chest';
import type { NewChest } from './new-chest';

const EMPTY: NewChest = { name: 'Everyday', slots: null, start: { kind: 'empty' } };
const BY_TYPE: NewChest = {
  name: 'By type',
  slots: null,
  start: { kind: 'worked-out', by: 'type', most: 40, inner: 'letters', without: null, follows: false },
};

/** How one begins who has no chest yet. */
export function NoChest({ changes }: { changes: Changes }) {
  return (
    <EmptyNote title="No chest yet">
      <p>A chest holds your drawers. Start with an empty one, or have one made from the catalogue.</p>
      <div className="empty-choices">
        <Button onClick={() => void makeChest(changes, EMPTY)}>Start empty</Button>
        <Button variant="outline-primary" onClick={() => void makeChest(changes, BY_TYPE)}>
          Create by type
        </Button>
      </div>
    </EmptyNote>
  );
}
