import { useId, useMemo, useState, type KeyboardEvent } from 'react';
import Modal from 'react-bootstrap/Modal';
import { Finder } from '@clever-drawer/core/search/find-plugins';

/** Something to be picked: what is shown, and a quiet note behind it. */
export interface Choice {
  readonly key: string;
  readonly label: string;
  readonly note?: string;
  /** What typing finds, when it is not the label. */
  readonly finds?: string;
}

interface Props {
  readonly title: string;
  /** One of the things, in a word: "drawer". */
  readonly what: string;
  readonly choices: readonly Choice[];
  /** Whether several may be picked at once. */
  readonly several: boolean;
  readonly ticked?: readonly string[];
  readonly done: (keys: readonly string[]) => void;
  /** Makes a new one of what was typed. */
  readonly make?: (name: string) => void;
  readonly close: () => void;
}

const DRAWN = 200;

/** A box that finds things by typing. Enter takes the marked one; Space or a click ticks more than one where that is wanted. */
export function PickBox({ title, what, choices, several, ticked: first = [], done, make, close }: Props) {
  const [typed, setTyped] = useState('');
  const [at, setAt] = useState(0);
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set(first));
  const id = useId();
  const finder = useMemo(
    () => new Finder(choices.map((choice) => ({ choice, name: choice.finds ?? choice.label, more: choice.label }))),
    [choices],
  );
  // Enter acts on the first result: nothing is offered that was only maybe meant.
  const found = useMemo(
    () =>
      finder
        .find(typed, true)
        .map((one) => one.choice)
        .slice(0, DRAWN),
    [finder, typed],
  );
  const name = typed.trim();
  const offersNew =
    make !== undefined &&
    name !== '' &&
    !found.some((one) => (one.finds ?? one.label).toLowerCase() === name.toLowerCase());
  const count = found.length + (offersNew ? 1 : 0);
  const marked = Math.min(at, count - 1);
  const current = found[marked];
  const hasChanged = ticked.size !== first.length || first.some((key) => !ticked.has(key));

  const tick = (key: string): void =>
    setTicked((old) => {
      const next = new Set(old);
      if (!next.delete(key)) next.add(key);
      return next;
    });
  const takeTicked = (): void => done(choices.filter((one) => ticked.has(one.key)).map((one) => one.key));
  const take = (): void => {
    if (hasChanged) takeTicked();
    else if (current !== undefined) done([current.key]);
    else if (offersNew) make(name);
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    if (event.key === 'ArrowDown') setAt(Math.min(marked + 1, count - 1));
    else if (event.key === 'ArrowUp') setAt(Math.max(marked - 1, 0));
    else if (event.key === 'Enter' && event.shiftKey && offersNew) make(name);
    else if (event.key === 'Enter') take();
    else if (event.key === ' ' && several && current !== undefined && (typed === '' || event.ctrlKey))
      tick(current.key);
    else return;
    event.preventDefault();
  };
  const option = (index: number): string => `${id}-option-${String(index)}`;
  return (
    <Modal show onHide={close} aria-labelledby={`${id}-title`} className="drawer-box">
      <Modal.Header closeButton>
        <Modal.Title id={`${id}-title`}>{title}</Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <input
          className="form-control"
          role="combobox"
          aria-expanded
          aria-controls={`${id}-list`}
          aria-activedescendant={count > 0 ? option(marked) : undefined}
          aria-label={what}
          autoFocus
          autoComplete="off"
          placeholder={`name of a ${what}`}
          value={typed}
          onChange={(event) => {
            setTyped(event.target.value);
            setAt(0);
          }}
          onKeyDown={onKeyDown}
        />
        <ul id={`${id}-list`} role="listbox" aria-label={what} aria-multiselectable={several} className="choices">
          {found.map((choice, index) => {
            const isTicked = ticked.has(choice.key);
            return (
              <li
                key={choice.key}
                id={option(index)}
                role="option"
                aria-selected={several ? isTicked : marked === index}
                className={marked === index ? 'at' : ''}
                onClick={(event) =>
                  several && (event.ctrlKey || event.metaKey || ticked.size > 0) ? tick(choice.key) : done([choice.key])
                }
              >
                {several && <span className="mono tick">{isTicked ? '✓' : ' '}</span>}
                <bdi>{choice.label}</bdi>
                {choice.note !== undefined && <span className="quiet mono choice-note">{choice.note}</span>}
              </li>
            );
          })}
          {offersNew && (
            <li
              id={option(count - 1)}
              role="option"
              aria-selected={marked === count - 1}
              className={marked === count - 1 ? 'at' : ''}
              onClick={() => make(name)}
            >
              New {what} “{name}”
            </li>
          )}
          {count === 0 && <li className="quiet">No {what} has this name.</li>}
        </ul>
      </Modal.Body>
      <Modal.Footer className="quiet box-hints">
        <span>
          <kbd>Enter</kbd> take
        </span>
        {several && (
          <span>
            <kbd>Space</kbd> tick several (with a name typed: <kbd>Ctrl Space</kbd>)
          </span>
        )}
        {offersNew && count > 1 && (
          <span>
            <kbd>Shift Enter</kbd> new {what}
          </span>
        )}
        {several && hasChanged && (
          <button type="button" className="plain linked" onClick={takeTicked}>
            Take the {ticked.size} ticked
          </button>
        )}
      </Modal.Footer>
    </Modal>
  );
}
