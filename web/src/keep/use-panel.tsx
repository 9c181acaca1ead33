import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useId, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { invalidateCatalogueQueries } from '../catalogue/queries';
import { lookAtUses, NO_USES, useUses } from '../catalogue/uses';
import { call, wordsOf } from '../lib/api';
import { counted } from '../lib/counted';
import { useComputer } from '../lib/use-computer';
import { FormBox } from '../parts/form-box';
import styles from './keep.module.css';

/** What is kept of loads: a switch, and erasing all of it or what was counted from a day on. */
export function UsePanel() {
  const computer = useComputer();
  const client = useQueryClient();
  const { kept, total, since } = useUses(computer.id).data ?? NO_USES;
  const [from, setFrom] = useState('');
  const [asks, setAsks] = useState(false);
  const id = useId();
  const looked = (): void => {
    lookAtUses(client, computer.id);
    invalidateCatalogueQueries(client, computer.id);
  };
  const keep = useMutation({
    mutationFn: (on: boolean) => call('PUT /use', { body: { kept: on } }),
    onSettled: () => lookAtUses(client, computer.id),
  });
  const erase = useMutation({
    mutationFn: () => call('DELETE /uses', { query: from === '' ? {} : { from } }),
    onSettled: () => {
      setAsks(false);
      looked();
    },
  });
  return (
    <section className="panel" aria-labelledby={`${id}-title`}>
      <h2 id={`${id}-title`}>Use</h2>
      <p>
        {total === 0
          ? 'No loads have been counted on this computer yet.'
          : `${counted(total, 'load')} ${total === 1 ? 'has' : 'have'} been counted on this computer${since === null ? '' : ` since ${new Date(since).toLocaleDateString()}`}.`}{' '}
        They decide what is usual, recent and most loaded, and what rules about loads find. They are never exported.
      </p>
      <Form.Check
        type="switch"
        id={`${id}-kept`}
        label="Count loads, on all computers of the studio"
        checked={kept}
        disabled={keep.isPending}
        onChange={(event) => keep.mutate(event.target.checked)}
      />
      <div className={styles.erase}>
        <Form.Label htmlFor={`${id}-from`}>Erase loads from this day on (all without a day)</Form.Label>
        <Form.Control id={`${id}-from`} type="date" value={from} onChange={(event) => setFrom(event.target.value)} />
        <Button variant="outline-primary" onClick={() => setAsks(true)}>
          Erase …
        </Button>
        {asks && (
          <FormBox
            title="Erase counted loads"
            act="Erase"
            canAct={!erase.isPending}
            submit={() => erase.mutate()}
            close={() => setAsks(false)}
          >
            {from === '' ? 'All counted loads' : `Loads from ${from} on`} of all computers will be erased. This can’t be
            undone.
          </FormBox>
        )}
      </div>
      {(keep.isError || erase.isError) && <p role="alert">{wordsOf(keep.error ?? erase.error)}</p>}
      {erase.isSuccess && <p role="status">{counted(erase.data.loads, 'load')} erased.</p>}
    </section>
  );
}
