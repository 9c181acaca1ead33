import { useRef, useState } from 'react';
import { toast } from 'sonner';
import type { DirectoryView } from '@clever-drawer/contract/responses';
import { call, wordsOf } from '../lib/api';
import { useComputer } from '../lib/use-computer';
import { PickBox } from '../parts/pick-box';
import type { Pickable } from '../parts/pick-list';
import { PlainButton } from '../parts/plain-button';

const NO_CHOICES: readonly Pickable[] = [];
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
  const [loading, setLoading] = useState<string | null>(null);
  // A slow disk answers after the box was closed or another folder chosen; such an answer is not shown.
  const asked = useRef(0);
  const close = (): void => {
    asked.current += 1;
    setDirectory(null);
    setLoading(null);
  };
  const fetchDirectory = (path: string): Promise<DirectoryView> =>
    call('GET /computers/{computer}/directories', { path: { computer: id }, query: path === '' ? {} : { path } });
  const open = async (path: string): Promise<void> => {
    const turn = (asked.current += 1);
    setLoading(path === '' ? 'home folder' : path);
    try {
      const found = await fetchDirectory(path);
      if (turn !== asked.current) return;
      setLoading(null);
      setDirectory(found);
    } catch (error) {
      if (turn !== asked.current) return;
      setLoading(null);
      toast.error(wordsOf(error));
      // What is typed so far may be no folder: then it begins at home.
      if (directory === null && path !== '') await open('');
    }
  };
  const take = (key: string, { path, parent, names }: DirectoryView): void => {
    if (key === USE) {
      close();
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
      {(directory !== null || loading !== null) && (
        <PickBox
          title={loading ?? directory?.path ?? ''}
          what="folder"
          choices={directory === null || loading !== null ? NO_CHOICES : choicesIn(directory)}
          isLoading={loading !== null}
          several={false}
          done={([key]) => (key === undefined || directory === null ? undefined : take(key, directory))}
          close={close}
        />
      )}
    </>
  );
}

function choicesIn({ parent, names, more, isPartial }: DirectoryView): Pickable[] {
  const unlisted = isPartial
    ? 'it holds too much to list all folders'
    : more > 0
      ? `${String(more)} more folders are not listed`
      : '';
  return [
    { key: USE, label: 'Use this folder', note: unlisted },
    ...(parent === null ? [] : [{ key: UP, label: 'Up to the folder above', note: parent }]),
    ...names.map((name, index) => ({ key: String(index), label: name })),
  ];
}
