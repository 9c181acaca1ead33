import { useId, useState } from 'react';
import Form from 'react-bootstrap/Form';
import { SIGNS, type Sign } from '@clever-drawer/core/chests/sign';
import { FormBox } from './form-box';
import { SignGlyph } from './sign';
import styles from './sign.module.css';

interface Props {
  readonly title: string;
  readonly first: Sign | null;
  readonly done: (sign: Sign | null) => void;
  readonly close: () => void;
}

/** Chooses a sign, or none. */
export function SignBox({ title, first, done, close }: Props) {
  const [sign, setSign] = useState(first);
  const id = useId();
  return (
    <FormBox title={title} act="Save" submit={() => done(sign)} close={close}>
      <div className={styles.choices} role="radiogroup" aria-label="Sign">
        {[null, ...SIGNS].map((one) => (
          <Form.Check
            key={one ?? 'none'}
            type="radio"
            name={`${id}-sign`}
            id={`${id}-${one ?? 'none'}`}
            checked={sign === one}
            autoFocus={first === one}
            onChange={() => setSign(one)}
            label={
              one === null ? (
                'no sign'
              ) : (
                <>
                  <SignGlyph sign={one} isSpoken={false} /> {one}
                </>
              )
            }
          />
        ))}
      </div>
    </FormBox>
  );
}
