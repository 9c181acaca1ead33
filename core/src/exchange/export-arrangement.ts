import type { Arrangement } from '../chests/arrangement.js';
import { bankAndName } from '../catalogue/plugin-presets.js';
import { linesIn } from '../chests/file-into.js';
import { partsOfChain } from '../chests/chains.js';
import { isChain, itemParts, type ItemParts } from '../chests/item.js';
import { byOrder, chestsOf, drawersIn, neversIn, trayEntries } from '../chests/look-up.js';
import { isOwnEntry } from '../chests/own-entries.js';
import { ASIDE } from '../chests/rows/aside.js';
import { CHEST } from '../chests/rows/chest.js';
import { DRAWER, type Drawer } from '../chests/rows/drawer.js';
import { KEPT_SEARCH } from '../chests/rows/kept-search.js';
import { NAMING } from '../chests/rows/naming.js';
import { OWN_ENTRY } from '../chests/rows/own-entry.js';
import { documentedFields } from '../chests/rows/row-kind.js';
import { TRAYS } from '../chests/rows/tray-entry.js';
import type { BuildFacts } from '../facts/build-facts.js';
import type { PluginId } from '../ids.js';
import { appendToGroup } from '../lists-by-key.js';
import { namedDrawers } from '../rules/drawer-names.js';
import { ruleAsText } from '../rules/rule.js';
import { runToCompletion, eachStepwise, type Stepwise } from '../stepwise.js';
import type {
  ArrangedPlugin,
  ArrangementDocument,
  ChainDocument,
  DrawerDocument,
  ItemReference,
  LineDocument,
  OwnEntryDocument,
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
export const exportArrangement = (...args: Parameters<typeof exportStepwise>): ArrangementDocument =>
  runToCompletion(exportStepwise(...args));

/** The same step by step. */
export function* exportStepwise(
  state: Arrangement,
  plugins: ReadonlyMap<PluginId, Exported>,
  computer: string,
  at: Date,
): Stepwise<ArrangementDocument> {
  const used = new Set<PluginId>();
  const note = (id: PluginId): PluginId => {
    used.add(id);
    return id;
  };
  const item = ({ pluginId, preset }: ItemParts): ItemReference => ({
    plugin: isChain(pluginId) || isOwnEntry(pluginId) ? pluginId : note(pluginId),
    preset: preset === null ? null : bankAndName(preset),
  });
  const names = namedDrawers([...state.drawer.values()]);
  function* drawersOf(list: readonly Drawer[]): Stepwise<DrawerDocument[]> {
    const written: DrawerDocument[] = [];
    for (const one of list) {
      const lines: LineDocument[] = [];
      yield* eachStepwise(linesIn(state, one), (line) =>
        lines.push('label' in line ? { divider: line.label } : { ...item(line), name: line.name, build: line.build }),
      );
      written.push({
        ...documentedFields(DRAWER, one),
        most: one.most ?? null,
        split: one.split ?? null,
        sign: one.sign ?? null,
        innerSort: one.innerSort ?? null,
        dividerBefore: one.dividerBefore ?? null,
        loose: one.loose ?? false,
        rule: one.rule?.kind === 'written' ? { kind: 'written', text: ruleAsText(one.rule, names) } : one.rule,
        never: neversIn(state, one.id).map(item),
        lines,
        drawers: yield* drawersOf(drawersIn(state, one.chestId, one.id)),
      });
      yield;
    }
    return written;
  }
  const chests: ArrangementDocument['chests'][number][] = [];
  for (const chest of chestsOf(state))
    chests.push({
      ...documentedFields(CHEST, chest),
      drawerSort: chest.drawerSort ?? null,
      dividerBefore: chest.dividerBefore ?? null,
      drawers: yield* drawersOf(drawersIn(state, chest.id, null)),
    });
  const trays = TRAYS.map((tray) => {
    const { name, sign, notInMenus } = state.trayName.get(String(tray)) ?? UNNAMED;
    return { tray, name, sign, notInMenus, items: trayEntries(state, tray).map(item) };
  }).filter((tray) => tray.items.length > 0 || state.trayName.has(String(tray.tray)));
  for (const { id } of state.naming.values()) if (!isChain(id) && !isOwnEntry(id)) note(itemParts(id).pluginId);
  for (const { buildId, pluginId } of state.aside.values())
    if (buildId === null && !isOwnEntry(pluginId)) note(pluginId);
  const presets = namedPresets(state);
  const chains = [...state.chain.values()].map(({ id, name }): ChainDocument => {
    const naming = state.naming.get(id);
    const parts = partsOfChain(state, id).map((part) => ({ ...item(part), bypass: part.bypass }));
    return { id, name, naming: naming === undefined ? null : documentedFields(NAMING, naming), parts };
  });
  const ownEntries = [...state.ownEntry.values()].map((row): OwnEntryDocument => {
    const [naming, aside] = [state.naming.get(row.id), state.aside.get(row.id)];
    return {
      id: row.id,
      ...documentedFields(OWN_ENTRY, row),
      naming: naming === undefined ? null : documentedFields(NAMING, naming),
      aside: aside === undefined ? null : documentedFields(ASIDE, aside),
    };
  });
  yield;
  const listed: ArrangedPlugin[] = [];
  yield* eachStepwise([...used], (id) => listed.push(...arrangedPlugin(state, plugins.get(id), presets)));
  return {
    schema: ARRANGEMENT_SCHEMA,
    exportedAt: at.toISOString(),
    computer,
    plugins: listed,
    chests,
    trays,
    chains,
    ownEntries,
    searches: [...state.keptSearch.values()].sort(byOrder).map((one) => documentedFields(KEPT_SEARCH, one)),
  };
}

const UNNAMED = { name: null, sign: null, notInMenus: false };

type NamedPresets = ReadonlyMap<PluginId, ArrangedPlugin['presets']>;

function namedPresets(state: Arrangement): NamedPresets {
  const named = new Map<PluginId, ArrangedPlugin['presets'][number][]>();
  for (const naming of state.naming.values()) {
    const { pluginId, preset } = itemParts(naming.id);
    if (preset === null) continue;
    const own = { preset: bankAndName(preset), naming: documentedFields(NAMING, naming) };
    appendToGroup(named, pluginId, own);
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
