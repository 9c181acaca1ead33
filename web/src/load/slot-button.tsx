import clsx from 'clsx';
import { useDraggable, useDroppable } from '@dnd-kit/core';
import { useCallback, useRef, type KeyboardEvent, type RefObject } from 'react';
import { itemId } from '@clever-drawer/core/chests/item';
import type { LaneWidth } from '@clever-drawer/core/chests/rows/lane';
import type { Slot } from '@clever-drawer/core/chests/rows/slot';
import type { BuildId, ItemId, SlotId } from '@clever-drawer/core/ids';
import { SLOT_LABELS } from '@clever-drawer/core/menu/slot-menu';
import { loadedInWords } from '../catalogue/build-words';
import { absenceOf } from '../catalogue/presence';
import type { ChosenCatalogue, ChosenItem } from '../catalogue/chosen-catalogue';
import { fullNameOf } from '../catalogue/item-names';
import { TypeGlyph } from '../catalogue/type-glyph';
import { takeKey, type KeyHandlers } from '../keys/use-keys';
import { openMenuHere, useActMenu } from '../parts/act-menu';
import { CutLines } from '../parts/cut-name';
import { actsOf, type MenuAct } from '../parts/menu-act';
import { PlainButton } from '../parts/plain-button';
import type { LoadDragged, LoadTarget } from './load-drag';
import { useIsAimed } from './load-aim';
import styles from './load.module.css';

/** What can be done with a slot. */
export interface SlotActions {
  /** Opens the chooser; `typed` is searched for at once. */
  readonly open: (slot: Slot, typed?: string) => void;
  readonly clear: (slot: Slot) => void;
  readonly again: (slot: Slot) => void;
  readonly bypass: (slot: Slot) => void;
  /** Feeds a sidechain to the slot, or no longer. */
  readonly feed: (slot: Slot) => void;
  /** Moves what is in it to the slot above (-1) or below (1). */
  readonly shift: (slot: Slot, by: 1 | -1) => void;
  /** Moves what is in another slot here, or a copy of it. */
  readonly put: (from: SlotId, to: Slot, copy: boolean) => void;
  /** Loads an item that was dragged here. */
  readonly loadHere: (item: ItemId, to: Slot, buildId: BuildId | null) => void;
  /** The slot whose content was remembered; null for none. */
  readonly remembered: SlotId | null;
  readonly remember: (slot: Slot) => void;
  /** What can be done with the item that is in it, beside what the keys do. */
  readonly more: (slot: Slot) => readonly MenuAct[];
  readonly add: (slot: Slot) => void;
  readonly remove: (slot: Slot) => void;
}

interface Props {
  readonly slot: Slot;
  /** The width of its lane; null where that is not known. */
  readonly width: LaneWidth | null;
  readonly place: string;
  readonly catalogue: ChosenCatalogue;
  readonly actions: SlotActions;
}

