import { faultsOfReport, isCovered, scanReport } from '../../src/exchange/scan-report';
import type { Fault } from '../../src/facts/fault';
import type { System } from '../../src/facts/format';

describe('a report that was written elsewhere', () => {
  it('tells the very faults that were met', () => {
    const faults: Fault[] = [
      { code: 'turtle-broken', path: '/a.lv2/manifest.ttl', line: 4, detail: 'expected a dot' },
      { code: 'folder-missing', path: '/gone' },
    ];
    const lookedAt = { found: 0, problems: 2, leftOut: [{ path: '/b.so', reason: 'no-plugin' as const }] };
    const report = scanReport(
      { folders: ['/'], builds: [], faults, lookedAt },
      { name: 'Wagon', system: 'linux' },
      new Date(0),
    );
    expect(faultsOfReport(report)).toEqual(faults);
    expect(report.lookedAt).toEqual(lookedAt);
  });

  it('tells a fault that this version does not know in the words of the report', () => {
    const problem = {
      path: '/a',
      code: 'moon-eclipsed',
      message: 'It was dark.',
      remedy: 'Wait.',
      line: null,
      detail: null,
    };
    expect(faultsOfReport({ problems: [problem] })).toEqual([
      { code: 'reader-failed', path: '/a', detail: 'It was dark.' },
    ]);
  });

  it.each([
    ['linux', '/lib/lv2', '/lib/lv2/a.lv2', true],
    ['linux', '/lib/lv2/', '/lib/lv2/a.lv2', true],
    ['linux', '/lib/lv2', '/lib/lv2', true],
    ['linux', '/lib/lv2', '/lib/lv2-more/a.lv2', false],
    ['linux', '/lib/lv2', '/LIB/lv2/a.lv2', false],
    ['linux', '/', '/lib/lv2/a.lv2', true],
    ['windows', 'C:\\Program Files\\VST3', 'c:\\program files\\vst3\\Vendor\\a.vst3', true],
    ['windows', 'C:\\Program Files\\VST3\\', 'C:/Program Files/VST3/a.vst3', true],
    ['windows', 'C:\\Program Files\\VST3', 'D:\\Program Files\\VST3\\a.vst3', false],
  ] as [System, string, string, boolean][])('%s: %s, %s', (system, folder, path, covered) => {
    expect(isCovered({ folders: [folder], computer: { name: 'Wagon', system } }, path)).toBe(covered);
  });
});
