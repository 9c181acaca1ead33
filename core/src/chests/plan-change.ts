import type { Arrangement } from './arrangement.js';
import type { Edit } from './edit.js';
import { applyEdits, mergeEdits } from './edit.js';
import type { Intent, IntentKind, Wish } from './intent.js';
import type { Named, NameOf, Plan, Planner, Planners } from './plan.js';
import { planned, refuse, UNCHANGED } from './plan.js';
import { LOOSE_PLANNERS, refusalForLoose } from './loose.js';
import { CHAIN_PLANNERS } from './plan-chains.js';
import { CHEST_PLANNERS } from './plan-chest.js';
import { DRAWER_PLANNERS } from './plan-drawer.js';
import { FILING_PLANNERS } from './plan-filing.js';
import { GROUPING_PLANNERS } from './plan-grouping.js';
import { LEVEL_PLANNERS } from './plan-level.js';
import { MERGE_PLANNERS } from './plan-merge.js';
import { NAME_PLANNERS } from './plan-names.js';
import { OWN_ENTRY_PLANNERS } from './plan-own-entries.js';
import { CORRECTION_PLANNERS } from './plan-put-right.js';
import { LANE_PLANNERS } from './plan-lanes.js';
import { SESSION_PLANNERS } from './plan-session.js';
import { SLOT_PLANNERS } from './plan-slots.js';
import { TRAY_PLANNERS } from './plan-trays.js';

const PLANNERS: Planners<IntentKind> = {
  ...CHEST_PLANNERS,
  ...DRAWER_PLANNERS,
  ...LEVEL_PLANNERS,
  ...MERGE_PLANNERS,
  ...LOOSE_PLANNERS,
  ...FILING_PLANNERS,
  ...TRAY_PLANNERS,
  ...NAME_PLANNERS,
  ...SESSION_PLANNERS,
  ...LANE_PLANNERS,
  ...SLOT_PLANNERS,
  ...CHAIN_PLANNERS,
  ...CORRECTION_PLANNERS,
  ...GROUPING_PLANNERS,
  ...OWN_ENTRY_PLANNERS,
};

/** Steps are told by the names that the screen shows. */
const withNicknames =
  (state: Arrangement, nameOf: NameOf): NameOf =>
  (id) => {
    const given = nameOf(id);
    return given === undefined ? undefined : (state.naming.get(id)?.nickname ?? given);
  };

const plannerOf = <Kind extends IntentKind>(intent: Wish<Kind>): Planner<Kind> => PLANNERS[intent.kind];

/** Works out the change that an intent asks for, against the arrangement as it stands. Pure; never throws for a well-formed intent. */
export function planChange<Kind extends IntentKind>(state: Arrangement, intent: Wish<Kind>, nameOf: NameOf): Plan {
  const refusal = refusalForLoose(state, intent);
  return refusal === null ? plannerOf(intent).plan(state, intent, withNicknames(state, nameOf)) : refuse(refusal);
}

/** Lists the plugins, builds, files and pictures that an intent refers to. */
export const findReferences = <Kind extends IntentKind>(intent: Wish<Kind>, state: Arrangement): Named =>
  plannerOf(intent).names(intent, state);

/**
 * Plans several intents as one change with one inverse. Each intent is planned on the state that the ones before it leave. Returns the first refusal when an
 * intent can't be carried out.
 */
export function planIntents(state: Arrangement, intents: readonly Intent[], nameOf: NameOf): Plan {
  const [only] = intents;
  if (intents.length === 1 && only !== undefined) return planChange(state, only, nameOf);
  const labels: string[] = [];
  const edits: Edit[] = [];
  let now = state;
  for (const intent of intents) {
    const plan = planChange(now, intent, nameOf);
    if (!plan.ok) return plan;
    // What files are arranged for is what is told; that they became entries for it is not.
    if (intent.kind !== 'take-in-files') labels.push(plan.change.label);
    edits.push(...plan.change.edits);
    now = applyEdits(now, plan.change.edits);
  }
  const merged = mergeEdits(edits);
  return merged.length === 0 ? refuse(UNCHANGED) : planned(inOne(labels), merged);
}

function inOne(labels: readonly string[]): string {
  const [first = '', second = ''] = labels;
  if (labels.length === 1) return first;
  return labels.length === 2 ? `${first} and ${second}` : `${first}, and ${String(labels.length - 1)} more`;
}
