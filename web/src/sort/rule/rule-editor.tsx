import memoizeOne from 'memoize-one';
import { useId, useState } from 'react';
import { toast } from 'sonner';
import Form from 'react-bootstrap/Form';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { DRAWER_SORT_LABELS } from '@clever-drawer/core/chests/drawer-sort';
import { itemId } from '@clever-drawer/core/chests/item';
import { entriesIn, neversIn } from '@clever-drawer/core/chests/look-up';
import type { Drawer } from '@clever-drawer/core/chests/rows/drawer';
import type { ItemId } from '@clever-drawer/core/ids';
import { RULE_LIMITS } from '@clever-drawer/core/rules/condition';
import type { DrawerNameResolver } from '@clever-drawer/core/rules/drawer-names';
import type { Field } from '@clever-drawer/core/rules/fields';
import { ruleHint } from '@clever-drawer/core/rules/rule-hints';
import { compareNames } from '@clever-drawer/core/text/words';
import type { Changes } from '../../arrangement/changes';
import type { ChosenCatalogue } from '../../catalogue/chosen-catalogue';
import { KeyHint } from '../../keys/key-hint';
import { takeKey, type KeyHandlers } from '../../keys/use-keys';
import { PlainButton } from '../../parts/plain-button';
import { focusFront } from '../drawer/drawer-actions';
import { RuleHintLine } from './rule-hint-line';
import { RuleProblem } from './rule-problem';
import { RuleSentence } from './rule-sentence';
import type { Draft } from './use-draft';
import styles from './rule.module.css';

interface Props {
  readonly drawer: Drawer;
  readonly drawers: DrawerNameResolver;
  readonly draft: Draft;
  readonly state: Arrangement;
  readonly catalogue: ChosenCatalogue;
  readonly changes: Changes;
}

/** The rule of an open drawer, in two ways that show the same: a sentence of parts, and text. */
export function RuleEditor({ drawer, drawers, draft, state, catalogue, changes }: Props) {
  const id = useId();
  const hint = draft.isOpen && draft.problem === null ? ruleHint(draft.typed, drawers) : null;
  const handlers: KeyHandlers<'rule'> = {
    save: draft.save,
    propose: hint === null ? null : () => draft.type(hint.rule),
    // With nothing to drop it leads out of the field.
    drop: draft.isOpen ? draft.drop : () => focusFront(drawer.id),
  };
  return (
    <section className={styles.editor} aria-label={`The rule of ${drawer.name}`}>
      {draft.problem !== null && draft.condition !== null && (
        <p className="quiet">Shown below: the last rule that could be read.</p>
      )}
      {draft.condition !== null && (
        <RuleSentence
          condition={draft.condition}
          drawers={drawers}
          proposed={proposedIn(catalogue)}
          keep={draft.keep}
        />
      )}
      <Exceptions drawer={drawer} state={state} catalogue={catalogue} changes={changes} />
      <Order drawer={drawer} changes={changes} />
      <div className={styles.text}>
        <Form.Label className={styles.lead} htmlFor={`${id}-text`}>
          as text
        </Form.Label>
        <Form.Control
          id={`${id}-text`}
          size="sm"
          value={draft.typed}
          autoComplete="off"
          spellCheck={false}
          maxLength={RULE_LIMITS.characters}
          isInvalid={draft.problem !== null}
          aria-describedby={`${id}-told`}
          data-rule-text
          onChange={(event) => draft.type(event.target.value)}
          onKeyDown={(event) => takeKey('rule', event, handlers)}
        />
        {hint !== null && <RuleHintLine hint={hint} take={draft.type} />}
        {draft.problem !== null ? (
          <RuleProblem id={`${id}-told`} typed={draft.typed} problem={draft.problem} take={draft.type} />
        ) : (
          draft.isOpen && (
            <span className={styles.hint} id={`${id}-told`}>
              <PlainButton linked onClick={draft.save}>
                Save the rule
              </PlainButton>{' '}
              <KeyHint place="rule" does="save" /> · <PlainButton onClick={draft.drop}>Cancel</PlainButton>{' '}
              <KeyHint place="rule" does="drop" />
            </span>
          )
        )}
      </div>
    </section>
  );
}

