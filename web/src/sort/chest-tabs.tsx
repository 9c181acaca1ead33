import { useState } from 'react';
import { toast } from 'sonner';
import { chestsOf, type Arrangement, type Chest } from '@clever-drawer/core/chests/arrangement';
import { asId, type ChestId } from '@clever-drawer/core/ids';
import type { Changes } from '../shared/use-changes';
import { ChestForm, type ChestStart } from './chest-form';

interface Props {
  readonly state: Arrangement;
  readonly chest: Chest | null;
  readonly changes: Changes;
  readonly choose: (id: ChestId | null) => void;
  readonly filed: string;
}

/** The chests by name; the one at hand, and what can be done with it. */
export function ChestTabs({ state, chest, changes, choose, filed }: Props) {
  const [form, setForm] = useState<'new' | 'rename' | null>(null);
  const done = (name: string, start: ChestStart): void => {
    const renaming = form === 'rename';
    setForm(null);
    if (renaming && chest !== null) void changes.make({ kind: 'rename-chest', id: chest.id, name });
    else void makeChest(changes, name, start).then((id) => id !== null && choose(id));
  };
  const remove = async (gone: Chest): Promise<void> => {
    if (!(await changes.make({ kind: 'delete-chest', id: gone.id }))) return;
    choose(null);
    toast(`The chest ${gone.name} is deleted. Its plugins stay in the catalogue.`, {
      action: { label: 'Undo', onClick: () => void changes.step('undo') },
    });
  };
  return (
    <div className="chest-tabs">
      <div role="group" aria-label="Chests">
        {chestsOf(state).map((one) => (
          <button
            key={one.id}
            type="button"
            className="plain chest-name"
            aria-pressed={one.id === chest?.id}
            onClick={() => choose(one.id)}
          >
            {one.name}
          </button>
        ))}
      </div>
      <button type="button" className="plain" onClick={() => setForm('new')}>
        New chest
      </button>
      {chest !== null && (
        <>
          <button
            type="button"
            className="plain"
            onClick={() => setForm('rename')}
            aria-label={`Rename the chest ${chest.name}`}
          >
            Rename
          </button>
          <button
            type="button"
            className="plain"
            onClick={() => void remove(chest)}
            aria-label={`Delete the chest ${chest.name}`}
          >
            Delete
          </button>
        </>
      )}
      <span className="grow" />
      <span className="quiet">{filed}</span>
      {form !== null && (
        <ChestForm rename={form === 'rename' ? (chest?.name ?? '') : null} done={done} close={() => setForm(null)} />
      )}
    </div>
  );
}

/** Makes a chest, empty or worked out; null when it could not be saved. */
export async function makeChest(changes: Changes, name: string, start: ChestStart): Promise<ChestId | null> {
  const id = asId<ChestId>(crypto.randomUUID());
  const made =
    start === 'empty'
      ? await changes.make({ kind: 'make-chest', id, name })
      : await changes.save('/worked-out-chests', { id, name, by: start });
  return made ? id : null;
}
