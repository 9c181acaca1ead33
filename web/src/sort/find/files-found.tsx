import { useDebounceValue } from 'usehooks-ts';
import { useFileFolders, useFoundFiles } from '../../catalogue/files';
import { hasQuery } from '../../catalogue/use-search';
import { KeyHint } from '../../keys/key-hint';
import { counted } from '../../lib/counted';
import { useComputer } from '../../lib/use-computer';
import { PlainButton } from '../../parts/plain-button';

const RESTS_MS = 300;

/** Button that opens the other files, with the number of matches once typing pauses. Hidden while the computer has no folder of files. */
export function FilesFound({ typed, open }: { typed: string; open: () => void }) {
  const computer = useComputer();
  const folders = useFileFolders(computer.id).data?.folders ?? [];
  const [rested] = useDebounceValue(typed, RESTS_MS);
  const found = useFoundFiles(computer.id, rested, folders.length > 0 && hasQuery(rested));
  if (folders.length === 0) return null;
  const total =
    found.isPlaceholderData || rested !== typed || !hasQuery(typed) ? undefined : found.data?.pages[0]?.total;
  return (
    <PlainButton onClick={open}>
      {total === undefined || total === 0 ? 'Other files' : counted(total, 'other file')} …{' '}
      <KeyHint place="sort" does="addFiles" />
    </PlainButton>
  );
}
