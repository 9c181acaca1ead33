import Dropdown from 'react-bootstrap/Dropdown';
import { NavLink, useNavigate } from 'react-router';
import type { ComputerView } from '@clever-drawer/contract/responses';
import { useArrivals } from '../catalogue/queries';
import { wayTo } from '../lib/visited';
import { KeyHint } from '../keys/key-hint';
import { keyLabels } from '../keys/strokes-of';
import { PLACES } from './places';
import { useTheme } from './theme';
import { PlainButton } from '../parts/plain-button';

const THEME_NAMES = { system: 'Theme: system', day: 'Theme: day', night: 'Theme: night' } as const;

/** Places, the computer at hand, the theme. */
export function TopBar({
  computer,
  computers,
  place,
  showKeys,
}: {
  computer: ComputerView;
  computers: readonly ComputerView[];
  place: string;
  showKeys: () => void;
}) {
  const navigate = useNavigate();
  const arrivals = useArrivals(computer.id).data?.length ?? 0;
  const { choice, next } = useTheme();
  return (
    <header className="top-bar">
      <span className="product">Clever Drawer</span>
      <nav aria-label="Places">
        {PLACES.map(({ path, name }) => (
          <NavLink
            key={path}
            to={`/${computer.id}/${path}`}
            title={keyLabels('everywhere', path)[0]}
            onClick={(event) => {
              // As it was looked at last, unless another tab or window is asked for.
              if (event.ctrlKey || event.metaKey || event.shiftKey) return;
              event.preventDefault();
              void navigate(wayTo(computer.id, path));
            }}
          >
            {name}
            {path === 'intake' && arrivals > 0 && (
              <span className="arrival-count" aria-label={`, ${String(arrivals)} to scan`}>
                {arrivals}
              </span>
            )}
          </NavLink>
        ))}
      </nav>
      <div className="top-right">
        <Dropdown align="end">
          <Dropdown.Toggle
            size="sm"
            variant="link"
            id="computer-at-hand"
            aria-label={`Computer at hand: ${computer.name}`}
          >
            {computer.name}
          </Dropdown.Toggle>
          <Dropdown.Menu>
            {computers.map((one) => (
              <Dropdown.Item
                key={one.id}
                as="button"
                type="button"
                className={one.id === computer.id ? 'active' : ''}
                aria-current={one.id === computer.id}
                onClick={() => void navigate(`/${one.id}/${place}`)}
              >
                {one.name} <span className="quiet">{one.plugins} plugins</span>
              </Dropdown.Item>
            ))}
          </Dropdown.Menu>
        </Dropdown>
        <PlainButton onClick={next} aria-label={`${THEME_NAMES[choice]}. Change`}>
          {THEME_NAMES[choice]}
        </PlainButton>
        <PlainButton onClick={showKeys} aria-label="Keys">
          <KeyHint place="everywhere" does="keyMap" />
        </PlainButton>
      </div>
    </header>
  );
}
