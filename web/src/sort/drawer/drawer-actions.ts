import { toast } from 'sonner';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import type { Drawer } from '@clever-drawer/core/chests/rows/drawer';
import { contentsOf } from '@clever-drawer/core/chests/drawer-contents';
import { COMPARE_BY, type DrawerSort } from '@clever-drawer/core/chests/drawer-sort';
import type { DrawerSplit } from '@clever-drawer/core/chests/drawer-split';
import { linesIn } from '@clever-drawer/core/chests/file-into';
import type { Ruled } from '@clever-drawer/core/chests/ruled';
import { drawersLookingAt } from '@clever-drawer/core/chests/rule-sources';
import type { Intent } from '@clever-drawer/core/chests/intent';
import { itemId } from '@clever-drawer/core/chests/item';
import { drawerAndInner, drawersIn, entriesIn } from '@clever-drawer/core/chests/look-up';
import type { ItemId } from '@clever-drawer/core/ids';
import type { ChosenCatalogue } from '../../catalogue/chosen-catalogue';
import type { Changes } from '../../arrangement/changes';
import { focusWhenThere } from '../../lib/focus';
import { dividersIn, pluginsIn, type LineActions } from '../../parts/line';

/** A box that a drawer's action opens. */
export type DrawerAsk =
  | { readonly kind: 'edit' | 'rule' | 'move' | 'copy' | 'inner' | 'delete'; readonly drawer: Drawer }
  | { readonly kind: 'examples'; readonly drawer: Drawer; readonly pluginIds: readonly ItemId[] }
  | { readonly kind: 'move-lines'; readonly drawer: Drawer; readonly pluginIds: readonly ItemId[] }
  | { readonly kind: 'divider'; readonly drawer: Drawer; readonly before: string | null }
  | { readonly kind: 'label'; readonly dividerId: string; readonly label: string }
  | { readonly kind: 'own-name'; readonly drawer: Drawer; readonly pluginId: ItemId; readonly name: string };

/** What can be done with a drawer from its front. */
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
}

/** What can be done with drawers, as changes and boxes. */
export function drawerActions({ state, catalogue, ruled, changes, open, setOpen, ask, list }: Needs): DrawerActions {
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
    putInside: (drawer) => ask({ kind: 'move', drawer }),
    copy: (drawer) => ask({ kind: 'copy', drawer }),
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
      const siblings = drawersIn(state, drawer.chestId, drawer.parentId);
      const rest = siblings.filter((one) => one.id !== drawer.id);
      const at = siblings.findIndex((one) => one.id === drawer.id);
      const place = Math.max(0, Math.min(at + by, rest.length));
      if (place === at) return;
      const { id, chestId, parentId } = drawer;
      void changes.make({ kind: 'move-drawer', id, chestId, parentId, before: rest[place]?.id ?? null });
    },
    remove: (drawer) => {
      const gone = new Set(drawerAndInner(state, drawer.id).map((one) => one.id));
      // Told before: a rule that looks at a drawer that is gone finds nothing there.
      if (drawersLookingAt(state, gone).length > 0) ask({ kind: 'delete', drawer });
      else deleteDrawer(state, changes, drawer);
    },
  };
}

const toggled = (open: readonly string[], id: string): readonly string[] =>
  open.includes(id) ? open.filter((one) => one !== id) : [...open, id];

/** Deletes a drawer, and tells what that does not touch. */
export function deleteDrawer(state: Arrangement, changes: Changes, drawer: Drawer): void {
  const inner = drawerAndInner(state, drawer.id).length - 1;
  if (drawer.parentId !== null) focusFront(drawer.parentId);
  void changes.makeWithNotice(
    `${drawer.name} is deleted${inner === 0 ? '' : ` with ${String(inner)} inner ${inner === 1 ? 'drawer' : 'drawers'}`}. Its plugins stay in the catalogue and in every other drawer.`,
    { kind: 'delete-drawer', id: drawer.id },
  );
}

