import { useDeferredValue, useId, useState } from 'react';
import Form from 'react-bootstrap/Form';
import type { FoundFile } from '@clever-drawer/contract/responses';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { entryOfFile } from '@clever-drawer/core/chests/other-files';
import { MAX_OWN_ENTRIES } from '@clever-drawer/core/chests/plan-own-entries';
import type { ItemId, PluginId } from '@clever-drawer/core/ids';
import type { Changes } from '../arrangement/changes';
import { FILES_AT_ONCE, useFileFolders, useFoundFiles } from '../catalogue/files';
import { counted } from '../lib/counted';
import { useComputer } from '../lib/use-computer';
import { Failed, Loading } from '../parts/empty-note';
import { FormBox } from '../parts/form-box';
import { MoreOf } from '../parts/more-of';
import { PlainButton } from '../parts/plain-button';
import styles from './boxes.module.css';

interface Props {
  /** What is searched for at first. */
  readonly typedFirst: string;
  readonly state: Arrangement;
  readonly changes: Changes;
  /** Told of the new ones once they are saved. */
  readonly added: (ids: readonly ItemId[]) => void;
  readonly close: () => void;
}

/** Finds files other than plugins, and makes entries of those that are ticked. */
export function FilesBox({ typedFirst, state, changes, added, close }: Props) {
  const computer = useComputer();
  const [typed, setTyped] = useState(typedFirst);
  const [ticked, setTicked] = useState<ReadonlyMap<PluginId, FoundFile>>(new Map());
  const words = useDeferredValue(typed);
  const found = useFoundFiles(computer.id, words);
  const error: Error | null = found.error;
  const folders = useFileFolders(computer.id).data?.folders;
  const id = useId();
  const shown = found.data?.pages.flatMap((page) => page.files) ?? [];
  const total = found.data?.pages.at(-1)?.total ?? 0;
  const isOld = found.isPlaceholderData || words !== typed;
  const free = shown.filter((file) => !state.ownEntry.has(file.id));
  const toggle = (file: FoundFile): void =>
    setTicked((old) => {
      const next = new Map(old);
      if (!next.delete(file.id)) next.set(file.id, file);
      return next;
    });
  const tickAll = (): void => setTicked((old) => new Map([...old, ...free.map((file) => [file.id, file] as const)]));
  const isTooMany = ticked.size > MAX_OWN_ENTRIES;
  const submit = (): void => {
    if (ticked.size === 0 || isTooMany) return;
    const addedAt = new Date().toISOString();
    const entries = [...ticked.values()].map((file) => entryOfFile(file, addedAt));
    close();
    void changes.make({ kind: 'take-in-files', entries }).then((done) => {
      if (done) added(entries.map((entry) => entry.id));
    });
  };
  return (
    <FormBox
      title="Other files"
      act={ticked.size === 0 ? 'Add' : `Add ${counted(ticked.size, 'file')}`}
      canAct={ticked.size > 0 && !isTooMany}
      size="lg"
      submit={submit}
      close={close}
    >
      <p className="quiet">
        What you add is filed, found and loaded like a plugin, and handed over with its path. The file stays where it
        is.
      </p>
      <Form.Label htmlFor={`${id}-find`}>Words of the name, its folders or its ending</Form.Label>
      <Form.Control
        id={`${id}-find`}
        type="search"
        value={typed}
        autoFocus
        autoComplete="off"
        maxLength={300}
        onChange={(event) => setTyped(event.target.value)}
      />
      {error !== null && found.data === undefined ? (
        <Failed error={error} again={() => void found.refetch()} />
      ) : found.data === undefined ? (
        <Loading what="the files" />
      ) : total === 0 && !isOld ? (
        <p className="quiet mt-2">
          {folders?.length === 0
            ? 'No folder of files yet. Add one in Intake, under “Other files”.'
            : 'No file has all these words.'}
        </p>
      ) : (
        <>
          <p className="quiet mt-2 mb-0" role="status">
            {isOld ? 'Searching …' : `${counted(total, 'file')} found`}
            {isTooMany && `. Tick at most ${String(MAX_OWN_ENTRIES)} at a time.`}{' '}
            {free.length > 0 && (
              <PlainButton linked onClick={tickAll}>
                Tick all shown
              </PlainButton>
            )}
          </p>
          <ul className={styles.files} aria-label="Files" aria-busy={isOld}>
            {shown.map((file) => (
              <FileLine
                key={`${file.id} ${file.path}`}
                file={file}
                isThere={state.ownEntry.has(file.id)}
                isTicked={ticked.has(file.id)}
                toggle={toggle}
              />
            ))}
            <li>
              <MoreOf
                left={total - shown.length}
                step={FILES_AT_ONCE}
                busy={found.isFetchingNextPage}
                error={error}
                more={() => void found.fetchNextPage()}
              />
            </li>
          </ul>
        </>
      )}
    </FormBox>
  );
}

interface LineProps {
  readonly file: FoundFile;
  readonly isThere: boolean;
  readonly isTicked: boolean;
  readonly toggle: (file: FoundFile) => void;
}

function FileLine({ file, isThere, isTicked, toggle }: LineProps) {
  const id = useId();
  return (
    <li>
      <Form.Check
        id={id}
        checked={isTicked || isThere}
        disabled={isThere}
        onChange={() => toggle(file)}
        label={
          <>
            <bdi>{file.name}</bdi>{' '}
            <span className="quiet">
              <bdi>{file.file}</bdi>
              {isThere && ' · is there already'}
            </span>
          </>
        }
      />
    </li>
  );
}
