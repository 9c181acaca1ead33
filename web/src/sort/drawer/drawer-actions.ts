import { toast } from 'sonner';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import type { Drawer } from '@clever-drawer/core/chests/rows/drawer';
import { contentsOf } from '@clever-drawer/core/chests/drawer-contents';
import type { DrawerSort } from '@clever-drawer/core/chests/drawer-sort';
import type { DrawerSplit } from '@clever-drawer/core/chests/drawer-split';
import type { Ruled } from '@clever-drawer/core/chests/ruled';
import { drawersLookingAt } from '@clever-drawer/core/chests/rule-sources';
import type { Intent } from '@clever-drawer/core/chests/intent';
import { itemId } from '@clever-drawer/core/chests/item';
import { levelSort } from '@clever-drawer/core/chests/level';
import { LEVEL_SORT_LABELS } from '@clever-drawer/core/chests/level-sort';
import { drawerAndInner, drawersIn, entriesIn, pathTo } from '@clever-drawer/core/chests/look-up';
import type { ChosenCatalogue } from '../../catalogue/chosen-catalogue';
import type { Changes } from '../../arrangement/changes';
import { counted } from '../../lib/counted';
import { focusWhenThere } from '../../lib/focus';
import type { DrawerAsk } from './drawer-ask';
import { sortedLines } from './line-actions';

/** How what is selected of the drawers changes: one is added or taken off, all up to one are added, the next one in a direction is, or none are left. */
export type Selecting = 'add' | 'stretch' | 'left' | 'right' | 'none';

/** What can be done with a drawer from its front; what is done to one of several that are selected is done to all of them. */
export interface DrawerActions {
  readonly toggle: (drawer: Drawer) => void;
  readonly edit: (drawer: Drawer) => void;
  /** Opens it with the keyboard in its rule; a drawer without one gets it in the box for name and rule. */
  readonly rule: (drawer: Drawer) => void;
  readonly remove: (drawer: Drawer) => void;
  /** Proposes rules for what it holds by hand. */
  readonly propose: (drawer: Drawer) => void;
  /** Takes its rule off and keeps by hand what it holds now. */
  readonly freeze: (drawer: Drawer) => void;
  readonly putInside: (drawer: Drawer) => void;
  readonly copy: (drawer: Drawer) => void;
  readonly addInner: (drawer: Drawer) => void;
  readonly addDivider: (drawer: Drawer, before: string | null) => void;
  readonly sort: (drawer: Drawer, by: DrawerSort, isStanding: boolean) => void;
  readonly unsort: (drawer: Drawer) => void;
  /** Splits it into inner drawers that follow by themselves; null shows it undivided. */
  readonly split: (drawer: Drawer, by: DrawerSplit | null) => void;
  /** Opens or closes one of those, by the id that the view has for it. */
  readonly togglePart: (id: string) => void;
  /** Narrows the list to what stands in it. */
  readonly list: (drawer: Drawer) => void;
  readonly addFrontDivider: (drawer: Drawer) => void;
  readonly sign: (drawer: Drawer) => void;
  /** Leaves it out of menus, or shows it there again. */
  readonly menus: (drawer: Drawer) => void;
  /** Sorts the drawers of its level. */
  readonly order: (drawer: Drawer) => void;
  /** Merges the other selected drawers into it; false where no others are. */
  readonly merge: (drawer: Drawer) => boolean;
  /** Changes what is selected; see Selecting. */
  readonly select: (drawer: Drawer, how: Selecting) => boolean;
  /** Among its neighbours: -1 is towards the beginning, the infinities are the ends. */
  readonly shift: (drawer: Drawer, by: number) => void;
}

interface Needs {
  readonly state: Arrangement;
  readonly catalogue: ChosenCatalogue;
  readonly ruled: Ruled;
  readonly changes: Changes;
  readonly open: readonly string[];
  readonly setOpen: (open: readonly string[]) => void;
  readonly ask: (box: DrawerAsk) => void;
  readonly list: (drawer: Drawer) => void;
  /** The drawers that are selected, in the order in which they are shown. */
  readonly selected: readonly Drawer[];
  readonly select: DrawerActions['select'];
}

