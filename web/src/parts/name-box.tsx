import { useId, useState, type ReactNode } from 'react';
import Form from 'react-bootstrap/Form';
import { MAX_NAME_LENGTH } from '@clever-drawer/core/chests/rows/row-kind';
import { FormBox } from './form-box';
import { PlainButton } from './plain-button';

/** What a name means where it is asked for. */
export interface NameCheck {
  /** Why the name can't be taken, as a sentence; nothing is saved then. */
  readonly problem?: string;
  /** What saving it does besides, as a sentence. */
  readonly note?: string;
  /** What the button says instead of "Save". */
  readonly act?: string;
}

interface Props {
  readonly title: string;
  readonly label: string;
  readonly first: string;
  readonly mayBeEmpty?: boolean;
  readonly longest?: number;
  readonly hint?: ReactNode;
  /** Judges the trimmed name while it is typed. */
  readonly check?: (name: string) => NameCheck;
  readonly done: (name: string) => void;
  /** What else can be done than to save the name. */
  readonly also?: { readonly words: string; readonly act: () => void };
  readonly close: () => void;
}

const NO_CHECK = (): NameCheck => ({});

/** Asks for one name. With `mayBeEmpty` nothing is an answer too. */
export function NameBox(props: Props) {
  const {
    title,
    label,
    first,
    mayBeEmpty = false,
    longest = MAX_NAME_LENGTH,
    hint,
    check = NO_CHECK,
    also,
    done,
    close,
  } = props;
  const [typed, setTyped] = useState(first);
  const [tried, setTried] = useState(false);
  const id = useId();
  const name = typed.trim();
  const missing = !mayBeEmpty && name === '';
  const { problem, note, act = 'Save' } = check(name);
  const submit = (): void => {
    setTried(true);
    if (!missing && problem === undefined) done(name);
  };
  return (
    <FormBox
      title={title}
      act={act}
      submit={submit}
      close={close}
      also={also !== undefined && <PlainButton onClick={also.act}>{also.words}</PlainButton>}
    >
      <Form.Group controlId={`${id}-name`}>
        <Form.Label>{label}</Form.Label>
        <Form.Control
          value={typed}
          autoFocus
          autoComplete="off"
          maxLength={longest}
          isInvalid={problem !== undefined || (tried && missing)}
          onChange={(event) => setTyped(event.target.value)}
          onFocus={(event) => event.target.select()}
        />
        <Form.Control.Feedback type="invalid">{problem ?? 'Give it a name.'}</Form.Control.Feedback>
        {note !== undefined && (
          <p className="flag" role="status">
            {note}
          </p>
        )}
        {hint !== undefined && <Form.Text>{hint}</Form.Text>}
      </Form.Group>
    </FormBox>
  );
}
