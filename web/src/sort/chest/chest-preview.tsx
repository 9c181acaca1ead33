import { useMemo } from 'react';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { contentsOf } from '@clever-drawer/core/chests/drawer-contents';
import { DRAWER_SPLIT_LABELS } from '@clever-drawer/core/chests/drawer-split';
import { foldersWithin } from '@clever-drawer/core/chests/folders-within';
import { countIn, type DrawerPlan } from '@clever-drawer/core/chests/lay-out-drawers';
import { drawersOfChest } from '@clever-drawer/core/chests/look-up';
import { planDrawers } from '@clever-drawer/core/chests/work-out-chest';
import { useRuled } from '../../arrangement/rules/use-ruled';
import type { ChosenCatalogue } from '../../catalogue/chosen-catalogue';
import { counted } from '../../lib/counted';
import { formatsOf } from '../ribbons/facets';
import type { WorkedOut } from './new-chest';
import styles from './chest.module.css';

const PREVIEWED = 12;

/** What working a chest out would give. */
export function ChestPreview({
  state,
  catalogue,
  start: { by, most, inner, without, follows },
}: {
  state: Arrangement;
  catalogue: ChosenCatalogue;
  start: WorkedOut;
}) {
  const ruled = useRuled(catalogue, state);
  const plans = useMemo(() => {
    const filed = new Set(
      (without === null ? [] : drawersOfChest(state, without)).flatMap((drawer) =>
        contentsOf(state, catalogue.byId, drawer, ruled).plugins.map((content) => content.plugin.id),
      ),
    );
    const here = catalogue.plugins
      .filter((plugin) => plugin.found && plugin.aside === null && !filed.has(plugin.id))
      .map((plugin) => ({
        ...plugin,
        formats: formatsOf(plugin) as never,
        folders: foldersWithin(plugin.builds, state),
      }));
    return planDrawers(here, { by, most, inner, follows });
  }, [state, catalogue, by, most, inner, without, follows, ruled]);
  const drawers = count(plans);
  const total = new Set(filedIn(plans)).size;
  if (total === 0 && !follows)
    return <p className="quiet">That chest holds everything already; nothing is left for this one.</p>;
  return (
    <section className={styles.preview} aria-label="Preview">
      <h3>
        {counted(drawers, 'drawer')}
        {follows ? ', which follow as plugins come and go' : `, ${counted(total, 'plugin')}`}
      </h3>
      <ul>
        {plans.slice(0, PREVIEWED).map((plan) => (
          <li key={plan.name}>
            <bdi>{plan.name}</bdi>{' '}
            <span className="quiet mono">
              {follows ? ruleOfPlan(plan) : countIn([plan])}
              {plan.inner.length > 0 && ` in ${String(plan.inner.length)} inner`}
            </span>
          </li>
        ))}
        {plans.length > PREVIEWED && <li className="quiet">and {plans.length - PREVIEWED} more</li>}
      </ul>
    </section>
  );
}

/** What a drawer that follows takes, in few words; nothing for one that only holds inner drawers. */
function ruleOfPlan({ rule, split }: DrawerPlan): string {
  if (rule?.kind !== 'written') return '';
  if (rule.text.startsWith('NOT ')) return 'the rest';
  return split == null ? rule.text : `${rule.text}, split ${DRAWER_SPLIT_LABELS[split]}`;
}

const count = (plans: readonly DrawerPlan[]): number => plans.reduce((sum, plan) => sum + 1 + count(plan.inner), 0);
const filedIn = (plans: readonly DrawerPlan[]): string[] =>
  plans.flatMap((plan) => [
    ...plan.lines.flatMap((line) => ('pluginId' in line ? [line.pluginId] : [])),
    ...filedIn(plan.inner),
  ]);
