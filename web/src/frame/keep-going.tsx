import { Component, type ReactNode } from 'react';
import Button from 'react-bootstrap/Button';
import { EmptyNote } from '../parts/empty-note';

/** A bug in one place must not take the whole page away, nor show a stack trace. */
export class KeepGoing extends Component<{ children: ReactNode }, { failed: boolean }> {
  override state = { failed: false };

  static getDerivedStateFromError() {
    return { failed: true };
  }

  override render() {
    if (!this.state.failed) return this.props.children;
    return (
      <EmptyNote title="This page met an error">
        <p>All that you arranged is saved. Reload the page to go on.</p>
        <Button variant="outline-primary" onClick={() => location.reload()}>
          Reload
        </Button>
      </EmptyNote>
    );
  }
}
