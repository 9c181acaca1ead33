import { toast } from 'sonner';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { contentsOf } from '@clever-drawer/core/chests/drawer-contents';
import { COMPARE_BY } from '@clever-drawer/core/chests/drawer-sort';
import { linesIn } from '@clever-drawer/core/chests/file-into';
import type { Intent } from '@clever-drawer/core/chests/intent';
import type { Drawer } from '@clever-drawer/core/chests/rows/drawer';
import type { Ruled } from '@clever-drawer/core/chests/ruled';
import type { Changes } from '../../arrangement/changes';
import type { ChosenCatalogue } from '../../catalogue/chosen-catalogue';
import { dividersIn, pluginsIn, type LineActions } from '../../parts/line';
import type { DrawerAsk } from './drawer-ask';

/** The ids of a drawer's lines, sorted between its dividers. Entries of plugins that the catalogue lacks keep their places at the end of their part. */
export function sortedLines(
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
  { changes, ask }: { readonly changes: Changes; readonly ask: (box: DrawerAsk) => void },
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
    bind: (line) => {
      if (!('plugin' in line) || line.why !== null || line.plugin.chain !== undefined || line.plugin.preset !== null)
        return false;
      ask({ kind: 'bind', drawer, pluginId: line.plugin.id });
      return true;
    },
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
