import { useId, useState, type ReactNode, type SubmitEvent } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import Modal from 'react-bootstrap/Modal';

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
  const submit = (event: SubmitEvent): void => {
    event.preventDefault();
    setTried(true);
    if (!missing) done(name.trim());
  };
  return (
    <Modal show onHide={close} aria-labelledby={`${id}-title`}>
      <Form onSubmit={submit} noValidate>
        <Modal.Header closeButton>
          <Modal.Title id={`${id}-title`}>{title}</Modal.Title>
        </Modal.Header>
        <Modal.Body>
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
        </Modal.Body>
        <Modal.Footer>
          <Button variant="outline-primary" onClick={close}>
            Leave it
          </Button>
          <Button type="submit">Save</Button>
        </Modal.Footer>
      </Form>
    </Modal>
  );
}
