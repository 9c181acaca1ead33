import { useState, type SubmitEvent } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { useComputer } from '../lib/use-computer';
import { useRename } from './use-scan';
import { PlainButton } from '../parts/plain-button';
import styles from './intake.module.css';

const MAX_NAME_LENGTH = 120;

/** The name of the computer at hand, as it stands at the top of every place, and a way to change it. */
export function ComputerName() {
  const { name } = useComputer();
  const [draft, setDraft] = useState<string | null>(null);
  const rename = useRename();
  if (draft === null) {
    return (
      <p className={styles.computerName}>
        Computer: <b>{name}</b>
        <PlainButton onClick={() => setDraft(name)}>Rename</PlainButton>
      </p>
    );
  }
  const submit = (event: SubmitEvent): void => {
    event.preventDefault();
    if (draft.trim() !== '') rename.mutate(draft.trim(), { onSuccess: () => setDraft(null) });
  };
  return (
    <Form className={styles.computerName} onSubmit={submit} noValidate>
      <Form.Control
        size="sm"
        aria-label="Name of the computer"
        value={draft}
        maxLength={MAX_NAME_LENGTH}
        autoFocus
        autoComplete="off"
        isInvalid={draft.trim() === ''}
        onChange={(event) => setDraft(event.target.value)}
        onFocus={(event) => event.target.select()}
        onKeyDown={(event) => event.key === 'Escape' && setDraft(null)}
      />
      <Button type="submit" size="sm" disabled={draft.trim() === '' || rename.isPending}>
        Save
      </Button>
    </Form>
  );
}
