/** The values of questions that have no ribbon of their own, or one that is shown when it is asked for. */
import { daysLeft } from '@clever-drawer/core/chests/set-aside';
import { foldersAround } from '@clever-drawer/core/facts/plugin-path';
import { facetOf, type Facet } from '@clever-drawer/core/search/narrow';
import type { ChosenCatalogue } from '../../catalogue/chosen-catalogue';
import { foldersOf } from '../list/facts-of-row';
import { ENDS_SOON, HAS_ENDED, SOON_DAYS } from './ends';
import { shared } from './facets';

/** Why each plugin is set aside, and whether that ends soon or has ended, on a day. */
export const asideFacet = ({ plugins }: ChosenCatalogue, now: Date): Facet =>
  facetOf(
    plugins.map(({ aside }): readonly string[] => {
      if (aside === null) return NO_REASON;
      const days = daysLeft(aside, now);
      return [
        aside.reason,
        ...(days !== null && days >= 0 && days <= SOON_DAYS ? [ENDS_SOON] : []),
        ...(days !== null && days < 0 ? [HAS_ENDED] : []),
      ];
    }),
  );
const NO_REASON: readonly string[] = [];

/** The folders that each plugin stands in, with all that are around them. */
export const folderFacet = ({ plugins }: ChosenCatalogue): Facet => {
  const around = new Map<string, readonly string[]>();
  const withAround = shared((folders) => [
    ...new Set(
      folders.flatMap((folder) => {
        let own = around.get(folder);
        if (own === undefined) around.set(folder, (own = foldersAround(folder)));
        return own;
      }),
    ),
  ]);
  return facetOf(plugins.map((plugin) => withAround(foldersOf(plugin))));
};
