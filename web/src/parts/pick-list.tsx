import clsx from 'clsx';
import styles from './lines.module.css';

/** Something to be picked: what is shown, and a quiet note behind it. */
export interface Pickable {
  readonly key: string;
  readonly label: string;
  readonly note?: string;
  /** What typing finds, when it is not the label. */
  readonly finds?: string;
}

interface Props {
  readonly id: string;
  readonly what: string;
  readonly isLoading: boolean;
  readonly found: readonly Pickable[];
  /** The name that a new one would have; null when none is offered. */
  readonly newName: string | null;
  readonly marked: number;
  /** Null where only one may be picked. */
  readonly ticked: ReadonlySet<string> | null;
  readonly click: (key: string, adds: boolean) => void;
  readonly make: () => void;
}

/** The id of an option, for the field that the list belongs to. */
export const optionId = (id: string, index: number): string => `${id}-option-${String(index)}`;

/** What typing has found, the marked one lit; ticks where several may be picked; last the offer to make a new one. */
export function PickList({ id, what, isLoading, found, newName, marked, ticked, click, make }: Props) {
  return (
    <ul
      id={`${id}-list`}
      role="listbox"
      aria-label={what}
      aria-multiselectable={ticked !== null}
      aria-busy={isLoading}
      className="choices"
    >
      {found.map(({ key, label, note }, index) => (
        <li
          key={key}
          id={optionId(id, index)}
          role="option"
          aria-selected={ticked === null ? marked === index : ticked.has(key)}
          className={marked === index ? 'at' : ''}
          onClick={(event) => click(key, event.ctrlKey || event.metaKey)}
        >
          {ticked !== null && <span className="mono tick">{ticked.has(key) ? '✓' : ' '}</span>}
          <bdi>{label}</bdi>
          {note !== undefined && <span className={clsx('quiet mono', styles.choiceNote)}>{note}</span>}
        </li>
      ))}
      {newName !== null && (
        <li
          id={optionId(id, found.length)}
          role="option"
          aria-selected={marked === found.length}
          className={marked === found.length ? 'at' : ''}
          onClick={make}
        >
          New {what} “{newName}”
        </li>
      )}
      {found.length === 0 && newName === null && (
        <li className="quiet" role="option" aria-selected={false} aria-disabled>
          {isLoading ? 'Loading …' : `No ${what} has this name.`}
        </li>
      )}
    </ul>
  );
}
