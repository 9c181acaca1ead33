import { useState, type SubmitEvent } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import type { VendorView } from '@clever-drawer/contract/responses';
import { useVendors } from '../catalogue/queries';
import { VendorNote } from '../boxes/vendor-note';
import { useArrangement } from '../arrangement/arrangement-query';
import { useChanges } from '../arrangement/changes';
import { useComputer } from '../lib/use-computer';
import { PlainButton } from '../parts/plain-button';
import styles from './intake.module.css';

/** Vendors with several spellings, and a way to join two vendors or keep two spellings apart. */
export function VendorPanel() {
  const computer = useComputer();
  const vendors = useVendors(computer.id).data ?? [];
  const [all, showAll] = useState(false);
  if (vendors.length === 0) return null;
  const several = vendors.filter((one) => one.spellings.length > 1 || one.spellings.some((name) => name.byHand));
  return (
    <section className="panel" aria-labelledby="vendors-title">
      <div className="panel-head">
        <h2 id="vendors-title">
          Vendors <span className="mono quiet">{vendors.length}</span>
        </h2>
        <PlainButton aria-expanded={all} onClick={() => showAll(!all)}>
          {all ? 'Only those with several spellings' : 'Show all'}
        </PlainButton>
      </div>
      <JoinVendors vendors={vendors} />
      <MaybeOne vendors={vendors} />
      {several.length === 0 && !all && <p className="quiet">Every vendor has one spelling.</p>}
      <ul className="vendor-rows">
        {(all ? vendors : several).map((vendor) => (
          <VendorRow key={vendor.name} vendor={vendor} />
        ))}
      </ul>
    </section>
  );
}

function VendorRow({ vendor }: { vendor: VendorView }) {
  const computer = useComputer();
  const changes = useChanges(computer.id);
  const state = useArrangement(computer.id).data?.state;
  return (
    <li>
      <b>
        <bdi>{vendor.name}</bdi>
      </b>{' '}
      <span className="mono quiet">{vendor.plugins}</span>{' '}
      {state !== undefined && <VendorNote vendor={vendor.name} state={state} changes={changes} />}
      {(vendor.spellings.length > 1 || vendor.spellings.some((one) => one.byHand)) && (
        <ul className="plain-list">
          {vendor.spellings.map(({ spelling, builds, byHand }) => (
            <li key={spelling} className={styles.spelling}>
              <bdi>{spelling}</bdi> <span className="mono quiet">{builds}</span>
              {byHand ? (
                <PlainButton
                  onClick={() =>
                    void changes.make({ kind: 'name-vendor', spellings: [spelling], name: null, apart: false })
                  }
                >
                  as its files say
                </PlainButton>
              ) : (
                spelling !== vendor.name && (
                  <PlainButton
                    onClick={() =>
                      void changes.make({ kind: 'name-vendor', spellings: [spelling], name: spelling, apart: true })
                    }
                  >
                    is another vendor
                  </PlainButton>
                )
              )}
            </li>
          ))}
        </ul>
      )}
    </li>
  );
}

/** Vendors that may be one, each with the reason: joined or kept apart with one click, and undone like any change. */
function MaybeOne({ vendors }: { vendors: readonly VendorView[] }) {
  const changes = useChanges(useComputer().id);
  const proposed = vendors.flatMap((vendor) => (vendor.maybe === null ? [] : [{ ...vendor, maybe: vendor.maybe }]));
  if (proposed.length === 0) return null;
  const say = ({ spellings }: VendorView, name: string, apart: boolean): void =>
    void changes.make({ kind: 'name-vendor', spellings: spellings.map((one) => one.spelling), name, apart });
  return (
    <>
      <h3>Possibly the same vendor</h3>
      <ul className="plain-list">
        {proposed.map((vendor) => (
          <li key={vendor.name} className={styles.maybeOne}>
            <bdi>{vendor.name}</bdi> and <bdi>{vendor.maybe.name}</bdi>
            <div>
              <span className="quiet">{vendor.maybe.reason}</span>
              <PlainButton
                aria-label={`Join ${vendor.name} to ${vendor.maybe.name}`}
                onClick={() => say(vendor, vendor.maybe.name, false)}
              >
                Join
              </PlainButton>
              <PlainButton aria-label={`Keep ${vendor.name} apart`} onClick={() => say(vendor, vendor.name, true)}>
                Keep apart
              </PlainButton>
            </div>
          </li>
        ))}
      </ul>
    </>
  );
}

function JoinVendors({ vendors }: { vendors: readonly VendorView[] }) {
  const changes = useChanges(useComputer().id);
  const [from, setFrom] = useState('');
  const [into, setInto] = useState('');
  const source = vendors.find((one) => one.name === from);
  const submit = (event: SubmitEvent): void => {
    event.preventDefault();
    if (source === undefined || into.trim() === '') return;
    const spellings = source.spellings.map((one) => one.spelling);
    void changes.make({ kind: 'name-vendor', spellings, name: into.trim(), apart: false }).then((saved) => {
      if (saved) setFrom('');
    });
  };
  return (
    <Form className={styles.joinVendors} onSubmit={submit}>
      <Form.Select size="sm" aria-label="Vendor" value={from} onChange={(event) => setFrom(event.target.value)}>
        <option value="">Vendor …</option>
        {vendors.map(({ name }) => (
          <option key={name}>{name}</option>
        ))}
      </Form.Select>
      <span>is</span>
      <Form.Control
        size="sm"
        aria-label="Correct name"
        list="vendor-names"
        value={into}
        maxLength={120}
        autoComplete="off"
        onChange={(event) => setInto(event.target.value)}
      />
      <datalist id="vendor-names">
        {vendors.map(({ name }) => (
          <option key={name} value={name} />
        ))}
      </datalist>
      <Button type="submit" size="sm" variant="outline-primary" disabled={source === undefined || into.trim() === ''}>
        Join
      </Button>
    </Form>
  );
}
