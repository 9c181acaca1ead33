import { useId, useState } from 'react';
import Form from 'react-bootstrap/Form';
import { FormBox } from '../../parts/form-box';
import { keywordRule, ruleInWords, type Rule } from '@clever-drawer/core/rules/rule';

interface Props {
  readonly title: string;
  readonly name: string;
  readonly rule: Rule | null;
  readonly done: (name: string, rule: Rule | null) => void;
  readonly close: () => void;
}

const NAME_LENGTH = 120;

/** Name and keywords of a new or a present drawer. */
export function DrawerForm({ title, name: firstName, rule: firstRule, done, close }: Props) {
  const [name, setName] = useState(firstName);
  const [words, setWords] = useState(firstRule?.words.join(', ') ?? '');
  const [tried, setTried] = useState(false);
  const id = useId();
  const rule = keywordRule(words);
  const empty = name.trim() === '';
  const submit = (): void => {
    setTried(true);
    if (!empty) done(name.trim(), rule);
  };
  return (
    <FormBox
      title={title}
      act="Save"

      submit={submit}
      close={close}
    >
      <Form.Group className="mb-3" controlId={`${id}-name`}>
        <Form.Label>Name</Form.Label>
        <Form.Control
          value={name}
          autoFocus
          autoComplete="off"
          maxLength={NAME_LENGTH}
          isInvalid={tried && empty}
          onChange={(event) => setName(event.target.value)}
          onFocus={(event) => event.target.select()}
        />
        <Form.Control.Feedback type="invalid">Give the drawer a name.</Form.Control.Feedback>
      </Form.Group>
      <Form.Group controlId={`${id}-words`}>
        <Form.Label>Keywords, separated by commas (empty: it holds what you put in)</Form.Label>
        <Form.Control
          value={words}
          autoComplete="off"
          placeholder="echo, delay, slap"
          onChange={(event) => setWords(event.target.value)}
        />
        <Form.Text>
          {rule === null
            ? 'With keywords the drawer fills itself. They fit whole words and beginnings of words.'
            : `Fills itself: ${ruleInWords(rule)}. “eq” fits “Copper EQ”, not “Sequencer”.`}
        </Form.Text>
      </Form.Group>
    </FormBox>
  );
}
