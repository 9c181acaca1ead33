import { useId, type ReactNode, type SubmitEvent } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import Modal from 'react-bootstrap/Modal';

/** A box with a form: a title, fields, and two ways out. */
export function FormBox({
  title,
  act,
  canAct = true,
  size,
  className,
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
  submit: () => void;
  close: () => void;
  children: ReactNode;
}) {
  const id = useId();
  const onSubmit = (event: SubmitEvent): void => {
    event.preventDefault();
    submit();
  };
  return (
    <Modal show onHide={close} {...(size === undefined ? {} : { size })} aria-labelledby={id}>
      <Form onSubmit={onSubmit} noValidate>
        <Modal.Header closeButton>
          <Modal.Title id={id}>{title}</Modal.Title>
        </Modal.Header>
        <Modal.Body className={className}>{children}</Modal.Body>
        <Modal.Footer>
          <Button variant="outline-primary" onClick={close}>
            Leave it
          </Button>
          <Button type="submit" disabled={!canAct}>
            {act}
          </Button>
        </Modal.Footer>
      </Form>
    </Modal>
  );
}
