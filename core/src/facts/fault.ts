/** What can be wrong with a place on disk. The wording, with the remedy, is in fault-texts.ts. */
export const FAULT_CODES = [
  'folder-missing',
  'folder-unreadable',
  'folder-made-up',
  'file-unreadable',
  'link-loop',
  'bundle-without-manifest',
  'bundle-without-plugin',
  'turtle-broken',
  'json-broken',
  'plist-broken',
  'file-too-large',
  'binary-missing',
  'binary-empty',
  'binary-unrecognised',
  'preset-broken',
  'too-many-plugins',
  'more-than-kept',
  'path-too-long',
  'reader-failed',
  'reading-too-long',
  'reading-too-large',
  'not-kept',
  'asked-crashed',
  'asked-hung',
  'asked-exited',
  'asked-flooded',
  'asked-spoke',
  'asked-ended-all',
  'asked-forked',
  'asked-too-large',
  'asked-refused',
  'ports-untold',
] as const;
/** What names a fault, for good. */
export type FaultCode = (typeof FAULT_CODES)[number];

/** One fault: where it is, and what a reader could add to it (a line, a file inside the bundle, a parser's words). */
export interface Fault {
  readonly code: FaultCode;
  readonly path: string;
  readonly line?: number;
  readonly detail?: string;
}

/** A value, or the fault that stood in its way. */
export type Outcome<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly fault: Fault };

/** The outcome that all went well. */
export const good = <T>(value: T): Outcome<T> => ({ ok: true, value });
/** The outcome that it could not be done, and why. */
export const bad = (fault: Fault): Outcome<never> => ({ ok: false, fault });
