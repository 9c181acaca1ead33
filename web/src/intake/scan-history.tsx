import { Fragment, useState } from 'react';
import Table from 'react-bootstrap/Table';
import type { ScanView } from '@clever-drawer/contract/responses';
import { StoryList } from './story-list';
import { PlainButton } from '../parts/plain-button';
import styles from './intake.module.css';

const COLUMNS = ['arrived', 'changed', 'vanished', 'returned', 'failed', 'recovered'] as const;
const NAMES: Readonly<Record<(typeof COLUMNS)[number], string>> = {
  arrived: 'arrived',
  changed: 'changed',
  vanished: 'gone',
  returned: 'back',
  failed: 'failed',
  recovered: 'read again',
};

/** Earlier scans: a line each, which opens to its whole story. */
export function ScanHistory({ scans }: { scans: readonly ScanView[] }) {
  const [open, setOpen] = useState<string | null>(null);
  if (scans.length === 0) return null;
  return (
    <section className="panel" aria-labelledby="history-title">
      <h2 id="history-title">Earlier scans</h2>
      <Table size="sm" className={styles.history}>
        <thead>
          <tr>
            <th scope="col">when</th>
            <th scope="col">how it ended</th>
            {COLUMNS.map((column) => (
              <th key={column} scope="col">
                {NAMES[column]}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {scans.map((scan) => (
            <Fragment key={scan.id}>
              <tr>
                <td>
                  <PlainButton
                    aria-expanded={open === scan.id}
                    onClick={() => setOpen(open === scan.id ? null : scan.id)}
                  >
                    {new Date(scan.startedAt).toLocaleString()}
                  </PlainButton>
                </td>
                <td>{scan.state}</td>
                {COLUMNS.map((column) => (
                  <td key={column} className="mono">
                    {scan.outcome?.[column] ?? '–'}
                  </td>
                ))}
              </tr>
              {open === scan.id && (
                <tr>
                  <td colSpan={2 + COLUMNS.length}>
                    {scan.failure === null ? <StoryList scan={scan} /> : <p>{scan.failure}</p>}
                  </td>
                </tr>
              )}
            </Fragment>
          ))}
        </tbody>
      </Table>
    </section>
  );
}
