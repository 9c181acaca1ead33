import { useMemo } from 'react';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import type { Chest } from '@clever-drawer/core/chests/rows/chest';
import type { Drawer } from '@clever-drawer/core/chests/rows/drawer';
import { isLoose, LOOSE_NAME } from '@clever-drawer/core/chests/loose';
import { chestsOf, drawersOfChest, pathTo } from '@clever-drawer/core/chests/look-up';
import { asId, type ChestId, type DrawerId } from '@clever-drawer/core/ids';
import { compareNames } from '@clever-drawer/core/text/words';
import { PickBox } from '../parts/pick-box';
import type { Pickable } from '../parts/pick-list';

/** A place for a drawer: in another one, or in a chest itself. */
export interface Spot {
  readonly chestId: ChestId;
  readonly parentId: DrawerId | null;
}

/** The words of the way to a drawer: "Space › Springs". */
export const pathInWords = (state: Arrangement, id: DrawerId): string =>
  pathTo(state, id)
    .map((one) => one.name)
    .join(' › ');

const LOOSE = 'loose';

/** Finds drawers of a chest by typing, one or several, or the chest itself, and makes a new one on the spot. */
export function DrawerBox({
  title,
  state,
  chest,
  done,
  loose,
  make,
  close,
}: {
  title: string;
  state: Arrangement;
  chest: ChestId;
  done: (drawers: readonly Drawer[]) => void;
  /** Files into the chest without a drawer. */
  loose: () => void;
  make: (name: string) => void;
  close: () => void;
}) {
  const choices = useMemo(
    () => [
      ...drawersOfChest(state, chest)
        .filter((drawer) => !isLoose(drawer))
        .map((drawer): Pickable => ({ key: drawer.id, label: pathInWords(state, drawer.id), finds: drawer.name }))
        .sort((a, b) => compareNames(a.label, b.label)),
      { key: LOOSE, label: LOOSE_NAME, finds: LOOSE_NAME, note: `in ${state.chest.get(chest)?.name ?? ''} itself` },
    ],
    [state, chest],
  );
  return (
    <PickBox
      title={title}
      what="drawer"
      choices={choices}
      several
      done={(keys) => {
        const drawers = keys.map((key) => state.drawer.get(key)).filter((drawer) => drawer !== undefined);
        if (keys.includes(LOOSE)) loose();
        if (drawers.length > 0 || keys.length === 0) done(drawers);
      }}
      make={make}
      close={close}
    />
  );
}

const CHEST = 'chest ';

/** The chests, the one at hand first. */
const chestsFrom = (state: Arrangement, first: ChestId): Chest[] =>
  [...chestsOf(state)].sort((a, b) => Number(b.id === first) - Number(a.id === first));

/** Finds a place for a drawer, in any chest. `without`: drawers that it can't go into. */
export function SpotBox({
  title,
  state,
  first,
  without,
  done,
  close,
}: {
  title: string;
  state: Arrangement;
  /** The chest whose places come first. */
  first: ChestId;
  without: ReadonlySet<string>;
  done: (spot: Spot) => void;
  close: () => void;
}) {
  const choices = useMemo(() => {
    const many = state.chest.size > 1;
    return chestsFrom(state, first).flatMap((chest): Pickable[] => [
      { key: CHEST + chest.id, label: `The chest ${chest.name} itself, in no drawer`, finds: chest.name },
      ...drawersOfChest(state, chest.id)
        .filter((drawer) => !without.has(drawer.id) && !isLoose(drawer))
        .map((drawer): Pickable => {
          const label = pathInWords(state, drawer.id);
          return { key: drawer.id, label: many ? `${chest.name} › ${label}` : label, finds: drawer.name };
        }),
    ]);
  }, [state, first, without]);
  return (
    <PickBox
      title={title}
      what="drawer"
      choices={choices}
      several={false}
      done={([key = '']) => {
        const drawer = state.drawer.get(key);
        done(
          drawer === undefined
            ? { chestId: asId<ChestId>(key.slice(CHEST.length)), parentId: null }
            : { chestId: drawer.chestId, parentId: drawer.id },
        );
      }}
      close={close}
    />
  );
}

/** Finds a drawer of any chest by typing; those of the chest at hand come first. */
export function ToDrawerBox({
  title = 'Go to a drawer',
  without,
  state,
  chest,
  done,
  close,
}: {
  title?: string;
  /** A drawer that is not meant. */
  without?: DrawerId;
  state: Arrangement;
  chest: ChestId;
  done: (drawer: DrawerId) => void;
  close: () => void;
}) {
  const choices = useMemo(
    () => drawersToGoTo(state, chest).filter((one) => one.key !== without),
    [state, chest, without],
  );
  return (
    <PickBox
      title={title}
      what="drawer"
      choices={choices}
      several={false}
      done={([key = '']) => done(asId<DrawerId>(key))}
      close={close}
    />
  );
}

/** All drawers, by chests; `first` is the chest whose drawers come first. */
function drawersToGoTo(state: Arrangement, first: ChestId): Pickable[] {
  return chestsFrom(state, first).flatMap((chest) =>
    drawersOfChest(state, chest.id).map((drawer): Pickable => ({
      key: drawer.id,
      label: pathInWords(state, drawer.id),
      finds: drawer.name,
      ...(chest.id === first ? {} : { note: chest.name }),
    })),
  );
}
