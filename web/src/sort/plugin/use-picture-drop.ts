import { useState, type DragEvent } from 'react';
import { toast } from 'sonner';
import { useEventListener } from 'usehooks-ts';
import { pluginOfItem } from '@clever-drawer/core/chests/item';
import type { ItemId, PluginId } from '@clever-drawer/core/ids';
import { call, wordsOf } from '../../lib/api';
import { useChanges, type Changes } from '../../arrangement/changes';
import { useComputer } from '../../lib/use-computer';

const LARGEST = 8_000_000;

/** Sends a picture and makes it the plugin's face; what is wrong with it is told. */
export async function giveFace(computer: string, changes: Changes, pluginId: PluginId, file: Blob): Promise<void> {
  if (file.size > LARGEST) {
    toast.warning('This picture is larger than 8 MB. Save it smaller, and try again.');
    return;
  }
  if (!(await isWhole(file))) {
    toast.warning(
      'This picture can’t be shown: it is damaged, or not a PNG, JPEG or WebP picture. Choose another one.',
    );
    return;
  }
  try {
    const { picture } = await call('POST /computers/{computer}/pictures', { path: { computer }, body: file });
    await changes.make({ kind: 'show-face', pluginId, picture });
  } catch (error) {
    toast.error(wordsOf(error));
  }
}

/** Whether the browser can decode it from beginning to end. */
const isWhole = (file: Blob): Promise<boolean> =>
  createImageBitmap(file).then(
    (bitmap) => {
      bitmap.close();
      return true;
    },
    () => false,
  );

/** Gives a plugin a picture that is pasted while it is shown; what is pasted into a field goes there. */
export function usePicturePaste(pluginId: PluginId): void {
  const computer = useComputer();
  const changes = useChanges(computer.id);
  useEventListener('paste', (event) => {
    const isInField = (event.target as Element | null)?.closest('input, textarea, [contenteditable], dialog, .modal');
    const picture = [...(event.clipboardData?.files ?? [])].find((file) => file.type.startsWith('image/'));
    if (isInField != null || picture === undefined) return;
    event.preventDefault();
    void giveFace(computer.id, changes, pluginId, picture);
  });
}

const holdsFile = (event: DragEvent): boolean => event.dataTransfer.types.includes('Files');

/** Takes a picture file that is dropped onto a plugin, or a preset of it. */
export function usePictureDrop(item: ItemId) {
  const computer = useComputer();
  const changes = useChanges(computer.id);
  const pluginId = pluginOfItem(item);
  const [isOver, setOver] = useState(false);
  return {
    isOver,
    handlers: {
      onDragOver: (event: DragEvent) => {
        if (!holdsFile(event)) return;
        event.preventDefault();
        setOver(true);
      },
      onDragLeave: () => setOver(false),
      onDrop: (event: DragEvent) => {
        if (!holdsFile(event)) return;
        event.preventDefault();
        setOver(false);
        const [file] = event.dataTransfer.files;
        if (file !== undefined) void giveFace(computer.id, changes, pluginId, file);
      },
    },
  };
}
