import type { OldRow } from './old-rows.js';

/** An edit of a step as the form before wrote it: one row before and after. */
export interface OldEdit {
  readonly of: string;
  readonly id: string;
  readonly before: OldRow | null;
  readonly after: OldRow | null;
}

/** A step's edits in the new form: builds are held by what names them on every computer, and preferred builds are rows of their own. */
export const renewed = (edits: readonly OldEdit[], buildKey: (buildId: string) => string | undefined): OldEdit[] =>
  edits.flatMap((edit): OldEdit[] => {
    if (edit.of === 'heldBuild') {
      // A build that is not in the catalogue any more keeps its old name: such a step can't be undone, and is still told of.
      const id = buildKey(edit.id) ?? edit.id;
      const row = (old: OldRow | null): OldRow | null => (old === null ? null : { ...old, id });
      return [{ ...edit, id, before: row(edit.before), after: row(edit.after) }];
    }
    if (edit.of !== 'choice') return [edit];
    const parts: OldEdit[] = [
      { ...edit, before: chosen(edit.before), after: chosen(edit.after) },
      { of: 'preferredBuild', id: edit.id, before: preferred(edit.before), after: preferred(edit.after) },
    ];
    return parts.filter(({ before, after }) => JSON.stringify(before) !== JSON.stringify(after));
  });

function chosen(row: OldRow | null): OldRow | null {
  if (row === null) return null;
  const { id, role = null, types = null, vendor = null } = row;
  return role === null && types === null && vendor === null ? null : { id, role, types, vendor };
}

function preferred(row: OldRow | null): OldRow | null {
  return row === null || typeof row.buildId !== 'string' ? null : { id: row.id, buildId: row.buildId };
}
