import { type Arrangement } from '../../src/chests/arrangement';
import { daysLeft, demosOf, narrowBuilds, buildsNotPreferred } from '../../src/chests/set-aside';
import { withChoices } from '../../src/chests/with-choices';
import { asId, type BuildId } from '../../src/ids';
import { p, after, start, build, VIEW } from './support';

describe('set aside', () => {
  it('rules of thumb: 32-bit builds where there is another, builds that are not preferred, demos of a vendor', () => {
    const only32 = { ...VIEW, id: p('Echo'), builds: [build('alone', ['x86'])] };
    expect(narrowBuilds([VIEW, only32]).builds.map((one) => one.id)).toEqual(['narrow']);
    expect(
      buildsNotPreferred([{ ...VIEW, builds: [build('gone', [], false), build('there', [])] }]).builds.map(
        (one) => one.id,
      ),
    ).toEqual(['gone']);
    const demo = { ...VIEW, id: p('Comp'), name: 'Comp Demo' };
    expect(demosOf([VIEW, demo], 'Tollgate', false).pluginIds).toEqual(['Comp']);
    expect(demosOf([VIEW, demo], 'Tollgate', true).pluginIds).toHaveLength(2);
  });

  it('a plugin is out of the menus when it is set aside, or when all its builds that are there are', () => {
    const asideBuilds = (...ids: string[]): Arrangement =>
      after(start, {
        kind: 'set-aside',
        pluginIds: [],
        builds: ids.map((id) => ({ id: asId<BuildId>(id), pluginId: VIEW.id })),
        reason: 'older-build',
        until: null,
      });
    const one = withChoices([VIEW], asideBuilds('wide'))[0];
    expect([one?.aside, one?.builds[0]?.id]).toEqual([null, 'narrow']);
    expect(withChoices([VIEW], asideBuilds('wide', 'narrow'))[0]?.aside?.reason).toBe('older-build');
    const whole = after(start, {
      kind: 'set-aside',
      pluginIds: [VIEW.id],
      builds: [],
      reason: 'demo',
      until: '2026-12-01',
    });
    expect(withChoices([VIEW], whole)[0]?.aside).toMatchObject({ reason: 'demo', until: '2026-12-01' });
    const back = after(whole, { kind: 'bring-back', pluginIds: [VIEW.id], builds: [] });
    expect(withChoices([VIEW], back)[0]?.aside).toBeNull();
  });

  it('is aside here or everywhere, never both, and either way brought back', () => {
    const aside = (state: Arrangement, here: boolean): Arrangement =>
      after(state, { kind: 'set-aside', pluginIds: [VIEW.id], builds: [], reason: 'not-licensed', until: null, here });
    const where = ({ aside: everywhere, asideHere }: Arrangement): number[] => [everywhere.size, asideHere.size];
    const here = aside(start, true);
    expect([where(here), withChoices([VIEW], here)[0]?.aside?.reason]).toEqual([[0, 1], 'not-licensed']);
    // Another computer of the studio has the studio's rows alone.
    expect(withChoices([VIEW], { ...here, asideHere: new Map() })[0]?.aside).toBeNull();
    const everywhere = aside(here, false);
    expect(where(everywhere)).toEqual([1, 0]);
    expect(where(aside(everywhere, true))).toEqual([0, 1]);
    const back = after(here, { kind: 'bring-back', pluginIds: [VIEW.id], builds: [] });
    expect([where(back), withChoices([VIEW], back)[0]?.aside]).toEqual([[0, 0], null]);
  });

  it('what nothing new was said of stays the very same object', () => {
    const [before] = withChoices([VIEW], start);
    expect(withChoices([VIEW], after(start, { kind: 'name-tray', tray: 2, name: 'x' }))[0]).toBe(before);
  });

  it.each([
    ['2026-11-24', 0],
    ['2026-12-01', 7],
    ['2026-11-20', -4],
  ])('a demo until %s has %i days left on 24 November', (until, days) =>
    expect(daysLeft({ until }, new Date(2026, 10, 24, 23, 59))).toBe(days),
  );
});
