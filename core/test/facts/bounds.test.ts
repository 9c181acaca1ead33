/** No file makes a reader take more than a moment, or a fact larger than any real one; each of these did. */

import fc from 'fast-check';
import { buildBinary } from 'plist';
import { Resource } from 'resedit';
import { cappedBuild, cappedKey, cappedPath, cappedReading, truncateText, MAX_BUILDS } from '../../src/facts/caps';
import type { Fault } from '../../src/facts/fault';
import type { FoundPreset } from '../../src/facts/place';
import { unknownFacts } from '../../src/facts/build-facts';
import { versionTexts } from '../../src/facts/binary/version-info';
import { zeroEnded } from '../../src/facts/binary/bytes';
import { readElf } from '../../src/facts/binary/elf';
import { tooMuchInBinaryPlist } from '../../src/facts/plist-bounds';
import { parsePlist } from '../../src/facts/read-plist';
import { Graph } from '../../src/facts/turtle';

/** Far less than any of these took (minutes, or for ever), and far more than they take now on a slow machine. */
const A_MOMENT_MS = 10_000;
function inAMoment<T>(work: () => T): T {
  const began = performance.now();
  const brought = work();
  expect(performance.now() - began).toBeLessThan(A_MOMENT_MS);
  return brought;
}

/** A version resource, written by a library from the registry (resedit). */
function versionResource(strings: Record<string, string>): Uint8Array {
  const info = Resource.VersionInfo.createEmpty();
  info.setStringValues({ lang: 1033, codepage: 1200 }, strings);
  const entries: { bin: ArrayBuffer }[] = [];
  info.outputToResourceEntries(entries as never);
  return new Uint8Array(entries[0]?.bin ?? new ArrayBuffer(0));
}

describe('version resources (Microsoft, VS_VERSIONINFO)', () => {
  it('tell what another library wrote into them', () => {
    const text = fc.string({ unit: 'grapheme', minLength: 1, maxLength: 40 }).filter((one) => !one.includes('\0'));
    const key = fc.constantFrom('ProductName', 'CompanyName', 'FileDescription', 'ProductVersion');
    fc.assert(
      fc.property(fc.dictionary(key, text), (strings) => {
        const wanted = Object.entries(strings)
          .map(([name, value]) => [name, value.trim()] as const)
          .filter(([, value]) => value !== '');
        expect(versionTexts(versionResource(strings))).toEqual(Object.fromEntries(wanted));
      }),
      { seed: 14 },
    );
  });

  it('damaged anywhere, they are read in a moment, and never throw', () => {
    const whole = versionResource({ ProductName: 'Plate', CompanyName: 'Tollgate Sound', FileVersion: '1.2' });
    inAMoment(() => {
      for (let at = 0; at + 1 < whole.length; at++)
        for (const value of [0, 1, 0xff]) {
          const damaged = whole.slice();
          damaged[at] = value;
          damaged[at + 1] = value;
          versionTexts(damaged);
          versionTexts(damaged.subarray(0, at));
        }
    });
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 400 }), (bytes) => typeof versionTexts(bytes) === 'object'),
      { seed: 14 },
    );
  });
});

/** A binary property list (Apple, CFBinaryPList.c; from memory) of arrays, each of which holds what is given. */
function arrays(lists: readonly (readonly number[])[]): Uint8Array {
  const head = new TextEncoder().encode('bplist00');
  const objects = lists.map((list) => [0xa0 + list.length, ...list]);
  const offsets: number[] = [];
  let at = head.length;
  for (const object of objects) {
    offsets.push(at);
    at += object.length;
  }
  const trailer = new Uint8Array(32);
  trailer[6] = 1;
  trailer[7] = 1;
  trailer[15] = lists.length;
  trailer[31] = at;
  return Uint8Array.from([...head, ...objects.flat(), ...offsets, ...trailer]);
}

describe('property lists', () => {
  it('what doubles with each level, or holds itself, is refused before the library reads it', () => {
    const doubling = arrays([...Array.from({ length: 40 }, (_, level) => [level + 1, level + 1]), []]);
    expect(doubling.length).toBeLessThan(300);
    const parsed = inAMoment(() => parsePlist(doubling, '/a/Info.plist'));
    expect(parsed).toMatchObject({ ok: false, fault: { code: 'plist-broken' } });
    expect(tooMuchInBinaryPlist(arrays([[0]]))).toContain('without end');
    expect(tooMuchInBinaryPlist(arrays([[1], [1]]))).toContain('without end');
    expect(tooMuchInBinaryPlist(arrays([[1, 2], [], []]))).toBeNull();
  });

  it('what another library wrote is let through, and damaged lists are answered in a moment', () => {
    const info = {
      CFBundleName: 'Plate',
      AudioComponents: [{ name: 'Tollgate: Plate', type: 'aufx', list: [1, 2, 3] }],
    };
    const bytes = buildBinary(info);
    expect(tooMuchInBinaryPlist(bytes)).toBeNull();
    inAMoment(() => {
      for (let at = 0; at < bytes.length; at++)
        for (const value of [0, 1, 0xa2, 0xff]) {
          const damaged = bytes.slice();
          damaged[at] = value;
          parsePlist(damaged, '/a');
        }
    });
  });

  it('XML of far more elements than plugins have is not read', () => {
    const text = `<?xml version="1.0"?><plist version="1.0"><dict>${'<key>a</key><string>b</string>'.repeat(30_000)}</dict></plist>`;
    const parsed = inAMoment(() => parsePlist(new TextEncoder().encode(text), '/a'));
    expect(parsed).toMatchObject({ ok: false, fault: { detail: expect.stringContaining('elements') as string } });
  });
});

