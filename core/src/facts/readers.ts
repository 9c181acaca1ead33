import type { Format } from './format.js';
import type { Place, Reading } from './place.js';
import { readAu } from './read-au.js';
import { readBinaryFile } from './read-binary-file.js';
import { readLv2 } from './read-lv2.js';
import { readMacBundle } from './read-mac-bundle.js';
import { readAuPreset, readVst3Preset } from './read-preset.js';
import { readVst3 } from './read-vst3.js';

/** One way of reading a kind of place. To add a format, add its reader here; the page docs/readers.md walks through it. */
export interface Reader {
  /** Whether a folder or file of this name is for this reader. Names are compared without regard to case. */
  readonly takes: (name: string, isFolder: boolean) => boolean;
  /** What a folder must hold to be a bundle of this reader; without it, it may just be a folder of that name. */
  readonly mark?: string;
  readonly read: (place: Place) => Promise<Reading>;
}

const ending = (...endings: string[]) => {
  const wanted = new Set(endings);
  return (name: string): boolean => {
    // "lv2" and "~/.lv2" are folders of bundles; a bundle has a name in front of its ending.
    const point = name.lastIndexOf('.');
    return point > 0 && wanted.has(name.slice(point + 1).toLowerCase());
  };
};
const CONTENTS = 'Contents';

const bundle = (format: Format, end: string): Reader => ({
  takes: ending(end),
  mark: CONTENTS,
  read: (place) => (place.isFolder ? readMacBundle(place, format) : readBinaryFile(place, format)),
});
const folderOf = (end: string, mark: string, read: Reader['read']): Reader => ({
  takes: (name, isFolder) => isFolder && ending(end)(name),
  mark,
  read,
});

const fileOf = (end: string, read: Reader['read']): Reader => ({
  takes: (name, isFolder) => !isFolder && ending(end)(name),
  read,
});

/** What makes a folder an LV2 bundle, whatever it is called. LV2 specification, "Bundles". */
export const LV2_MANIFEST = 'manifest.ttl';
const lv2 = folderOf('lv2', LV2_MANIFEST, readLv2);

/** The readers in the order in which they are asked; the first that takes a name reads it. */
export const READERS: readonly Reader[] = [
  lv2,
  { takes: ending('vst3'), mark: CONTENTS, read: readVst3 },
  folderOf('component', CONTENTS, readAu),
  folderOf('vst', CONTENTS, (place) => readMacBundle(place, 'VST2')),
  bundle('CLAP', 'clap'),
  bundle('AAX', 'aaxplugin'),
  fileOf('vstpreset', readVst3Preset),
  fileOf('aupreset', readAuPreset),
  {
    takes: (name, isFolder) => !isFolder && ending('dll', 'so', 'dylib')(name),
    read: (place) => readBinaryFile(place, null),
  },
];

/** A Mac leaves "._name" beside each file on foreign disks; they only look like plugins. */
export const isSideFile = (name: string): boolean => name.startsWith('._');

/** The reader for a folder or file of this name; undefined when it can be no plugin by its name. */
export const readerFor = (name: string, isFolder: boolean): Reader | undefined =>
  isSideFile(name) ? undefined : READERS.find((reader) => reader.takes(name, isFolder));

/** The reader of a place; a folder whose name tells none is an LV2 bundle for its manifest. `marked`: by its manifest and not by its name. */
export const readerOf = (name: string, isFolder: boolean, marked: boolean): Reader | undefined =>
  marked ? lv2 : readerFor(name, isFolder);