/** What can be done with drawers, as changes and boxes. */
export function drawerActions(needs: Needs): DrawerActions {
  const { state, catalogue, ruled, changes, open, setOpen, ask, list, selected, select } = needs;
  const together = (drawer: Drawer): readonly Drawer[] => actedOn(state, selected, drawer);
  return {
    toggle: (drawer) => setOpen(toggled(open, drawer.id)),
    edit: (drawer) => ask({ kind: 'edit', drawer }),
    rule: (drawer) => {
      if (drawer.rule === null) {
        ask({ kind: 'rule', drawer });
        return;
      }
      if (!open.includes(drawer.id)) setOpen([...open, drawer.id]);
      focusWhenThere(`[data-drawer="${CSS.escape(drawer.id)}"] [data-rule-text]`);
    },
    propose: (drawer) =>
      ask({ kind: 'examples', drawer, pluginIds: entriesIn(state, drawer.id).map((row) => itemId(row)) }),
    freeze: (drawer) => {
      const held = contentsOf(state, catalogue.byId, drawer, ruled).plugins;
      const pluginIds = held.flatMap(({ plugin, by }) => (by === 'rule' ? [plugin.id] : []));
      const off: Intent = { kind: 'set-rule', id: drawer.id, rule: null };
      void changes.make(
        ...(pluginIds.length === 0 ? [] : [{ kind: 'file', drawerIds: [drawer.id], pluginIds } as const]),
        off,
      );
    },
    putInside: (drawer) => ask({ kind: 'move', drawers: together(drawer) }),
    copy: (drawer) => ask({ kind: 'copy', drawers: together(drawer) }),
    addFrontDivider: (drawer) => ask({ kind: 'front-divider', drawer }),
    sign: (drawer) => ask({ kind: 'sign', drawers: together(drawer) }),
    menus: (drawer) => {
      const shown = drawer.notInMenus;
      const changed = together(drawer).filter((one) => one.notInMenus === shown);
      void changes.make(...changed.map(({ id }): Intent => ({ kind: 'show-in-menus', id, shown })));
    },
    order: ({ parentId }) =>
      ask({ kind: 'order', parent: parentId === null ? null : (state.drawer.get(parentId) ?? null) }),
    merge: (drawer) => {
      const ids = together(drawer).flatMap(({ id }) => (id === drawer.id ? [] : [id]));
      if (ids.length === 0) return false;
      focusFront(drawer.id);
      void changes.make({ kind: 'merge-drawers', intoId: drawer.id, ids });
      return true;
    },
    select,
    addInner: (drawer) => ask({ kind: 'inner', drawer }),
    addDivider: (drawer, before) => ask({ kind: 'divider', drawer, before }),
    list,
    sort: (drawer, by, isStanding) => {
      if (isStanding) void changes.make({ kind: 'set-sort', id: drawer.id, sort: by });
      else {
        const ids = sortedLines(state, catalogue, ruled, drawer, by);
        void changes.make({ kind: 'arrange', drawerId: drawer.id, ids, by });
      }
    },
    split: (drawer, by) => void changes.make({ kind: 'set-split', id: drawer.id, split: by }),
    togglePart: (id) => setOpen(toggled(open, id)),
    unsort: (drawer) => void changes.make({ kind: 'set-sort', id: drawer.id, sort: null }),
    shift: (drawer, by) => {
      const { chestId, parentId } = drawer;
      const sort = levelSort(state, chestId, parentId);
      if (sort !== null) {
        toast.warning(
          `These drawers are kept sorted: ${LEVEL_SORT_LABELS[sort]}. Choose “by hand” under Order to move them yourself.`,
        );
        return;
      }
      const siblings = drawersIn(state, chestId, parentId);
      const moving = together(drawer).filter((one) => one.chestId === chestId && one.parentId === parentId);
      const rest = siblings.filter((one) => !moving.includes(one));
      const at = siblings.findIndex((one) => moving.includes(one));
      const place = Math.max(0, Math.min(at + by, rest.length));
      // Several that stand apart come together where the first of them is.
      const stood = moving.every((one, index) => siblings[at + index] === one);
      if (place === at && stood) return;
      const before = rest[place]?.id ?? null;
      void changes.make(...moving.map(({ id }): Intent => ({ kind: 'move-drawer', id, chestId, parentId, before })));
    },
    remove: (drawer) => {
      const drawers = together(drawer);
      const gone = new Set(drawers.flatMap((one) => drawerAndInner(state, one.id).map(({ id }) => id)));
      // Told before: a rule that looks at a drawer that is gone finds nothing there.
      if (drawersLookingAt(state, gone).length > 0) ask({ kind: 'delete', drawers });
      else deleteDrawers(state, changes, drawers);
    },
  };
}

const toggled = (open: readonly string[], id: string): readonly string[] =>
  open.includes(id) ? open.filter((one) => one !== id) : [...open, id];

/** What is done to a drawer is done to all that are selected with it; one inside another goes along with that. */
function actedOn(state: Arrangement, selected: readonly Drawer[], drawer: Drawer): readonly Drawer[] {
  if (!selected.includes(drawer)) return [drawer];
  const ids = new Set<string>(selected.map((one) => one.id));
  return selected.filter((one) => pathTo(state, one.id).every((around) => around === one || !ids.has(around.id)));
}

/** Deletes drawers in one step, and tells what that does not touch. */
export function deleteDrawers(state: Arrangement, changes: Changes, drawers: readonly Drawer[]): void {
  const [first] = drawers;
  if (first === undefined) return;
  const inner = drawers.reduce((sum, one) => sum + drawerAndInner(state, one.id).length - 1, 0);
  if (first.parentId !== null) focusFront(first.parentId);
  const what = drawers.length === 1 ? `${first.name} is` : `${String(drawers.length)} drawers are`;
  const whose = drawers.length === 1 ? 'Its' : 'Their';
  void changes.makeWithNotice(
    `${what} deleted${inner === 0 ? '' : ` with ${counted(inner, 'inner drawer')}`}. ${whose} plugins stay in the catalogue and in every other drawer.`,
    ...drawers.map(({ id }): Intent => ({ kind: 'delete-drawer', id })),
  );
}

/** The front of a drawer or tray ("tray 1") on the page. */
export function frontSelector(id: string): string {
  const [, tray] = /^tray (\d)$/.exec(id) ?? [];
  const named = CSS.escape(id);
  const home =
    tray === undefined ? `:is([data-drawer="${named}"], [data-split-part="${named}"])` : `[data-tray="${tray}"]`;
  return `${home} > [data-front]`;
}

/** Puts the keyboard on the front of a drawer or tray, as soon as it is drawn. */
export const focusFront = (id: string): void => focusWhenThere(frontSelector(id));
