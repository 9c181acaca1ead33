import { useRef } from 'react';
import type { PluginId } from '@clever-drawer/core/ids';
import { useChanges } from '../../arrangement/changes';
import { useComputer } from '../../lib/use-computer';
import { PlainButton } from '../../parts/plain-button';
import { giveFace, usePicturePaste } from './use-picture-drop';

/** Chooses a picture for a plugin from a file; one can be pasted, too. */
export function PictureButton({ pluginId }: { readonly pluginId: PluginId }) {
  const computer = useComputer();
  const changes = useChanges(computer.id);
  const input = useRef<HTMLInputElement>(null);
  usePicturePaste(pluginId);
  return (
    <>
      <input
        ref={input}
        type="file"
        accept="image/png,image/jpeg,image/webp"
        hidden
        aria-label="Picture file"
        onChange={({ target }) => {
          const [file] = target.files ?? [];
          if (file !== undefined) void giveFace(computer.id, changes, pluginId, file);
          // The same file may be chosen again.
          target.value = '';
        }}
      />
      <PlainButton title="Or paste one, or drop one here" onClick={() => input.current?.click()}>
        Picture …
      </PlainButton>
    </>
  );
}
