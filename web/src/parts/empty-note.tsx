import type { ReactNode } from 'react';
import Spinner from 'react-bootstrap/Spinner';
import { wordsOf } from '../lib/api';

/** What a place shows when there is nothing to show yet, and what to do about it. */
export function EmptyNote({ title, children }: { title: string; children?: ReactNode }) {
  return (
    <div className="empty-note">
      <h2>{title}</h2>
      {children}
    </div>
  );
}

/** Said while something is read. */
export const Loading = ({ what }: { what: string }) => (
  <div className="empty-note" role="status">
    <Spinner size="sm" /> Reading {what} …
  </div>
);

/** Said when something could not be read, with a way to try again. */
export function Failed({ error, again }: { error: unknown; again: () => void }) {
  return (
    <div className="empty-note" role="alert">
      <h2>This could not be read</h2>
      <p>{wordsOf(error)}</p>
      <button type="button" className="btn btn-outline-primary" onClick={again}>
        Try again
      </button>
    </div>
  );
}
