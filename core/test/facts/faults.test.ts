import { FAULT_CODES } from '../../src/facts/fault';
import { describeFault } from '../../src/facts/fault-texts';
import { overlay, unknownFacts } from '../../src/facts/build-facts';

describe('faults in words', () => {
  it.each(FAULT_CODES)('%s says what is wrong and what to do, in sentences', (code) => {
    const { message, remedy } = describeFault({ code, path: '/p' });
    for (const sentence of [message, remedy]) expect(sentence).toMatch(/^[A-Z].+\.$/);
    expect(message).not.toContain('undefined');
  });

  it('names the line and the parser’s words where there are any', () => {
    expect(describeFault({ code: 'turtle-broken', path: '/p', line: 7, detail: 'it ends too early' }).message).toBe(
      'The Turtle file can’t be understood in line 7 (it ends too early).',
    );
    expect(describeFault({ code: 'folder-unreadable', path: '/p', detail: 'EACCES' }).message).toContain('(EACCES)');
  });
});

describe('facts laid over one another', () => {
  const unknown = unknownFacts('VST3', '/p/Plate.vst3', 'Plate');

  it('everything is unknown at first, but the name of the file', () => {
    expect(unknown).toMatchObject({
      identifier: null,
      vendor: null,
      audioInputs: null,
      presets: null,
      declaredTypes: [],
    });
    expect(unknown.sources).toEqual({ name: 'file name' });
  });

  it('the later source wins, and is noted; null and nothing leave what stands', () => {
    const resource = overlay(unknown, { name: 'Plate 2', vendor: 'Tollgate', version: null }, 'version resource');
    const manifest = overlay(resource, { name: 'Vestry Plate', vendor: '' }, 'manifest');
    expect(manifest).toMatchObject({ name: 'Vestry Plate', vendor: 'Tollgate', version: null });
    expect(manifest.sources).toEqual({ name: 'manifest', vendor: 'version resource' });
    expect(unknown.name).toBe('Plate');
  });
});
