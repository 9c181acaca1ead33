import { asId, type BuildId, type BuildKey, type ItemId, type PluginId } from '../../src/ids';
import { narrowBuilds, buildsNotPreferred } from '../../src/chests/set-aside';
import type { Intent } from '../../src/chests/intent';
import { after, build, d, p, said, start, VIEW } from './support';

const keyed = (key: string, pluginId = 'Plate 9') => ({
  id: asId<BuildId>(`build ${key}`),
  key: asId<BuildKey>(key),
  pluginId: asId<PluginId>(pluginId),
});

describe('a build that is kept', () => {
  const keep = (reason: string | null): Intent => ({ kind: 'keep-build', build: keyed('narrow'), reason });
  const kept = after(start, keep('the old album'));

  it('is kept with a reason, and no longer', () => {
    expect(kept.keptBuild.get('narrow')).toEqual({ id: 'narrow', reason: 'the old album' });
    expect(said(start, keep('the old album'))).toBe('keep a build of Plate 9, because the old album');
    expect(said(kept, keep('the old album'))).toBe('Nothing to change.');
    expect(after(kept, keep(null)).keptBuild.size).toBe(0);
    expect(said(start, { kind: 'keep-build', build: keyed('x', 'gone'), reason: 'x' })).toContain(
      'not in the catalogue',
    );
  });

  it('is named by no rule of thumb', () => {
    const plugin = { ...VIEW, builds: [build('wide', ['x86-64']), build('narrow', ['x86']), build('other', ['x86'])] };
    expect(narrowBuilds([plugin]).builds.map(({ id }) => id)).toEqual(['narrow', 'other']);
    expect(narrowBuilds([plugin], kept.keptBuild).builds.map(({ id }) => id)).toEqual(['other']);
    expect(buildsNotPreferred([plugin], kept.keptBuild).builds.map(({ id }) => id)).toEqual(['other']);
  });
});

describe('a place in a drawer', () => {
  const bind = (key: string | null, item = 'Plate 9'): Intent => ({
    kind: 'bind-entry',
    drawerId: d('S'),
    pluginId: p(item) as ItemId,
    build: key === null ? null : keyed(key),
  });

  it('loads one certain build, and the usual one again', () => {
    const bound = after(start, bind('mono'));
    expect(bound.entry.get('S/Plate 9')?.build).toBe('mono');
    expect(said(start, bind('mono'))).toBe('load one certain build of Plate 9 from Space');
    expect(said(bound, bind('mono'))).toBe('Nothing to change.');
    expect(after(bound, bind(null)).entry.get('S/Plate 9')?.build).toBeNull();
    expect(said(start, { ...bind('mono'), drawerId: d('gone') } as Intent)).toContain('not there any more');
    const out = after(start, { kind: 'take-out', drawerId: d('S'), pluginIds: [p('Echo')] });
    expect(said(out, bind('mono', 'Echo'))).toContain('file it there first, then choose a build');
    // Its build goes along when it is moved in the drawer.
    const moved = after(bound, {
      kind: 'place',
      drawerId: d('S'),
      pluginIds: [p('Plate 9')],
      dividerIds: [],
      before: null,
    });
    expect(moved.entry.get('S/Plate 9')?.build).toBe('mono');
  });
});

describe('a note on a vendor', () => {
  const link = 'https://lintel.example/downloads';
  const note = (text: string | null, to: string | null = link): Intent => ({
    kind: 'note-vendor',
    vendor: 'Lintel',
    note: text,
    link: to,
  });

  it('is written, and deleted when nothing of it is left', () => {
    const noted = after(start, note('by post only'));
    expect(noted.vendorNote.get('Lintel')).toEqual({ id: 'Lintel', note: 'by post only', link });
    expect(said(noted, note('by post only'))).toBe('Nothing to change.');
    expect(said(noted, note(null, null))).toBe('delete the note on Lintel');
    expect(after(noted, note(null, null)).vendorNote.size).toBe(0);
  });

  it('goes along with the vendor to another name, unless that has one', () => {
    const rename: Intent = { kind: 'name-vendor', spellings: ['Lintel'], name: 'Lintel DSP', apart: false };
    const noted = after(start, note('by post only'));
    expect([...after(noted, rename).vendorNote.keys()]).toEqual(['Lintel DSP']);
    const both = after(noted, { kind: 'note-vendor', vendor: 'Lintel DSP', note: 'mine', link: null }, rename);
    expect(both.vendorNote.get('Lintel DSP')).toMatchObject({ note: 'mine' });
    expect(both.vendorNote.has('Lintel')).toBe(true);
  });
});
