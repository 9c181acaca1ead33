import { useQuery } from '@tanstack/react-query';
import type { UnionReport } from '@clever-drawer/contract/responses';
import { addressOf, call } from '../lib/api';
import { counted } from '../lib/counted';
import { useComputer } from '../lib/use-computer';
import styles from './keep.module.css';

/** What became of the arrangements of several computers when they were made one; nothing where there was one only. */
export function UnionPanel() {
  const { data } = useQuery({ queryKey: ['union'], queryFn: () => call('GET /union', {}), staleTime: Infinity });
  const report = data?.report ?? null;
  if (report === null) return null;
  const { first, computers, differing } = report;
  return (
    <section className={`panel ${styles.union ?? ''}`} aria-labelledby="union-title">
      <h2 id="union-title">One arrangement from {computers.length + 1} computers</h2>
      <p>
        An earlier version kept an arrangement for each computer. On{' '}
        <time dateTime={report.madeAt}>{new Date(report.madeAt).toLocaleDateString()}</time> they were made one: that of{' '}
        <b>{first}</b> stands, and the others were added to it.
      </p>
      <ul>
        {computers.map((computer) => (
          <li key={computer.name}>
            <Brought computer={computer} />
          </li>
        ))}
      </ul>
      {differing.length > 0 && (
        <>
          <p>
            {counted(differing.length, 'value')} differed. Those of {first} are in use; the others are listed here, to
            be entered by hand where they are better.
          </p>
          <div className={styles.differing} tabIndex={0} role="region" aria-label="Differing values">
            <table className="table table-sm">
              <thead>
                <tr>
                  <th scope="col">What</th>
                  <th scope="col">Of</th>
                  <th scope="col">In use</th>
                  <th scope="col">Other value</th>
                  <th scope="col">On</th>
                </tr>
              </thead>
              <tbody>
                {differing.map((one) => (
                  <tr key={[one.computer, one.what, one.of, one.other].join('|')}>
                    <td>{one.what}</td>
                    <td>
                      <bdi>{one.of}</bdi>
                    </td>
                    <td>
                      <Said {...one} words={one.kept} />
                    </td>
                    <td>
                      <Said {...one} words={one.other} />
                    </td>
                    <td>{one.computer}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        </>
      )}
      <a className="btn btn-outline-primary" href={addressOf('GET /union', {})} download="one-arrangement.json">
        Export this report
      </a>
    </section>
  );
}

function Brought({ computer: { name, renamed, rows, steps } }: { computer: UnionReport['computers'][number] }) {
  const parts = rows.map(({ what, rows: all, alike }) => {
    const same = alike === 0 ? '' : ` (${String(alike)} the same)`;
    return `${what} ${String(all)}${same}`;
  });
  return (
    <>
      <b>{name}</b>: {parts.join(', ')}.
      {renamed.map(({ was, is }) => (
        <span key={is}>
          {' '}
          <bdi>{was}</bdi> is called <b>{is}</b>.
        </span>
      ))}
      {steps > 0 && ` ${counted(steps, 'step')} made there can’t be undone any more.`}
    </>
  );
}

/** Words that were said, or the picture that was given. */
function Said({ what, of, words }: { what: string; of: string; words: string }) {
  const computer = useComputer();
  if (what !== 'picture') return <bdi>{words}</bdi>;
  const path = { computer: computer.id, picture: words };
  const address = addressOf('GET /computers/{computer}/pictures/{picture}', { path });
  return <img className={styles.picture} alt={`Picture of ${of}`} src={address} />;
}
