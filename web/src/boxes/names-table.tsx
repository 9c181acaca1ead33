import { useId, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { fillNamePattern, proposeStripLabel } from '@clever-drawer/core/chests/naming';
import type { Intent, NewNames } from '@clever-drawer/core/chests/intent';
import { MAX_STRIP_LABEL_LENGTH } from '@clever-drawer/core/chests/rows/naming';
import { MAX_NAME_LENGTH } from '@clever-drawer/core/chests/rows/row-kind';
import { truncateText } from '@clever-drawer/core/facts/caps';
import type { ItemId } from '@clever-drawer/core/ids';
import { fold } from '@clever-drawer/core/text/words';
import type { Changes } from '../arrangement/changes';
import type { ChosenItem } from '../catalogue/chosen-catalogue';
import { kindInWords } from '../catalogue/type-glyph';
import { FormBox } from '../parts/form-box';
import styles from './boxes.module.css';

const MAX_ROWS = 200;
const MAX_NOTE_LENGTH = 4000;
const MAX_TWICE = 5;
const FIELDS = ['nickname', 'stripLabel', 'note'] as const;
type Field = (typeof FIELDS)[number];
type Row = Readonly<Record<Field, string>>;

const LABELS: Readonly<Record<Field, string>> = { nickname: 'Nickname', stripLabel: 'Strip label', note: 'Note' };
const LENGTHS: Readonly<Record<Field, number>> = {
  nickname: MAX_NAME_LENGTH,
  stripLabel: MAX_STRIP_LABEL_LENGTH,
  note: MAX_NOTE_LENGTH,
};

const rowOf = ({ naming }: ChosenItem): Row => ({
  nickname: naming?.nickname ?? '',
  stripLabel: naming?.stripLabel ?? '',
  note: naming?.note ?? '',
});

/** The names that are given more than once, as search compares them; empty ones are none. */
function namesGivenTwice(names: readonly string[]): string[] {
  const [seen, twice] = [new Set<string>(), new Map<string, string>()];
  for (const name of names.map((one) => one.trim()).filter((one) => one !== '')) {
    const folded = fold(name);
    if (seen.has(folded)) twice.set(folded, name);
    seen.add(folded);
  }
  return [...twice.values()];
}

/** Nicknames, strip labels and notes of several plugins as a table; a pattern fills the nicknames, proposals the strip labels. Saved as one step. */
export function NamesTable({
  plugins,
  tags,
  changes,
  close,
}: {
  readonly plugins: readonly ChosenItem[];
  /** Tags that were given to all of them before the table was opened; saved with it. */
  readonly tags: NewNames;
  readonly changes: Changes;
  readonly close: () => void;
}) {
  const shown = plugins.slice(0, MAX_ROWS);
  const [rows, setRows] = useState<ReadonlyMap<ItemId, Row>>(() => new Map(shown.map((one) => [one.id, rowOf(one)])));
  const [pattern, setPattern] = useState('');
  const id = useId();
  const rowFor = (plugin: ChosenItem): Row => rows.get(plugin.id) ?? rowOf(plugin);
  const change = (next: (plugin: ChosenItem, row: Row, at: number) => Row): void =>
    setRows(new Map(shown.map((plugin, at) => [plugin.id, next(plugin, rowFor(plugin), at)])));
  const set = (wanted: ItemId, field: Field, value: string): void =>
    change((plugin, row) => (plugin.id === wanted ? { ...row, [field]: value } : row));
  const twice = namesGivenTwice(shown.map((plugin) => rowFor(plugin).nickname));
  const submit = (): void => {
    close();
    const tagging: Intent[] =
      Object.keys(tags).length === 0
        ? []
        : [{ kind: 'name-plugins', pluginIds: plugins.map((plugin) => plugin.id), naming: tags }];
    const intents = shown.flatMap((plugin): Intent[] => {
      const [before, after] = [rowOf(plugin), rowFor(plugin)];
      const changed = FIELDS.filter((field) => after[field].trim() !== before[field]);
      if (changed.length === 0) return [];
      const naming = Object.fromEntries(changed.map((field) => [field, after[field].trim() || null])) as NewNames;
      return [{ kind: 'name-plugins', pluginIds: [plugin.id], naming }];
    });
    if (tagging.length + intents.length > 0) void changes.make(...tagging, ...intents);
  };
  return (
    <FormBox
      title={`Names and notes: ${String(plugins.length)} plugins`}
      act="Save"
      size="lg"
      submit={submit}
      close={close}
    >
      <div className={styles.pattern}>
        <Form.Label htmlFor={`${id}-pattern`}>Nicknames by pattern</Form.Label>
        <Form.Control
          id={`${id}-pattern`}
          size="sm"
          value={pattern}
          maxLength={MAX_NAME_LENGTH}
          placeholder="{vendor} {type} {n}"
          onChange={(event) => setPattern(event.target.value)}
        />
        <Button
          size="sm"
          variant="outline-primary"
          disabled={pattern.trim() === ''}
          onClick={() =>
            change((plugin, row, at) => ({
              ...row,
              nickname: truncateText(
                fillNamePattern(pattern, {
                  name: plugin.givenName,
                  vendor: plugin.vendor ?? '',
                  type: kindInWords(plugin.types, plugin.role),
                  n: String(at + 1),
                }),
                MAX_NAME_LENGTH,
              ),
            }))
          }
        >
          Fill in
        </Button>
        <Button
          size="sm"
          variant="outline-primary"
          onClick={() =>
            change((plugin, row) => ({
              ...row,
              stripLabel: row.stripLabel || proposeStripLabel(row.nickname.trim() || plugin.givenName),
            }))
          }
        >
          Propose strip labels
        </Button>
      </div>
      <Form.Text>
        {'{name}, {vendor}, {type} and {n} stand for the given name, the vendor, the type and a number.'}
      </Form.Text>
      <div className={styles.table} role="group" aria-label="Names and notes" tabIndex={0}>
        <table className="table table-sm">
          <thead>
            <tr>
              <th scope="col">Plugin</th>
              {FIELDS.map((field) => (
                <th key={field} scope="col">
                  {LABELS[field]}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {shown.map((plugin) => (
              <tr key={plugin.id}>
                <th scope="row">
                  <bdi>{plugin.givenName}</bdi>
                </th>
                {FIELDS.map((field) => (
                  <td key={field}>
                    <Form.Control
                      size="sm"
                      aria-label={`${LABELS[field]} of ${plugin.givenName}`}
                      value={rowFor(plugin)[field]}
                      maxLength={LENGTHS[field]}
                      autoComplete="off"
                      placeholder={
                        field === 'stripLabel'
                          ? proposeStripLabel(rowFor(plugin).nickname.trim() || plugin.givenName)
                          : undefined
                      }
                      onChange={(event) => set(plugin.id, field, event.target.value)}
                    />
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {twice.length > 0 && (
        <p className="flag" role="status">
          {twice.length === 1
            ? `Two of them are called ${twice[0] ?? ''}.`
            : `Given to more than one: ${twice.slice(0, MAX_TWICE).join(', ')}${twice.length > MAX_TWICE ? ' …' : ''}.`}
        </p>
      )}
      {plugins.length > shown.length && (
        <p className="quiet">
          The first {MAX_ROWS} are shown; select fewer to name the other {plugins.length - shown.length}.
        </p>
      )}
    </FormBox>
  );
}
