/** How a rule speaks of drawers and trays: kept by id and number, written by name. */
export interface DrawerNameResolver {
  /** The names of all drawers that can be named. */
  readonly all: readonly string[];
  /** The drawer of a name; null when none is called so. */
  readonly find: (name: string) => string | null;
  /** What a drawer is called; null when it is gone. */
  readonly nameOf: (id: string) => string | null;
  /** The number of the tray of a name; null when none is called so. */
  readonly trayOf: (name: string) => number | null;
}

const KEPT = '#';

/** For rules as they are kept: a drawer stands there with its id, so that it may be renamed. */
export const KEPT_DRAWERS: DrawerNameResolver = {
  all: [],
  find: (name) => (name.startsWith(KEPT) ? name.slice(KEPT.length) : null),
  nameOf: (id) => KEPT + id,
  trayOf: () => null,
};

/** For rules of elsewhere: whatever a drawer is called there, it may be here. */
export const ANY_DRAWERS: DrawerNameResolver = {
  all: [],
  find: (name) => name,
  nameOf: (id) => id,
  trayOf: () => null,
};

/** Drawers under their names, without regard to case and kinds of blanks; of several that are called alike the first. */
export function namedDrawers(
  drawers: readonly { readonly id: string; readonly name: string }[],
  trays: readonly { readonly tray: number; readonly name: string }[] = [],
): DrawerNameResolver {
  const trayByName = new Map([...trays].reverse().map(({ tray, name }) => [plain(name), tray]));
  const byId = new Map(drawers.map(({ id, name }) => [id, name]));
  const byName = new Map([...drawers].reverse().map(({ id, name }) => [plain(name), id]));
  return {
    all: [...new Set(drawers.map(({ name }) => name))],
    find: (name) => byName.get(plain(name)) ?? (byId.has(name.slice(KEPT.length)) ? name.slice(KEPT.length) : null),
    nameOf: (id) => {
      const name = byId.get(id);
      // Two of one name: the second is written by its id, so that what is read back is the same.
      return name === undefined ? null : byName.get(plain(name)) === id ? name : KEPT + id;
    },
    trayOf: (name) => trayByName.get(plain(name.trim())) ?? null,
  };
}

// A rule is read with blanks of every kind as plain ones.
const plain = (name: string): string => name.toLowerCase().replace(/\s/g, ' ');

const SHOWN = 60;
/** A name as a message shows it. */
export const trimmedDrawer = (name: string): string => (name.length > SHOWN ? `${name.slice(0, SHOWN)}…` : name);
