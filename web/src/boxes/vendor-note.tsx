import { useId, useState } from 'react';
import Form from 'react-bootstrap/Form';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { webAddress } from '@clever-drawer/contract/parts';
import { MAX_LINK_LENGTH } from '@clever-drawer/core/chests/rows/vendor-note';
import type { Changes } from '../arrangement/changes';
import { FormBox } from '../parts/form-box';
import { PlainButton } from '../parts/plain-button';

const NOTE = 4000;

/** Whose page a link leads to. */
const hostOf = (link: string): string => (URL.canParse(link) ? new URL(link).host : link);

interface Props {
  readonly vendor: string;
  readonly state: Arrangement;
  readonly changes: Changes;
}

/** The note on a vendor and the link to where its plugins can be got again, with a way to change them. */
export function VendorNote({ vendor, state, changes }: Props) {
  const [asks, setAsks] = useState(false);
  const { note = null, link = null } = state.vendorNote.get(vendor) ?? {};
  return (
    <>
      {note !== null && (
        <span className="quiet">
          <bdi>{note}</bdi>{' '}
        </span>
      )}
      {link !== null && (
        <>
          <a className="plain linked" href={link} target="_blank" rel="noreferrer" title={link}>
            {hostOf(link)}
          </a>{' '}
        </>
      )}
      <PlainButton onClick={() => setAsks(true)} aria-label={`Note and link of ${vendor}`}>
        {note === null && link === null ? 'Note …' : 'Change …'}
      </PlainButton>
      {asks && <VendorNoteBox vendor={vendor} state={state} changes={changes} close={() => setAsks(false)} />}
    </>
  );
}

function VendorNoteBox({ vendor, state, changes, close }: Props & { readonly close: () => void }) {
  const before = state.vendorNote.get(vendor);
  const [note, setNote] = useState(before?.note ?? '');
  const [link, setLink] = useState(before?.link ?? '');
  const id = useId();
  const address = link.trim();
  const isWrong = address !== '' && !webAddress(MAX_LINK_LENGTH).isValidSync(address);
  const submit = (): void => {
    if (isWrong) return;
    close();
    const [noteOrNone, linkOrNone] = [note.trim() === '' ? null : note.trim(), address === '' ? null : address];
    if (noteOrNone !== (before?.note ?? null) || linkOrNone !== (before?.link ?? null))
      void changes.make({ kind: 'note-vendor', vendor, note: noteOrNone, link: linkOrNone });
  };
  return (
    <FormBox title={vendor} act="Save" canAct={!isWrong} submit={submit} close={close}>
      <Form.Group controlId={`${id}-note`} className="mb-3">
        <Form.Label>Note</Form.Label>
        <Form.Control
          as="textarea"
          rows={3}
          maxLength={NOTE}
          value={note}
          onChange={(event) => setNote(event.target.value)}
        />
      </Form.Group>
      <Form.Group controlId={`${id}-link`}>
        <Form.Label>Link: where to get its plugins again</Form.Label>
        <Form.Control
          type="url"
          value={link}
          maxLength={MAX_LINK_LENGTH}
          isInvalid={isWrong}
          onChange={(event) => setLink(event.target.value)}
        />
        <Form.Control.Feedback type="invalid">
          Give the address of a page: it begins with http:// or https://.
        </Form.Control.Feedback>
      </Form.Group>
    </FormBox>
  );
}
