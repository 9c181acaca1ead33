import { textOf, type Catalogue, type Differing, type OldRow } from './old-rows.js';

type Difference = Omit<Differing, 'computer'>;

/** A table of which the studio has one row for each id. */
interface Single {
  /** The row as the studio has it; null when nothing of it is the studio's. */
  readonly of: (row: OldRow, catalogue: Catalogue) => OldRow | null;
  /** Fields of which the first computer's stand, with what they are called. Null and absent say nothing. */
  readonly fields: Readonly<Record<string, string>>;
  /** Lists that are united. */
  readonly lists?: readonly string[];
  /** Fields that only mean something together: all of them are taken from one computer. */
  readonly together?: boolean;
  readonly name: (row: OldRow, catalogue: Catalogue) => string;
}

const same = (row: OldRow): OldRow => row;
const ofPlugin = (row: OldRow, { pluginName }: Catalogue): string => pluginName(row.id);

/** See Single. */
export const SINGLE: Readonly<Record<string, Single>> = {
  tray_name: { of: same, fields: { name: 'name of a tray' }, name: ({ id }) => `tray ${id}` },
  naming: {
    of: same,
    fields: { nickname: 'nickname', stripLabel: 'strip label', note: 'note' },
    lists: ['tags'],
    name: ofPlugin,
  },
  choice: {
    of: ({ buildId: _stays, ...row }) => (row.role === null && row.types === null && row.vendor === null ? null : row),
    fields: { role: 'role', types: 'type', vendor: 'vendor' },
    name: ofPlugin,
  },
  held_build: {
    of: (row, { buildKey }) => ({ ...row, id: buildKey(row.id) ?? row.id }),
    fields: { pluginId: 'plugin that a build was put into', fromPluginId: '', whole: '' },
    together: true,
    name: ({ id }) => id,
  },
  vendor_spelling: {
    of: same,
    fields: { name: 'vendor that a spelling stands for', key: '' },
    together: true,
    name: ({ id }) => id,
  },
  aside: {
    of: same,
    fields: { reason: 'reason for setting aside', until: 'end of a demo', buildId: '' },
    together: true,
    name: ({ pluginId }, { pluginName }) => pluginName(String(pluginId)),
  },
  face: { of: same, fields: { picture: 'picture' }, name: ofPlugin },
};

/** Two computers' rows of one id made one: what the first leaves open the other fills. The very same row when the other adds nothing. */
export function joinRow(
  table: string,
  first: OldRow,
  other: OldRow,
  catalogue: Catalogue,
): { readonly row: OldRow; readonly differing: readonly Difference[] } {
  const { fields, lists = [], together = false, name } = SINGLE[table] ?? { fields: {}, name: ({ id }) => id };
  const row: Record<string, unknown> = { ...first };
  const differing: Difference[] = [];
  let isNew = false;
  for (const [field, what] of Object.entries(fields)) {
    const [kept, said] = [textOf(first, field), textOf(other, field)];
    if (said === '' || said === kept) continue;
    if (kept === '' && !together) {
      row[field] = other[field];
      isNew = true;
      // What goes along with a field that has a name is told with it.
    } else if (what !== '') differing.push({ what, of: name(first, catalogue), kept, other: said });
  }
  for (const field of lists) {
    const own = first[field] as readonly string[];
    const known = new Set(own.map((one) => one.toLowerCase()));
    const fresh = (other[field] as readonly string[]).filter((one) => !known.has(one.toLowerCase()));
    if (fresh.length === 0) continue;
    row[field] = [...own, ...fresh];
    isNew = true;
  }
  return { row: isNew ? (row as OldRow) : first, differing };
}
