import { byPreference } from '@clever-drawer/core/catalogue/preference';
import type { BuildView } from '@clever-drawer/contract/responses';

/** Builds still there before those that are gone, each part in the standard order of preference. */
export const inOrder = <B extends Pick<BuildView, 'format' | 'architectures' | 'version' | 'path' | 'found'>>(
  builds: readonly B[],
): B[] => [
  ...byPreference(builds.filter((build) => build.found)),
  ...byPreference(builds.filter((build) => !build.found)),
];
