/** Random acts under random filters: what a key changes is what the screen named before it. */
import fc from 'fast-check';
import { itemId, pluginOfItem } from '@clever-drawer/core/chests/item';
import { asId, type ItemId, type PluginId, type PresetKey } from '@clever-drawer/core/ids';
import { clicked, nothing, stillListed, type Selected } from '../src/parts/selection';
import { shownAfterSelecting, subjectOf } from '../src/sort/list/subject';

const PLUGINS = Array.from({ length: 8 }, (_, at) => asId<ItemId>(`plugin ${String(at)}`));
const presetOf = (plugin: ItemId): ItemId =>
  itemId({ pluginId: asId<PluginId>(plugin), preset: asId<PresetKey>('Rooms/Hall') });

type Act =
  | { readonly kind: 'click'; readonly at: number; readonly add: boolean; readonly stretch: boolean }
  | { readonly kind: 'open' | 'close' | 'preset' | 'file' }
  | { readonly kind: 'filter'; readonly hides: readonly ItemId[] };

const act: fc.Arbitrary<Act> = fc.oneof(
  fc.record({ kind: fc.constant('click' as const), at: fc.nat(7), add: fc.boolean(), stretch: fc.boolean() }),
  fc.record({ kind: fc.constantFrom('open' as const, 'close', 'preset', 'file', 'file') }),
  fc.record({ kind: fc.constant('filter' as const), hides: fc.subarray(PLUGINS) }),
);

interface Desk {
  listed: readonly ItemId[];
  selected: Selected<ItemId>;
  elsewhere: readonly ItemId[] | null;
  shown: ItemId | null;
  readonly filed: Set<ItemId>;
}

const selectedIn = (desk: Desk): readonly ItemId[] =>
  desk.elsewhere ?? [...stillListed(desk.listed, desk.selected.ids)];

/** What a person sees named: the plugin in the panel with what is chosen of it, else what is lit in the list. */
function namedOnScreen(desk: Desk): ReadonlySet<ItemId> {
  const lit = selectedIn(desk);
  const { shown } = desk;
  if (shown === null) return new Set(lit);
  const ofIt = lit.filter((id) => pluginOfItem(id) === pluginOfItem(shown));
  return new Set(ofIt.length > 0 && ofIt.length === lit.length ? ofIt : [shown]);
}

function step(desk: Desk, one: Act): void {
  switch (one.kind) {
    case 'click':
      if (one.at >= desk.listed.length) return;
      desk.elsewhere = null;
      desk.selected = clicked(desk.listed, desk.selected, one.at, one);
      desk.shown = shownAfterSelecting(selectedIn(desk), desk.shown);
      return;
    case 'open': {
      const [first] = selectedIn(desk);
      if (first !== undefined) desk.shown = first;
      return;
    }
    case 'close':
      desk.shown = null;
      return;
    case 'preset':
      if (desk.shown === null) return;
      desk.elsewhere = [presetOf(asId<ItemId>(pluginOfItem(desk.shown)))];
      desk.shown = shownAfterSelecting(desk.elsewhere, desk.shown);
      return;
    case 'filter':
      desk.listed = PLUGINS.filter((id) => !one.hides.includes(id));
      return;
    case 'file': {
      const named = namedOnScreen(desk);
      const acted = subjectOf(selectedIn(desk), desk.shown);
      expect(new Set(acted)).toEqual(named);
      for (const id of acted) desk.filed.add(id);
      // Under "to file" it leaves the list at once.
      desk.listed = desk.listed.filter((id) => !desk.filed.has(id));
    }
  }
}

it('after any acts under any filters a key changes what the screen named, and nothing else', () => {
  fc.assert(
    fc.property(fc.array(act, { minLength: 1, maxLength: 40 }), (acts) => {
      const desk: Desk = { listed: PLUGINS, selected: nothing(), elsewhere: null, shown: null, filed: new Set() };
      for (const one of acts) step(desk, one);
      step(desk, { kind: 'file' });
    }),
    { seed: 20261201, numRuns: 2000 },
  );
});

it('several that are selected close the panel, another one is shown in its place, and nothing leaves it', () => {
  const [a, b] = PLUGINS as [ItemId, ItemId];
  expect(shownAfterSelecting([a, b], a)).toBeNull();
  expect(shownAfterSelecting([b], a)).toBe(b);
  expect(shownAfterSelecting([], a)).toBe(a);
  expect(shownAfterSelecting([presetOf(a)], a)).toBe(a);
  expect(shownAfterSelecting([b], null)).toBeNull();
});
