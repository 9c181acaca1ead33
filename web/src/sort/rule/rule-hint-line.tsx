import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { asId, type DrawerId } from '@clever-drawer/core/ids';
import type { Condition } from '@clever-drawer/core/rules/condition';
import type { RuleHint } from '@clever-drawer/core/rules/rule-hints';
import { useAskedFor, useLook, useRuled } from '../../arrangement/rules/use-ruled';
import type { ChosenCatalogue } from '../../catalogue/chosen-catalogue';
import { KeyHint } from '../../keys/key-hint';
import { counted } from '../../lib/counted';
import { PlainButton } from '../../parts/plain-button';
import styles from './rule.module.css';

/** What a rule may have been meant to say; a click or a key takes it. */
export function RuleHintLine({ hint, take }: { readonly hint: RuleHint; readonly take: (rule: string) => void }) {
  return (
    <div className={styles.hint} role="status">
      {hint.words}{' '}
      <PlainButton linked onClick={() => take(hint.rule)}>
        Use it
      </PlainButton>{' '}
      <KeyHint place="rule" does="propose" />
    </div>
  );
}

const MAX_SHOWN = 5;
/** A drawer that is not there yet. */
const NEW = asId<DrawerId>('new drawer');

/** How many plugins a new rule finds, and the first of them. */
export function RulePreviewLine({
  condition,
  catalogue,
  state,
}: {
  readonly condition: Condition;
  readonly catalogue: ChosenCatalogue;
  readonly state: Arrangement;
}) {
  useAskedFor(condition);
  const ruled = useRuled(catalogue, state);
  const { answer, isCurrent } = useLook(NEW, condition, ruled);
  if (answer === null || !isCurrent)
    return (
      <p className="quiet" role="status">
        counting …
      </p>
    );
  const names = answer.taken.slice(0, MAX_SHOWN).map((id) => catalogue.byId.get(id)?.name ?? '');
  const more = answer.taken.length - names.length;
  return (
    <p className="quiet" role="status">
      Finds {counted(answer.taken.length, 'plugin')}
      {names.length > 0 && ': '}
      <bdi>{names.join(', ')}</bdi>
      {more > 0 && ` and ${String(more)} more`}
    </p>
  );
}
