import { ASIDE } from './rows/aside.js';
import { ASIDE_HERE } from './rows/aside-here.js';
import { CHAIN } from './rows/chain.js';
import { CHAIN_PART } from './rows/chain-part.js';
import { CHEST } from './rows/chest.js';
import { CHOICE } from './rows/choice.js';
import { DIVIDER } from './rows/divider.js';
import { DRAWER } from './rows/drawer.js';
import { ENTRY } from './rows/entry.js';
import { FACE } from './rows/face.js';
import { FILE_FOLDER } from './rows/file-folder.js';
import { HELD_BUILD } from './rows/held-build.js';
import { KEPT_BUILD } from './rows/kept-build.js';
import { KEPT_SEARCH } from './rows/kept-search.js';
import { LANE } from './rows/lane.js';
import { LOOK } from './rows/look.js';
import { NAMING } from './rows/naming.js';
import { NEVER_IN } from './rows/never-in.js';
import { OWN_ENTRY } from './rows/own-entry.js';
import { PLUGIN_FOLDER } from './rows/plugin-folder.js';
import { PREFERENCE } from './rows/preference.js';
import { PREFERRED_BUILD } from './rows/preferred-build.js';
import type { OldRow, RowKindSpec } from './rows/row-kind.js';
import { SESSION } from './rows/session.js';
import { SLOT } from './rows/slot.js';
import { TRAY_ENTRY } from './rows/tray-entry.js';
import { TRAY_NAME } from './rows/tray-name.js';
import { VENDOR_NOTE } from './rows/vendor-note.js';
import { VENDOR_SPELLING } from './rows/vendor-spelling.js';

/** The kinds of rows that everything the producer arranged is made of, in an order in which each only refers to earlier ones. */
export const ROWS = {
  chest: CHEST,
  drawer: DRAWER,
  entry: ENTRY,
  neverIn: NEVER_IN,
  trayEntry: TRAY_ENTRY,
  session: SESSION,
  lane: LANE,
  slot: SLOT,
  chain: CHAIN,
  chainPart: CHAIN_PART,
  choice: CHOICE,
  heldBuild: HELD_BUILD,
  vendorSpelling: VENDOR_SPELLING,
  preference: PREFERENCE,
  preferredBuild: PREFERRED_BUILD,
  divider: DIVIDER,
  trayName: TRAY_NAME,
  naming: NAMING,
  aside: ASIDE,
  keptSearch: KEPT_SEARCH,
  face: FACE,
  look: LOOK,
  pluginFolder: PLUGIN_FOLDER,
  ownEntry: OWN_ENTRY,
  keptBuild: KEPT_BUILD,
  vendorNote: VENDOR_NOTE,
  asideHere: ASIDE_HERE,
  fileFolder: FILE_FOLDER,
} as const;

/** The name of a kind of row. */
export type RowKind = keyof typeof ROWS;
/** What a row of each kind is. */
export type Rows = {
  [Kind in RowKind]: (typeof ROWS)[Kind] extends RowKindSpec<infer Row, infer _Documented> ? Row : never;
};
/** The names of all kinds, in the order of ROWS. */
export const ROW_KINDS = Object.keys(ROWS) as readonly RowKind[];

/** All that is to be known of a kind, for code that treats all kinds alike. */
export const specOf = (kind: RowKind): RowKindSpec<OldRow> => ROWS[kind];

/** The kinds whose rows belong to a computer and not to the studio. */
export const COMPUTER_KINDS: readonly RowKind[] = ROW_KINDS.filter((kind) => specOf(kind).scope === 'computer');

/** Everything that the producer arranged, as one computer has it: the studio's rows and its own, by kind and id. Treated as immutable. */
export type Arrangement = { readonly [Kind in RowKind]: ReadonlyMap<string, Rows[Kind]> };

/** An arrangement of the rows of each kind. */
export const arrangementOf = (rowsOf: <Kind extends RowKind>(kind: Kind) => readonly Rows[Kind][]): Arrangement =>
  Object.fromEntries(
    ROW_KINDS.map((kind) => [kind, new Map(rowsOf(kind).map((row) => [row.id, row]))]),
  ) as unknown as Arrangement;

/** The arrangement before anything is arranged. */
export const emptyArrangement = (): Arrangement => arrangementOf(() => []);
