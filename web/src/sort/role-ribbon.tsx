import { ROLE_LABELS } from '@clever-drawer/core/catalogue/role';
import { ROLE_FILTERS, type RoleFilter } from './use-sort-view';

export const roleLabel = (role: RoleFilter): string => (role === 'unknown' ? 'not known' : ROLE_LABELS[role]);

/** What the found plugins are for, as a band of segments as wide as their share; a click filters, another takes the filter off. */
export function RoleRibbon({
  counts,
  chosen,
  toggle,
}: {
  counts: ReadonlyMap<RoleFilter, number>;
  chosen: readonly RoleFilter[];
  toggle: (role: RoleFilter) => void;
}) {
  const shown = ROLE_FILTERS.filter((role) => (counts.get(role) ?? 0) > 0 || chosen.includes(role));
  if (shown.length === 0) return null;
  return (
    <div className="ribbon" role="group" aria-label="Filter by role">
      <span className="ribbon-name" aria-hidden>
        role
      </span>
      <div className="band">
        {shown.map((role) => {
          const count = counts.get(role) ?? 0;
          return (
            <button
              key={role}
              type="button"
              aria-pressed={chosen.includes(role)}
              style={{ flexGrow: Math.max(1, count) }}
              onClick={() => toggle(role)}
            >
              {roleLabel(role)} <span className="mono">{count}</span>
            </button>
          );
        })}
      </div>
    </div>
  );
}
