import { useId, useState, type ReactNode } from 'react';
import Form from 'react-bootstrap/Form';
import { FormBox } from './form-box';

const NAME_LENGTH = 120;

/** Asks for one name. With `mayBeEmpty` nothing is an answer too. */
export function NameBox({
  title,
  label,
  first,
  mayBeEmpty = false,
  longest = NAME_LENGTH,
  hint,
  done,
  close,
}: {
  title: string;
  label: string;
  first: string;
  mayBeEmpty?: boolean;
  longest?: number;
  hint?: ReactNode;
  done: (name: string) => void;
  close: () => void;
}) {
  const [name, setName] = useState(first);
  const [tried, setTried] = useState(false);
  const id = useId();
  const missing = !mayBeEmpty && name.trim() === '';
  const submit = (): void => {
    setTried(true);
    if (!missing) done(name.trim());
  };
  return (
    <FormBox title={title} act="Save" submit={submit} close={close}>
      <Form.Group controlId={`${id}-name`}>
        <Form.Label>{label}</Form.Label>
        <Form.Control
          value={name}
          autoFocus
          autoComplete="off"
          maxLength={longest}
          isInvalid={tried && missing}
          onChange={(event) => setName(event.target.value)}
          onFocus={(event) => event.target.select()}
        />
        <Form.Control.Feedback type="invalid">Give it a name.</Form.Control.Feedback>
        {hint !== undefined && <Form.Text>{hint}</Form.Text>}
      </Form.Group>
    </FormBox>
  );
}
