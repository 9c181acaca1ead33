import type { Arrangement } from '../chests/arrangement.js';
import { bankAndName } from '../catalogue/plugin-presets.js';
import { linesIn } from '../chests/file-into.js';
import { partsOfChain } from '../chests/chains.js';
import { isChain, itemParts, type ItemParts } from '../chests/item.js';
import { byOrder, chestsOf, drawersIn, neversIn, trayEntries } from '../chests/look-up.js';
import { ASIDE } from '../chests/rows/aside.js';
import { CHEST } from '../chests/rows/chest.js';
import { DRAWER, type Drawer } from '../chests/rows/drawer.js';
import { KEPT_SEARCH } from '../chests/rows/kept-search.js';
import { NAMING } from '../chests/rows/naming.js';
import { documentedFields } from '../chests/rows/row-kind.js';
import { TRAYS } from '../chests/rows/tray-entry.js';
import type { BuildFacts } from '../facts/build-facts.js';
import type { PluginId } from '../ids.js';
import { namedDrawers } from '../rules/drawer-names.js';
import { ruleAsText } from '../rules/rule.js';
import type {
  ArrangedPlugin,
  ArrangementDocument,
  ChainDocument,
  DrawerDocument,
  ItemReference,
} from './arrangement-document.js';
import { ARRANGEMENT_SCHEMA } from './arrangement-document.js';

/** A plugin of the catalogue, as far as a document needs it. */
export interface Exported {
  readonly id: PluginId;
  readonly name: string;
  readonly vendor: string | null;
  readonly builds: readonly Pick<BuildFacts, 'format' | 'identifier'>[];
}

/** Writes chests, drawers, rules, trays, kept searches and the producer's own words for plugins and presets. Practice sessions and pictures are not part of it. */
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
  const item = ({ pluginId, preset }: ItemParts): ItemReference => ({
    plugin: isChain(pluginId) ? pluginId : note(pluginId),
    preset: preset === null ? null : bankAndName(preset),
  });
  const names = namedDrawers([...state.drawer.values()]);
  const drawer = (one: Drawer): DrawerDocument => ({
    ...documentedFields(DRAWER, one),
    most: one.most ?? null,
    split: one.split ?? null,
    rule: one.rule?.kind === 'written' ? { kind: 'written', text: ruleAsText(one.rule, names) } : one.rule,
    never: neversIn(state, one.id).map(item),
    lines: linesIn(state, one).map((line) =>
      'label' in line ? { divider: line.label } : { ...item(line), name: line.name },
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
    items: trayEntries(state, tray).map(item),
  })).filter((tray) => tray.items.length > 0 || tray.name !== null);
  for (const { id } of state.naming.values()) if (!isChain(id)) note(itemParts(id).pluginId);
  for (const aside of state.aside.values()) if (aside.buildId === null) note(aside.pluginId);
  const presets = namedPresets(state);
  const chains = [...state.chain.values()].map(({ id, name }): ChainDocument => {
    const naming = state.naming.get(id);
    const parts = partsOfChain(state, id).map((part) => ({ ...item(part), bypass: part.bypass }));
    return { id, name, naming: naming === undefined ? null : documentedFields(NAMING, naming), parts };
  });
  return {
    schema: ARRANGEMENT_SCHEMA,
    exportedAt: at.toISOString(),
    computer,
    plugins: [...used].flatMap((id) => arrangedPlugin(state, plugins.get(id), presets)),
    chests,
    trays,
    chains,
    searches: [...state.keptSearch.values()].sort(byOrder).map((one) => documentedFields(KEPT_SEARCH, one)),
  };
}

type NamedPresets = ReadonlyMap<PluginId, ArrangedPlugin['presets']>;

function namedPresets(state: Arrangement): NamedPresets {
  const named = new Map<PluginId, ArrangedPlugin['presets']>();
  for (const naming of state.naming.values()) {
    const { pluginId, preset } = itemParts(naming.id);
    if (preset === null) continue;
    const own = { preset: bankAndName(preset), naming: documentedFields(NAMING, naming) };
    named.set(pluginId, [...(named.get(pluginId) ?? []), own]);
  }
  return named;
}

function arrangedPlugin(state: Arrangement, plugin: Exported | undefined, presets: NamedPresets): ArrangedPlugin[] {
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
      presets: presets.get(id) ?? [],
    },
  ];
}