describe('binaries', () => {
  it('a name without an end is cut, and looked through no further', () => {
    const bytes = new Uint8Array(4_000_000).fill(65);
    inAMoment(() => {
      for (let at = 0; at < 200_000; at++) zeroEnded(bytes, at);
    });
    expect(zeroEnded(bytes, 0)).toHaveLength(64);
    expect(zeroEnded(Uint8Array.from([65, 66, 0, 67]), 0)).toBe('AB');
    expect(zeroEnded(Uint8Array.from([65, 66]), 0)).toBeNull();
  });

  it('an ELF file whose tables claim to be endless reads no more than some megabytes', async () => {
    const head = new Uint8Array(4096).fill(0xff);
    head.set([0x7f, 0x45, 0x4c, 0x46, 2, 1, 1]);
    let read = 0;
    const began = performance.now();
    await readElf(head, (_offset, length) => {
      read += length;
      return Promise.resolve(new Uint8Array(Math.min(length, 1_000_000)).fill(0xff));
    });
    expect(read).toBeLessThan(64 * 1024 * 1024);
    expect(performance.now() - began).toBeLessThan(A_MOMENT_MS);
  });
});

describe('caps', () => {
  const build = unknownFacts('VST3', '/a.vst3', 'a');

  it('texts are cut at no half character, and without what is no text', () => {
    expect(truncateText('Plate', 200)).toBe('Plate');
    expect(truncateText('a\0b\uD800c', 200)).toBe('ab\uFFFDc');
    expect(truncateText('𝄞'.repeat(200), 100)).toMatch(/^(𝄞)+…$/u);
    fc.assert(
      fc.property(fc.string({ unit: 'binary', maxLength: 300 }), fc.integer({ min: 2, max: 120 }), (text, most) => {
        const capped = truncateText(text, most);
        expect(capped.length).toBeLessThanOrEqual(most);
        expect(() => encodeURIComponent(capped)).not.toThrow();
        expect(truncateText(capped, most)).toBe(capped);
      }),
      { seed: 14 },
    );
  });

  it('two long keys stay two, a short one stays itself, and a path fits into an index', () => {
    const long = 'urn:'.padEnd(5000, 'x');
    expect(cappedKey('urn:plate')).toBe('urn:plate');
    expect(cappedKey(`${long}1`)).not.toBe(cappedKey(`${long}2`));
    expect(cappedKey(long).length).toBe(400);
    expect(new TextEncoder().encode(cappedPath(`/${'谷'.repeat(3000)}`)).length).toBeLessThan(2000);
  });

  it('a name of 3,000 signs, a vendor of 50,000 letters and seven megabytes of a parser’s words become what can be shown', () => {
    const capped = cappedBuild({
      ...build,
      name: '谷'.repeat(3000),
      vendor: 'x'.repeat(50_000),
      printed: 'y'.repeat(9e6),
    });
    expect([capped.name.length, capped.vendor?.length, capped.printed?.length]).toEqual([200, 200, 2000]);
    const fault = new Graph().add(`<urn:a> <urn:b> "${'x'.repeat(7_000_000)}`, 'urn:', '/a');
    const reading = cappedReading({ builds: [], faults: fault === null ? [] : [fault] }, '/a');
    expect(reading.faults[0]?.detail?.length ?? 0).toBeLessThanOrEqual(400);
  });

  it('a place of 20,000 plugins keeps the first thousand, and says how many there were', () => {
    const reading = cappedReading({ builds: Array.from({ length: 20_000 }, () => build), faults: [] }, '/a');
    expect(reading.builds).toHaveLength(MAX_BUILDS);
    expect(reading.faults).toEqual([{ code: 'too-many-plugins', path: '/a', detail: '20000, of which 1000 are kept' }]);
  });

  it('so do problems and presets', () => {
    const faults = Array.from({ length: 80 }, (): Fault => ({ code: 'json-broken', path: '/a' }));
    const preset = { key: 'k', name: 'Hall', bank: null, appliesTo: 'x' };
    const reading = cappedReading({ builds: [], faults, presets: new Array<FoundPreset>(20_001).fill(preset) }, '/a');
    expect(reading.faults).toHaveLength(52);
    expect(reading.faults.slice(0, 2).map((one) => [one.code, one.detail])).toEqual([
      ['more-than-kept', 'problems: 80, of which 50 are kept'],
      ['more-than-kept', 'presets: 20001, of which 20000 are kept'],
    ]);
  });
});
