import clsx from 'clsx';
import type { ReactNode } from 'react';
import { StatusLine } from '../frame/status-line';
import { KeyHint } from '../keys/key-hint';
import type { KeyOf } from '../keys/key-table';
import { PlainButton } from '../parts/plain-button';
import type { SubjectPlace } from './list/use-subject';
import type { DeskKeys } from './use-desk-keys';
import styles from './sort.module.css';

/** A name of more letters may be cut where it stands: then it is told whole. */
const LONG = 28;

const PLACE_WORDS: Readonly<Record<SubjectPlace, string>> = {
  list: 'selected',
  elsewhere: 'selected, not in this list',
  panel: 'shown in the panel',
};

/** The line at the foot of Sort: how many are selected, and what can be done with them. */
export function DeskStatus({
  chosen,
  only,
  place,
  keys,
  again,
  pictures,
  selectAll,
  presetsLeftOut,
}: {
  chosen: number;
  /** The name of the only one that is selected. */
  only: string | null;
  /** Where it is selected or shown. */
  place: SubjectPlace;
  keys: DeskKeys;
  /** The drawers of the last filing, in words; empty before the first. */
  again: string;
  pictures: boolean;
  selectAll: (() => void) | null;
  /** Presets that are more than can be searched. */
  presetsLeftOut: number;
}) {
  return (
    <StatusLine>
      <span>
        <b>{chosen}</b> {chosen === 0 ? 'selected' : PLACE_WORDS[place]}
        {only !== null && only.length > LONG && (
          <span className={styles.oneSelected}>
            : <bdi>{only}</bdi>
          </span>
        )}
      </span>
      {presetsLeftOut > 0 && (
        <span className="flag" title="They stand in the panels of their plugins, and can be filed from there.">
          {presetsLeftOut} presets are not searched
        </span>
      )}
      {chosen === 0 && selectAll !== null && (
        <PlainButton className={clsx(styles.doing, 'if-room')} onClick={selectAll}>
          <KeyHint place="list" does="all" /> <span className="one-line">Select all shown</span>
        </PlainButton>
      )}
      {chosen > 0 && (
        <>
          <Doing keys={keys} does="file">
            File into …
          </Doing>
          {keys.fileAgain !== null && (
            <Doing keys={keys} does="fileAgain">
              File in {again} again
            </Doing>
          )}
          <Doing keys={keys} does="correct">
            Correct …
          </Doing>
          <Doing keys={keys} does="names">
            Names and notes …
          </Doing>
          <Doing keys={keys} does="setAside">
            Set aside …
          </Doing>
          {keys.bringBack !== null && (
            <Doing keys={keys} does="bringBack">
              Bring back
            </Doing>
          )}
        </>
      )}
      <Doing keys={keys} does="pictures" isOn={pictures} ifRoom>
        Pictures
      </Doing>
    </StatusLine>
  );
}

function Doing({
  keys,
  does,
  isOn,
  ifRoom = false,
  children,
}: {
  keys: DeskKeys;
  does: KeyOf<'sort'>;
  isOn?: boolean;
  /** Whether a low window leaves it out. */
  ifRoom?: boolean;
  children: ReactNode;
}) {
  const act = keys[does];
  return (
    <PlainButton
      className={clsx(styles.doing, ifRoom && 'if-room')}
      disabled={act === null}
      aria-pressed={isOn}
      onClick={() => void act?.()}
    >
      <KeyHint place="sort" does={does} /> <span className="one-line">{children}</span>
    </PlainButton>
  );
}
