import { useEffect, useId, useRef, useState, type KeyboardEvent } from 'react';
import Modal from 'react-bootstrap/Modal';
import type { LoadWay } from '@clever-drawer/contract/requests';
import { FAVOURITES, trayEntryId } from '@clever-drawer/core/chests/rows/tray-entry';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import type { Lane } from '@clever-drawer/core/chests/rows/lane';
import type { Slot } from '@clever-drawer/core/chests/rows/slot';
import { chestsOf } from '@clever-drawer/core/chests/look-up';
import type { ChestId } from '@clever-drawer/core/ids';
import { chestsFor, chestSlotOf, SLOT_LABELS } from '@clever-drawer/core/menu/slot-menu';
import type { ChosenCatalogue, ChosenPlugin } from '../catalogue/queries';
import type { Changes } from '../arrangement/changes';
import { useComputer } from '../lib/use-computer';
import { ChooserDrawers } from './chooser-drawers';
import { ChooserList } from './chooser-list';
import { useOffer } from './use-offer';

/** What was chosen, and by which way. */
export interface Chosen {
  readonly plugin: ChosenPlugin;
  readonly way: LoadWay;
}

interface Props {
  readonly slot: Slot;
  readonly lane: Lane | undefined;
  readonly catalogue: ChosenCatalogue;
  readonly state: Arrangement;
  readonly changes: Changes;
  readonly choose: (chosen: Chosen) => void;
  readonly close: () => void;
}

/** The chooser of a slot: type, arrows, Enter; or by drawer. It offers only what fits. */
export function SlotChooser({ slot, lane, catalogue, state, changes, choose, close }: Props) {
  const chestSlot = chestSlotOf(slot.kind, lane?.kind ?? 'audio');
  const chests = chestsFor(chestsOf(state), chestSlot);
  // Each kind of slot has a chest of its own that stays open.
  const kept = chestSlot === null || chests.every((one) => one.slots === null) ? 'chest' : `chest-${chestSlot}`;
  const [chest, setChest] = useStored(kept, chests[0]?.id ?? null, (id) => chests.some((one) => one.id === id));
  const [open, setOpen] = useStored('drawer', null, (id) => id.startsWith('tray-') || state.drawer.has(id));
  const [typed, setTyped] = useState('');
  const [marked, setMarked] = useState(0);
  const [withUnknown, setWithUnknown] = useState(false);
  const input = useRef<HTMLInputElement>(null);
  const id = useId();
  const offer = useOffer(slot.kind, catalogue, state, chest as ChestId | null, { typed, open, withUnknown });
  const opened = offer.drawers.find((drawer) => drawer.id === open);
  const parts = [
    { heading: `in ${opened?.name ?? ''}`, plugins: opened === undefined ? [] : offer.inside },
    { heading: elsewhereHeading(opened !== undefined, typed), plugins: offer.elsewhere },
    { heading: 'others of this kind', plugins: offer.kin },
  ];
  const all = parts.flatMap((part) => part.plugins);
  const at = Math.min(marked, all.length - 1);
  const current = all[at];

  const wayTo = (plugin: ChosenPlugin): LoadWay => {
    if (typed !== '') return 'typing';
    if (opened?.ids.has(plugin.id)) return opened.isTray ? 'tray' : 'drawer';
    return 'list';
  };
  const take = (plugin: ChosenPlugin | undefined): void => {
    if (plugin !== undefined) choose({ plugin, way: wayTo(plugin) });
  };
  const toggleFavourite = (): void => {
    if (current === undefined) return;
    const on = state.trayEntry.has(trayEntryId(FAVOURITES, current.id));
    void changes.make({ kind: on ? 'tray-off' : 'tray-on', tray: FAVOURITES, pluginIds: [current.id] });
  };
  const openDrawer = (drawer: string | null): void => {
    setOpen(drawer);
    setMarked(0);
    input.current?.focus();
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    if (event.altKey && event.code === 'Digit1') toggleFavourite();
    else if (event.key === 'Escape') {
      if (open === null) close();
      else openDrawer(null);
    } else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const onInputKey = (event: KeyboardEvent): void => {
    const steps: Record<string, number> = { ArrowDown: at + 1, ArrowUp: at - 1, PageDown: at + 10, PageUp: at - 10 };
    const to = steps[event.key];
    if (to !== undefined) setMarked(Math.max(0, Math.min(to, all.length - 1)));
    else if (event.key === 'Enter') take(current);
    else return;
    event.preventDefault();
  };
  return (
    <Modal
      show
      onHide={close}
      keyboard={false}
      size="xl"
      className="chooser"
      aria-labelledby={`${id}-title`}
      onKeyDown={onKeyDown}
      onEntered={() => input.current?.focus()}
      animation={false}
    >
      <Modal.Body>
        <div className="chooser-head">
          <input
            ref={input}
            role="combobox"
            aria-expanded
            aria-controls={`${id}-list`}
            aria-activedescendant={current === undefined ? undefined : `${id}-option-${String(at)}`}
            aria-label="Find a plugin"
            placeholder="type a name or vendor"
            autoComplete="off"
            spellCheck={false}
            autoFocus
            value={typed}
            onChange={(event) => {
              setTyped(event.target.value);
              setMarked(0);
            }}
            onKeyDown={onInputKey}
          />
          <h2 id={`${id}-title`}>
            {lane?.name} · {SLOT_LABELS[slot.kind]}
          </h2>
        </div>
        <div className="chooser-body">
          <ChooserList
            id={id}
            parts={parts}
            nothing={
              opened !== undefined && typed === ''
                ? 'Nothing in this drawer fits into the slot. Esc closes the drawer.'
                : 'Nothing that fits has this name.'
            }
            at={at}
            favourites={state.trayEntry}
            take={take}
          />
          <ChooserDrawers
            chests={chests}
            chest={chest}
            setChest={(next) => {
              setChest(next);
              openDrawer(null);
            }}
            drawers={offer.drawers}
            open={open}
            toggle={(drawer) => openDrawer(drawer === open ? null : drawer)}
            matching={typed === '' ? null : new Set([...offer.inside, ...offer.elsewhere].map((plugin) => plugin.id))}
          />
        </div>
        <div className="chooser-foot quiet">
          <span>
            <kbd>Enter</kbd> load
          </span>
          <span>
            <kbd>Tab</kbd> to the drawers
          </span>
          <span>
            <kbd>Alt 1</kbd> Favourites
          </span>
          <span className="grow" />
          {offer.roleUnknown > 0 && (
            <button
              type="button"
              className="plain"
              aria-pressed={withUnknown}
              onClick={() => setWithUnknown(!withUnknown)}
            >
              {withUnknown ? 'Hide' : 'Show'} {offer.roleUnknown} whose role is not known
            </button>
          )}
        </div>
      </Modal.Body>
    </Modal>
  );
}

const elsewhereHeading = (inDrawer: boolean, typed: string): string =>
  inDrawer ? 'elsewhere' : typed === '' ? 'everything that fits' : 'best match first';

/** The last chest and drawer stay open until they are changed. Kept in this browser, per computer. */
function useStored(
  what: string,
  otherwise: string | null,
  isThere: (id: string) => boolean,
): [string | null, (id: string | null) => void] {
  const computer = useComputer();
  const key = `clever-drawer-chooser-${what}-${computer.id}`;
  const [value, setValue] = useState(() => localStorage.getItem(key));
  useEffect(() => {
    if (value === null) localStorage.removeItem(key);
    else localStorage.setItem(key, value);
  }, [key, value]);
  return [value !== null && isThere(value) ? value : otherwise, setValue];
}
