import { arrangementOf, type Arrangement } from '@clever-drawer/core/chests/arrangement';
import { ruledOf } from '@clever-drawer/core/chests/ruled';
import type { RuleEvaluationInput } from '@clever-drawer/core/chests/rule-sources';
import type { Drawer } from '@clever-drawer/core/chests/rows/drawer';
import type { Entry } from '@clever-drawer/core/chests/rows/entry';
import { asId, type ItemId } from '@clever-drawer/core/ids';
import { numbersIn } from '@clever-drawer/core/rules/bits';
import { findingsOf } from '@clever-drawer/core/rules/findings';
import { rulesFromExamples } from '@clever-drawer/core/rules/from-examples';
import { RuleBook, type RuleChange } from '@clever-drawer/core/rules/rule-book';
import type { RuleFacts } from '@clever-drawer/core/rules/rule-facts';
import { RuleKeeper, TRAITS_NOT_ASKED, type AskerClient } from '../src/arrangement/rules/rule-keeper';
import { CHEST, d } from './support';

/** The worker without its thread, which counts what it is told. */
function asker() {
  let book = new RuleBook();
  let told: RuleFacts[] = [];
  const counts = { facts: 0, changes: 0, fails: false };
  return {
    counts,
    reset: () => {
      book = new RuleBook();
      told = [];
      return Promise.resolve();
    },
    tell: (facts: readonly RuleFacts[]) => {
      counts.facts += facts.length;
      told.push(...facts);
      return Promise.resolve();
    },
    change: (change: Omit<RuleChange, 'facts'>) => {
      counts.changes++;
      if (counts.fails) return Promise.reject(new Error('gone'));
      const changed = book.change({ ...change, facts: told });
      told = [];
      return Promise.resolve(changed.map((drawer) => [drawer, book.numbersTaken(drawer)] as const));
    },
    look: (drawer: string, condition: never) =>
      Promise.resolve({
        numbers: Uint32Array.from(numbersIn(book.tried(drawer, condition))),
        findings: findingsOf(book, condition, drawer),
      }),
    propose: (examples: readonly ItemId[]) => Promise.resolve(rulesFromExamples(book, examples)),
  };
}

const clientOf = (worker: ReturnType<typeof asker>): AskerClient => ({
  run: (work) => Promise.resolve(work(worker as never)),
  fail: () => undefined,
});

const id = (name: string): ItemId => asId<ItemId>(name);
const items = new Map(
  Array.from({ length: 1200 }, (_, at) => {
    const name = at % 3 === 0 ? `Plate ${String(at)}` : `Echo ${String(at)}`;
    return [id(name), { id: id(name), name }] as const;
  }),
);
const drawer = (name: string, text: string | null): Drawer => ({
  id: d(name),
  chestId: CHEST,
  parentId: null,
  name,
  order: name,
  rule: text === null ? null : { kind: 'written', text },
  sort: null,
  notInMenus: false,
});
const stateOf = (drawers: readonly Drawer[], entries: readonly Entry[] = []): Arrangement =>
  arrangementOf((kind) => (kind === 'drawer' ? drawers : kind === 'entry' ? entries : []) as never);
const NO_TRAITS: RuleEvaluationInput['traits'] = new Map();
const sources = (state: Arrangement, more: Partial<RuleEvaluationInput> = {}): RuleEvaluationInput => ({
  state,
  items,
  traits: NO_TRAITS,
  presets: false,
  today: '2026-11-25',
  ...more,
});
const settled = async (): Promise<void> => {
  for (let turn = 0; turn < 50; turn++) await Promise.resolve();
};
const same = (keeper: RuleKeeper, of: RuleEvaluationInput): void => {
  const plain = ruledOf(of);
  for (const { id: own, rule } of of.state.drawer.values())
    if (rule !== null) expect([...keeper.snapshot().taken(own)].sort()).toEqual([...plain.taken(own)].sort());
};

