import { useEffect, useId, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import Modal from 'react-bootstrap/Modal';
import { Finder } from '@clever-drawer/core/search/find-plugins';
import { KeyHint } from '../keys/key-hint';
import { takeKey } from '../keys/use-keys';
import { FieldFocus } from './field-focus';
import { stepHandlers, ticked as withTick } from './list-keys';
import { optionId, PickList, type Pickable } from './pick-list';
import { PlainButton } from './plain-button';

interface Props {
  readonly title: string;
  /** One of the things, in a word: "drawer". */
  readonly what: string;
  readonly choices: readonly Pickable[];
  /** Whether several may be picked at once. */
  readonly several: boolean;
  /** Whether the choices are still being fetched. */
  readonly isLoading?: boolean;
  readonly ticked?: readonly string[];
  readonly done: (keys: readonly string[]) => void;
  /** Makes a new one of what was typed. */
  readonly make?: (name: string) => void;
  readonly close: () => void;
}

const DRAWN = 200;

/** A box that finds things by typing. Enter takes the marked one; Space or a click ticks more than one where that is wanted. */
export function PickBox(props: Props) {
  const { title, what, choices, several, isLoading = false, ticked: first = [], done, make, close } = props;
  const [typed, setTyped] = useState('');
  const [at, setAt] = useState(0);
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set(first));
  const id = useId();
  const found = useFound(choices, typed);
  const name = typed.trim();
  const isNew = !found.some((one) => (one.finds ?? one.label).toLowerCase() === name.toLowerCase());
  const newName = make !== undefined && name !== '' && isNew ? name : null;
  const count = found.length + (newName === null ? 0 : 1);
  const marked = Math.min(at, count - 1);
  const current = found[marked];
  const hasChanged = ticked.size !== first.length || first.some((key) => !ticked.has(key));
  const tick = (key: string): void => setTicked((old) => withTick(old, key));
  /** A box that stays open for the next choice starts over. */
  const finish = (keys: readonly string[]): void => {
    setTyped('');
    setAt(0);
    done(keys);
  };
  const takeTicked = (): void => finish(choices.filter((one) => ticked.has(one.key)).map((one) => one.key));
  const makeNew = (): void => {
    if (newName !== null) make?.(newName);
  };
  const takesWhenLoaded = useRef(false);
  const take = (): void => {
    if (isLoading) takesWhenLoaded.current = true;
    else if (hasChanged) takeTicked();
    else if (current !== undefined) finish([current.key]);
    else makeNew();
  };
  // Enter that came too early is for what has been loaded by now.
  useEffect(() => {
    if (isLoading || !takesWhenLoaded.current) return;
    takesWhenLoaded.current = false;
    take();
  });
  const onKeyDown = (event: KeyboardEvent): void => {
    const { down, up, pageDown, pageUp } = stepHandlers(marked, { count }, setAt);
    const tickCurrent = several && current !== undefined ? () => tick(current.key) : null;
    takeKey('pick', event, {
      down,
      up,
      pageDown,
      pageUp,
      take,
      tick: typed === '' ? tickCurrent : null,
      tickTyped: tickCurrent,
      make: newName === null ? null : makeNew,
    });
  };
  return (
    <Modal show onHide={close} aria-labelledby={`${id}-title`}>
      <Modal.Header closeButton>
        <Modal.Title id={`${id}-title`}>{title}</Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <input
          className="form-control"
          role="combobox"
          aria-expanded
          aria-controls={`${id}-list`}
          aria-activedescendant={count > 0 ? optionId(id, marked) : undefined}
          aria-label={what}
          autoFocus
          autoComplete="off"
          placeholder={`name of a ${what}`}
          value={typed}
          onChange={(event) => {
            setTyped(event.target.value);
            setAt(0);
            takesWhenLoaded.current = false;
          }}
          onKeyDown={onKeyDown}
        />
        <PickList
          id={id}
          what={what}
          isLoading={isLoading}
          found={found}
          newName={newName}
          marked={marked}
          ticked={several ? ticked : null}
          click={(key, adds) => (several && (adds || ticked.size > 0) ? tick(key) : finish([key]))}
          make={makeNew}
        />
        <FieldFocus />
      </Modal.Body>
      <Modal.Footer className="quiet box-hints">
        <span>
          <KeyHint place="pick" does="take" /> take
        </span>
        {several && (
          <span>
            <KeyHint place="pick" does="tick" /> tick several (with a name typed:{' '}
            <KeyHint place="pick" does="tickTyped" />)
          </span>
        )}
        {newName !== null && count > 1 && (
          <span>
            <KeyHint place="pick" does="make" /> new {what}
          </span>
        )}
        {several && hasChanged && (
          <PlainButton linked onClick={takeTicked}>
            Take the {ticked.size} ticked
          </PlainButton>
        )}
      </Modal.Footer>
    </Modal>
  );
}

function useFound(choices: readonly Pickable[], typed: string): readonly Pickable[] {
  const finder = useMemo(
    () => new Finder(choices.map((choice) => ({ choice, name: choice.finds ?? choice.label, more: choice.label }))),
    [choices],
  );
  // Enter acts on the first result: nothing is offered that was only maybe meant.
  return useMemo(
    () =>
      finder
        .find(typed, true)
        .map((one) => one.choice)
        .slice(0, DRAWN),
    [finder, typed],
  );
}
