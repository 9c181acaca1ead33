import { Link } from 'react-router';
import { useComputers } from '../catalogue/queries';
import { counted } from '../lib/counted';
import { useComputer } from '../lib/use-computer';
import { BringInReport } from './bring-in-report';
import { ComputerName } from './computer-name';

const COMMAND = 'npm run scan -- FOLDER … --json report.json';

/** The other computers of the studio, and how a further one joins it. */
export function OtherComputers() {
  const others = (useComputers().data ?? []).filter((one) => !one.here);
  return (
    <section className="panel" aria-labelledby="computers-title">
      <h2 id="computers-title">Other computers</h2>
      {others.length > 0 && (
        <ul className="plain-list">
          {others.map((one) => (
            <li key={one.id}>
              <Link className="plain linked" to={`/${one.id}/intake`}>
                {one.name}
              </Link>{' '}
              <span className="quiet">
                {counted(one.plugins, 'plugin')} in {counted(one.builds, 'build')}
              </span>
            </li>
          ))}
        </ul>
      )}
      <p className="quiet">
        To add another computer, write its scan report there: <span className="mono">{COMMAND}</span>
      </p>
      <BringInReport computerId={null} label="Import a report …" />
    </section>
  );
}

/** In the place of the plugin folders, for a computer that the server does not run on. */
export function ElsewherePanel() {
  const computer = useComputer();
  const here = (useComputers().data ?? []).find((one) => one.here);
  return (
    <section className="panel" aria-labelledby="folders-title">
      <h2 id="folders-title">Another computer</h2>
      <ComputerName />
      <p>
        Its folders can’t be looked at from {here === undefined ? 'here' : here.name}. Scan them on {computer.name},
        with its plugin folders in place of FOLDER:
      </p>
      <p>
        <span className="mono">{COMMAND}</span>
      </p>
      <p>Then import the report: new plugins are added, and those gone from the scanned folders count as not found.</p>
      <BringInReport computerId={computer.id} label="Import its report …" />
    </section>
  );
}