/** A slot: empty, or with what is in it. A letter typed on it is searched for at once; what is in it is dragged to other slots. */
export function SlotButton({ slot, width, place, catalogue, actions }: Props) {
  const plugin = slot.pluginId === null ? undefined : catalogue.byId.get(itemId({ ...slot, pluginId: slot.pluginId }));
  const build = plugin?.builds.find((one) => one.id === slot.buildId);
  const isEmpty = slot.pluginId === null;
  const isBypassed = slot.bypass === true;
  const isFed = slot.sidechain === true;
  const unusual = loadedInWords(plugin?.builds ?? [], build, { width, sidechain: isFed });
  const words = isEmpty
    ? `empty, for: ${SLOT_LABELS[slot.kind]}${isFed ? ', with a sidechain' : ''}`
    : [
        plugin === undefined ? 'a plugin that is not in the catalogue' : fullNameOf(plugin),
        plugin?.program === undefined ? build?.format : `in ${plugin.program}`,
        unusual === null ? null : `not the usual build: ${unusual}`,
        plugin === undefined ? null : absenceOf(plugin),
        isBypassed ? 'bypassed' : null,
        isFed ? 'with a sidechain' : null,
      ]
        .filter((word) => word != null)
        .join(', ');
  const openMenu = useActMenu();
  const isAimed = useIsAimed(slot.id);
  const button = useRef<HTMLButtonElement>(null);
  const drag = useDraggable({
    id: `drag ${slot.id}`,
    data: { slotId: slot.id, name: plugin === undefined ? 'It' : fullNameOf(plugin) } satisfies LoadDragged,
    disabled: isEmpty,
  });
  const drop = useDroppable({ id: `drop ${slot.id}`, data: { slotId: slot.id } satisfies LoadTarget });
  const [setDragNode, setDropNode] = [drag.setNodeRef, drop.setNodeRef];
  const setButton = useCallback(
    (element: HTMLButtonElement | null) => {
      button.current = element;
      setDragNode(element);
      setDropNode(element);
    },
    [setDragNode, setDropNode],
  );
  const filled = (act: () => void) => (isEmpty ? null : act);
  const handlers: KeyHandlers<'slots'> = {
    ...slotWalk(button),
    open: () => actions.open(slot),
    clear: filled(() => actions.clear(slot)),
    again: () => actions.again(slot),
    bypass: filled(() => actions.bypass(slot)),
    feed: slot.kind === 'insert' ? () => actions.feed(slot) : null,
    moveUp: filled(() => actions.shift(slot, -1)),
    moveDown: filled(() => actions.shift(slot, 1)),
    take: filled(() => actions.remember(slot)),
    put: actions.remembered === null ? null : () => actions.put(actions.remembered ?? slot.id, slot, true),
    add: () => actions.add(slot),
    remove: () => actions.remove(slot),
    menu: openMenuHere,
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    if (takeKey('slots', event, handlers)) return;
    const { key, ctrlKey, metaKey, altKey } = event;
    // A letter is the beginning of a name, and already the search; digits are, too.
    if (!/^[\p{L}\p{N}]$/u.test(key) || ctrlKey || metaKey || altKey || isWord(event)) return;
    event.preventDefault();
    event.stopPropagation();
    actions.open(slot, key);
  };
  return (
    <>
      <button
        ref={setButton}
        type="button"
        id={slot.id}
        data-slot={slot.kind}
        data-empty={isEmpty || undefined}
        className={clsx(styles.slot, isEmpty && styles.empty, isBypassed && styles.bypassed, isAimed && styles.aimed)}
        aria-label={`${place}: ${words}`}
        title={words}
        {...drag.listeners}
        onClick={() => actions.open(slot)}
        onKeyDown={onKeyDown}
        onContextMenu={(event) =>
          openMenu(event, `${place}: ${words}`, [
            ...actsOf('slots', handlers, SLOT_MENU),
            ...(isEmpty ? [] : actions.more(slot)),
          ])
        }
      >
        {isEmpty ? (
          <span className="quiet">{SLOT_LABELS[slot.kind]}</span>
        ) : (
          <>
            <span className={styles.slotSign}>
              <TypeGlyph types={plugin?.types ?? []} role={plugin?.role ?? null} />
              {unusual !== null && <span aria-hidden>{unusual}</span>}
            </span>
            <span className={styles.slotName}>
              <CutLines name={slotLabel(plugin)} />
            </span>
          </>
        )}
        {isFed && (
          <span className={styles.fed} aria-hidden>
            SC
          </span>
        )}
      </button>
      {!isEmpty && (
        <PlainButton
          className={styles.clearSlot}
          tabIndex={-1}
          aria-label={`Clear ${place}`}
          onClick={() => actions.clear(slot)}
        >
          ×
        </PlainButton>
      )}
    </>
  );
}

/** What a slot shows: the strip label, else the preset, else the name with what tells it apart. */
function slotLabel(item: ChosenItem | undefined): string {
  if (item === undefined) return 'not in the catalogue';
  return item.naming?.stripLabel ?? item.preset?.name ?? fullNameOf(item);
}

const SLOT_MENU = [
  'open',
  'again',
  'bypass',
  'feed',
  'moveUp',
  'moveDown',
  'take',
  'put',
  'clear',
  'add',
  'remove',
] as const;

/** Capitals go to the places of the application: Shift with a letter. */
const isWord = ({ shiftKey, key }: KeyboardEvent): boolean => shiftKey && /^\p{L}$/u.test(key);

const SLOT = 'button[data-slot]';

/** Arrows go from slot to slot: up and down in a lane, left and right to the slot of the same height. */
function slotWalk(button: RefObject<HTMLButtonElement | null>): KeyHandlers<'fronts'> {
  const go = (right: number, down: number) => (): void => {
    const here = button.current;
    const lanes = [...(here?.closest('[data-lanes]')?.children ?? [])];
    const columns = lanes.map((lane) => [...lane.querySelectorAll<HTMLElement>(SLOT)]);
    const x = columns.findIndex((slots) => slots.some((one) => one === here));
    const y = columns[x]?.findIndex((one) => one === here) ?? 0;
    const column = columns[x + right];
    column?.[Math.max(0, Math.min(y + down, column.length - 1))]?.focus();
  };
  return { up: go(0, -1), down: go(0, 1), left: go(-1, 0), right: go(1, 0) };
}