describe('what rules take, kept from change to change', () => {
  const plates = drawer('Plates', 'plate');
  const first = sources(stateOf([plates]));

  it('is known after the first answer, and a changed plugin costs one, a changed rule none', async () => {
    const worker = asker();
    const keeper = new RuleKeeper(clientOf(worker));
    expect(keeper.snapshot().isAnswered).toBe(false);
    keeper.take(first);
    await settled();
    expect([keeper.snapshot().isAnswered, keeper.snapshot().taken(d('Plates')).length]).toEqual([true, 400]);
    expect(worker.counts.facts).toBe(1200);
    expect(keeper.snapshot().why(d('Plates'), id('Plate 3'))).toBe('plate');
    expect(keeper.snapshot().whyNot(d('Plates'), id('Echo 1'))).toBe('It has none of: word plate.');
    const renamed = sources(first.state as Arrangement, {
      items: new Map(items).set(id('Echo 1'), { id: id('Echo 1'), name: 'the big plate' }),
    });
    keeper.take(renamed);
    await settled();
    expect(worker.counts.facts).toBe(1201);
    same(keeper, renamed);
    const ruled = sources(stateOf([plates, drawer('Echoes', 'echo NOT drawer:"#Plates"')]), { items: renamed.items });
    keeper.take(ruled);
    await settled();
    expect(worker.counts.facts).toBe(1201);
    expect(keeper.snapshot().isKnown(d('Echoes'))).toBe(true);
    same(keeper, ruled);
  });

  it('tells the worker of a change once it is saved', async () => {
    const worker = asker();
    let save: () => void = () => undefined;
    const saved = new Promise<void>((done) => (save = done));
    const keeper = new RuleKeeper(
      clientOf(worker),
      () => undefined,
      () => Promise.resolve(),
      () => saved,
    );
    keeper.take(first);
    await settled();
    expect(worker.counts.facts).toBe(0);
    save();
    await settled();
    expect(worker.counts.facts).toBe(1200);
    same(keeper, first);
  });

  it('a rule that takes nothing any more, or many more, after the catalogue has changed is told', async () => {
    const told: string[] = [];
    const keeper = new RuleKeeper(clientOf(asker()), (words) => told.push(words));
    keeper.take(first);
    await settled();
    const renamed = (from: string, to: string) =>
      new Map([...items].map(([own, one]) => [own, { ...one, name: one.name.replace(from, to) }] as const));
    keeper.take(sources(stateOf([plates]), { items: renamed('Echo', 'Plate') }));
    await settled();
    keeper.take(sources(stateOf([plates]), { items: renamed('Plate', 'Echo') }));
    await settled();
    expect(told).toEqual([
      'The rule of Plates now finds 1200; it found 400 before.',
      'The rule of Plates now finds nothing; it found 1200 before.',
    ]);
    // Another rule may take what it likes.
    keeper.take(sources(stateOf([drawer('Plates', 'echo')]), { items }));
    await settled();
    expect(told).toHaveLength(2);
  });

  it('changes that come while it works are told of together, and the last one counts', async () => {
    const worker = asker();
    const keeper = new RuleKeeper(clientOf(worker));
    const texts = ['plate', 'echo', 'nothing', 'plate OR echo'];
    for (const text of texts) keeper.take(sources(stateOf([drawer('Plates', text)])));
    await settled();
    expect(worker.counts.changes).toBeLessThan(texts.length);
    same(keeper, sources(stateOf([drawer('Plates', 'plate OR echo')])));
    keeper.take(sources(stateOf([drawer('Plates', null)])));
    await settled();
    expect([keeper.snapshot().taken(d('Plates')), keeper.snapshot().isKnown(d('Plates'))]).toEqual([[], false]);
  });

  it('a rule that is being written is looked at without being in force', async () => {
    const keeper = new RuleKeeper(clientOf(asker()));
    keeper.take(first);
    await settled();
    const { taken } = await keeper.look(d('Plates'), { kind: 'words', field: 'name', words: 'echo', match: 'begun' });
    expect([taken.length, keeper.snapshot().taken(d('Plates')).length]).toEqual([800, 400]);
    const plates = keeper.snapshot().taken(d('Plates'));
    const [proposed] = await keeper.propose(plates);
    expect(proposed).toMatchObject({ condition: { words: 'plate' }, adds: [], lacks: [] });
  });

  it('a worker that fails is replaced, and the next one is told everything', async () => {
    const worker = asker();
    worker.counts.fails = true;
    let failures = 0;
    const keeper: RuleKeeper = new RuleKeeper({
      run: (work) => Promise.resolve(work(worker as never)),
      fail: () => {
        failures++;
        worker.counts.fails = false;
        keeper.startAgain();
      },
    });
    keeper.take(first);
    await settled();
    expect([failures, worker.counts.facts]).toEqual([1, 2400]);
    same(keeper, first);
  });

  it('knows whether it has the facts that a rule asks for besides those of the list', async () => {
    const keeper = new RuleKeeper(clientOf(asker()));
    keeper.take(sources(stateOf([plates]), { traits: TRAITS_NOT_ASKED }));
    await settled();
    const needsChannels = { kind: 'number', field: 'inputs', is: '>', value: '1' } as const;
    expect(keeper.snapshot().hasFactsFor(needsChannels)).toBe(false);
    keeper.take(sources(stateOf([plates]), { traits: new Map() }));
    await settled();
    expect(keeper.snapshot().hasFactsFor(needsChannels)).toBe(true);
    expect(keeper.snapshot().hasFactsFor({ kind: 'words', field: 'name', words: 'echo', match: 'begun' })).toBe(true);
  });
});