/** In which order it stands, and how many the rule takes at most: "most loaded first, at most 10". */
function Order({ drawer, changes }: Pick<Props, 'drawer' | 'changes'>) {
  const [typed, setTyped] = useState<string | null>(null);
  const kept = drawer.most == null ? '' : String(drawer.most);
  const save = (): void => {
    if (typed === null) return;
    const most = typed.trim() === '' ? null : Number(typed);
    if (most !== null && !(Number.isInteger(most) && most >= 1 && most <= MAX_TAKEN)) {
      toast.warning(
        `“${typed.trim()}” is no limit. Type a whole number from 1 to ${String(MAX_TAKEN)}, or nothing for all.`,
      );
      return;
    }
    setTyped(null);
    if (most === (drawer.most ?? null)) return;
    void changes.make({ kind: 'set-most', id: drawer.id, most });
  };
  const drop = (): void => (typed === null ? focusFront(drawer.id) : setTyped(null));
  const handlers: KeyHandlers<'rule'> = { save, propose: null, drop };
  return (
    <div className={styles.side}>
      <span className={styles.lead}>order</span>
      <div className={styles.parts}>
        <span>{drawer.sort === null ? 'by hand, then by name' : DRAWER_SORT_LABELS[drawer.sort]}</span>
        <label className={styles.joined}>
          <span className="quiet">at most</span>
          <Form.Control
            size="sm"
            className={styles.number}
            inputMode="numeric"
            autoComplete="off"
            placeholder="all"
            maxLength={5}
            aria-label="At most so many by the rule"
            value={typed ?? kept}
            isInvalid={typed !== null && typed.trim() !== '' && !/^[1-9]\d{0,4}$/.test(typed.trim())}
            onChange={(event) => setTyped(event.target.value)}
            onBlur={save}
            onKeyDown={(event) => takeKey('rule', event, handlers)}
          />
        </label>
      </div>
    </div>
  );
}

const MAX_TAKEN = 32_767;
const MAX_SHOWN = 12;

/** What stands in it by hand whatever its rule says, and what never does. */
function Exceptions({ drawer, state, catalogue, changes }: Pick<Props, 'drawer' | 'state' | 'catalogue' | 'changes'>) {
  const [showsAll, setShowsAll] = useState(false);
  const always = entriesIn(state, drawer.id).map((row) => ({ id: itemId(row), how: 'always' }));
  const never = neversIn(state, drawer.id).map((row) => ({ id: itemId(row), how: 'never' }));
  const all = [...never, ...always].flatMap(({ id, how }) => {
    const plugin = catalogue.byId.get(id);
    return plugin === undefined ? [] : [{ id, how, name: plugin.name }];
  });
  if (all.length === 0) return null;
  const decide = (id: ItemId): void =>
    void changes.make({ kind: 'decide-by-rule', drawerId: drawer.id, pluginIds: [id] });
  return (
    <div className={styles.side}>
      <span className={styles.lead}>by hand</span>
      <div
        className={styles.parts}
        role="group"
        aria-label={`Exceptions by hand: ${String(always.length)} always in, ${String(never.length)} never in`}
      >
        {all.slice(0, showsAll ? undefined : MAX_SHOWN).map(({ id, how, name }) => (
          <button
            key={`${how} ${id}`}
            type="button"
            className={styles.chip}
            title={`${how} ${name}: click to let the rule decide`}
            onClick={() => decide(id)}
          >
            <span className="quiet">{how}</span> <bdi className={styles.value}>{name}</bdi> <span aria-hidden>×</span>
            <span className="visually-hidden">, let the rule decide</span>
          </button>
        ))}
        {!showsAll && all.length > MAX_SHOWN && (
          <PlainButton onClick={() => setShowsAll(true)}>and {all.length - MAX_SHOWN} more</PlainButton>
        )}
      </div>
    </div>
  );
}

/** What is proposed for fields of words. */
const proposedIn = memoizeOne(({ plugins }: ChosenCatalogue) => {
  const vendors = [...new Set(plugins.flatMap((plugin) => plugin.vendor ?? []))].sort(compareNames);
  const tags = [...new Set(plugins.flatMap((plugin) => plugin.naming?.tags ?? []))].sort(compareNames);
  return (field: Field): readonly string[] => (field === 'vendor' ? vendors : field === 'tag' ? tags : []);
});
