import { useState } from 'react';
import { toast } from 'sonner';
import type { DirectoryView } from '@clever-drawer/contract/responses';
import { call, wordsOf } from '../lib/api';
import { useComputer } from '../lib/use-computer';
import { PickBox } from '../parts/pick-box';
import type { Pickable } from '../parts/pick-list';
import { PlainButton } from '../parts/plain-button';

const USE = 'use';
const UP = 'up';

interface Props {
  /** Where it begins: what is typed in the field; empty for the home folder. */
  readonly from: string;
  readonly choose: (path: string) => void;
}

/** Finds a folder of this computer by walking from folder to folder. Only the names of folders are fetched. */
export function FolderBrowser({ from, choose }: Props) {
  const { id } = useComputer();
  const [directory, setDirectory] = useState<DirectoryView | null>(null);
  const fetchDirectory = (path: string): Promise<DirectoryView> =>
    call('GET /computers/{computer}/directories', { path: { computer: id }, query: path === '' ? {} : { path } });
  const open = async (path: string): Promise<void> => {
    try {
      setDirectory(await fetchDirectory(path));
    } catch (error) {
      toast.error(wordsOf(error));
      // What is typed so far may be no folder: then it begins at home.
      if (directory === null && path !== '') await open('');
    }
  };
  const take = (key: string, { path, parent, names }: DirectoryView): void => {
    if (key === USE) {
      setDirectory(null);
      choose(path);
    } else if (key === UP) void open(parent ?? path);
    else {
      const name = names[Number(key)] ?? '';
      void open(`${path.replace(/[\\/]+$/, '')}${path.includes('\\') ? '\\' : '/'}${name}`);
    }
  };
  return (
    <>
      <PlainButton onClick={() => void open(from.trim())}>Browse …</PlainButton>
      {directory !== null && (
        <PickBox
          title={directory.path}
          what="folder"
          choices={choicesIn(directory)}
          several={false}
          done={([key]) => (key === undefined ? undefined : take(key, directory))}
          close={() => setDirectory(null)}
        />
      )}
    </>
  );
}

function choicesIn({ parent, names, more }: DirectoryView): Pickable[] {
  return [
    { key: USE, label: 'Use this folder', note: more > 0 ? `${String(more)} more folders are not listed` : '' },
    ...(parent === null ? [] : [{ key: UP, label: 'Up to the folder above', note: parent }]),
    ...names.map((name, index) => ({ key: String(index), label: name })),
  ];
}
