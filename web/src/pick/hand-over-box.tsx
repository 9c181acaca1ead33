import { useId, useState } from 'react';
import Form from 'react-bootstrap/Form';
import { FormBox } from '../parts/form-box';
import styles from './pick.module.css';
import type { Target } from './hand-over';

interface Wish {
  readonly clipboard: boolean;
  /** Whether of a preset the path of its file goes to the clipboard, and not its name. */
  readonly copiesFile: boolean;
  readonly target: Target | null;
  readonly session: string;
}

interface Props extends Wish {
  readonly done: (wish: Wish) => void;
  readonly close: () => void;
}

const PORT = 9010;

/** By which ways picks are handed over, and under which name they count. */
export function HandOverBox({ done, close, ...now }: Props) {
  const id = useId();
  const [clipboard, setClipboard] = useState(now.clipboard);
  const [copiesFile, setCopiesFile] = useState(now.copiesFile);
  const [sends, setSends] = useState(now.target !== null);
  const [host, setHost] = useState(now.target?.host ?? '127.0.0.1');
  const [port, setPort] = useState(String(now.target?.port ?? PORT));
  const [session, setSession] = useState(now.session);
  const isHost = /^[a-zA-Z0-9.:-]{1,253}$/.test(host.trim());
  const isPort = /^[1-9]\d{0,4}$/.test(port.trim()) && Number(port) <= 65_535;
  const canSave = (!sends || (isHost && isPort)) && session.trim() !== '';
  return (
    <FormBox
      title="Hand over"
      act="Save"
      canAct={canSave}
      className={styles.box}
      submit={() => {
        if (canSave)
          done({
            clipboard,
            copiesFile,
            target: sends ? { host: host.trim(), port: Number(port) } : null,
            session: session.trim(),
          });
      }}
      close={close}
    >
      <Form.Check
        type="switch"
        id={`${id}-clipboard`}
        label="The exact name to the clipboard, to be pasted into the other program"
        checked={clipboard}
        onChange={(event) => setClipboard(event.target.checked)}
      />
      {clipboard && (
        <Form.Check
          type="switch"
          id={`${id}-file`}
          label="Of a preset the path of its file, and not its name"
          checked={copiesFile}
          onChange={(event) => setCopiesFile(event.target.checked)}
        />
      )}
      <Form.Check
        type="switch"
        id={`${id}-sends`}
        label="An Open Sound Control message to this address, for a program that listens"
        checked={sends}
        onChange={(event) => setSends(event.target.checked)}
      />
      {sends && (
        <div className={styles.address}>
          <Form.Control
            aria-label="Host"
            value={host}
            isInvalid={!isHost}
            autoComplete="off"
            spellCheck={false}
            onChange={(event) => setHost(event.target.value)}
          />
          <Form.Control
            aria-label="Port"
            inputMode="numeric"
            value={port}
            isInvalid={!isPort}
            autoComplete="off"
            onChange={(event) => setPort(event.target.value)}
          />
        </div>
      )}
      <Form.Label htmlFor={`${id}-session`}>Picks count as loads in</Form.Label>
      <Form.Control
        id={`${id}-session`}
        value={session}
        maxLength={120}
        autoComplete="off"
        onChange={(event) => setSession(event.target.value)}
      />
    </FormBox>
  );
}
