import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import type { Proposal } from '@clever-drawer/core/chests/propose-drawers';
import type { DrawerId, ItemId } from '@clever-drawer/core/ids';
import type { ChosenItem } from '../../catalogue/queries';
import { kindInWords, TypeGlyph } from '../../catalogue/type-glyph';
import { PlainButton } from '../../parts/plain-button';
import { pathInWords } from '../drawer/drawer-box';
import styles from './filing.module.css';

/** The plugin that is to be filed. */
export function WaitingPlugin({ plugin, about }: { plugin: ChosenItem; about: (id: ItemId) => void }) {
  return (
    <div className={styles.toFilePlugin}>
      <TypeGlyph types={plugin.types} role={plugin.role} likely={plugin.typeGrade === 'likely'} />
      <div>
        <b>
          <bdi>{plugin.name}</bdi>
        </b>
        <div className="quiet">
          {plugin.vendor ?? 'vendor not known'} · {kindInWords(plugin.types, plugin.role)}
        </div>
      </div>
      <span className="grow" />
      <PlainButton onClick={() => about(plugin.id)}>all about it</PlainButton>
    </div>
  );
}

interface Props {
  readonly state: Arrangement;
  readonly proposals: readonly Proposal[];
  readonly marked: number;
  readonly ticked: ReadonlySet<string>;
  readonly file: (drawer: DrawerId) => void;
}

/** The drawers that are proposed, each with its reason; a click files into one. */
export function ProposedDrawers({ state, proposals, marked, ticked, file }: Props) {
  return (
    <ul className="proposals" role="listbox" aria-label="Proposed drawers" aria-multiselectable>
      {proposals.map(({ drawerId, because }, place) => (
        <li
          key={drawerId}
          role="option"
          aria-selected={ticked.size > 0 ? ticked.has(drawerId) : place === marked}
          className={place === marked ? 'at' : ''}
          onClick={() => file(drawerId)}
        >
          <span className="mono tick">{ticked.has(drawerId) ? '✓' : ' '}</span>
          <b>{pathInWords(state, drawerId)}</b> <span className="quiet">{because}</span>
        </li>
      ))}
    </ul>
  );
}

/** What the keys do here. */
export function ToFileKeys({ hasProposals }: { hasProposals: boolean }) {
  const keys = [
    ['Enter', hasProposals ? 'file there' : 'choose a drawer'],
    ['Space', 'tick several'],
    ['F', 'another drawer'],
    ['→', 'later'],
    ['A', 'set aside'],
  ] as const;
  return (
    <footer className="quiet box-hints">
      {keys.map(([key, does]) => (
        <span key={key}>
          <kbd>{key}</kbd> {does}
        </span>
      ))}
    </footer>
  );
}
