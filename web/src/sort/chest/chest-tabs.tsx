import { Fragment, useRef, useState } from 'react';
import Dropdown from 'react-bootstrap/Dropdown';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import type { Chest } from '@clever-drawer/core/chests/rows/chest';
import { sameRow } from '@clever-drawer/core/chests/edit';
import type { Intent } from '@clever-drawer/core/chests/intent';
import { chestsOf } from '@clever-drawer/core/chests/look-up';
import type { ChestId } from '@clever-drawer/core/ids';
import type { ChosenCatalogue } from '../../catalogue/chosen-catalogue';
import type { Changes } from '../../arrangement/changes';
import { ChestDivider } from '../../parts/level-divider';
import { DividerBox } from '../../parts/divider-box';
import { ChestForm } from './chest-form';
import { GoneBox } from './gone-box';
import { StartAgainForm } from './start-again-form';
import { FRONT_SHOWS, FRONT_SIZES, useChestLook, type FrontShow, type FrontSize } from './chest-look';
import { makeChest } from './make-chest';
import type { NewChest } from './new-chest';
import { KeyHint } from '../../keys/key-hint';
import { takeKey, type KeyHandlers } from '../../keys/use-keys';
import { useActMenu } from '../../parts/act-menu';
import { actsOf } from '../../parts/menu-act';
import { frontHandlers } from '../../parts/front-walk';
import { PlainButton } from '../../parts/plain-button';
import styles from '../../parts/front.module.css';

interface Props {
  readonly state: Arrangement;
  readonly catalogue: ChosenCatalogue;
  readonly chest: Chest | null;
  readonly changes: Changes;
  readonly choose: (id: ChestId | null) => void;
  readonly filed: number;
  readonly toFile: number;
  /** Whether the rules have been asked, so that both numbers are known. */
  readonly isAnswered: boolean;
  readonly workThrough: () => void;
  /** Asks for the order of the drawers of the chest at hand. */
  readonly order: () => void;
}

