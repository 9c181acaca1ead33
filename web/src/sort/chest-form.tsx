import { useId, useState, type SubmitEvent } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import Modal from 'react-bootstrap/Modal';
import type { ChestBasis } from '@clever-drawer/core/chests/work-out-chest';

/** How a new chest begins: empty, or worked out from the catalogue. */
export type ChestStart = 'empty' | ChestBasis;

const STARTS: readonly { readonly start: ChestStart; readonly label: string; readonly name: string }[] = [
  { start: 'empty', label: 'Empty', name: 'Everyday' },
  { start: 'type', label: 'A drawer for each type, types of a family together', name: 'By type' },
  { start: 'vendor', label: 'A drawer for each vendor', name: 'By vendor' },
  { start: 'format', label: 'A drawer for each format', name: 'By format' },
];

interface Props {
  /** The name to change; null makes a new chest. */
  readonly rename: string | null;
  readonly done: (name: string, start: ChestStart) => void;
  readonly close: () => void;
}

/** Name of a chest, and for a new one what it begins with. */
export function ChestForm({ rename, done, close }: Props) {
  const [start, setStart] = useState<ChestStart>('empty');
  const [typed, setName] = useState<string | null>(rename);
  const id = useId();
  const name = typed ?? STARTS.find((one) => one.start === start)?.name ?? '';
  const submit = (event: SubmitEvent): void => {
    event.preventDefault();
    if (name.trim() !== '') done(name.trim(), start);
  };
  return (
    <Modal show onHide={close} aria-labelledby={`${id}-title`}>
      <Form onSubmit={submit} noValidate>
        <Modal.Header closeButton>
          <Modal.Title id={`${id}-title`}>{rename === null ? 'New chest' : 'Rename the chest'}</Modal.Title>
        </Modal.Header>
        <Modal.Body>
          {rename === null && (
            <fieldset className="mb-3">
              <legend className="form-label">Begins</legend>
              {STARTS.map((one) => (
                <Form.Check
                  key={one.start}
                  type="radio"
                  name={`${id}-start`}
                  id={`${id}-${one.start}`}
                  label={one.label}
                  checked={start === one.start}
                  onChange={() => setStart(one.start)}
                />
              ))}
            </fieldset>
          )}
          <Form.Group controlId={`${id}-name`}>
            <Form.Label>Name</Form.Label>
            <Form.Control
              value={name}
              maxLength={120}
              autoFocus
              autoComplete="off"
              isInvalid={name.trim() === ''}
              onChange={(event) => setName(event.target.value)}
            />
            <Form.Control.Feedback type="invalid">Give the chest a name.</Form.Control.Feedback>
          </Form.Group>
        </Modal.Body>
        <Modal.Footer>
          <Button variant="outline-primary" onClick={close}>
            Leave it
          </Button>
          <Button type="submit">{rename === null ? 'Make the chest' : 'Save'}</Button>
        </Modal.Footer>
      </Form>
    </Modal>
  );
}
