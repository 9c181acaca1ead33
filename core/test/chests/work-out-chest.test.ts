import { planDrawers, type Sorted } from '../../src/chests/work-out-chest';
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

  it.each(['type', 'vendor', 'format', 'role-and-type'] as const)(
    'by %s, no drawer above its limit and none lost',
    (by) => {
      for (const inner of ['type', 'vendor', 'letters'] as const) {
        const plans = planDrawers(many, { by, most: 6, inner });
        expect(Math.max(...sizes(plans))).toBeLessThanOrEqual(6);
        expect(new Set(filed(plans)).size).toBe(40);
      }
    },
  );
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
});
