import type { Arrangement } from '../chests/arrangement.js';
import { linesIn } from '../chests/file-into.js';
import { byOrder, chestsOf, drawersIn, trayEntries } from '../chests/look-up.js';
import { ASIDE } from '../chests/rows/aside.js';
import { CHEST } from '../chests/rows/chest.js';
import { DRAWER, type Drawer } from '../chests/rows/drawer.js';
import { KEPT_SEARCH } from '../chests/rows/kept-search.js';
import { NAMING } from '../chests/rows/naming.js';
import { documentedFields } from '../chests/rows/row-kind.js';
import { TRAYS } from '../chests/rows/tray-entry.js';
import type { BuildFacts } from '../facts/build-facts.js';
import type { PluginId } from '../ids.js';
import { asId } from '../ids.js';
import type { ArrangedPlugin, ArrangementDocument, DrawerDocument } from './arrangement-document.js';
import { ARRANGEMENT_SCHEMA } from './arrangement-document.js';

/** A plugin of the catalogue, as far as a document needs it. */
export interface Exported {
  readonly id: PluginId;
  readonly name: string;
  readonly vendor: string | null;
  readonly builds: readonly Pick<BuildFacts, 'format' | 'identifier'>[];
}

/** Writes chests, drawers, rules, trays, kept searches and the producer's own words. Practice sessions and pictures are not part of it. */
export function exportArrangement(
  state: Arrangement,
  plugins: ReadonlyMap<PluginId, Exported>,
  computer: string,
  at: Date,
): ArrangementDocument {
  const used = new Set<PluginId>();
  const note = (id: PluginId): PluginId => {
    used.add(id);
    return id;
  };
  const drawer = (one: Drawer): DrawerDocument => ({
    ...documentedFields(DRAWER, one),
    lines: linesIn(state, one).map((line) =>
      'label' in line ? { divider: line.label } : { plugin: note(line.pluginId), name: line.name },
    ),
    drawers: drawersIn(state, one.chestId, one.id).map(drawer),
  });
  const chests = chestsOf(state).map((chest) => ({
    ...documentedFields(CHEST, chest),
    drawers: drawersIn(state, chest.id, null).map(drawer),
  }));
  const trays = TRAYS.map((tray) => ({
    tray,
    name: state.trayName.get(String(tray))?.name ?? null,
    plugins: trayEntries(state, tray).map((entry) => note(entry.pluginId)),
  })).filter((tray) => tray.plugins.length > 0 || tray.name !== null);
  for (const id of state.naming.keys()) note(asId<PluginId>(id));
  for (const aside of state.aside.values()) if (aside.buildId === null) note(aside.pluginId);
  return {
    schema: ARRANGEMENT_SCHEMA,
    exportedAt: at.toISOString(),
    computer,
    plugins: [...used].flatMap((id) => arrangedPlugin(state, plugins.get(id))),
    chests,
    trays,
    searches: [...state.keptSearch.values()].sort(byOrder).map((one) => documentedFields(KEPT_SEARCH, one)),
  };
}

function arrangedPlugin(state: Arrangement, plugin: Exported | undefined): ArrangedPlugin[] {
  if (plugin === undefined) return [];
  const { id, name, vendor, builds } = plugin;
  const [naming, aside] = [state.naming.get(id), state.aside.get(id)];
  return [
    {
      id,
      name,
      vendor,
      builds: builds.map(({ format, identifier }) => ({ format, identifier })),
      naming: naming === undefined ? null : documentedFields(NAMING, naming),
      aside: aside === undefined ? null : documentedFields(ASIDE, aside),
    },
  ];
}
