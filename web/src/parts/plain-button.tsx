import clsx from 'clsx';
import type { ComponentProps } from 'react';

/** A button that looks like a word: for what stands in a line with other words. `linked` underlines it, where nothing else tells that it is one. */
export function PlainButton({ linked = false, className, ...rest }: ComponentProps<'button'> & { linked?: boolean }) {
  return <button type="button" className={clsx('plain', linked && 'linked', className)} {...rest} />;
}
