import { useId, type KeyboardEvent, type ReactNode, type SubmitEvent } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import Modal from 'react-bootstrap/Modal';
import { takeKey } from '../keys/use-keys';
import { FieldFocus } from './field-focus';

/** A box with a form: a title, fields, and two ways out. */
export function FormBox({
  title,
  act,
  canAct = true,
  size,
  className,
  also,
  submit,
  close,
  children,
}: {
  title: ReactNode;
  /** What the button says that does it. */
  act: string;
  canAct?: boolean;
  size?: 'lg';
  className?: string;
  /** What else can be done, before the two ways out. */
  also?: ReactNode;
  submit: () => void;
  close: () => void;
  children: ReactNode;
}) {
  const id = useId();
  const onSubmit = (event: SubmitEvent): void => {
    event.preventDefault();
    submit();
  };
  const onKeyDown = (event: KeyboardEvent<HTMLFormElement>): void => {
    const { target, currentTarget } = event;
    // A choice of several opens by Space; in a text of several lines Enter is a line.
    const isChoice = target instanceof HTMLSelectElement;
    const saves = (): void => currentTarget.requestSubmit();
    takeKey('form', event, { save: isChoice && canAct ? saves : null, saveText: canAct ? saves : null });
  };
  return (
    <Modal show onHide={close} {...(size === undefined ? {} : { size })} aria-labelledby={id}>
      <Form onSubmit={onSubmit} onKeyDown={onKeyDown} noValidate>
        <Modal.Header closeButton>
          <Modal.Title id={id}>{title}</Modal.Title>
        </Modal.Header>
        <Modal.Body className={className}>
          {children}
          <FieldFocus />
        </Modal.Body>
        <Modal.Footer>
          {also}
          <Button variant="outline-primary" onClick={close}>
            Cancel
          </Button>
          <Button type="submit" disabled={!canAct}>
            {act}
          </Button>
        </Modal.Footer>
      </Form>
    </Modal>
  );
}
