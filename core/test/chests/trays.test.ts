import { type Arrangement } from '../../src/chests/arrangement';
import { trayEntries, trayName } from '../../src/chests/look-up';
import { p, after, said, start } from './support';

describe('trays', () => {
  const on = after(
    start,
    { kind: 'tray-on', tray: 1, pluginIds: [p('Echo'), p('Comp')] },
    { kind: 'tray-on', tray: 3, pluginIds: [p('Echo'), p('Plate 9')] },
    { kind: 'name-tray', tray: 3, name: 'Goose' },
  );
  const tray = (state: Arrangement, number: number) => trayEntries(state, number).map((entry) => entry.pluginId);

  it('have an order, and names; tray 1 is Favourites', () => {
    expect([1, 2, 3].map((one) => trayName(on, one))).toEqual(['Favourites', 'Tray 2', 'Goose']);
    expect(tray(after(on, { kind: 'place-on-tray', tray: 1, pluginIds: [p('Comp')], before: p('Echo') }), 1)).toEqual([
      'Comp',
      'Echo',
    ]);
  });
  it('are changed about with what is on them, a plugin on both too', () => {
    const swapped = after(on, { kind: 'swap-trays', tray: 1, with: 3 });
    expect([tray(swapped, 1), tray(swapped, 3), trayName(swapped, 1)]).toEqual([
      ['Echo', 'Plate 9'],
      ['Echo', 'Comp'],
      'Goose',
    ]);
    expect(said(on, { kind: 'swap-trays', tray: 4, with: 5 })).toContain('empty');
  });
  it('one or all are cleared, for some plugins or whole', () => {
    expect(after(on, { kind: 'clear-trays', trays: [1, 3], pluginIds: [p('Echo')] }).trayEntry.size).toBe(2);
    expect(after(on, { kind: 'clear-trays', trays: [3], pluginIds: null }).trayEntry.size).toBe(2);
  });
});
