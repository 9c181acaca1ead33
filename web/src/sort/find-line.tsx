import { useRef } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { roleLabel } from './role-ribbon';
import type { SortView } from './use-sort-view';

interface Props {
  readonly view: SortView;
  readonly look: (change: Partial<SortView>) => void;
  readonly shown: number;
  readonly outside: number;
  /** Down out of the line, into the list. */
  readonly intoList: () => void;
}

/** The search line, with every filter as a chip in it, and what the filters hide. */
export function FindLine({ view, look, shown, outside, intoList }: Props) {
  const input = useRef<HTMLInputElement>(null);
  useHotkeys('slash', () => input.current?.select(), { preventDefault: true });
  return (
    <div className="find-line">
      <label htmlFor="find" className="quiet">
        Find
      </label>
      {view.roles.map((role) => (
        <span key={role} className="chip">
          {roleLabel(role)}
          <button
            type="button"
            className="plain"
            aria-label={`Take the filter ${roleLabel(role)} off`}
            onClick={() => look({ roles: view.roles.filter((one) => one !== role) })}
          >
            ×
          </button>
        </span>
      ))}
      <input
        id="find"
        ref={input}
        type="search"
        value={view.typed}
        autoComplete="off"
        spellCheck={false}
        placeholder="name or vendor"
        onChange={(event) => look({ typed: event.target.value })}
        onKeyDown={(event) => {
          if (event.key === 'ArrowDown') {
            event.preventDefault();
            intoList();
          } else if (event.key === 'Escape') look({ typed: '' });
        }}
      />
      <span className="quiet find-count" role="status">
        {shown} shown
        {outside > 0 && (
          <>
            {' · '}
            <button type="button" className="plain linked" onClick={() => look({ roles: [] })}>
              {outside} more match outside this filter
            </button>
          </>
        )}
      </span>
    </div>
  );
}
