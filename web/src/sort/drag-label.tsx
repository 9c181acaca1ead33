import { pathTo, entryId, type Arrangement } from '@clever-drawer/core/chests/arrangement';
import type { Dragged, Target } from './drag';

/** Beside the pointer: what is dragged, and what letting go would do, or why nothing. */
export function DragLabel({ dragged, target, state }: { dragged: Dragged; target: Target | null; state: Arrangement }) {
  const what =
    !('drawerId' in dragged) && dragged.pluginIds.length > 1
      ? `${String(dragged.pluginIds.length)} plugins`
      : dragged.name;
  const { words, works } = effectOf(dragged, target, state);
  return (
    <div className={`drag-label${works ? '' : ' refused'}`}>
      {what} <span>{words}</span>
    </div>
  );
}

function effectOf(dragged: Dragged, target: Target | null, state: Arrangement): { words: string; works: boolean } {
  if (target === null) return { words: '– drop it on a drawer', works: false };
  const name = target.kind === 'chest' ? '' : (state.drawer.get(target.drawerId)?.name ?? '');
  if (!('drawerId' in dragged)) {
    if (target.kind === 'chest') return { words: '– drop it on a drawer', works: false };
    const present = dragged.pluginIds.filter((id) => state.entry.has(entryId(target.drawerId, id))).length;
    if (present === dragged.pluginIds.length) return { words: `– in ${name} already`, works: false };
    return { words: `→ ${name}${present === 0 ? '' : ` (${String(present)} in there already)`}`, works: true };
  }
  if (target.kind === 'chest') return { words: '→ end of the chest', works: true };
  if (target.drawerId === dragged.drawerId) return { words: '', works: false };
  if (pathTo(state, target.drawerId).some((one) => one.id === dragged.drawerId))
    return { words: '– not into itself', works: false };
  return { words: target.kind === 'into' ? `→ inside ${name}` : `→ ${target.kind} ${name}`, works: true };
}
