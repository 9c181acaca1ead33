import type { Arrangement } from './arrangement.js';
import type { Edit } from './edit.js';

/** The edits that take items (chains, own entries) out of every drawer, tray, exception and correction, and delete what was said of them. */
export function placesOfItem(state: Arrangement, ids: ReadonlySet<string>): Edit[] {
  const at = <Row extends { readonly pluginId: string }>(rows: ReadonlyMap<string, Row>): Row[] =>
    [...rows.values()].filter((row) => ids.has(row.pluginId));
  return [
    ...at(state.entry).map((row): Edit => ({ of: 'entry', id: row.id, before: row, after: null })),
    ...at(state.neverIn).map((row): Edit => ({ of: 'neverIn', id: row.id, before: row, after: null })),
    ...at(state.trayEntry).map((row): Edit => ({ of: 'trayEntry', id: row.id, before: row, after: null })),
    ...at(state.aside).map((row): Edit => ({ of: 'aside', id: row.id, before: row, after: null })),
    ...at(state.asideHere).map((row): Edit => ({ of: 'asideHere', id: row.id, before: row, after: null })),
    ...[...ids].flatMap((id): Edit[] => {
      const [naming, face, choice] = [state.naming.get(id), state.face.get(id), state.choice.get(id)];
      return [
        ...(naming === undefined ? [] : [{ of: 'naming' as const, id: naming.id, before: naming, after: null }]),
        ...(face === undefined ? [] : [{ of: 'face' as const, id: face.id, before: face, after: null }]),
        ...(choice === undefined ? [] : [{ of: 'choice' as const, id: choice.id, before: choice, after: null }]),
      ];
    }),
  ];
}
