import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useId, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { toast } from 'sonner';
import type { FileFoldersView, FileFolderView } from '@clever-drawer/contract/responses';
import { ROLE_LABELS, ROLES, type Role } from '@clever-drawer/core/catalogue/role';
import { readEndings } from '@clever-drawer/core/chests/other-files';
import { MAX_NAME_LENGTH } from '@clever-drawer/core/chests/rows/row-kind';
import { useChanges } from '../arrangement/changes';
import { useFileFolders } from '../catalogue/files';
import { keys } from '../catalogue/queries';
import { ago } from '../lib/ago';
import { call, wordsOf } from '../lib/api';
import { counted } from '../lib/counted';
import { focusWhenThere } from '../lib/focus';
import { useComputer } from '../lib/use-computer';
import { Failed, Loading } from '../parts/empty-note';
import { FormBox } from '../parts/form-box';
import { PlainButton } from '../parts/plain-button';
import { FolderBrowser } from './folder-browser';
import styles from './intake.module.css';

/** The folders in which files other than plugins are found by their endings. */
export function FileFoldersPanel() {
  const { id } = useComputer();
  const view = useFileFolders(id);
  const [box, setBox] = useState<FileFolderView | 'new' | null>(null);
  if (view.isError) return <Failed error={view.error} again={() => void view.refetch()} />;
  if (view.data === undefined) return <Loading what="the folders of files" />;
  const { folders, reading } = view.data;
  return (
    <section className="panel" aria-labelledby="file-folders-title">
      <div className="panel-head">
        <h2 id="file-folders-title">Other files</h2>
        <ReadAgain reading={reading} hasFolders={folders.length > 0} />
      </div>
      {folders.length === 0 && (
        <p className="quiet">
          Presets, racks, grooves and samples of your music program can be filed beside plugins. Add the folders that
          they are in, and their file name endings. No file is opened.
        </p>
      )}
      <ul className={styles.folderRows}>
        {folders.map((folder) => (
          <FileFolderRow key={folder.id} folder={folder} reading={reading} change={() => setBox(folder)} />
        ))}
      </ul>
      <Button size="sm" variant="outline-primary" className="mt-2" onClick={() => setBox('new')}>
        Add a folder of files …
      </Button>
      {box !== null && <FileFolderBox folder={box === 'new' ? null : box} close={() => setBox(null)} />}
    </section>
  );
}

/** Reads all again; while that is going on, how far it is and how to end it. */
function ReadAgain({ reading, hasFolders }: { reading: FileFoldersView['reading']; hasFolders: boolean }) {
  const { id } = useComputer();
  const client = useQueryClient();
  const ask = useMutation({
    mutationFn: (way: 'POST' | 'DELETE') =>
      call(`${way} /computers/{computer}/file-readings`, { path: { computer: id } }),
    onError: (error) => toast.error(wordsOf(error)),
    onSettled: () => client.invalidateQueries({ queryKey: keys.fileFolders(id) }),
  });
  if (!hasFolders) return null;
  return reading === null ? (
    <Button size="sm" variant="outline-primary" disabled={ask.isPending} onClick={() => ask.mutate('POST')}>
      Read again
    </Button>
  ) : (
    <Button size="sm" variant="outline-primary" disabled={ask.isPending} onClick={() => ask.mutate('DELETE')}>
      Cancel
    </Button>
  );
}

interface RowProps {
  readonly folder: FileFolderView;
  readonly reading: FileFoldersView['reading'];
  readonly change: () => void;
}

function FileFolderRow({ folder, reading, change }: RowProps) {
  const { removeFileFolder } = useChanges(useComputer().id);
  const { id, path, endings, program, role, problem, leftOut } = folder;
  return (
    <li>
      <div className={styles.folderPath} title={path}>
        <bdi>{path}</bdi>
      </div>
      <div className={styles.folderFacts}>
        <span className="quiet" role="status">
          {reading?.folderId === id ? `reading: ${counted(reading.found, 'file')} so far` : readInWords(folder)}
        </span>
        <PlainButton onClick={change} aria-label={`Change the folder of files ${path}`}>
          Change …
        </PlainButton>
        <PlainButton
          onClick={() =>
            void removeFileFolder(id, `${path} is removed from the list. Entries that were made of its files stay.`)
          }
          aria-label={`Remove ${path} from the list`}
        >
          Remove
        </PlainButton>
      </div>
      <div className="quiet">
        <span className="mono">{endings.map((ending) => `.${ending}`).join(' ')}</span> · {program}
        {role !== null && ` · ${ROLE_LABELS[role]}s`}
      </div>
      {problem !== null && <p className={styles.notWatched}>{PROBLEM_WORDS[problem]}</p>}
      {problem === null && leftOut > 0 && (
        <p className={styles.notWatched}>
          {String(leftOut)} left out: beyond the first 250,000, too long a path, or not readable. Check the rights, or
          add inner folders instead.
        </p>
      )}
    </li>
  );
}

