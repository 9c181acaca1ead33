import { CHEST_BASES, type Sorted } from '../../src/chests/chest-groups';
import { ruleFactsOf } from '../../src/chests/rule-sources';
import { emptyArrangement } from '../../src/chests/arrangement';
import { innerFolders } from '../../src/facts/plugin-path';
import { meets } from '../../src/rules/evaluate';
import { conditionOf } from '../../src/rules/rule';
import { planDrawers } from '../../src/chests/work-out-chest';
import type { DrawerPlan } from '../../src/chests/lay-out-drawers';
import { p } from './support';

describe('a worked-out chest', () => {
  const many: Sorted[] = Array.from({ length: 40 }, (_, at) => ({
    id: p(`x${String(at)}`),
    name: `${'ABCD'[at % 4] ?? ''}${String(at)} Plate`,
    vendor: at % 2 === 0 ? 'Lintel' : 'Tollgate',
    types: (at % 4 === 0 ? ['delay'] : ['reverb']) as never[],
    role: at % 5 === 0 ? null : 'audio-effect',
    formats: ['VST3'],
  }));
  const sizes = (plans: readonly DrawerPlan[]): number[] =>
    plans.flatMap((plan) => [plan.lines.length, ...sizes(plan.inner)]);
  const filed = (plans: readonly DrawerPlan[]): string[] =>
    plans.flatMap((plan) => [
      ...plan.lines.flatMap((line) => ('pluginId' in line ? [line.pluginId] : [])),
      ...filed(plan.inner),
    ]);

  it.each(CHEST_BASES)('by %s, no drawer above its limit and none lost', (by) => {
    for (const inner of ['type', 'vendor', 'letters'] as const) {
      const plans = planDrawers(many, { by, most: 6, inner });
      expect(Math.max(...sizes(plans))).toBeLessThanOrEqual(6);
      expect(new Set(filed(plans)).size).toBe(40);
    }
  });
  it('by letters, each stretch is named after its ends', () => {
    const [drawer] = planDrawers(many, { by: 'format', most: 10, inner: 'letters' });
    expect(drawer?.inner.map((one) => one.name)).toEqual(
      ['A0–A3', 'B1–B3', 'C2–C3', 'D3–D3'].map(
        (name) => expect.stringMatching(new RegExp(`^${name[0] ?? ''}.+–${name[0] ?? ''}`)) as string,
      ),
    );
  });
  it('by role and type: what has a role and no type stands in the role’s own drawer', () => {
    const plans = planDrawers(
      [{ ...many[1], types: [] } as Sorted, many[2] as Sorted, { ...many[0], role: null } as Sorted],
      { by: 'role-and-type', most: null, inner: 'letters' },
    );
    expect(plans.map((plan) => [plan.name, plan.lines.length, plan.inner.map((one) => one.name)])).toEqual([
      ['audio effect', 1, ['reverb']],
      ['role unknown', 1, []],
    ]);
  });

  describe('as the folders on disk', () => {
    const root = '/opt/plugins';
    const at = (id: string, ...paths: string[]): Sorted => ({
      ...(many[1] as Sorted),
      id: p(id),
      name: id,
      folders: paths.map((path) => innerFolders(path, [root])),
    });
    const onDisk = [
      at('Hall', `${root}/Space/Halls/Hall.vst3`),
      at('Spring', `${root}/Space/Spring.vst3`, `${root}/Old/Spring.so`),
      at('Loose', `${root}/Loose.clap`),
    ];

    it('drawers stand inside one another as the folders do; a plugin of two folders stands in both', () => {
      const told = (plans: readonly DrawerPlan[]): unknown =>
        plans.map((plan) => [plan.name, filed([{ ...plan, inner: [] }]), told(plan.inner)]);
      expect(told(planDrawers(onDisk, { by: 'folder', most: null, inner: 'letters' }))).toEqual([
        ['Old', ['Spring'], []],
        ['Space', ['Spring'], [['Halls', ['Hall'], []]]],
        ['in no inner folder', ['Loose'], []],
      ]);
    });

    it('that follow have rules for the folders', () => {
      const [, space] = planDrawers(onDisk, { by: 'folder', most: null, inner: 'letters', follows: true });
      expect(space?.rule).toMatchObject({ kind: 'written', text: 'folder:"Space"' });
      expect(space?.inner[0]?.rule).toMatchObject({ text: 'folder:"Space/Halls"' });
    });
  });

  describe('that follows', () => {
    const none = {
      state: emptyArrangement(),
      items: new Map(),
      traits: new Map(),
      presets: false,
      today: '2026-01-01',
    };
    const isTaken = (plans: readonly DrawerPlan[], plugin: Sorted): boolean =>
      plans.some((plan) => {
        const condition = plan.rule === null ? null : conditionOf(plan.rule);
        const facts = ruleFactsOf(
          {
            ...plugin,
            builds: plugin.formats.map((format) => ({ format, architectures: [], version: null, found: true })),
          },
          none,
        );
        const isOwn = condition !== null && meets(condition, facts, { today: '2026-01-01', holds: () => false });
        return isOwn || isTaken(plan.inner, plugin);
      });
    const later: Sorted[] = [
      {
        ...(many[1] as Sorted),
        id: p('later'),
        types: ['compressor'] as never[],
        vendor: 'Newcomer',
        formats: ['CLAP'],
      },
      { ...(many[1] as Sorted), id: p('unknown'), types: [], role: null, vendor: null },
    ];

    it.each(['type', 'vendor', 'format', 'role-and-type'] as const)(
      'by %s: everything is taken by a rule, also what arrives later and is of no kind that there was',
      (by) => {
        const plans = planDrawers(many, { by, most: 6, inner: 'letters', follows: true });
        expect(filed(plans)).toEqual([]);
        for (const plugin of [...many, ...later])
          expect([plugin.id, isTaken(plans, plugin)]).toEqual([plugin.id, true]);
      },
    );

    it('splits drawers that would be too full', () => {
      const plans = planDrawers(many, { by: 'format', most: 6, inner: 'letters', follows: true });
      expect(plans.map(({ name, split }) => [name, split])).toEqual([
        ['VST3', 'letter'],
        ['other formats', null],
      ]);
    });
  });
});