/** The ids of a drawer's lines, sorted between its dividers. Entries of plugins that the catalogue lacks keep their places at the end of their part. */
function sortedLines(
  state: Arrangement,
  catalogue: ChosenCatalogue,
  ruled: Ruled,
  drawer: Drawer,
  by: keyof typeof COMPARE_BY,
): string[] {
  const names = new Map(
    contentsOf(state, catalogue.byId, drawer, ruled).plugins.map((content) => [content.entry?.id ?? '', content]),
  );
  const compare = COMPARE_BY[by];
  const sections: string[][] = [[]];
  for (const line of linesIn(state, drawer)) {
    if ('label' in line) sections.push([line.id]);
    else sections.at(-1)?.push(line.id);
  }
  return sections.flatMap((section) => {
    const [head, ...rest] = section;
    const isDivided = head !== undefined && state.divider.has(head);
    const ids = isDivided ? rest : section;
    const known = ids.flatMap((id) => names.get(id) ?? []);
    known.sort((a, b) => compare({ ...a.plugin, name: a.name }, { ...b.plugin, name: b.name }));
    const sorted = [...known.map((one) => one.entry?.id ?? ''), ...ids.filter((id) => !names.has(id))];
    return isDivided ? [head, ...sorted] : sorted;
  });
}

/** What can be done with the lines of a drawer. */
export function lineActionsOf(
  drawer: Drawer,
  { changes, ask }: Pick<Needs, 'changes' | 'ask'>,
  around: Pick<LineActions, 'about' | 'selected' | 'more'>,
): LineActions {
  return {
    ...around,
    place: (lines, before) => {
      if (drawer.sort !== null) {
        toast.warning(`${drawer.name} is kept sorted. Choose “Sort by hand” under Order to move things yourself.`);
        return;
      }
      void changes.make({
        kind: 'place',
        drawerId: drawer.id,
        pluginIds: pluginsIn(lines),
        dividerIds: dividersIn(lines),
        before: before !== null && before.startsWith('rule ') ? null : before,
      });
    },
    remove: (lines) => {
      const pluginIds = pluginsIn(lines);
      const intents = dividersIn(lines).map((id): Intent => ({ kind: 'remove-divider', id }));
      if (pluginIds.length > 0) intents.push({ kind: 'take-out', drawerId: drawer.id, pluginIds });
      if (intents.length > 0) void changes.make(...intents);
    },
    ...(drawer.rule === null
      ? {}
      : {
          always: (lines) => {
            const pluginIds = pluginsIn(lines);
            if (pluginIds.length > 0) void changes.make({ kind: 'file', drawerIds: [drawer.id], pluginIds });
          },
          never: (lines) => {
            const pluginIds = pluginsIn(lines);
            if (pluginIds.length > 0) void changes.make({ kind: 'never-in', drawerId: drawer.id, pluginIds });
          },
        }),
    moveTo: (lines) => {
      const pluginIds = pluginsIn(lines);
      if (pluginIds.length > 0) ask({ kind: 'move-lines', drawer, pluginIds });
    },
    rename: (line) =>
      'divider' in line
        ? ask({ kind: 'label', dividerId: line.id, label: line.divider })
        : ask({ kind: 'own-name', drawer, pluginId: line.plugin.id, name: line.name }),
    addDivider: (before) => ask({ kind: 'divider', drawer, before: before?.startsWith('rule ') ? null : before }),
  };
}

/** Puts the keyboard on the front of a drawer or tray ("tray 1"), as soon as it is drawn. */
export function focusFront(id: string): void {
  const [, tray] = /^tray (\d)$/.exec(id) ?? [];
  const named = CSS.escape(id);
  const home =
    tray === undefined ? `:is([data-drawer="${named}"], [data-split-part="${named}"])` : `[data-tray="${tray}"]`;
  focusWhenThere(`${home} > [data-front]`);
}
