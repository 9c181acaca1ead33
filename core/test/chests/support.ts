/** What the tests of chests stand on: a small catalogue, a chest with a drawer, and wishes that are carried out. */
import { applyEdits } from '../../src/chests/edit';
import { emptyArrangement, type Arrangement } from '../../src/chests/arrangement';
import { linesIn } from '../../src/chests/file-into';
import type { Intent } from '../../src/chests/intent';
import { planChange } from '../../src/chests/plan-change';
import {
  asId,
  type BuildId,
  type BuildKey,
  type ChestId,
  type DrawerId,
  type ItemId,
  type PluginId,
} from '../../src/ids';

export const p = (id: string): PluginId => asId<PluginId>(id);
export const d = (id: string): DrawerId => asId<DrawerId>(id);
export const c = (id: string): ChestId => asId<ChestId>(id);
export const CATALOGUE = [
  { name: 'Plate 10', vendor: 'Tollgate', types: ['reverb'], loads: 1, arrivedAt: '2026-01-01' },
  { name: 'Plate 9', vendor: null, types: ['reverb'], loads: 0, arrivedAt: '2026-03-01' },
  { name: 'Echo', vendor: 'Lintel', types: ['delay'], loads: 7, arrivedAt: '2026-02-01' },
  { name: 'Comp', vendor: 'Lintel', types: ['compressor'], loads: 7, arrivedAt: '2026-02-02' },
].map((one) => ({ ...one, id: p(one.name), types: one.types as never[] }));
export const byId = new Map<ItemId, (typeof CATALOGUE)[number]>(CATALOGUE.map((one) => [one.id, one]));
export const nameOf = (id: ItemId): string | undefined => byId.get(id)?.name;
export const all = CATALOGUE.map((one) => one.id);
/** Carries wishes out one after the other, with these names of plugins; throws the refusal of one that is not granted. */
export const afterWith =
  (names: (id: ItemId) => string | undefined) =>
  (state: Arrangement, ...intents: Intent[]): Arrangement =>
    intents.reduce((now, intent) => {
      const plan = planChange(now, intent, names);
      if (!plan.ok) throw new Error(plan.refusal);
      return applyEdits(now, plan.change.edits);
    }, state);
/** What a wish is called, or why it is not granted. */
export const saidWith =
  (names: (id: ItemId) => string | undefined) =>
  (state: Arrangement, intent: Intent): string => {
    const plan = planChange(state, intent, names);
    return plan.ok ? plan.change.label : plan.refusal;
  };
export const after = afterWith(nameOf);
export const said = saidWith(nameOf);
export const start = after(
  emptyArrangement(),
  { kind: 'make-chest', id: c('c'), name: 'Everyday', slots: null },
  { kind: 'make-drawer', id: d('S'), chestId: c('c'), parentId: null, name: 'Space', rule: null, pluginIds: all },
);
export const lines = (state: Arrangement, drawer = 'S'): string[] =>
  linesIn(state, { id: d(drawer) }).map((line) => ('label' in line ? `– ${line.label}` : line.pluginId));
export const divided = after(start, {
  kind: 'add-divider',
  id: 'v',
  drawerId: d('S'),
  label: 'tails',
  before: 'S/Echo',
});
export const build = (id: string, architectures: readonly string[], found = true) => ({
  id: asId<BuildId>(id),
  key: asId<BuildKey>(id),
  format: 'VST3' as const,
  architectures: architectures as never[],
  version: null,
  path: `/plugins/${id}.vst3`,
  found,
});
export const VIEW = {
  id: p('Plate 9'),
  name: 'Plate 9',
  vendor: 'Tollgate',
  role: null,
  roleGrade: 'unknown' as const,
  types: [],
  typeGrade: 'unknown' as const,
  builds: [build('wide', ['x86-64']), build('narrow', ['x86'])],
};
