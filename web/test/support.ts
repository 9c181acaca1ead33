/** What several tests of the page stand on: plugins, a chest, and a server that holds one arrangement and takes changes as the real one does. */
import type { ArrangementView, SavedChange, Steps } from '@clever-drawer/contract/responses';
import { emptyArrangement, ROW_KINDS, type Arrangement } from '@clever-drawer/core/chests/arrangement';
import { applyEdits, firstConflict, inverse, markOf, type Edit } from '@clever-drawer/core/chests/edit';
import type { Intent } from '@clever-drawer/core/chests/intent';
import { planChange, planIntents } from '@clever-drawer/core/chests/plan-change';
import {
  asId,
  type BuildId,
  type BuildKey,
  type ChestId,
  type ComputerId,
  type DrawerId,
  type ItemId,
  type PluginId,
} from '@clever-drawer/core/ids';
import type { ChosenCatalogue, ChosenPlugin } from '../src/catalogue/chosen-catalogue';

export const p = (id: string): PluginId => asId<PluginId>(id);
export const d = (id: string): DrawerId => asId<DrawerId>(id);
export const CHEST = asId<ChestId>('c');
export const COMPUTER = asId<ComputerId>('m');

/** A plugin with one build. */
export const plugin = (id: string, more: Partial<ChosenPlugin> = {}): ChosenPlugin => ({
  id: p(id),
  name: id,
  givenName: id,
  vendor: 'Tollgate',
  role: 'audio-effect',
  roleGrade: 'declared',
  types: ['reverb'],
  typeGrade: 'declared',
  contradictions: [],
  found: true,
  arrivedAt: '2026-01-01T00:00:00.000Z',
  arrivedWithFolder: false,
  loads: 0,
  lastLoad: null,
  calledToo: [],
  naming: null,
  aside: null,
  preset: null,
  builds: [
    {
      id: asId<BuildId>(`${id}-build`),
      key: asId<BuildKey>(`VST3 ${id}`),
      format: 'VST3',
      architectures: [],
      version: null,
      path: `/${id}`,
      found: true,
      failed: false,
      pictures: 0,
      outputs: null,
      sidechain: false,
    },
  ],
  ...more,
});

/** A catalogue of some plugins. */
export const catalogueOf = (plugins: readonly ChosenPlugin[]): ChosenCatalogue => ({
  revision: 1,
  firstArrival: '2026-01-01T00:00:00.000Z',
  plugins,
  byId: new Map(plugins.map((one) => [one.id, one])),
  items: plugins,
  presetsLeftOut: 0,
});

/** An arrangement after some wishes; throws the refusal of one that is not granted. */
export function after(
  state: Arrangement,
  nameOf: (id: ItemId) => string | undefined,
  ...intents: Intent[]
): Arrangement {
  return intents.reduce((now, intent) => {
    const plan = planChange(now, intent, nameOf);
    if (!plan.ok) throw new Error(plan.refusal);
    return applyEdits(now, plan.change.edits);
  }, state);
}

/** A wish for a drawer. */
export const drawer = (id: string, parent: string | null = null, pluginIds: readonly string[] = []): Intent => ({
  kind: 'make-drawer',
  id: d(id),
  chestId: CHEST,
  parentId: parent === null ? null : d(parent),
  name: id,
  rule: null,
  pluginIds: pluginIds.map(p),
});

/** A request that was refused. */
export class Refused extends Error {}

interface Entry {
  readonly number: number;
  readonly label: string;
  readonly edits: readonly Edit[];
  undone: boolean;
}

/** The server's part of changes, undo and redo, in memory: the same rules as server/src/store/change-journal.ts. */
export class PlainServer {
  state: Arrangement;
  revision = 1;
  private journal: Entry[] = [];
  /** Told of each change, with the window that made it. */
  tell: (window: number, saved: SavedChange) => void = () => undefined;

  constructor(
    state: Arrangement,
    private readonly nameOf: (id: ItemId) => string | undefined,
  ) {
    this.state = state;
  }

  get steps(): Steps {
    const named = (entry: Entry | undefined) =>
      entry === undefined ? null : { number: entry.number, label: entry.label, window: null };
    return {
      undo: named(this.journal.findLast((entry) => !entry.undone)),
      redo: named(this.journal.find((entry) => entry.undone)),
    };
  }

  view(): ArrangementView {
    const rows = ROW_KINDS.map((kind) => [kind, [...this.state[kind].values()]]);
    return copied({
      ...Object.fromEntries(rows),
      epoch: 'e',
      revision: this.revision,
      steps: this.steps,
    }) as ArrangementView;
  }

  change(window: number, intents: readonly Intent[], mark: string): SavedChange {
    const plan = planIntents(this.state, intents, this.nameOf);
    if (!plan.ok) throw new Refused(plan.refusal);
    if (markOf(plan.change.edits) !== mark) throw new Refused('Another window has just changed what this touches.');
    this.journal = this.journal.filter((entry) => !entry.undone);
    this.journal.push({ number: this.revision + 1, ...plan.change, undone: false });
    return this.save(window, this.revision + 1, 'made', plan.change.label, plan.change.edits);
  }

  step(window: number, way: 'undo' | 'redo', expects: number | undefined): SavedChange {
    const entry = way === 'undo' ? this.journal.findLast((one) => !one.undone) : this.journal.find((one) => one.undone);
    if (entry === undefined) throw new Refused(`There is nothing to ${way}.`);
    if (expects !== undefined && expects !== entry.number) throw new Refused('Another window has gone on since.');
    const edits = way === 'undo' ? inverse(entry.edits) : entry.edits;
    if (firstConflict(this.state, edits) !== undefined) throw new Refused('What it touched has been changed since.');
    entry.undone = way === 'undo';
    return this.save(window, entry.number, way === 'undo' ? 'undone' : 'redone', entry.label, edits);
  }

  private save(
    window: number,
    number: number,
    act: SavedChange['act'],
    label: string,
    edits: readonly Edit[],
  ): SavedChange {
    this.state = applyEdits(this.state, edits);
    this.revision++;
    const savedAt = '2026-11-25T12:00:00.000Z';
    const computerId = COMPUTER;
    const saved = copied({
      revision: this.revision,
      computerId,
      number,
      act,
      label,
      edits,
      steps: this.steps,
      savedAt,
    });
    this.tell(window, saved);
    return saved;
  }
}

/** As it comes over the line. */
const copied = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

export const EMPTY = emptyArrangement();
