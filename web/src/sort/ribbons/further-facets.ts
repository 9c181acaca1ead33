/** The values of questions that have no ribbon of their own, or one that is shown when it is asked for. */
import { daysLeft } from '@clever-drawer/core/chests/set-aside';
import { foldersAround } from '@clever-drawer/core/facts/plugin-path';
import { facetOf, type Facet } from '@clever-drawer/core/search/narrow';
import type { ChosenCatalogue } from '../../catalogue/chosen-catalogue';
import type { Question } from '../find/use-sort-view';
import { bitsOf, foldersOf, widthsOf } from '../list/facts-of-row';
import { ENDS_SOON, HAS_ENDED, SOON_DAYS } from './ends';
import { NOT_KNOWN, NOTHING_ASKED, shared } from './facets';

/** The questions that have bands only where these are asked for: of the builds, and of what is set aside. */
export const FURTHER_QUESTIONS = ['width', 'bits', 'aside'] as const satisfies readonly Question[];
type FurtherFacets = Readonly<Record<(typeof FURTHER_QUESTIONS)[number], Facet>>;

/** Their values, on a day. */
export const furtherFacets = (catalogue: ChosenCatalogue, now: Date): FurtherFacets => ({
  width: facetOf(catalogue.plugins.map((plugin) => orUnknown(widthsOf(plugin)))),
  bits: facetOf(catalogue.plugins.map((plugin) => orUnknown(bitsOf(plugin)))),
  aside: asideFacet(catalogue, now),
});

/** The same while nobody asks. */
export const NO_FURTHER: FurtherFacets = { width: NOTHING_ASKED, bits: NOTHING_ASKED, aside: NOTHING_ASKED };

const orUnknown = shared((values) => (values.length === 0 ? [NOT_KNOWN] : [...values]));

/** Why each plugin is set aside, and whether that ends soon or has ended, on a day. */
const asideFacet = ({ plugins }: ChosenCatalogue, now: Date): Facet =>
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
