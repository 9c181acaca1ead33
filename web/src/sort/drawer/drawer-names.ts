import memoizeOne from 'memoize-one';
import { TRAYS } from '@clever-drawer/core/chests/rows/tray-entry';
import { ruleInWords, type Rule } from '@clever-drawer/core/rules/rule';
import { trayName } from '@clever-drawer/core/chests/look-up';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { namedDrawers, type DrawerNameResolver } from '@clever-drawer/core/rules/drawer-names';

const namesFor = memoizeOne((drawers: Arrangement['drawer'], trayNames: Arrangement['trayName']): DrawerNameResolver =>
  namedDrawers(
    [...drawers.values()],
    TRAYS.map((tray) => ({ tray, name: trayName({ trayName: trayNames }, tray) })),
  ),
);

/** How rules speak of the studio's drawers and trays: the same object until one of them changes. */
export const drawerNames = ({
  drawer,
  trayName: names,
}: Pick<Arrangement, 'drawer' | 'trayName'>): DrawerNameResolver => namesFor(drawer, names);

const told = new WeakMap<Rule, { readonly names: DrawerNameResolver; readonly words: string }>();

/** A rule in words, put together once: a chest of thousands of drawers is drawn again and again. */
export function wordsOfRule(rule: Rule, names: DrawerNameResolver): string {
  let known = told.get(rule);
  if (known?.names !== names) told.set(rule, (known = { names, words: ruleInWords(rule, names) }));
  return known.words;
}
