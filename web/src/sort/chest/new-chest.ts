import type { Chest, ChestSlot } from '@clever-drawer/core/chests/rows/chest';
import { CHEST_BASES, type ChestBasis, type InnerBasis } from '@clever-drawer/core/chests/chest-groups';
import type { ChestId } from '@clever-drawer/core/ids';

/** How a new chest begins: empty, as a copy, with the starter rules, or worked out from the catalogue. */
export type ChestStart =
  | { readonly kind: 'empty' }
  | { readonly kind: 'copy' | 'structure'; readonly of: ChestId }
  | { readonly kind: 'rules' }
  | WorkedOut;

/** A chest that is worked out from the catalogue, and how. */
export interface WorkedOut {
  readonly kind: 'worked-out';
  readonly by: ChestBasis;
  readonly most: number | null;
  readonly inner: InnerBasis;
  readonly without: ChestId | null;
  /** Whether its drawers fill themselves by rules, now and later. */
  readonly follows: boolean;
}

/** How a chest is worked out, as it is typed first. */
export const FIRST_WORK_OUT: WorkOut = { most: '40', inner: 'letters', without: '', follows: false };

/** Whether a chest begins with the drawers of another one. */
export const isCopy = (beginning: Beginning): beginning is 'copy' | 'structure' =>
  beginning === 'copy' || beginning === 'structure';

/** A chest as it is wished for; without slots it is for all of them. */
export interface NewChest {
  readonly name: string;
  readonly slots: readonly ChestSlot[] | null;
  readonly selection?: boolean;
  readonly start: ChestStart;
}

/** How a chest may begin: in words, and what it is then called. */
export const STARTS: Readonly<
  Record<'empty' | 'copy' | 'structure' | 'rules' | ChestBasis, { readonly label: string; readonly name: string }>
> = {
  empty: { label: 'Empty', name: 'Everyday' },
  copy: { label: 'As a copy of another chest', name: '' },
  structure: { label: 'With the drawers of another chest, empty', name: '' },
  rules: { label: 'Drawers by rules that go on filling themselves', name: 'By rules' },
  type: { label: 'A drawer for each type, types of a family together', name: 'By type' },
  vendor: { label: 'A drawer for each vendor', name: 'By vendor' },
  format: { label: 'A drawer for each format', name: 'By format' },
  'role-and-type': { label: 'A drawer for each role, with inner drawers by type', name: 'By role' },
  folder: { label: 'As the folders on disk that the plugin files stand in', name: 'As on disk' },
};
/** Empty, a copy, by rules, or what it is worked out by. */
export type Beginning = keyof typeof STARTS;
/** In the order in which they are offered. */
export const CHEST_STARTING_POINTS: readonly Beginning[] = ['empty', 'copy', 'structure', 'rules', ...CHEST_BASES];
/** How a chest that is started again is worked out. */
export const BASES: readonly ChestBasis[] = CHEST_BASES;
/** Whether a chest that begins so is worked out. */
export const isBasis = (beginning: Beginning): beginning is ChestBasis =>
  (CHEST_BASES as readonly string[]).includes(beginning);

/** How a chest is to be worked out, as it is typed. */
export interface WorkOut {
  readonly most: string;
  readonly inner: InnerBasis;
  readonly without: string;
  readonly follows: boolean;
}

const FEWEST = 2;
const MOST = 100_000;

/** The wish that stands for what was typed; without a number there is no limit. */
export function workedOut(
  by: ChestBasis,
  { most, inner, without, follows }: WorkOut,
  chests: readonly Chest[],
): WorkedOut {
  const limit = Math.max(FEWEST, Math.min(MOST, Math.round(Number(most)) || FEWEST));
  return {
    kind: 'worked-out',
    by,
    most: most.trim() === '' ? null : limit,
    inner,
    // What follows takes whatever its rules take.
    without: follows ? null : (chests.find((one) => one.id === without)?.id ?? null),
    follows,
  };
}
