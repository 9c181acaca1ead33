import Table from 'react-bootstrap/Table';
import type { ScanView } from '@clever-drawer/contract/responses';

/** Earlier scans, in short. */
export function ScanHistory({ scans }: { scans: readonly ScanView[] }) {
  if (scans.length === 0) return null;
  return (
    <section className="panel" aria-labelledby="history-title">
      <h2 id="history-title">Earlier scans</h2>
      <Table size="sm" className="history">
        <thead>
          <tr>
            <th scope="col">when</th>
            <th scope="col">how it ended</th>
            <th scope="col">arrived</th>
            <th scope="col">changed</th>
            <th scope="col">not found</th>
            <th scope="col">problems</th>
          </tr>
        </thead>
        <tbody>
          {scans.map((scan) => (
            <tr key={scan.id}>
              <td>{new Date(scan.startedAt).toLocaleString()}</td>
              <td>{scan.state}</td>
              <td className="mono">{scan.outcome?.arrived ?? '–'}</td>
              <td className="mono">{scan.outcome?.changed ?? '–'}</td>
              <td className="mono">{scan.outcome?.vanished ?? '–'}</td>
              <td className="mono">{scan.problems.length}</td>
            </tr>
          ))}
        </tbody>
      </Table>
    </section>
  );
}
