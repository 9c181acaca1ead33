import clsx from 'clsx';
import { use } from 'react';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import type { PluginId } from '@clever-drawer/core/ids';
import { useChanges } from '../../arrangement/changes';
import type { ChosenCatalogue } from '../../catalogue/chosen-catalogue';
import { faceOf, FacesContext } from '../../catalogue/face';
import { useFilesHere } from '../../catalogue/files';
import { kindInWords } from '../../catalogue/type-glyph';
import { KeyHint } from '../../keys/key-hint';
import { useComputer } from '../../lib/use-computer';
import { PlainButton } from '../../parts/plain-button';
import { AsideWords } from './aside-words';
import { panelPart } from './panel-parts';
import { PictureButton } from './picture-button';
import { Places } from './places';
import { usePictureDrop } from './use-picture-drop';
import styles from './plugin.module.css';

interface Props {
  readonly id: PluginId;
  readonly state: Arrangement;
  readonly catalogue: ChosenCatalogue;
  readonly close: () => void;
  readonly change: () => void;
  readonly name: () => void;
  readonly setAside: () => void;
  readonly remove: () => void;
}

/** All about an own entry: what it is, the program that it belongs to, every place that it stands in. */
export function OwnEntryPanel({ id, state, catalogue, close, change, name, setAside, remove }: Props) {
  const computer = useComputer();
  const changes = useChanges(computer.id);
  const picture = usePictureDrop(id);
  const item = catalogue.byId.get(id);
  const face = item === undefined ? null : faceOf(computer.id, item, use(FacesContext));
  return (
    <section
      className={clsx(styles.pluginPanel, 'panel', picture.isOver && 'takes-picture')}
      aria-label="About the own entry"
      data-panel
      {...picture.handlers}
    >
      <PlainButton className={styles.panelClose} onClick={close} aria-label="Close the panel">
        ×
      </PlainButton>
      {item === undefined ? (
        <p>This own entry is not there any more. Undo brings it back.</p>
      ) : (
        <>
          {face !== null && <img className={styles.panelFace} src={face} alt={`Picture of ${item.name}`} />}
          <h2>
            <bdi>{item.name}</bdi> <span className="quiet">{item.file == null ? 'own entry' : 'other file'}</span>
          </h2>
          <p className={styles.aboutLine} {...panelPart('type')}>
            {item.name !== item.givenName && (
              <>
                given name <b>{item.givenName}</b> ·{' '}
              </>
            )}
            {kindInWords(item.types, item.role)}
            {item.width != null && `, ${item.width}`} in <bdi>{item.program}</bdi>
            {item.vendor !== item.program && (
              <>
                {' '}
                by <bdi>{item.vendor}</bdi>
              </>
            )}
            {item.naming !== null && item.naming.tags.length > 0 && ` · tags: ${item.naming.tags.join(', ')}`}
            {item.naming?.note != null && <span className="quiet"> · note: {item.naming.note}</span>}
          </p>
          <p className={styles.aboutLine}>
            <PlainButton onClick={change}>
              <KeyHint place="sort" does="correct" /> Change …
            </PlainButton>
            <PlainButton onClick={name}>
              <KeyHint place="sort" does="names" /> Names and notes …
            </PlainButton>
            {item.aside === null ? (
              <PlainButton onClick={setAside}>
                <KeyHint place="sort" does="setAside" /> Set aside …
              </PlainButton>
            ) : (
              <>
                <AsideWords aside={item.aside} state={state} />
                <PlainButton
                  linked
                  onClick={() => void changes.make({ kind: 'bring-back', pluginIds: [id], builds: [] })}
                >
                  Bring back
                </PlainButton>
              </>
            )}
            <PictureButton pluginId={id} />
            {state.face.has(id) && (
              <PlainButton onClick={() => void changes.make({ kind: 'show-face', pluginId: id, picture: null })}>
                Remove my picture
              </PlainButton>
            )}
            <PlainButton onClick={remove}>
              <KeyHint place="sort" does="deleteOwn" /> Delete
            </PlainButton>
          </p>
          <Places id={id} state={state} catalogue={catalogue} />
          {item.file == null ? (
            <p className="quiet">It has no file on this computer. When it is handed over, its name is passed.</p>
          ) : (
            <FileOf id={id} file={item.file} state={state} />
          )}
        </>
      )}
    </section>
  );
}

/** Where the file of an entry is on this computer. */
function FileOf({ id, file, state }: { id: PluginId; file: string; state: Arrangement }) {
  const path = useFilesHere(useComputer().id, state.ownEntry)?.get(id);
  if (path === null)
    return (
      <p className="quiet">
        <bdi className="mono">{file}</bdi> was not found on this computer. Add its folder in Intake under “Other files”,
        or read it again.
      </p>
    );
  return (
    <p className="quiet">
      <bdi className="mono">{path ?? file}</bdi>. When it is handed over, this path is passed. The file is never
      changed.
    </p>
  );
}
