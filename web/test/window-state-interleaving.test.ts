import fc from 'fast-check';
import type { Intent } from '@clever-drawer/core/chests/intent';
import { CHEST, d, drawer, p } from './support';
import { two, expectAlike, file, rename, place } from './driven-windows';

describe('any interleaving', () => {
  const id = fc.constantFrom('A', 'B', 'A1', 'N');
  const plugins = fc.subarray(['Plate', 'Echo', 'Goose', 'Hall'], { minLength: 1 });
  const line = fc.option(fc.tuple(id, fc.constantFrom('Plate', 'Echo')).map(([one, what]) => `${one}/${what}`));
  const intent: fc.Arbitrary<Intent> = fc.oneof(
    { weight: 3, arbitrary: fc.tuple(id, plugins).map(([one, all]) => file(one, ...all)) },
    { weight: 3, arbitrary: fc.tuple(id, fc.constantFrom('Plate', 'Hall'), line).map((all) => place(...all)) },
    fc.tuple(id, fc.constantFrom('x', 'y')).map(([one, name]) => rename(one, name)),
    fc.tuple(id, plugins).map(([one, all]): Intent => ({ kind: 'take-out', drawerId: d(one), pluginIds: all.map(p) })),
    id.map((one): Intent => ({ kind: 'delete-drawer', id: d(one) })),
    fc.tuple(id, fc.option(id)).map(([one, parent]) => drawer(one, parent)),
    fc.tuple(id, fc.option(id)).map(([one, parent]): Intent => ({
      kind: 'move-drawer',
      id: d(one),
      chestId: CHEST,
      parentId: parent === null ? null : d(parent),
      before: null,
    })),
    fc
      .tuple(fc.constantFrom(1, 2), plugins)
      .map(([tray, all]): Intent => ({ kind: 'tray-on', tray, pluginIds: all.map(p) })),
    fc.constant<Intent>({ kind: 'swap-trays', tray: 1, with: 2 }),
  );
  const act = fc.oneof(
    { weight: 4, arbitrary: fc.array(intent, { minLength: 1, maxLength: 3 }).map((all) => ['make', all] as const) },
    { weight: 2, arbitrary: fc.constantFrom(['undo'] as const, ['redo'] as const) },
    { weight: 4, arbitrary: fc.constantFrom(['reach'] as const, ['hearAnswer'] as const, ['listen'] as const) },
    fc.constantFrom(['lineDown'] as const, ['lineUp'] as const, ['lost'] as const),
  );

  it('of the wishes, steps, failures and reconnections of two windows ends with both and the server equal (seeded)', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.boolean(), act), { maxLength: 60 }), (acts) => {
        const both = two();
        for (const [isOther, [what, intents]] of acts) {
          const window = isOther ? both.other : both.one;
          if (what === 'make') window.make(...intents);
          else if (what === 'undo' || what === 'redo') window.step(what);
          else if (what === 'lost') window.reach(true);
          else window[what]();
        }
        both.settle();
        expectAlike(both);
      }),
      { seed: 20261125, numRuns: 600 },
    );
  });
});
