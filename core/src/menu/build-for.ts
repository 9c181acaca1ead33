import type { LaneWidth } from '../chests/rows/lane.js';

/** What choosing a build looks at; channels undefined or null where they are not known. */
export interface Loadable {
  readonly found: boolean;
  readonly outputs?: number | null;
}

/** The build that goes into a lane of a width, and why it is not the preferred one. */
export interface BuildFor<B> {
  readonly build: B;
  readonly because: 'preferred' | 'mono' | 'stereo';
}

/**
 * The build to load: the first in order of preference that was found, unless it is known to be for another width than the lane and another build is for
 * that one. Undefined when none was found.
 */
export function buildFor<B extends Loadable>(
  builds: readonly B[],
  width: LaneWidth | null,
  isMeant: (build: B) => boolean = () => true,
): BuildFor<B> | undefined {
  const there = builds.filter((build) => build.found && isMeant(build));
  const [preferred] = there;
  if (preferred === undefined) return undefined;
  const channels = width === 'mono' ? 1 : 2;
  if (width === null || preferred.outputs == null || preferred.outputs === channels)
    return { build: preferred, because: 'preferred' };
  const other = there.find((build) => build.outputs === channels);
  return other === undefined ? { build: preferred, because: 'preferred' } : { build: other, because: width };
}
