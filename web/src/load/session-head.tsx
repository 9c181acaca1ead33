import { useState } from 'react';
import Dropdown from 'react-bootstrap/Dropdown';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { byOrder } from '@clever-drawer/core/chests/look-up';
import { LANE_KINDS, type LaneKind } from '@clever-drawer/core/chests/rows/lane';
import type { Session } from '@clever-drawer/core/chests/rows/session';
import type { SessionId } from '@clever-drawer/core/ids';
import { NameBox } from '../parts/name-box';
import { PlainButton } from '../parts/plain-button';
import { LANE_LABELS } from './lane-column';
import styles from './load.module.css';

/** What can be done with sessions. */
export interface SessionActions {
  readonly show: (id: SessionId) => void;
  readonly make: (name: string) => void;
  /** A new one after another: with its plugins, or with its lanes alone. */
  readonly copy: (from: Session, name: string, filled: boolean) => void;
  readonly rename: (session: Session, name: string) => void;
  readonly markTemplate: (session: Session, on: boolean) => void;
  readonly shift: (session: Session, by: 1 | -1) => void;
  readonly remove: (session: Session) => void;
  readonly addLane: (session: Session, kind: LaneKind, name: string) => void;
  readonly exportAs: (session: Session, form: 'json' | 'dawproject') => void;
  readonly bringIn: () => void;
}

interface Props {
  readonly session: Session;
  readonly lanes: number;
  readonly state: Arrangement;
  readonly actions: SessionActions;
  /** Whether the drawers stand below the lanes, and the switch for it. */
  readonly shelf: readonly [boolean, (on: boolean) => void];
}

type Asks =
  | { readonly what: 'new' | 'rename' }
  | { readonly what: 'copy'; readonly from: Session; readonly filled: boolean }
  | { readonly what: 'lane'; readonly kind: LaneKind };

/** The session at hand, the others, and all that can be done with them. */
export function SessionHead({ session, lanes, state, actions, shelf: [hasShelf, setShelf] }: Props) {
  const [asks, ask] = useState<Asks | null>(null);
  const sessions = [...state.session.values()].sort(byOrder);
  const templates = sessions.filter((one) => one.template === true);
  const item = (key: string, words: string, act: () => void) => (
    <Dropdown.Item key={key} as="button" type="button" onClick={act}>
      {words}
    </Dropdown.Item>
  );
  return (
    <div className={styles.sessionHead}>
      <h1>
        <bdi>{session.name}</bdi>
      </h1>
      <Dropdown>
        <Dropdown.Toggle as="button" type="button" className="plain">
          Sessions <span className="mono">{sessions.length}</span>
        </Dropdown.Toggle>
        <Dropdown.Menu className={styles.menu}>
          {sessions.map((one) =>
            item(
              one.id,
              `${one.name}${one.template === true ? ' (template)' : ''}${one.id === session.id ? ' ✓' : ''}`,
              () => actions.show(one.id),
            ),
          )}
          <Dropdown.Divider />
          {item('new', 'New session …', () => ask({ what: 'new' }))}
          {templates.map((one) =>
            item(`after ${one.id}`, `New from the template ${one.name} …`, () =>
              ask({ what: 'copy', from: one, filled: true }),
            ),
          )}
          {item('in', 'Import a session …', actions.bringIn)}
        </Dropdown.Menu>
      </Dropdown>
      <Dropdown>
        <Dropdown.Toggle as="button" type="button" className="plain">
          Session
        </Dropdown.Toggle>
        <Dropdown.Menu className={styles.menu}>
          {item('rename', 'Rename …', () => ask({ what: 'rename' }))}
          {item('copy', 'Copy it …', () => ask({ what: 'copy', from: session, filled: true }))}
          {item('lanes', 'Copy its lanes without plugins …', () => ask({ what: 'copy', from: session, filled: false }))}
          {item('template', session.template === true ? 'Stop using as a template' : 'Keep as a template', () =>
            actions.markTemplate(session, session.template !== true),
          )}
          {item('earlier', 'Move up in the list', () => actions.shift(session, -1))}
          {item('later', 'Move down in the list', () => actions.shift(session, 1))}
          <Dropdown.Divider />
          {item('dawproject', 'Export as DAWproject', () => actions.exportAs(session, 'dawproject'))}
          {item('json', 'Export as JSON', () => actions.exportAs(session, 'json'))}
          <Dropdown.Divider />
          {item('delete', 'Delete it', () => actions.remove(session))}
        </Dropdown.Menu>
      </Dropdown>
      <Dropdown>
        <Dropdown.Toggle as="button" type="button" className="plain">
          New lane
        </Dropdown.Toggle>
        <Dropdown.Menu className={styles.menu}>
          {LANE_KINDS.map((kind) => item(kind, `${LANE_LABELS[kind]} …`, () => ask({ what: 'lane', kind })))}
        </Dropdown.Menu>
      </Dropdown>
      <PlainButton aria-pressed={hasShelf} onClick={() => setShelf(!hasShelf)}>
        Drawers to drag from
      </PlainButton>
      <span className="quiet if-room">practice session · {lanes} lanes · stands in for your music program</span>
      {asks !== null && (
        <NameBox
          title={TITLES[asks.what]}
          label="Name"
          first={firstName(asks, session)}
          close={() => ask(null)}
          done={(name) => {
            ask(null);
            if (asks.what === 'new') actions.make(name);
            else if (asks.what === 'copy') actions.copy(asks.from, name, asks.filled);
            else if (asks.what === 'lane') actions.addLane(session, asks.kind, name);
            else if (name !== session.name) actions.rename(session, name);
          }}
        />
      )}
    </div>
  );
}

const TITLES = { new: 'New session', rename: 'Rename the session', copy: 'New session', lane: 'New lane' } as const;

const firstName = (asks: Asks, session: Session): string =>
  asks.what === 'rename' ? session.name : asks.what === 'copy' ? `${asks.from.name}, copy` : '';
