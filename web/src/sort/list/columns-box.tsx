import { useId, useState } from 'react';
import Form from 'react-bootstrap/Form';
import { FormBox } from '../../parts/form-box';
import { PlainButton } from '../../parts/plain-button';
import { COLUMN_IDS, COLUMNS, FIXED_COLUMNS, USUAL_COLUMNS, type ColumnId } from './columns';
import styles from './list.module.css';

interface Props {
  readonly shown: readonly ColumnId[];
  readonly done: (columns: readonly ColumnId[]) => void;
  readonly close: () => void;
}

/** Which columns the list has, and in which order. */
export function ColumnsBox({ shown, done, close }: Props) {
  const [columns, setColumns] = useState(shown);
  const id = useId();
  const own = columns.filter((one) => !FIXED_COLUMNS.includes(one));
  const others = COLUMN_IDS.filter((one) => !columns.includes(one));
  const move = (column: ColumnId, by: 1 | -1): void => {
    const rest = own.filter((one) => one !== column);
    rest.splice(own.indexOf(column) + by, 0, column);
    setColumns([...FIXED_COLUMNS, ...rest]);
  };
  const line = (column: ColumnId, isShown: boolean) => {
    const { label } = COLUMNS[column];
    const at = own.indexOf(column);
    return (
      <li key={column} className={styles.columnChoice}>
        <Form.Check
          id={`${id}-${column}`}
          label={label}
          checked={isShown}
          onChange={() => setColumns(isShown ? columns.filter((one) => one !== column) : [...columns, column])}
        />
        {isShown && (
          <>
            <PlainButton aria-label={`${label} to the left`} disabled={at === 0} onClick={() => move(column, -1)}>
              ←
            </PlainButton>
            <PlainButton
              aria-label={`${label} to the right`}
              disabled={at === own.length - 1}
              onClick={() => move(column, 1)}
            >
              →
            </PlainButton>
          </>
        )}
      </li>
    );
  };
  return (
    <FormBox
      title="Columns of the list"
      act="Save"
      submit={() => done(columns)}
      close={close}
      also={<PlainButton onClick={() => setColumns(USUAL_COLUMNS)}>The usual ones</PlainButton>}
    >
      <p className="quiet">Type and name always come first.</p>
      <ul className={styles.columnChoices}>
        {own.map((column) => line(column, true))}
        {others.map((column) => line(column, false))}
      </ul>
    </FormBox>
  );
}
