import { useId, useState } from 'react';
import Form from 'react-bootstrap/Form';
import { LEVEL_SORT_LABELS, LEVEL_SORTS, type LevelSort } from '@clever-drawer/core/chests/level-sort';
import { FormBox } from '../../parts/form-box';

interface Props {
  readonly title: string;
  /** How they are sorted for good; null for the order given by hand. */
  readonly first: LevelSort | null;
  /** `isStanding`: for good; by null the order is given by hand. */
  readonly done: (by: LevelSort | null, isStanding: boolean) => void;
  readonly close: () => void;
}

/** By what the drawers of a level are sorted, once or for good. */
export function OrderBox({ title, first, done, close }: Props) {
  const [by, setBy] = useState<LevelSort | null>(first);
  const [isStanding, setStanding] = useState(first !== null);
  const id = useId();
  return (
    <FormBox title={title} act="Save" submit={() => done(by, isStanding)} close={close}>
      <div role="radiogroup" aria-label="Order">
        {[null, ...LEVEL_SORTS].map((one) => (
          <Form.Check
            key={one ?? 'hand'}
            type="radio"
            name={`${id}-by`}
            id={`${id}-${one ?? 'hand'}`}
            label={one === null ? 'by hand' : LEVEL_SORT_LABELS[one]}
            checked={by === one}
            autoFocus={first === one}
            onChange={() => setBy(one)}
          />
        ))}
      </div>
      <Form.Check
        className="mt-3"
        id={`${id}-standing`}
        label="Keep them sorted from now on"
        disabled={by === null}
        checked={by !== null && isStanding}
        onChange={(event) => setStanding(event.target.checked)}
      />
      <Form.Text>Dividers stay: drawers are sorted between them.</Form.Text>
    </FormBox>
  );
}
