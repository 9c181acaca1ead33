import type { Arrangement } from './arrangement.js';
import type { IntentKind, Wish } from './intent.js';
import type { NameOf, Plan, Planners } from './plan.js';
import { CHEST_PLANNERS } from './plan-chest.js';
import { DRAWER_PLANNERS } from './plan-drawer.js';
import { FILING_PLANNERS } from './plan-filing.js';
import { planJoin, planRelease, planSplit } from './plan-grouping.js';
import { NAME_PLANNERS } from './plan-names.js';
import { planNameVendor, planPreferBuild, planPreferBuilds, planPutRight } from './plan-put-right.js';
import { planClearSlot, planLoad, planSession } from './plan-session.js';
import { TRAY_PLANNERS } from './plan-trays.js';

const PLANNERS: Planners<IntentKind> = {
  ...CHEST_PLANNERS,
  ...DRAWER_PLANNERS,
  ...FILING_PLANNERS,
  ...TRAY_PLANNERS,
  ...NAME_PLANNERS,
  load: planLoad,
  'clear-slot': planClearSlot,
  'make-session': planSession,
  'put-right': planPutRight,
  'prefer-build': planPreferBuild,
  'prefer-builds': planPreferBuilds,
  'join-plugins': planJoin,
  'split-plugin': planSplit,
  'release-builds': planRelease,
  'name-vendor': planNameVendor,
};

/** Works out the change that an intent asks for, against the arrangement as it stands. Pure; never throws for a well-formed intent. */
export function planChange<Kind extends IntentKind>(state: Arrangement, intent: Wish<Kind>, nameOf: NameOf): Plan {
  const planner: (state: Arrangement, wish: Wish<Kind>, nameOf: NameOf) => Plan = PLANNERS[intent.kind];
  return planner(state, intent, nameOf);
}
