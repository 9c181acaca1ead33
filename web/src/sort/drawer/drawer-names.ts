import memoizeOne from 'memoize-one';
import { ruleInWords, type Rule } from '@clever-drawer/core/rules/rule';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { namedDrawers, type DrawerNames } from '@clever-drawer/core/rules/drawer-names';

/** How rules speak of the studio's drawers: the same object until a drawer changes. */
export const drawerNames: (drawers: Arrangement['drawer']) => DrawerNames = memoizeOne(
  (drawers: Arrangement['drawer']): DrawerNames => namedDrawers([...drawers.values()]),
);

const told = new WeakMap<Rule, { readonly names: DrawerNames; readonly words: string }>();

/** A rule in words, put together once: a chest of thousands of drawers is drawn again and again. */
export function wordsOfRule(rule: Rule, names: DrawerNames): string {
  let known = told.get(rule);
  if (known?.names !== names) told.set(rule, (known = { names, words: ruleInWords(rule, names) }));
  return known.words;
}
