import { useMemo, useState } from 'react';
import Form from 'react-bootstrap/Form';
import type { PluginDetail } from '@clever-drawer/contract/responses';
import { presetsOf, type PluginPreset } from '@clever-drawer/core/catalogue/plugin-presets';
import { wordsOf } from '@clever-drawer/core/text/words';
import styles from './plugin.module.css';

/** So many are looked through at a glance; of more, those with certain words are found by typing. */
const MANY = 24;
const MOST_SHOWN = 400;

/** The presets of a plugin, bank by bank; nothing when none were found. */
export function PresetList({ plugin }: { plugin: PluginDetail }) {
  const [typed, setTyped] = useState('');
  const presets = useMemo(() => presetsOf(plugin.builds), [plugin.builds]);
  if (presets.length === 0) return null;
  const found = presets.filter(hasWords(typed));
  const shown = found.slice(0, MOST_SHOWN);
  return (
    <section aria-label="Presets">
      <h3>{presets.length === 1 ? 'Its preset' : `Its ${String(presets.length)} presets`}</h3>
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
            {own.map(({ key, name, formats }) => (
              <li key={key} title={formats.join(', ')}>
                <bdi>{name}</bdi>
              </li>
            ))}
          </ul>
        </div>
      ))}
      {found.length === 0 && <p className="quiet">No preset has these words. Type fewer of them.</p>}
      {found.length > shown.length && (
        <p className="quiet">
          {found.length - shown.length} more are not shown. Type some letters of the one that you want.
        </p>
      )}
    </section>
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
  for (const preset of presets) banks.set(preset.bank, [...(banks.get(preset.bank) ?? []), preset]);
  return [...banks];
}
