import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import type { Proposal } from '@clever-drawer/core/chests/propose-drawers';
import type { DrawerId, ItemId } from '@clever-drawer/core/ids';
import type { ChosenItem } from '../../catalogue/chosen-catalogue';
import { kindInWords, TypeGlyph } from '../../catalogue/type-glyph';
import { KeyHint } from '../../keys/key-hint';
import type { KeyOf, KeyPlace } from '../../keys/key-table';
import { PlainButton } from '../../parts/plain-button';
import { pathInWords } from '../../boxes/drawer-box';
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
          {plugin.vendor ?? 'vendor unknown'} · {kindInWords(plugin.types, plugin.role)}
        </div>
      </div>
      <span className="grow" />
      <PlainButton onClick={() => about(plugin.id)}>Details</PlainButton>
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

/** What the keys do here; `take` is what Enter does. */
export function ToFileKeys({ take }: { take: string }) {
  return (
    <footer className="quiet box-hints">
      <Hint place="waiting" does="take" words={take} />
      <Hint place="waiting" does="tick" words="tick several" />
      <Hint place="sort" does="file" words="another drawer" />
      <Hint place="waiting" does="later" words="later" />
      <Hint place="sort" does="setAside" words="set aside" />
    </footer>
  );
}

function Hint<P extends KeyPlace>({ place, does, words }: { place: P; does: KeyOf<P>; words: string }) {
  return (
    <span>
      <KeyHint place={place} does={does} /> {words}
    </span>
  );
}
