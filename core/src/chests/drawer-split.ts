import { SYNTH_ENGINES } from '../catalogue/synth-engine.js';
import { TYPE_IDS, TYPE_TREE, type TypeId } from '../catalogue/type-tree.js';
import { FORMATS, type Format } from '../facts/format.js';
import { compareNames, fold } from '../text/words.js';

/** By what a drawer can be split into inner drawers that follow by themselves. */
export const DRAWER_SPLITS = ['type', 'vendor', 'format', 'letter'] as const;
/** One of DRAWER_SPLITS. */
export type DrawerSplit = (typeof DRAWER_SPLITS)[number];
export const DRAWER_SPLIT_LABELS: Readonly<Record<DrawerSplit, string>> = {
  type: 'by type',
  vendor: 'by vendor',
  format: 'by format',
  letter: 'by first letter',
};

/** What splitting looks at. `name` is the name as shown in that place. */
export interface Splittable {
  readonly name: string;
  readonly vendor?: string | null;
  readonly types?: readonly TypeId[];
  readonly builds?: readonly { readonly format: Format; readonly found: boolean }[];
}

/** One of the inner drawers that a drawer is split into. `key` is the same for the same part whatever else is in the drawer. */
export interface Part<Content> {
  readonly key: string;
  readonly label: string;
  readonly contents: readonly Content[];
}

interface Spot {
  readonly key: string;
  readonly label: string;
  /** Parts stand by rank, then by label; what is not known comes last. */
  readonly rank: number;
}

const LAST = Number.MAX_SAFE_INTEGER;
const unknown = (label: string): Spot => ({ key: '', label, rank: LAST });

const SPOTS: Readonly<Record<DrawerSplit, (one: Splittable) => readonly Spot[]>> = {
  type: ({ types = [] }) => {
    const [main] = types;
    if (main === undefined) return [unknown('type unknown')];
    // Most instruments are synths: they are told apart by how they make their sound.
    const engines = main === 'synth' ? SYNTH_ENGINES.filter((engine) => types.includes(engine)) : [];
    return (engines.length > 0 ? engines : [main]).map((type) => ({
      key: type,
      label: TYPE_TREE[type].label,
      rank: TYPE_IDS.indexOf(type),
    }));
  },
  vendor: ({ vendor }) => (vendor == null ? [unknown('vendor unknown')] : [{ key: vendor, label: vendor, rank: 0 }]),
  format: ({ builds = [] }) => {
    const formats = [...new Set(builds.flatMap(({ format, found }) => (found ? format : [])))];
    return formats.length === 0
      ? [unknown('no build found')]
      : formats.map((format) => ({ key: format, label: format, rank: FORMATS.indexOf(format) }));
  },
  letter: ({ name }) => {
    const [first = ''] = fold(name).match(/[\p{L}\p{N}]/u) ?? [];
    if (first === '') return [unknown('other signs')];
    return /\p{N}/u.test(first)
      ? [{ key: '0', label: '0–9', rank: -1 }]
      : [{ key: first, label: first.toUpperCase(), rank: 0 }];
  },
};

/**
 * The inner drawers that what a drawer holds is split into, each in the drawer's order: types and formats in the order of their lists, vendors and
 * letters by name, what is not known last. A plugin stands under its main type, a synth under how it makes its sound, and under each format that was found.
 */
export function splitContents<Content extends { readonly name: string; readonly plugin: Omit<Splittable, 'name'> }>(
  contents: readonly Content[],
  by: DrawerSplit,
): Part<Content>[] {
  const parts = new Map<string, { readonly spot: Spot; readonly contents: Content[] }>();
  for (const content of contents)
    for (const spot of SPOTS[by]({ ...content.plugin, name: content.name })) {
      const part = parts.get(spot.key);
      if (part === undefined) parts.set(spot.key, { spot, contents: [content] });
      else part.contents.push(content);
    }
  return [...parts.values()]
    .sort((a, b) => a.spot.rank - b.spot.rank || compareNames(a.spot.label, b.spot.label))
    .map(({ spot, contents: own }) => ({ key: spot.key, label: spot.label, contents: own }));
}
