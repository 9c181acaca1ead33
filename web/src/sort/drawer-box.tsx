import { useId, useMemo, useState, type KeyboardEvent } from 'react';
import Modal from 'react-bootstrap/Modal';
import { pathTo, type Arrangement, type Drawer } from '@clever-drawer/core/chests/arrangement';
import type { ChestId } from '@clever-drawer/core/ids';
import { Finder } from '@clever-drawer/core/search/find-plugins';

interface Props {
  readonly title: string;
  readonly state: Arrangement;
  readonly chest: ChestId;
  /** Whether several may be chosen at once. */
  readonly several: boolean;
  /** Drawers that can't be chosen. */
  readonly without?: ReadonlySet<string>;
  /** A first line for the chest itself, where that is a choice. */
  readonly top?: string;
  readonly done: (drawers: readonly Drawer[]) => void;
  readonly make?: (name: string) => void;
  readonly close: () => void;
}

/** A box that finds drawers by typing. Enter takes the marked one; Space or a click ticks more than one where that is wanted. */
export function DrawerBox({ title, state, chest, several, without, top, done, make, close }: Props) {
  const [typed, setTyped] = useState('');
  const [at, setAt] = useState(0);
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set());
  const id = useId();
  const choices = useMemo(() => {
    const drawers = [...state.drawer.values()].filter(
      (drawer) => drawer.chestId === chest && !(without?.has(drawer.id) ?? false),
    );
    return drawers
      .map((drawer) => ({
        drawer,
        name: drawer.name,
        more: '',
        path: pathTo(state, drawer.id)
          .map((one) => one.name)
          .join(' › '),
      }))
      .sort((a, b) => a.path.localeCompare(b.path));
  }, [state, chest, without]);
  const found = useMemo(() => new Finder(choices).find(typed), [choices, typed]);
  const offersTop = top !== undefined && typed === '';
  const offersNew =
    make !== undefined &&
    typed.trim() !== '' &&
    !found.some((one) => one.name.toLowerCase() === typed.trim().toLowerCase());
  const count = found.length + (offersTop ? 1 : 0) + (offersNew ? 1 : 0);
  const marked = Math.min(at, count - 1);
  const atDrawer = found[marked - (offersTop ? 1 : 0)]?.drawer;

  const tick = (drawer: Drawer): void =>
    setTicked((old) => {
      const next = new Set(old);
      if (!next.delete(drawer.id)) next.add(drawer.id);
      return next;
    });
  const take = (): void => {
    const chosen = choices.filter((one) => ticked.has(one.drawer.id)).map((one) => one.drawer);
    if (chosen.length > 0) done(chosen);
    else if (offersTop && marked === 0) done([]);
    else if (atDrawer !== undefined) done([atDrawer]);
    else if (offersNew) make(typed.trim());
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    if (event.key === 'ArrowDown') setAt(Math.min(marked + 1, count - 1));
    else if (event.key === 'ArrowUp') setAt(Math.max(marked - 1, 0));
    else if (event.key === 'Enter') take();
    else if (event.key === ' ' && several && atDrawer !== undefined && (typed === '' || event.ctrlKey)) tick(atDrawer);
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
          aria-label="Drawer"
          autoFocus
          autoComplete="off"
          placeholder="name of a drawer"
          value={typed}
          onChange={(event) => {
            setTyped(event.target.value);
            setAt(0);
          }}
          onKeyDown={onKeyDown}
        />
        <ul id={`${id}-list`} role="listbox" aria-label="Drawers" aria-multiselectable={several} className="choices">
          {offersTop && (
            <li
              id={option(0)}
              role="option"
              aria-selected={marked === 0}
              className={marked === 0 ? 'at' : ''}
              onClick={() => done([])}
            >
              {top}
            </li>
          )}
          {found.map(({ drawer, path }, index) => {
            const place = index + (offersTop ? 1 : 0);
            const isTicked = ticked.has(drawer.id);
            return (
              <li
                key={drawer.id}
                id={option(place)}
                role="option"
                aria-selected={several ? isTicked : marked === place}
                className={marked === place ? 'at' : ''}
                onClick={(event) =>
                  several && (event.ctrlKey || event.metaKey || ticked.size > 0) ? tick(drawer) : done([drawer])
                }
              >
                {several && <span className="mono tick">{isTicked ? '✓' : ' '}</span>}
                <bdi>{path}</bdi>
              </li>
            );
          })}
          {offersNew && (
            <li
              id={option(count - 1)}
              role="option"
              aria-selected={marked === count - 1}
              className={marked === count - 1 ? 'at' : ''}
              onClick={() => make(typed.trim())}
            >
              New drawer “{typed.trim()}”
            </li>
          )}
          {count === 0 && <li className="quiet">No drawer has this name.</li>}
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
        {ticked.size > 0 && <span>{ticked.size} ticked</span>}
      </Modal.Footer>
    </Modal>
  );
}
