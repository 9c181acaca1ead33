import { ROLE_LABELS, ROLES } from '../catalogue/role.js';
import type { FamilyId } from '../catalogue/type-tree.js';
import { FAMILIES, familyOf, TYPE_IDS, TYPE_TREE } from '../catalogue/type-tree.js';
import { FORMATS } from '../facts/format.js';
import type { Condition } from '../rules/condition.js';
import type { ValueField } from '../rules/fields.js';
import { ruleOf } from '../rules/rule.js';
import { byFolder, UNKNOWN, type ChestBasis, type Group, type InnerBasis, type Sorted } from './chest-groups.js';
import type { DrawerSplit } from './drawer-split.js';
import type { DrawerPlan } from './lay-out-drawers.js';

/** The drawers of a chest that follows: one by rule for each group there is now, and a last one for what none of these takes, also later. */
export function followingDrawers(
  sorted: readonly Sorted[],
  by: ChestBasis,
  most: number | null,
  inner: InnerBasis,
): DrawerPlan[] {
  const rest = (name: string, taken: readonly Condition[]): DrawerPlan[] =>
    taken.length === 0 ? [] : [drawerBy(name, { kind: 'not', of: { kind: 'any', of: taken } })];
  if (by === 'vendor' || by === 'role-and-type') {
    const split = by === 'vendor' ? 'vendor' : 'type';
    const roles = ROLES.map((role) => is('role', role));
    return [
      ...ROLES.map((role) => drawerBy(ROLE_LABELS[role], is('role', role), split)),
      ...rest(UNKNOWN['role-and-type'], roles),
    ];
  }
  if (by === 'folder') {
    const groups = byFolder(sorted);
    return [
      ...groups.map((one) => folderDrawer(one, [])),
      ...rest(
        'other folders',
        groups.map((one) => inFolder([one.name])),
      ),
    ];
  }
  const innerSplit = inner === 'letters' ? 'letter' : inner;
  const drawer = (name: string, takes: Condition, isHeld: (one: Sorted) => boolean): DrawerPlan =>
    drawerBy(name, takes, most !== null && sorted.filter(isHeld).length > most ? innerSplit : null);
  if (by === 'format') {
    const there = FORMATS.filter((format) => sorted.some((one) => one.formats.includes(format)));
    return [
      ...there.map((format) => drawer(format, is('format', format), (one) => one.formats.includes(format))),
      ...rest(
        'other formats',
        there.map((format) => is('format', format)),
      ),
    ];
  }
  const there = TYPE_IDS.filter((type) => sorted.some((one) => one.types.includes(type)));
  const families = (Object.keys(FAMILIES) as FamilyId[]).flatMap((family): DrawerPlan[] => {
    const own = there
      .filter((type) => familyOf(type) === family)
      .map((type) => drawer(TYPE_TREE[type].label, is('type', type), (one) => one.types.includes(type)));
    return own.length <= 1 ? own : [{ name: FAMILIES[family], rule: null, sort: null, lines: [], inner: own }];
  });
  return [
    ...families,
    ...rest(
      'other types',
      there.map((type) => is('type', type)),
    ),
  ];
}

const is = (field: ValueField, value: string): Condition => ({ kind: 'value', field, value, grade: null });

const inFolder = (names: readonly string[]): Condition => ({
  kind: 'words',
  field: 'folder',
  words: names.join('/'),
  match: 'whole',
});

const drawerBy = (name: string, takes: Condition, split: DrawerSplit | null = null): DrawerPlan => ({
  name,
  rule: ruleOf(takes),
  sort: null,
  split,
  lines: [],
  inner: [],
});

function folderDrawer({ name, inner }: Group, around: readonly string[]): DrawerPlan {
  const path = [...around, name];
  return { ...drawerBy(name, inFolder(path)), inner: inner.map((one) => folderDrawer(one, path)) };
}
