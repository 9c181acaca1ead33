import clsx from 'clsx';
import { useState, type SubmitEvent } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import InputGroup from 'react-bootstrap/InputGroup';
import type { FolderView } from '@clever-drawer/contract/responses';
import type { FolderSwitches } from '@clever-drawer/core/chests/change-folders';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useArrangement } from '../arrangement/arrangement-query';
import { useChanges } from '../arrangement/changes';
import { ApiError, call, wordsOf } from '../lib/api';
import { focusWhenThere } from '../lib/focus';
import { useProposedFolders } from '../catalogue/queries';
import { useComputer } from '../lib/use-computer';
import { ComputerName } from './computer-name';
import { FolderBrowser } from './folder-browser';
import { useStartScan } from '../catalogue/scanning';
import { useAddFolder } from './use-scan';
import { PlainButton } from '../parts/plain-button';
import styles from './intake.module.css';

/** The plugin folders of the computer; the usual ones that it has are proposed. */
export function FolderList({ folders }: { folders: readonly FolderView[] }) {
  const { id } = useComputer();
  const { removeFolder, switchFolder } = useChanges(id);
  const arranged = useArrangement(id).data?.state.pluginFolder;
  const scan = useStartScan();
  const change = useMutation({
    mutationFn: ({ folder, ...switches }: FolderSwitches & { folder: string }) => switchFolder(folder, switches),
  });
  /** A switch shows at once how it was turned, while that is being saved and the list is fetched. */
  const switchesOf = (folder: FolderView): Required<FolderSwitches> => {
    const { asks, watches } = arranged?.get(folder.id) ?? folder;
    return { asks, watches, ...(change.isPending && change.variables.folder === folder.id ? change.variables : {}) };
  };
  const remove = (folder: FolderView): void =>
    void removeFolder(
      folder.id,
      `${folder.path} is removed from the list. What was found in it stays in the catalogue until the next scan of everything.`,
    );
  return (
    <section className={clsx('panel', styles.folders)} aria-labelledby="folders-title">
      <div className="panel-head">
        <h2 id="folders-title">Plugin folders</h2>
        <Button size="sm" disabled={folders.length === 0} onClick={() => scan.mutate({})}>
          Scan all
        </Button>
      </div>
      <ComputerName />
      {folders.length === 0 && (
        <p className="quiet">No folder yet. Add the folders where your music program finds its plugins.</p>
      )}
      <ul className={styles.folderRows}>
        {folders.map((folder) => (
          <li key={folder.id}>
            <div className={styles.folderPath} title={folder.path}>
              <bdi>{folder.path}</bdi>
            </div>
            <div className={styles.folderFacts}>
              <span className="quiet">{folder.lastScannedAt === null ? 'not scanned yet' : buildsInWords(folder)}</span>
              <PlainButton onClick={() => scan.mutate({ folderIds: [folder.id] })} aria-label={`Scan ${folder.path}`}>
                Scan
              </PlainButton>
              <PlainButton
                onClick={() => scan.mutate({ folderIds: [folder.id], again: true })}
                aria-label={`Read ${folder.path} again, also what has not changed`}
                title="Also what has not changed"
              >
                Read again
              </PlainButton>
              <PlainButton onClick={() => remove(folder)} aria-label={`Remove ${folder.path} from the list`}>
                Remove
              </PlainButton>
            </div>
            <div className={styles.folderSwitches}>
              <Form.Check
                type="switch"
                id={`asks-${folder.id}`}
                label="load plugins to read their details"
                checked={switchesOf(folder).asks}
                onChange={(event) => change.mutate({ folder: folder.id, asks: event.target.checked })}
              />
              <Form.Check
                type="switch"
                id={`watches-${folder.id}`}
                label={folder.notWatched === null ? 'watch for arrivals' : 'watch for arrivals (not watched now)'}
                checked={switchesOf(folder).watches}
                onChange={(event) => change.mutate({ folder: folder.id, watches: event.target.checked })}
              />
            </div>
            {folder.watches && folder.notWatched !== null && (
              <p className={styles.notWatched}>{NOT_WATCHED_WORDS[folder.notWatched]}</p>
            )}
          </li>
        ))}
      </ul>
      {folders.some((folder) => folder.asks) && <AskingRoom />}
      <AddFolder />
      <Proposals />
    </section>
  );
}

