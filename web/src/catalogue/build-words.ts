import type { BuildView } from '@clever-drawer/contract/responses';
import type { BuildKey } from '@clever-drawer/core/ids';
import { buildFor, type LoadedAt } from '@clever-drawer/core/menu/choose-build';

type DescribedBuild = Pick<BuildView, 'format' | 'version' | 'outputs' | 'architectures'>;

const BITS_32: readonly string[] = ['x86', 'arm'];

/** The width of a build: mono, stereo, or its number of audio outputs; null when unknown or without audio. */
export const widthInWords = (outputs: number | null): string | null =>
  outputs === null || outputs === 0
    ? null
    : outputs === 1
      ? 'mono'
      : outputs === 2
        ? 'stereo'
        : `${String(outputs)} outputs`;

/** "VST3 2.1.0, stereo": what tells a build from the others of its plugin. "32-bit" only where no 64-bit code is in it. */
export function buildInWords({ format, version, outputs, architectures }: DescribedBuild): string {
  const is32Bit = architectures.length > 0 && architectures.every((one) => BITS_32.includes(one));
  return [`${format}${version === null ? '' : ` ${version}`}`, widthInWords(outputs), is32Bit ? '32-bit' : null]
    .filter((word) => word !== null)
    .join(', ');
}

/** The build that a place in a drawer loads, as far as it tells it from the usual one: "mono", "VST2 1.2". Null where that is the usual build. */
export function boundInWords(
  { builds }: { readonly builds: readonly BuildView[] },
  key: BuildKey | null,
): string | null {
  if (key === null) return null;
  const usual = builds.find((build) => build.found);
  const bound = builds.find((build) => build.found && build.key === key);
  if (bound === undefined) return 'its build is not here';
  return bound === usual || usual === undefined ? null : differenceInWords(bound, usual);
}

/** A build that was loaded, as far as it tells it from the one that is usual there: "mono", "VST2 1.2". Null for that one, and where none is known. */
export function loadedInWords(
  builds: readonly BuildView[],
  loaded: BuildView | undefined,
  at: LoadedAt,
): string | null {
  const usual = buildFor(builds, at)?.build;
  return loaded === undefined || usual === undefined || loaded === usual ? null : differenceInWords(loaded, usual);
}

/** What tells a build from another one in the fewest words: its width, else format and version, else all. */
function differenceInWords(build: BuildView, other: BuildView): string {
  const width = widthInWords(build.outputs);
  if (width !== null && build.outputs !== other.outputs) return width;
  const named = ({ format, version }: BuildView): string => `${format}${version === null ? '' : ` ${version}`}`;
  return named(build) === named(other) ? buildInWords(build) : named(build);
}
