import { wordsOf } from '../lib/api';
import { PlainButton } from './plain-button';

/** Fetches or draws more of a long list: says how many are left, and how many come; and why they did not. Nothing when all are there. */
export function MoreOf(props: { left: number; step: number; busy?: boolean; error?: Error | null; more: () => void }) {
  const { left, step, busy = false, error = null, more } = props;
  if (left <= 0) return null;
  return (
    <>
      {error !== null && (
        <div className="note-box attention" role="alert">
          More could not be fetched. {wordsOf(error)}
        </div>
      )}
      <PlainButton disabled={busy} onClick={more}>
        {left > step ? `the next ${String(step)} of ${String(left)} more` : `and ${String(left)} more`}
      </PlainButton>
    </>
  );
}
