import { keepPreviousData, useInfiniteQuery, useQuery } from '@tanstack/react-query';
import memoizeOne from 'memoize-one';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import type { ComputerId, PluginId } from '@clever-drawer/core/ids';
import { call } from '../lib/api';
import { keys } from './queries';

const WATCH_MS = 400;

/** The folders of other files of a computer; polled while one is being read. */
export const useFileFolders = (id: ComputerId) =>
  useQuery({
    queryKey: keys.fileFolders(id),
    queryFn: () => call('GET /computers/{computer}/file-folders', { path: { computer: id } }),
    refetchInterval: (query) => (query.state.data?.reading == null ? false : WATCH_MS),
  });

/** So many files come at once. */
export const FILES_AT_ONCE = 200;

/** Files that match all typed words, paginated. Keeps the previous result until the answer arrives. */
export const useFoundFiles = (id: ComputerId, words: string, wanted = true) =>
  useInfiniteQuery({
    queryKey: [...keys.files(id), words],
    enabled: wanted,
    initialPageParam: 0,
    placeholderData: keepPreviousData,
    queryFn: ({ pageParam: from }) =>
      call('GET /computers/{computer}/files', {
        path: { computer: id },
        query: { words, from, limit: FILES_AT_ONCE },
      }),
    getNextPageParam: ({ total }, pages) => {
      const shown = pages.reduce((sum, { files }) => sum + files.length, 0);
      return shown < total ? shown : undefined;
    },
  });

/** Paths of files on this computer by the ids of their entries: null for a missing file, absent while unknown. */
export type FilesHere = ReadonlyMap<PluginId, string | null>;

/** The ids of the own entries that are files, as a text: another one where another file was taken in. */
const filesIn = memoizeOne((ownEntry: Arrangement['ownEntry']): string =>
  [...ownEntry.values()]
    .flatMap((row) => (row.file === null ? [] : row.id))
    .sort()
    .join(' '),
);

/** See FilesHere; null while it is not known. Asked for only where some are files. */
export function useFilesHere(id: ComputerId, ownEntry: Arrangement['ownEntry']): FilesHere | null {
  const ids = filesIn(ownEntry);
  const { data } = useQuery({
    queryKey: [...keys.filesHere(id), ids],
    enabled: ids !== '',
    staleTime: Infinity,
    structuralSharing: false,
    // What is known of the others holds while one more is asked for.
    placeholderData: keepPreviousData,
    queryFn: async (): Promise<FilesHere> => {
      const { files } = await call('GET /computers/{computer}/files/here', { path: { computer: id } });
      return new Map(files.map((one) => [one.id, one.path]));
    },
  });
  return data ?? null;
}
