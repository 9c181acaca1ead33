import { PlainButton } from './plain-button';

/** Fetches or draws more of a long list: says how many are left, and how many come. Nothing when all are there. */
export function MoreOf(props: { left: number; step: number; busy?: boolean; more: () => void }) {
  const { left, step, busy = false, more } = props;
  if (left <= 0) return null;
  return (
    <PlainButton disabled={busy} onClick={more}>
      {left > step ? `the next ${String(step)} of ${String(left)} more` : `and ${String(left)} more`}
    </PlainButton>
  );
}
