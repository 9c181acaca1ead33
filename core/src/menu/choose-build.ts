import type { LaneWidth } from '../chests/rows/lane.js';

/** What choosing a build looks at; channels undefined or null where they are not known. */
export interface Loadable {
  readonly found: boolean;
  readonly outputs?: number | null;
  /** Whether it is known to take a sidechain. */
  readonly sidechain?: boolean;
}

/** Where a build is to be loaded. A width of null is not known. */
export interface LoadedAt {
  readonly width: LaneWidth | null;
  /** Whether a sidechain is fed there. */
  readonly sidechain?: boolean;
}

/** The build that goes into a lane of a width, and why it is not the preferred one. */
export interface BuildFor<B> {
  readonly build: B;
  readonly because: 'preferred' | 'mono' | 'stereo' | 'sidechain';
}

/**
 * The build to load: the first in order of preference that was found. Where a sidechain is fed and it is not known to take one, the first that does; where
 * it is known to be for another width than the lane, the first that is for that one. Undefined when none was found.
 */
export function buildFor<B extends Loadable>(
  builds: readonly B[],
  { width, sidechain = false }: LoadedAt,
  isMeant: (build: B) => boolean = () => true,
): BuildFor<B> | undefined {
  const there = builds.filter((build) => build.found && isMeant(build));
  const [preferred] = there;
  if (preferred === undefined) return undefined;
  const fed = sidechain ? there.filter((build) => build.sidechain === true) : [];
  const [first = preferred] = fed;
  const channels = width === 'mono' ? 1 : 2;
  const isOfWidth = (build: B): boolean => width === null || build.outputs === channels;
  const other = first.outputs == null ? undefined : (fed.length > 0 ? fed : there).find(isOfWidth);
  const build = isOfWidth(first) ? first : (other ?? first);
  if (build === preferred) return { build, because: 'preferred' };
  return { build, because: fed.length > 0 || width === null ? 'sidechain' : width };
}