/** The chests by name; the one at hand, what can be done with it, and how far it is filled. */
export function ChestTabs({
  state,
  catalogue,
  chest,
  changes,
  choose,
  filed,
  toFile,
  isAnswered,
  workThrough,
  order,
}: Props) {
  const [form, setForm] = useState<'new' | Chest | null>(null);
  const [again, setAgain] = useState<Chest | null>(null);
  const [goneOf, setGoneOf] = useState<Chest | null>(null);
  const [dividing, setDividing] = useState<Chest | null>(null);
  const chests = chestsOf(state);
  const openMenu = useActMenu();
  const done = (wish: NewChest): void => {
    const edited = form === 'new' ? null : form;
    setForm(null);
    if (edited === null) void makeChest(changes, wish).then((id) => id !== null && choose(id));
    else {
      const { id } = edited;
      const { name, slots, selection = false } = wish;
      // Name and purpose are one act: one step back takes both.
      const intents: Intent[] = [];
      if (name !== edited.name) intents.push({ kind: 'rename-chest', id, name });
      if (!sameRow({ slots }, { slots: edited.slots })) intents.push({ kind: 'set-chest-slots', id, slots });
      if (selection !== edited.selection) intents.push({ kind: 'set-chest-selection', id, selection });
      if (intents.length > 0) void changes.make(...intents);
    }
  };
  const remove = async (gone: Chest): Promise<void> => {
    const words = `The chest ${gone.name} is deleted. Its plugins stay in the catalogue.`;
    if (await changes.makeWithNotice(words, { kind: 'delete-chest', id: gone.id })) choose(null);
  };
  const shift = (one: Chest, by: number): void => {
    const rest = chests.filter((other) => other.id !== one.id);
    const now = chests.findIndex((other) => other.id === one.id);
    const place = Math.max(0, Math.min(now + by, rest.length));
    if (place !== now) void changes.make({ kind: 'move-chest', id: one.id, before: rest[place]?.id ?? null });
  };
  const tabs = useRef<HTMLDivElement>(null);
  const handlersOf = (one: Chest): KeyHandlers<'chest'> => {
    const { left, right } = frontHandlers(() => [...(tabs.current?.querySelectorAll<HTMLElement>('button') ?? [])]);
    return {
      open: () => choose(one.id),
      left,
      right,
      earlier: chests[0] === one ? null : () => shift(one, -1),
      later: chests.at(-1) === one ? null : () => shift(one, 1),
      toFirst: () => shift(one, -Infinity),
      toLast: () => shift(one, Infinity),
      rename: () => setForm(one),
      divider: () => setDividing(one),
      order: () => {
        choose(one.id);
        order();
      },
      remove: () => void remove(one),
    };
  };
  return (
    <div className={styles.chestTabs}>
      <div role="group" aria-label="Chests" ref={tabs}>
        {chests.map((one) => (
          <Fragment key={one.id}>
            {one.dividerBefore != null && <ChestDivider label={one.dividerBefore} />}
            <PlainButton
              className={styles.chestName}
              aria-pressed={one.id === chest?.id}
              onClick={() => choose(one.id)}
              data-chest-name={one.id}
              onKeyDown={(event) => takeKey('chest', event, handlersOf(one))}
              onContextMenu={(event) => openMenu(event, one.name, actsOf('chest', handlersOf(one), CHEST_MENU))}
            >
              {one.name}
              {one.slots !== null && <span className="quiet"> · {one.slots.join(', ')}</span>}
            </PlainButton>
          </Fragment>
        ))}
      </div>
      <PlainButton onClick={() => setForm('new')}>New chest</PlainButton>
      {chest !== null && (
        <Dropdown>
          <Dropdown.Toggle as="button" type="button" className="plain" aria-label={`The chest ${chest.name}`}>
            Chest
          </Dropdown.Toggle>
          <Dropdown.Menu>
            <Dropdown.Item as="button" type="button" onClick={() => setForm(chest)}>
              Name and purpose …
            </Dropdown.Item>
            <Dropdown.Item as="button" type="button" disabled={chests[0] === chest} onClick={() => shift(chest, -1)}>
              To the left
            </Dropdown.Item>
            <Dropdown.Item as="button" type="button" disabled={chests.at(-1) === chest} onClick={() => shift(chest, 1)}>
              To the right
            </Dropdown.Item>
            <Dropdown.Item as="button" type="button" onClick={() => setDividing(chest)}>
              Divider in front of it …
            </Dropdown.Item>
            <Dropdown.Item as="button" type="button" onClick={order}>
              Order of its drawers …
            </Dropdown.Item>
            <Dropdown.Item as="button" type="button" onClick={() => setAgain(chest)}>
              Start again …
            </Dropdown.Item>
            <Dropdown.Item as="button" type="button" onClick={() => setGoneOf(chest)}>
              Take out what no computer has …
            </Dropdown.Item>
            <Dropdown.Divider />
            <FrontsMenu chest={chest.id} />
            <Dropdown.Divider />
            <Dropdown.Item as="button" type="button" onClick={() => void remove(chest)}>
              Delete (its plugins stay in the catalogue)
            </Dropdown.Item>
          </Dropdown.Menu>
        </Dropdown>
      )}
      <span className="grow" />
      {chest !== null && (
        <span className="quiet progress-words">
          {progressWords(chest, isAnswered, filed, toFile)}
          {isAnswered && toFile > 0 && (
            <>
              {' · '}
              <PlainButton linked onClick={workThrough}>
                {toFile} to file <KeyHint place="sort" does="toFile" />
              </PlainButton>
            </>
          )}
        </span>
      )}
      {dividing !== null && (
        <DividerBox
          title={`Divider in front of the chest ${dividing.name}`}
          first={dividing.dividerBefore ?? null}
          close={() => setDividing(null)}
          done={(label) => void changes.make({ kind: 'divide-chests', id: dividing.id, label })}
        />
      )}
      {goneOf !== null && (
        <GoneBox
          state={state}
          catalogue={catalogue}
          chest={goneOf}
          done={(gone) => {
            setGoneOf(null);
            void changes.make(
              ...gone.map(({ drawerId, itemIds }): Intent => ({ kind: 'take-out', drawerId, pluginIds: itemIds })),
            );
          }}
          close={() => setGoneOf(null)}
        />
      )}
      {again !== null && (
        <StartAgainForm
          state={state}
          catalogue={catalogue}
          chest={again}
          done={({ kind: _kind, ...wish }) => {
            setAgain(null);
            const { id, name, selection } = again;
            const slots = again.slots === null ? null : [...again.slots];
            void changes.workOut({ id, name, slots, selection, again: true, ...wish });
          }}
          close={() => setAgain(null)}
        />
      )}
      {form !== null && (
        <ChestForm
          state={state}
          catalogue={catalogue}
          chest={form === 'new' ? null : form}
          done={done}
          close={() => setForm(null)}
        />
      )}
    </div>
  );
}

const SHOW_WORDS: Readonly<Record<FrontShow, string>> = {
  room: 'First entries where there is room',
  always: 'First entries always',
  never: 'Names only',
};
const SIZE_WORDS: Readonly<Record<FrontSize, string>> = {
  small: 'Small fronts',
  medium: 'Medium fronts',
  large: 'Large fronts',
};

/** What the fronts of a chest show, and how large they are. */
function FrontsMenu({ chest }: { chest: ChestId }) {
  const [look, change] = useChestLook(chest);
  return (
    <>
      {FRONT_SHOWS.map((show) => (
        <Dropdown.Item key={show} as="button" type="button" onClick={() => change({ show })}>
          {SHOW_WORDS[show]}
          {look.show === show && ' ✓'}
        </Dropdown.Item>
      ))}
      <Dropdown.Divider />
      {FRONT_SIZES.map((size) => (
        <Dropdown.Item key={size} as="button" type="button" onClick={() => change({ size })}>
          {SIZE_WORDS[size]}
          {look.size === size && ' ✓'}
        </Dropdown.Item>
      ))}
    </>
  );
}

/** How far a chest is filled; a selection is never behind. */
function progressWords(chest: Chest, isAnswered: boolean, filed: number, toFile: number): string {
  if (!isAnswered) return 'counting …';
  if (chest.selection) return `a selection of ${String(filed)}`;
  return toFile === 0 && filed > 0
    ? `all that fits is filed: ${String(filed)}`
    : `${String(filed)} of ${String(filed + toFile)} filed`;
}

const CHEST_MENU = ['open', 'rename', 'divider', 'order', 'earlier', 'later', 'remove'] as const;
