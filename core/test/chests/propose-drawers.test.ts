import { emptyArrangement } from '../../src/chests/arrangement';
import type { Intent } from '../../src/chests/intent';
import { DrawerProposer } from '../../src/chests/propose-drawers';
import { p, d, c, byId, after } from './support';

describe('proposed drawers', () => {
  const state = after(
    emptyArrangement(),
    { kind: 'make-chest', id: c('c'), name: 'Everyday', slots: null },
    ...(['Echoes and delays', 'Lintel', 'Rooms', 'Odds'] as const).map((name): Intent => ({
      kind: 'make-drawer',
      id: d(name),
      chestId: c('c'),
      parentId: null,
      name,
      rule: null,
      pluginIds: [],
    })),
    { kind: 'file', drawerIds: [d('Rooms')], pluginIds: [p('Plate 9'), p('Plate 10')] },
  );
  const proposer = new DrawerProposer(state, c('c'), byId);
  const names = (id: string) => {
    const plugin = byId.get(p(id));
    return plugin === undefined ? [] : proposer.propose(plugin).map((one) => one.drawerId);
  };

  it('named after the type before named after the vendor', () =>
    expect(names('Echo')).toEqual(['Echoes and delays', 'Lintel']));
  it('where its like stand, with the reason', () => {
    expect(proposer.propose({ id: p('new'), vendor: null, types: ['reverb'] })).toEqual([
      { drawerId: 'Rooms', because: 'holds 2 of the type reverb' },
    ]);
  });
  it('none where it stands already, none for what is not known', () => {
    expect(names('Plate 9')).toEqual([]);
    expect(proposer.propose({ id: p('new'), vendor: null, types: [] })).toEqual([]);
  });
});
