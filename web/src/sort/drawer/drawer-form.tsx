import { useId, useState } from 'react';
import Form from 'react-bootstrap/Form';
import { RULE_LIMITS } from '@clever-drawer/core/rules/condition';
import type { DrawerNameResolver } from '@clever-drawer/core/rules/drawer-names';
import { conditionInWords } from '@clever-drawer/core/rules/in-words';
import { ruleAsText, typedRule, type Rule } from '@clever-drawer/core/rules/rule';
import { ruleHint } from '@clever-drawer/core/rules/rule-hints';
import { STARTER_RULES } from '@clever-drawer/core/rules/starter-rules';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import type { ChosenCatalogue } from '../../catalogue/chosen-catalogue';
import { takeKey } from '../../keys/use-keys';
import { FormBox } from '../../parts/form-box';
import { RuleHintLine, RulePreviewLine } from '../rule/rule-hint-line';
import { RuleProblem } from '../rule/rule-problem';

interface Props {
  readonly title: string;
  readonly name: string;
  readonly rule: Rule | null;
  /** Whether the drawer is a new one, for which starter rules are offered. */
  readonly isNew?: boolean;
  /** Which field has the keyboard first. */
  readonly startsAt?: 'name' | 'rule';
  readonly drawers: DrawerNameResolver;
  readonly catalogue: ChosenCatalogue;
  readonly state: Arrangement;
  readonly done: (name: string, rule: Rule | null) => void;
  readonly close: () => void;
}

const MAX_NAME_LENGTH = 120;
/** Saving and leaving are the box's own. */
const NO_RULE_KEYS = { save: null, drop: null };

/** Name and rule of a new or a present drawer: a name, two words, Enter. */
export function DrawerForm(props: Props) {
  const { title, name: firstName, rule: firstRule, isNew = false, startsAt = 'name', drawers, done, close } = props;
  const [name, setName] = useState(firstName);
  const [first] = useState(firstRule === null ? '' : ruleAsText(firstRule, drawers));
  const [typed, setTyped] = useState(first);
  const [tried, setTried] = useState(false);
  const id = useId();
  const isRuled = typed.trim() !== '';
  const read = isRuled ? typedRule(typed, drawers) : null;
  const hint = read?.ok === true ? ruleHint(typed, drawers) : null;
  const empty = name.trim() === '';
  const submit = (): void => {
    setTried(true);
    // A rule that was left alone stays the very same, also one that can't be read.
    if (!empty && typed === first) done(name.trim(), firstRule);
    else if (!empty && read?.ok !== false) done(name.trim(), read?.rule ?? null);
  };
  return (
    <FormBox title={title} act="Save" submit={submit} close={close}>
      <Form.Group className="mb-3" controlId={`${id}-name`}>
        <Form.Label>Name</Form.Label>
        <Form.Control
          value={name}
          autoFocus={startsAt === 'name'}
          autoComplete="off"
          maxLength={MAX_NAME_LENGTH}
          isInvalid={tried && empty}
          onChange={(event) => setName(event.target.value)}
          onFocus={(event) => event.target.select()}
        />
        <Form.Control.Feedback type="invalid">Give the drawer a name.</Form.Control.Feedback>
      </Form.Group>
      <Form.Group controlId={`${id}-words`}>
        <Form.Label>Fills itself with (empty: it holds what you put in)</Form.Label>
        <Form.Control
          value={typed}
          autoFocus={startsAt === 'rule'}
          autoComplete="off"
          spellCheck={false}
          maxLength={RULE_LIMITS.characters}
          placeholder="echo, delay, slap"
          isInvalid={read?.ok === false}
          aria-describedby={`${id}-told`}
          onChange={(event) => setTyped(event.target.value)}
          onKeyDown={(event) =>
            takeKey('rule', event, { ...NO_RULE_KEYS, propose: hint === null ? null : () => setTyped(hint.rule) })
          }
        />
        {read?.ok === false ? (
          <RuleProblem id={`${id}-told`} typed={typed} problem={read.problem} take={setTyped} />
        ) : (
          <Form.Text id={`${id}-told`}>
            {read === null
              ? 'Words in the name, or fields such as type:reverb. “but not” leaves out.'
              : `Fills itself: ${conditionInWords(read.condition, drawers)}.`}
          </Form.Text>
        )}
        {hint !== null && <RuleHintLine hint={hint} take={setTyped} />}
        {read?.ok === true && (
          <RulePreviewLine condition={read.condition} catalogue={props.catalogue} state={props.state} />
        )}
      </Form.Group>
      {isNew && firstRule === null && (
        <Form.Select
          className="mt-3"
          aria-label="Starter rules"
          value=""
          onChange={(event) => {
            const starter = STARTER_RULES.find((one) => one.name === event.target.value);
            if (starter === undefined) return;
            setTyped(starter.text);
            if (empty) setName(starter.name);
          }}
        >
          <option value="">Starter rules …</option>
          {STARTER_RULES.map((one) => (
            <option key={one.name} value={one.name}>
              {one.name}: {one.text}
            </option>
          ))}
        </Form.Select>
      )}
    </FormBox>
  );
}
