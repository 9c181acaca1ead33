import clsx from 'clsx';
import { useMemo, useState } from 'react';
import Form from 'react-bootstrap/Form';
import type { PluginDetail } from '@clever-drawer/contract/responses';
import { presetsOf, type PluginPreset } from '@clever-drawer/core/catalogue/plugin-presets';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { itemId } from '@clever-drawer/core/chests/item';
import { group } from '@clever-drawer/core/chests/row-groups';
import { appendToGroup } from '@clever-drawer/core/lists-by-key';
import type { ItemId } from '@clever-drawer/core/ids';
import { KeyHint } from '../../keys/key-hint';
import { wordsOf } from '@clever-drawer/core/text/words';
import { panelPart } from './panel-parts';
import styles from './plugin.module.css';

/** So many are looked through at a glance; of more, those with certain words are found by typing. */
const MANY = 24;
const MAX_SHOWN = 400;

interface Props {
  readonly plugin: PluginDetail;
  readonly state: Arrangement;
  /** What the keys act on: a preset is filed, put on trays and named by them as a plugin is. */
  readonly chosen: readonly ItemId[];
  readonly choose: (ids: readonly ItemId[]) => void;
}

/** The presets of a plugin, bank by bank; nothing when none were found. */
export function PresetList({ plugin, state, chosen, choose }: Props) {
  const [typed, setTyped] = useState('');
  const presets = useMemo(() => presetsOf(plugin.builds), [plugin.builds]);
  if (presets.length === 0) return null;
  const found = presets.filter(hasWords(typed));
  const shown = found.slice(0, MAX_SHOWN);
  return (
    <section aria-label="Presets" {...panelPart('presets')}>
      <h3>
        <KeyHint place="sort" does="toPresets" />{' '}
        {presets.length === 1 ? 'Its preset' : `Its ${String(presets.length)} presets`}{' '}
        <span className="quiet">
          choose one, then <KeyHint place="sort" does="file" /> files it, <KeyHint place="sort" does="tray" />–
          <kbd>9</kbd> put it on a tray, <KeyHint place="sort" does="names" /> names it
        </span>
      </h3>
      {presets.length > MANY && (
        <Form.Control
          size="sm"
          type="search"
          className={styles.presetFind}
          aria-label="Find a preset"
          placeholder="Find a preset"
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
      )}
      {inBanks(shown).map(([bank, own]) => (
        <div key={bank ?? ''} className={styles.presetBank}>
          {bank !== null && (
            <h4>
              <bdi>{bank}</bdi>
            </h4>
          )}
          <ul aria-label={bank === null ? 'Presets in no bank' : `Bank ${bank}`}>
            {own.map((preset) => {
              const id = itemId({ pluginId: plugin.id, preset: preset.key });
              return (
                <li key={preset.key} title={preset.formats.join(', ')}>
                  <Preset id={id} preset={preset} state={state} isChosen={chosen.includes(id)} choose={choose} />
                </li>
              );
            })}
          </ul>
        </div>
      ))}
      {found.length === 0 && <p className="quiet">No preset matches. Type fewer words.</p>}
      {found.length > shown.length && (
        <p className="quiet">
          {found.length - shown.length} more are not shown. Type some letters of the one that you want.
        </p>
      )}
    </section>
  );
}

function Preset({
  id,
  preset,
  state,
  isChosen,
  choose,
}: Pick<Props, 'state' | 'choose'> & { id: ItemId; preset: PluginPreset; isChosen: boolean }) {
  const places = group(state, 'entriesOf', id).length + group(state, 'traysOf', id).length;
  const nickname = state.naming.get(id)?.nickname ?? null;
  return (
    <button
      type="button"
      className={clsx(styles.preset, isChosen && styles.presetChosen)}
      aria-pressed={isChosen}
      onClick={() => choose(isChosen ? [] : [id])}
    >
      <bdi>{nickname ?? preset.name}</bdi>
      {nickname !== null && (
        <span className="quiet">
          {' '}
          <bdi>{preset.name}</bdi>
        </span>
      )}
      {places > 0 && (
        <span
          className="quiet"
          title={places === 1 ? 'in one drawer or tray' : `in ${String(places)} drawers and trays`}
        >
          {' '}
          ▪{places}
        </span>
      )}
    </button>
  );
}

/** Whether bank and name have a word beginning with each of the typed ones. */
function hasWords(typed: string): (preset: PluginPreset) => boolean {
  const wanted = wordsOf(typed);
  return ({ bank, name }) => {
    const words = [...wordsOf(name), ...wordsOf(bank ?? '')];
    return wanted.every((one) => words.some((word) => word.startsWith(one)));
  };
}

/** In the order of the presets, which is that of their banks. */
function inBanks(presets: readonly PluginPreset[]): [string | null, PluginPreset[]][] {
  const banks = new Map<string | null, PluginPreset[]>();
  for (const preset of presets) appendToGroup(banks, preset.bank, preset);
  return [...banks];
}
