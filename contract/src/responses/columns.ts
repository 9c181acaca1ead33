/** What the page is answered about the catalogue: all of it, column by column. */
import { GRADES } from '@clever-drawer/core/catalogue/evidence';
import { ROLES } from '@clever-drawer/core/catalogue/role';
import { TYPE_IDS } from '@clever-drawer/core/catalogue/type-tree';
import { ARCHITECTURES, FORMATS } from '@clever-drawer/core/facts/format';
import type { BuildId, BuildKey, PluginId } from '@clever-drawer/core/ids';
import { count, flag, idOf, listOf, moment, one, thing, words, type Answer } from '../schema.js';

/**
 * The catalogue column by column, otherwise as catalogueView, half as long: the n-th values of `plugins` are those of the n-th plugin. The builds of all plugins follow each other in
 * `builds`; `buildCounts` says how many belong to each. See toColumns and fromColumns.
 */
export const catalogueColumns = thing('CatalogueColumns', {
  epoch: words(),
  revision: count(),
  firstArrival: moment().nullable(),
  plugins: thing(null, {
    id: listOf(idOf<PluginId>()),
    name: listOf(words()),
    vendor: listOf(words().nullable()),
    role: listOf(one(ROLES).nullable()),
    roleGrade: listOf(one(GRADES)),
    types: listOf(listOf(one(TYPE_IDS))),
    typeGrade: listOf(one(GRADES)),
    contradictions: listOf(listOf(words())),
    found: listOf(flag()),
    arrivedAt: listOf(words()),
    arrivedWithFolder: listOf(flag()),
    loads: listOf(count()),
    lastLoad: listOf(moment().nullable()),
    calledToo: listOf(listOf(words())),
    buildCounts: listOf(count()),
  }),
  builds: thing(null, {
    id: listOf(idOf<BuildId>()),
    key: listOf(idOf<BuildKey>()),
    format: listOf(one(FORMATS)),
    architectures: listOf(listOf(one(ARCHITECTURES))),
    version: listOf(words().nullable()),
    path: listOf(words()),
    found: listOf(flag()),
    failed: listOf(flag()),
    pictures: listOf(count()),
    outputs: listOf(count().nullable()),
    sidechain: listOf(flag()),
  }),
});
/** See catalogueColumns. */
export type CatalogueColumns = Answer<typeof catalogueColumns>;