const PROBLEM_WORDS: Readonly<Record<NonNullable<FileFolderView['problem']>, string>> = {
  missing: 'It is missing. Connect its disk, and read it again; what was found before stays.',
  unreadable: 'It can’t be read. Give yourself the right to read it, and read it again; what was found before stays.',
  failed: 'Reading it ended with an error in Clever Drawer; what was found before stays. Read it again.',
  refused: 'It can’t be a folder of files. Remove it from the list.',
};

const readInWords = ({ readAt, files }: FileFolderView): string =>
  readAt === null ? 'not read yet' : `${counted(files, 'file')}, read ${ago(Date.parse(readAt), Date.now())}`;

const lastName = (path: string): string => path.split(/[\\/]/).findLast((part) => part !== '') ?? '';

/** A new folder of files, or what one is changed to. */
function FileFolderBox({ folder, close }: { folder: FileFolderView | null; close: () => void }) {
  const { addFileFolder, changeFileFolder } = useChanges(useComputer().id);
  const [path, setPath] = useState(folder?.path ?? '');
  const [typed, setTyped] = useState(folder?.endings.join(' ') ?? '');
  const [named, setNamed] = useState<string | null>(folder?.program ?? null);
  const [role, setRole] = useState<Role | null>(folder?.role ?? null);
  const id = useId();
  const endings = readEndings(typed);
  const program = (named ?? lastName(path.trim())).trim().slice(0, MAX_NAME_LENGTH);
  const save = useMutation({
    mutationFn: (wanted: readonly string[]) => {
      const fields = { endings: [...wanted], program, role };
      return folder === null ? addFileFolder({ path: path.trim(), ...fields }) : changeFileFolder(folder.id, fields);
    },
    onSuccess: close,
  });
  const canAct = path.trim() !== '' && endings !== null && endings.length > 0 && program !== '' && !save.isPending;
  return (
    <FormBox
      title={folder === null ? 'A folder of files' : `The folder of files ${lastName(folder.path)}`}
      act={folder === null ? 'Add' : 'Save'}
      canAct={canAct}
      submit={() => {
        if (canAct) save.mutate(endings);
      }}
      close={close}
    >
      {folder === null && (
        <>
          <div className={styles.newFolder}>
            <Form.Label htmlFor={`${id}-path`}>Folder, with its full path</Form.Label>
            <FolderBrowser
              from={path}
              choose={(chosen) => {
                setPath(chosen);
                focusWhenThere(`[id="${id}-endings"]`);
              }}
            />
          </div>
          <Form.Control
            id={`${id}-path`}
            className="mono mb-3"
            value={path}
            autoFocus
            autoComplete="off"
            onChange={(event) => setPath(event.target.value)}
          />
        </>
      )}
      <Form.Group controlId={`${id}-endings`} className="mb-3">
        <Form.Label>File name endings</Form.Label>
        <Form.Control
          className="mono"
          value={typed}
          placeholder="rack preset wav"
          autoFocus={folder !== null}
          autoComplete="off"
          isInvalid={endings === null}
          onChange={(event) => setTyped(event.target.value)}
        />
        <Form.Control.Feedback type="invalid">
          Endings are short and hold no dots, such as “rack”; 50 at most.
        </Form.Control.Feedback>
        <Form.Text>Folders with such an ending count as one file.</Form.Text>
      </Form.Group>
      <Form.Group controlId={`${id}-program`} className="mb-3">
        <Form.Label>Music program or collection that they belong to</Form.Label>
        <Form.Control
          value={named ?? lastName(path.trim())}
          maxLength={MAX_NAME_LENGTH}
          autoComplete="off"
          onChange={(event) => setNamed(event.target.value)}
        />
      </Form.Group>
      <Form.Group controlId={`${id}-role`}>
        <Form.Label>They are</Form.Label>
        <Form.Select
          value={role ?? ''}
          onChange={(event) => setRole(ROLES.find((one) => one === event.target.value) ?? null)}
        >
          <option value="">what their names tell; else audio effects</option>
          {ROLES.map((one) => (
            <option key={one} value={one}>
              {ROLE_LABELS[one]}s
            </option>
          ))}
        </Form.Select>
      </Form.Group>
      {save.isError && (
        <p className="text-danger mt-3 mb-0" role="alert">
          {wordsOf(save.error)}
        </p>
      )}
    </FormBox>
  );
}