const NOT_WATCHED_WORDS: Readonly<Record<NonNullable<FolderView['notWatched']>, string>> = {
  'too-large': 'It holds too much to be watched. Scan it by hand, or add only the folders in it that hold plugins.',
  'no-more-watches':
    'The system’s limit of watched folders is reached. Scan it by hand, or raise the limit (on Linux fs.inotify.max_user_watches).',
  missing: 'It is missing. Connect its disk; watching resumes within half a minute.',
  failed: 'The system does not allow watching all of it. Scan it by hand, or switch watching off and on again.',
  refused: 'It can’t be a plugin folder, so it is neither watched nor scanned. Remove it from the list.',
};

const ROOM_WORDS = {
  nobody: 'Plugins are loaded in a sandbox: without network, as another user, and without the right to write anything.',
  closed: 'Plugins are loaded in a sandbox: without network, and without the right to write anything.',
  open: 'This system has no sandbox: plugins are loaded in a process of their own, with your rights. Switch this off for folders that you don’t trust.',
} as const;

/** What a plugin can do while it is asked. */
function AskingRoom() {
  const { data } = useQuery({ queryKey: ['asking'], staleTime: Infinity, queryFn: () => call('GET /asking', {}) });
  return data === undefined ? null : <p className="quiet">{ROOM_WORDS[data.room]}</p>;
}

/** "21 builds, all of them also under /usr/lib/lv2": what a link in one folder leads to belongs to both. */
function buildsInWords({ builds, also }: FolderView): string {
  const all = `${String(builds)} ${builds === 1 ? 'build' : 'builds'}`;
  const shared = also.map((other) => {
    const how =
      other.builds === builds ? (builds === 1 ? 'also' : 'all of them also') : `${String(other.builds)} of them also`;
    return `${how} under ${other.path}`;
  });
  return [all, ...shared].join(', ');
}

function AddFolder() {
  const [path, setPath] = useState('');
  const add = useAddFolder();
  const submit = (event: SubmitEvent) => {
    event.preventDefault();
    save(false);
  };
  const save = (anyway: boolean): void => {
    const named = path.trim();
    if (named !== '') add.mutate({ path: named, ...(anyway ? { anyway } : {}) }, { onSuccess: () => setPath('') });
  };
  const isDoubtful = add.error instanceof ApiError && add.error.problem === 'mostly-no-plugins';
  return (
    <Form onSubmit={submit} noValidate>
      <div className={styles.newFolder}>
        <Form.Label htmlFor="new-folder">Another folder, with its full path</Form.Label>
        <FolderBrowser
          from={path}
          choose={(chosen) => {
            setPath(chosen);
            focusWhenThere('#new-folder');
          }}
        />
      </div>
      <InputGroup size="sm" hasValidation>
        <Form.Control
          id="new-folder"
          className="mono"
          value={path}
          onChange={(event) => setPath(event.target.value)}
          placeholder="/full/path/to/plugins or ~/.vst3"
          isInvalid={add.isError}
          aria-describedby="new-folder-error"
          autoComplete="off"
        />
        <Button type="submit" variant="outline-primary" disabled={path.trim() === '' || add.isPending}>
          Add
        </Button>
        <Form.Control.Feedback type="invalid" id="new-folder-error">
          {add.isError && wordsOf(add.error)}
          {isDoubtful && (
            <>
              {' '}
              <PlainButton linked onClick={() => save(true)}>
                Add it anyway
              </PlainButton>
            </>
          )}
        </Form.Control.Feedback>
      </InputGroup>
    </Form>
  );
}

function Proposals() {
  const computer = useComputer();
  const proposed = useProposedFolders(computer.id);
  const add = useAddFolder();
  if (proposed.data === undefined || proposed.data.length === 0) return null;
  return (
    <div className="proposals">
      <h3>Usual folders on this computer</h3>
      <ul className={styles.folderRows}>
        {proposed.data.map(({ path, formats, presets }) => (
          <li key={path}>
            <div className={styles.folderPath}>{path}</div>
            <div className={styles.folderFacts}>
              <span className="quiet">
                {formats.join(', ')}
                {presets === true && ' presets'}
              </span>
              <PlainButton disabled={add.isPending} onClick={() => add.mutate({ path })} aria-label={`Add ${path}`}>
                Add
              </PlainButton>
            </div>
          </li>
        ))}
      </ul>
    </div>
  );
}
