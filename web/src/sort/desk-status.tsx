import type { ReactNode } from 'react';
import { StatusLine } from '../frame/status-line';
import type { DeskKeys } from './use-desk-keys';
import { PlainButton } from '../parts/plain-button';
import styles from './sort.module.css';

/** The line at the foot of Sort: how many are selected, and what can be done with them. */
export function DeskStatus({
  chosen,
  isElsewhere,
  keys,
  again,
  pictures,
  selectAll,
  presetsLeftOut,
}: {
  chosen: number;
  isElsewhere: boolean;
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
        <b>{chosen}</b> selected{isElsewhere && ' outside of the list'}
      </span>
      {presetsLeftOut > 0 && (
        <span className="flag" title="They stand in the panels of their plugins, and can be filed from there.">
          {presetsLeftOut} presets are not searched
        </span>
      )}
      {chosen === 0 && selectAll !== null && (
        <Doing act={selectAll} mark="Ctrl A">
          all found
        </Doing>
      )}
      {chosen > 0 && (
        <>
          <Doing act={keys.file} mark="F">
            file in …
          </Doing>
          {keys.fileAgain !== null && (
            <Doing act={keys.fileAgain} mark="Shift F">
              again: {again}
            </Doing>
          )}
          <Doing act={keys.putRight} mark="C">
            put right
          </Doing>
          <Doing act={keys.names} mark="M">
            my words
          </Doing>
          <Doing act={keys.setAside} mark="A">
            set aside
          </Doing>
          {keys.bringBack !== null && (
            <Doing act={keys.bringBack} mark="B">
              bring back
            </Doing>
          )}
        </>
      )}
      <Doing act={keys.pictures} mark="G" isOn={pictures}>
        pictures
      </Doing>
    </StatusLine>
  );
}

function Doing({
  act,
  mark,
  isOn,
  children,
}: {
  act: (() => void) | null;
  mark: string;
  isOn?: boolean;
  children: ReactNode;
}) {
  return (
    <PlainButton className={styles.doing} disabled={act === null} aria-pressed={isOn} onClick={() => act?.()}>
      <kbd>{mark}</kbd> <span className="one-line">{children}</span>
    </PlainButton>
  );
}
