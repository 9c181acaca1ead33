import type { ScanEvent } from '../../src/catalogue/scan-story';
import { asideChanged } from '../../src/chests/aside-changed';
import type { Aside } from '../../src/chests/rows/aside';
import { asId, type BuildId, type PluginId } from '../../src/ids';

const build = (path: string, also: { found?: boolean; failed?: boolean } = {}) => ({
  id: asId<BuildId>(path),
  path,
  found: true,
  failed: false,
  ...also,
});
const plugin = { id: asId<PluginId>('echo'), name: 'Echo', builds: [build('/a'), build('/b')] };
const aside = (reason: string, buildId: string | null = null): Aside => ({
  id: buildId ?? 'echo',
  pluginId: plugin.id,
  buildId: buildId === null ? null : asId<BuildId>(buildId),
  reason,
  until: null,
  note: null,
});
type Told = Pick<ScanEvent, 'kind' | 'path' | 'facts'>;
const version = (path: string): Told => ({
  kind: 'changed',
  path,
  facts: [{ fact: 'version', before: '1.2', after: '1.3' }],
});
const told = (one: Aside, events: readonly Told[], of = plugin) =>
  asideChanged([one], (id) => (id === of.id ? of : undefined), events).map(({ what, path, before, after }) =>
    `${what} ${path} ${before} ${after}`.trim(),
  );

describe('what is set aside and was changed by a scan', () => {
  it('a demo with another version, and not one whose files alone have changed', () => {
    expect(told(aside('demo'), [version('/b')])).toEqual(['version /b 1.2 1.3']);
    expect(told(aside('demo'), [{ kind: 'changed', path: '/a', facts: [] }])).toEqual([]);
    expect(told(aside('demo'), [{ kind: 'recovered', path: '/a' }])).toEqual([]);
  });

  it('what is faulty: changed, come back, or readable again', () => {
    expect(told(aside('faulty'), [version('/a')])).toEqual(['version /a 1.2 1.3']);
    expect(told(aside('faulty'), [{ kind: 'returned', path: '/a', facts: [] }])).toEqual(['files /a']);
    expect(told(aside('faulty'), [{ kind: 'recovered', path: '/a' }])).toEqual(['readable /a']);
    // Both may be told of one file: the version says more.
    expect(told(aside('faulty'), [{ kind: 'recovered', path: '/a' }, version('/a')])).toEqual(['version /a 1.2 1.3']);
  });

  it('a single build only where it is that one', () => {
    expect(told(aside('faulty', '/b'), [version('/a')])).toEqual([]);
    expect(told(aside('faulty', '/a'), [version('/a')])).toEqual(['version /a 1.2 1.3']);
  });

  it('nothing of what still fails, is gone, is unknown here, or is set aside for another reason', () => {
    expect(told(aside('faulty'), [version('/a')], { ...plugin, builds: [build('/a', { failed: true })] })).toEqual([]);
    expect(told(aside('faulty'), [version('/a')], { ...plugin, builds: [build('/a', { found: false })] })).toEqual([]);
    expect(told(aside('faulty'), [version('/a')], { ...plugin, id: asId<PluginId>('other') })).toEqual([]);
    expect(told(aside('not-for-me'), [version('/a')])).toEqual([]);
    expect(told(aside('faulty'), [{ kind: 'vanished', path: '/a' }])).toEqual([]);
  });
});
